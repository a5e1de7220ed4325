package org.ysometron.app.plan;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.app.lot.SpecimenView;

/** The lot as specimens by lines of its plan: where something is missing there is a gap. */
final class PlanMatrix {

    private PlanMatrix() {}

    /** How far a specimen came, the farthest last. */
    enum State {
        GAP("not made"),
        GIVEN_UP("given up"),
        MADE("made"),
        MEASURED("measured"),
        SPOILT("tested, no figure"),
        TESTED("tested");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** How its box is drawn. */
        public String look() {
            return "is-" + name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * One specimen, or the place of one that is missing.
     *
     * @param label empty for a gap
     */
    record Cell(String label, State state) {

        /** What is said of it where it cannot be seen. */
        public String words() {
            return (label.isEmpty() ? "" : label + ": ") + state.words();
        }
    }

    /**
     * The specimens of a line, then a gap for each that is still to be made.
     *
     * @param wanted how many the plan asks for
     */
    static List<Cell> cells(List<SpecimenView> specimens, Progress.Done done, int wanted) {
        List<Cell> cells = new ArrayList<>();
        int counted = 0;
        for (SpecimenView specimen : specimens) {
            cells.add(new Cell(specimen.label(), state(specimen, done)));
            counted += done.countsOn(specimen.id()) ? 1 : 0;
        }
        for (int missing = wanted - counted; missing > 0; missing--) {
            cells.add(new Cell("", State.GAP));
        }
        return cells;
    }

    private static State state(SpecimenView specimen, Progress.Done done) {
        if (done.tested().contains(specimen.id())) {
            return done.spoilt().contains(specimen.id()) ? State.SPOILT : State.TESTED;
        }
        if (done.givenUp().contains(specimen.id())) {
            return State.GIVEN_UP;
        }
        return done.measured().contains(specimen.id()) ? State.MEASURED : State.MADE;
    }
}
