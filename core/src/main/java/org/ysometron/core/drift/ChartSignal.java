package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.ysometron.core.drift.Signal.Side;

/**
 * What the charts of a series say at a lot.
 *
 * @param rule name of the rule, one of {@link ChartRules#all()}, {@link ChartRules#AVERAGE} or {@link ChartRules#SUMS}
 * @param first index of the first lot of the pattern, from 0
 * @param last index of the lot it is said of
 * @param side where it lies, or where it is heading
 * @param words the pattern: "eight lots in a row below the centre"
 */
public record ChartSignal(String rule, int first, int last, Side side, String words) {

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

    /** All that the charts of these rules say of these lots, in order of the lot. */
    public static List<ChartSignal> of(Lots lots, LotLimits limits, ChartRules rules) {
        List<ChartSignal> found = new ArrayList<>();
        rules.charts().forEach(chart -> found.addAll(chart.over(lots, limits).signals()));
        found.sort(Comparator.comparingInt(ChartSignal::last));
        return found;
    }
}
