package org.ysometron.core.statistics;

import java.util.Arrays;
import org.hipparchus.util.CombinatoricsUtils;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Dixon's ratios of gap to range for the largest or smallest of few values, with their exact probability.
 *
 * <p>r = (xₙ − xₙ₋ⱼ)/(xₙ − x₁₊ₖ) with j over k as 10, 11, 21 or 22; customary are r₁₀ up to 7 values, r₁₁ up to 10, r₂₁ up to 13,
 * r₂₂ beyond. The probability is the double integral over both ends of the range, Σᵢ₍ᵢ₌₀₎^(j−1) n!/(k!·i!·(n−k−2−i)!) ∫∫ Φ(a)ᵏφ(a)
 * (Φ(c) − Φ(a))ⁿ⁻ᵏ⁻²⁻ⁱ (Φ(b) − Φ(c))ⁱ φ(b) da db, c = b − r(b − a), worked out, not looked up. Two-sided it is doubled, which is exact
 * where not both ends can stand out at once, and never too small. Source: W. J. Dixon, Annals of Mathematical Statistics 21 and
 * 22, 1950 and 1951.
 *
 * @param index of the suspect, from 0
 * @param high whether it is the largest; else the smallest
 * @param ratio r
 * @param p two-sided probability without an outlier
 */
public record Dixon(int index, boolean high, double ratio, double p) {

    private static final int MOST = 100;
    private static final double REACH = 8.5;
    private static final int PIECES = 5;

    /** Which neighbours the ratio is of. */
    public enum Ratio {
        /** Nearest neighbour over the whole range. */
        R10(1, 0),
        /** Nearest neighbour, the value at the other end left out. */
        R11(1, 1),
        /** Second neighbour, the value at the other end left out. */
        R21(2, 1),
        /** Second neighbour, two values at the other end left out. */
        R22(2, 2);

        private final int gap;
        private final int left;

        Ratio(int gap, int left) {
            this.gap = gap;
            this.left = left;
        }

        /** The customary one for so many values. */
        public static Ratio usual(int n) {
            if (n <= 7) {
                return R10;
            }
            return n <= 10 ? R11 : n <= 13 ? R21 : R22;
        }
    }

    /**
     * The end that stands out more.
     *
     * @param values 3 to 100, four at least for a ratio other than r₁₀ and six for r₂₂, not all alike
     */
    public static Dixon of(double[] values, Ratio ratio) {
        int n = values.length;
        if (n > MOST || n < 3 || n < ratio.gap + ratio.left + 2) {
            throw new IllegalArgumentException("3 to " + MOST + " values are needed, and "
                    + (ratio.gap + ratio.left + 2) + " at least for this ratio");
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        double top = over(sorted[n - 1] - sorted[n - 1 - ratio.gap], sorted[n - 1] - sorted[ratio.left]);
        double bottom = over(sorted[ratio.gap] - sorted[0], sorted[n - 1 - ratio.left] - sorted[0]);
        boolean high = top >= bottom;
        double suspect = high ? sorted[n - 1] : sorted[0];
        int index = 0;
        while (values[index] != suspect) {
            index++;
        }
        double r = Math.max(top, bottom);
        return new Dixon(index, high, r, Math.min(1, 2 * beyond(r, n, ratio)));
    }

    /**
     * One-sided probability of a ratio above r for values of a normal population.
     *
     * @param r 0 to 1
     */
    public static double beyond(double r, int n, Ratio ratio) {
        double sum = 0;
        for (int i = 0; i < ratio.gap; i++) {
            int between = n - ratio.left - 2 - i;
            double ways = CombinatoricsUtils.factorialLog(n)
                    - CombinatoricsUtils.factorialLog(ratio.left)
                    - CombinatoricsUtils.factorialLog(i)
                    - CombinatoricsUtils.factorialLog(between);
            sum += Math.exp(ways) * integral(r, ratio.left, between, i);
        }
        return Math.min(1, sum);
    }

    private static double integral(double r, int below, int between, int above) {
        return Panels.even(-REACH, REACH, PIECES).integrate(b -> {
            double pb = StandardNormal.below(b);
            int pieces = Math.max(1, (int) Math.ceil((b + REACH) / (2 * REACH) * PIECES));
            return StandardNormal.density(b)
                    * Panels.even(-REACH, b, pieces).integrate(a -> {
                        double pa = StandardNormal.below(a);
                        double pc = StandardNormal.below(b - r * (b - a));
                        return StandardNormal.density(a)
                                * Math.pow(pa, below)
                                * Math.pow(Math.max(0, pc - pa), between)
                                * Math.pow(Math.max(0, pb - pc), above);
                    });
        });
    }

    private static double over(double gap, double range) {
        if (!(range > 0)) {
            throw new IllegalArgumentException("the values are alike but for the ends; none lies out by this ratio");
        }
        return gap / range;
    }
}
