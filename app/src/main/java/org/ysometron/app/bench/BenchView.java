package org.ysometron.app.bench;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.core.method.Equipment;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.rubric.Rubric;
import org.ysometron.core.working.Figures;

/**
 * The bench page, shaped for its template.
 *
 * @param station the method that is tested at it; null while the lot has no specimens
 * @param stations all methods of the lot, each with what of it is done
 * @param display what the step is read from, with the unit that it shows; null where there is none to set
 * @param heads heads of the list's columns
 * @param rows all specimens of the method, or those that a reading just stored has changed
 * @param measured how many are measured; like those broken and all of them 0 where the page keeps what it shows of them
 * @param wanting what must be registered before anything can be taken in hand; empty when nothing is missing
 * @param unknown what is wrong with the label that was scanned, and then nothing is in hand; empty otherwise
 */
record BenchView(
        @Nullable Station station,
        List<Station> stations,
        String step,
        long gaugeId,
        List<InstrumentView> gauges,
        @Nullable Display display,
        @Nullable Hand hand,
        List<Head> heads,
        List<Row> rows,
        int measured,
        int broken,
        int total,
        String wanting,
        String unknown,
        List<Owing.OwedView> owed) {

    /** What is still to be fetched, by what it is called. */
    public Map<String, List<Owing.OwedView>> owedByWords() {
        return owed.stream()
                .collect(Collectors.groupingBy(Owing.OwedView::words, LinkedHashMap::new, Collectors.toList()));
    }

    /** Another method of the lot that has something left to do; null where there is none. */
    public @Nullable Station next() {
        return stations.stream()
                .filter(other -> other.done() < other.total())
                .filter(other -> station == null || !other.id().equals(station.id()))
                .findFirst()
                .orElse(null);
    }

    /** Whether there is anything to take in hand. */
    public boolean hasSpecimens() {
        return total > 0 || hand != null;
    }

    /**
     * A method at the bench.
     *
     * @param title with a capital
     * @param sizes whether its sheet asks for sizes
     * @param equipment what it is done with
     * @param lasts whether it runs for days, so that readings come before the end
     * @param more whether more can be read in it than is usually
     * @param done how many specimens of it are tested
     */
    record Station(
            String id,
            String title,
            boolean sizes,
            Equipment equipment,
            boolean lasts,
            List<EndChoice> ends,
            String hint,
            boolean more,
            int done,
            int total) {

        static Station of(MethodData data, int done, int total) {
            String title = data.title().substring(0, 1).toUpperCase(Locale.ROOT)
                    + data.title().substring(1);
            return new Station(
                    data.id(),
                    title,
                    data.sheet().of(org.ysometron.core.reading.Field.Role.SIZE).stream()
                            .anyMatch(field -> !field.optional()),
                    data.equipment(),
                    data.isReadInRows(),
                    data.ends().keySet().stream()
                            .map(end -> new EndChoice(end.name(), end.words()))
                            .toList(),
                    data.closing().dimension().example(),
                    !data.aside().isEmpty(),
                    done,
                    total);
        }
    }

    /**
     * What is read from, and the unit that its display is set to.
     *
     * @param units that it could be set to
     */
    record Display(long instrument, String name, String unit, List<String> units) {}

    /** A way to end. */
    record EndChoice(String key, String words) {}

    /** Head of a column. */
    record Head(String words, boolean number) {}

    /**
     * The specimen in hand.
     *
     * @param fields what is still to be typed, and what is there already
     * @param noted what may be noted beside the test
     * @param headroom warning about the gauge; empty when it is large enough
     * @param warnings what makes its result provisional, or stops it from being broken
     * @param clock when it wants to be looked at; nothing rings while it is measured
     * @param stays whether it was in hand before, so that what the page says of it stands
     * @param sketch the specimen as it is drawn
     * @param over whether its test is over, so that what is typed was fetched later and nothing is broken
     */
    record Hand(
            String label,
            String orientation,
            String terms,
            List<Field> fields,
            List<Field> noted,
            String section,
            String headroom,
            String expected,
            List<String> warnings,
            Clock clock,
            boolean stays,
            Sketch sketch,
            boolean over) {

        /** Whether there is anything left to type. */
        public boolean isOpen() {
            return fields.stream().anyMatch(Field::isOpen);
        }
    }

    /**
     * The clock of a test.
     *
     * @param rings seconds, place and place of the true time of each reading, as '30 at-30-s-1 true-at-30-s-1', joined by commas
     * @param step seconds that each step is held; 0 where there are none
     */
    record Clock(String rings, long step) {

        static final Clock NONE = new Clock("", 0);

        public boolean isRinging() {
            return !rings.isEmpty() || step > 0;
        }
    }

    /** A grade of a scale, as it is typed, with an example drawn of it. */
    record Grade(String value, String words, String drawing, String fault) {

        static List<Grade> of(@Nullable Rubric rubric) {
            return rubric == null
                    ? List.of()
                    : rubric.grades().stream()
                            .map(grade -> new Grade(
                                    Figures.plain(grade.value(), 4), grade.words(), grade.drawing(), grade.fault()))
                            .toList();
        }
    }

    /**
     * One place to type a reading.
     *
     * @param given what stands there already; empty when it is open
     * @param typed what was typed and refused; empty otherwise
     * @param problem why it was refused; empty otherwise
     * @param confirm text that counts as confirmed when sent again
     * @param choices words to choose from; none for a number
     * @param grades of its scale, each with its drawing; none for what is no grade, or stands beside another of the scale
     * @param optional whether a result can be had without it
     * @param later whether it may be fetched after the test
     * @param unit the unit that a bare number is taken in
     * @param display the same where a display is set to another than the working unit; empty otherwise
     */
    record Field(
            String key,
            String label,
            String unit,
            String display,
            String given,
            String typed,
            String problem,
            String confirm,
            boolean focus,
            List<String> choices,
            List<Grade> grades,
            boolean optional,
            boolean later,
            String takes,
            String press) {

        public boolean isOpen() {
            return given.isEmpty();
        }
    }

    /**
     * A specimen in the list.
     *
     * @param cells its readings, column by column
     * @param figures what its method makes of them, column by column; empty while there is nothing
     * @param kind what the first figure is good for
     * @param noted what was read and seen beside it, in words
     * @param isSpoilt whether its test was void and nothing was made in its place
     */
    record Row(
            String label,
            String orientation,
            boolean inHand,
            List<Column> cells,
            String outcome,
            List<String> figures,
            String kind,
            boolean isSpoilt,
            List<Cell> noted,
            List<String> notes,
            List<String> history) {}

    /** The readings of one field. */
    record Column(List<Cell> cells, boolean number) {}

    /** A reading in the list; its id leads to the correction. */
    record Cell(long id, String typed, String shown) {}

    /**
     * What is worked out while somebody types.
     *
     * @param problem why it could not be read; empty when it could
     * @param lines what it means
     * @param marks places of earlier lots on a small scale, 0 to 300
     * @param mark place of this one; below zero when there is nothing to draw
     */
    record Preview(String problem, List<String> lines, List<Double> marks, double mark) {}
}
