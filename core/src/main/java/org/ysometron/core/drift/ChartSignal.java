package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.ysometron.core.drift.Signal.Side;
import org.ysometron.core.quantity.Rounding;

/**
 * What the charts of a series say at a lot.
 *
 * @param rule name of the rule, one of {@link ChartRules#all()}
 * @param first index of the first lot of the pattern, from 0
 * @param last index of the lot it is said of
 * @param side where it lies, or where it is heading
 * @param words the pattern: "eight lots in a row below the centre"
 */
public record ChartSignal(String rule, int first, int last, Side side, String words) {

    /** Patterns of which way the means go, whatever stands behind each of them. */
    private static final Set<RunRule> MOVES = EnumSet.of(RunRule.SIX_CLIMBING_OR_FALLING, RunRule.FOURTEEN_ALTERNATING);

    /**
     * Lots in order of making.
     *
     * @param means finite
     * @param deviations within lots; NaN where there is none
     * @param sizes n of each
     */
    public record Lots(double[] means, double[] deviations, int[] sizes) {

        /** Checks that there is one of each. */
        public Lots {
            if (means.length != deviations.length || means.length != sizes.length) {
                throw new IllegalArgumentException("each lot needs a mean, a scatter or none, and its n");
            }
        }

        int count() {
            return means.length;
        }
    }

    /** All that the rules say of these lots, in order of the lot, then of the rule. */
    public static List<ChartSignal> of(Lots lots, LotLimits limits, ChartRules rules) {
        List<ChartSignal> found = new ArrayList<>();
        patterns(lots, limits, rules.runs(), found);
        for (int i = 0; i < lots.count(); i++) {
            if (rules.range() && i > 0) {
                range(lots, limits, i, found);
            }
            if (rules.scatter()) {
                scatter(lots, limits, i, found);
            }
        }
        found.sort(Comparator.comparingInt(ChartSignal::last));
        return found;
    }

    private static void patterns(Lots lots, LotLimits limits, Set<RunRule> on, List<ChartSignal> found) {
        EnumSet<RunRule> zones = EnumSet.noneOf(RunRule.class);
        EnumSet<RunRule> moves = EnumSet.noneOf(RunRule.class);
        on.forEach(rule -> (MOVES.contains(rule) ? moves : zones).add(rule));
        double[] inOwnMeasure = new double[lots.count()];
        Arrays.setAll(inOwnMeasure, i -> limits.inOwnMeasure(lots.means[i], lots.sizes[i]));
        add(RunRule.signals(inOwnMeasure, limits.centre(), limits.sigma(), zones), found);
        if (!moves.isEmpty()) {
            add(RunRule.signals(lots.means, limits.centre(), limits.sigma(), moves), found);
        }
    }

    private static void add(List<Signal> signals, List<ChartSignal> found) {
        for (Signal signal : signals) {
            found.add(new ChartSignal(
                    signal.rule().name(), signal.first(), signal.last(), signal.side(), signal.words()));
        }
    }

    private static void range(Lots lots, LotLimits limits, int i, List<ChartSignal> found) {
        double change = lots.means[i] - lots.means[i - 1];
        if (Rounding.beyond(lots.means[i], lots.means[i - 1], limits.range(lots.sizes[i], lots.sizes[i - 1]))) {
            found.add(new ChartSignal(
                    ChartRules.RANGE,
                    i - 1,
                    i,
                    change > 0 ? Side.ABOVE : Side.BELOW,
                    "change from the lot before beyond its limit"));
        }
    }

    private static void scatter(Lots lots, LotLimits limits, int i, List<ChartSignal> found) {
        OptionalDouble upper = limits.scatter(lots.sizes[i]);
        if (upper.isPresent() && Rounding.above(lots.deviations[i], upper.getAsDouble())) {
            found.add(new ChartSignal(ChartRules.SCATTER, i, i, Side.ABOVE, "scatter within the lot beyond its limit"));
        }
    }
}
