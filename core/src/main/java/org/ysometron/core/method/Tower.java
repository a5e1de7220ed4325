package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Working;

/**
 * A tower printed in steps of one setting, each step graded: which steps pass, as the longest run of neighbours that all do; of runs of one length the one
 * that spans most. Its ends lie between the step that passed and the neighbour that did not; where the tower has no neighbour, the end is a bound. A
 * worse grade can only shorten the run or break it (common practice, no source).
 */
abstract class Tower extends Method {

    private final String setting;

    /** Of one setting, by the key of its field. */
    Tower(String setting) {
        this.setting = setting;
    }

    /** A step and whether it passed. */
    private record Step(double at, boolean passes) {}

    @Override
    protected final Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        List<Step> steps = new ArrayList<>(steps(readings, pinned));
        steps.sort(Comparator.comparingDouble(Step::at));
        int[] window = window(steps);
        String unit = data().main().unit();
        Working working = Working.of(step(
                "steps that pass, of " + steps.size(),
                "",
                "stringing, surface and spike within their limits",
                (double) steps.stream().filter(Step::passes).count(),
                "",
                "common practice, no source",
                steps.stream().filter(Step::passes).mapToDouble(Step::at).toArray()));
        if (window.length == 0) {
            Figure none = Figure.none("no step passes", working);
            return Map.of(setting + "-lowest", none, setting + "-highest", none);
        }
        return Map.of(
                setting + "-lowest", lowest(steps, window[0], unit, working),
                setting + "-highest", highest(steps, window[1], unit, working));
    }

    private static Figure lowest(List<Step> steps, int first, String unit, Working passed) {
        double low = steps.get(first).at();
        Working working = passed.then(step("lowest of the run", "s₁", "", low, unit, ""));
        if (first == 0) {
            return Figure.under(low, "the tower has no step below " + Figures.plain(low, 4) + " " + unit, working);
        }
        double failed = steps.get(first - 1).at();
        return Figure.between(failed, low, working.then(step("neighbour that failed", "s₀", "", failed, unit, "")));
    }

    private static Figure highest(List<Step> steps, int last, String unit, Working passed) {
        double high = steps.get(last).at();
        Working working = passed.then(step("highest of the run", "s₂", "", high, unit, ""));
        if (last == steps.size() - 1) {
            return Figure.above(high, "the tower has no step above " + Figures.plain(high, 4) + " " + unit, working);
        }
        double failed = steps.get(last + 1).at();
        return Figure.between(high, failed, working.then(step("neighbour that failed", "s₃", "", failed, unit, "")));
    }

    @Override
    public final List<Boolean> passing(Readings readings, Pinned pinned) {
        return steps(readings, pinned).stream().map(Step::passes).toList();
    }

    /** The steps in the order in which they were read. */
    private List<Step> steps(Readings readings, Pinned pinned) {
        double[] at = readings.all(setting);
        double[] stringing = readings.all("step-stringing");
        double[] surface = readings.all("step-surface");
        double[] spike = readings.all("step-spike");
        if (at.length == 0
                || stringing.length != at.length
                || surface.length != at.length
                || spike.length != at.length) {
            throw new IllegalArgumentException("each step has its setting and three grades, got " + at.length + ", "
                    + stringing.length + ", " + surface.length + " and " + spike.length);
        }
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            double here = at[i];
            if (steps.stream().anyMatch(step -> step.at() == here)) {
                throw new IllegalArgumentException("the step at " + Figures.plain(here, 4) + " stands twice");
            }
            boolean passes = stringing[i] <= pinned.value("most-stringing")
                    && surface[i] >= pinned.value("least-surface")
                    && spike[i] >= pinned.value("least-spike");
            steps.add(new Step(here, passes));
        }
        return steps;
    }

    /** First and last of the longest run that passes; of equals the one that spans most, then the lower; none where nothing does. */
    private static int[] window(List<Step> steps) {
        int[] best = {};
        int from = -1;
        for (int i = 0; i <= steps.size(); i++) {
            boolean passes = i < steps.size() && steps.get(i).passes();
            if (passes && from < 0) {
                from = i;
            }
            if (!passes && from >= 0) {
                int[] run = {from, i - 1};
                best = best.length == 0 || wider(run, best, steps) ? run : best;
                from = -1;
            }
        }
        return best;
    }

    private static boolean wider(int[] one, int[] other, List<Step> steps) {
        int longer = Integer.compare(one[1] - one[0], other[1] - other[0]);
        return longer > 0
                || (longer == 0
                        && steps.get(one[1]).at() - steps.get(one[0]).at()
                                > steps.get(other[1]).at() - steps.get(other[0]).at());
    }
}
