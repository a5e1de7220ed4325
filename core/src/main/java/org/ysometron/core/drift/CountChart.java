package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.distribution.discrete.BinomialDistribution;
import org.hipparchus.distribution.discrete.HypergeometricDistribution;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * A chart of counts, lot by lot: how many of a lot's specimens ended in some way (a p chart), or how many faults were found on so much material (a u
 * chart). Each lot is set against those before it, and what these leave open is in the limit: given how many there are in both together, the lot's own part
 * is hypergeometric (of specimens) or binomial (of faults), whatever the true rate is. The limit is never crossed more often than the level says; with few
 * specimens much less often, and then it may be that no count could cross it.
 *
 * <p>Three standard deviations about an average, as p and u charts are mostly drawn, suppose many of each: with five specimens and one in twenty they cry wolf
 * at 2 lots in 100. Source: the conditional test of two proportions (R. A. Fisher) and of two rates (J. Przyborowski and H. Wilenski, Biometrika 31, 1940);
 * ISO 7870-2 for the charts.
 *
 * @param points one for each lot
 * @param working the steps
 */
public record CountChart(List<Point> points, Working working) {

    /** Probability beyond the limit without a cause: that beyond three standard deviations, on one side. */
    public static final double LEVEL = 0.00135;

    /** Copies the points. */
    public CountChart {
        points = List.copyOf(points);
    }

    /** What is counted. */
    public enum Kind {
        /** Specimens out of so many. */
        SHARE,
        /** Faults on so much. */
        RATE
    }

    /**
     * One lot.
     *
     * @param share counted over size
     * @param before share of the lots before it that it is set against; NaN where there are none
     * @param limit greatest share that is no signal; NaN where no count could be one
     * @param signal whether it lies beyond
     */
    public record Point(double share, double before, double limit, boolean signal) {}

    /**
     * The chart of lots in order.
     *
     * @param counts at least 0
     * @param sizes specimens, or units of material, of each lot, 1 to 10,000; of specimens at least as many as were counted
     * @param back lots before it that a lot is set against, 1 to 1,000
     * @throws IllegalArgumentException outside these
     */
    public static CountChart of(int[] counts, int[] sizes, Kind kind, int back) {
        if (counts.length != sizes.length || back < 1 || back > 1000) {
            throw new IllegalArgumentException("a size for each count, and 1 to 1000 lots back, are needed");
        }
        List<Point> points = new ArrayList<>();
        int counted = 0;
        int all = 0;
        for (int i = 0; i < counts.length; i++) {
            boolean isPossible = counts[i] >= 0 && sizes[i] >= 1 && sizes[i] <= 10_000 && counts[i] <= 100_000;
            if (!isPossible || (kind == Kind.SHARE && counts[i] > sizes[i])) {
                throw new IllegalArgumentException(
                        "counts of at least 0, sizes of 1 to 10,000, and of specimens no more counted than there are");
            }
            points.add(point(counts[i], sizes[i], counted, all, kind));
            counted += counts[i];
            all += sizes[i];
            if (i >= back) {
                counted -= counts[i - back];
                all -= sizes[i - back];
            }
        }
        int signals = (int) points.stream().filter(Point::signal).count();
        return new CountChart(
                points,
                Working.of(
                        Step.of("lots", "", "", counts.length),
                        Step.of("lots before that each is set against, at most", "", "", back),
                        Step.of("probability beyond the limit without a cause, at most", "α", "", LEVEL),
                        Step.of(
                                "lots beyond their limit",
                                "",
                                kind == Kind.SHARE
                                        ? "P(X ≥ c) ≤ α, X hypergeometric given both together"
                                        : "P(X ≥ c) ≤ α, X binomial given both together",
                                signals)));
    }

    private static Point point(int count, int size, int before, int beforeSize, Kind kind) {
        double share = count / (double) size;
        if (beforeSize == 0) {
            return new Point(share, Double.NaN, Double.NaN, false);
        }
        int least = least(size, before, beforeSize, kind, count);
        return new Point(
                share,
                before / (double) beforeSize,
                least < 0 ? Double.NaN : (least - 1) / (double) size,
                least >= 0 && count >= least);
    }

    /** Least count that is a signal; −1 where none is. Beyond what was counted faults are looked for no farther than ten times the size. */
    private static int least(int size, int before, int beforeSize, Kind kind, int counted) {
        int most = kind == Kind.SHARE ? size : Math.max(counted, 10 * size + before);
        int low = 1;
        int high = most + 1;
        // What is beyond by chance with c is so with more: the least is found by halving.
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (chance(middle, size, before, beforeSize, kind) <= LEVEL) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low > most ? -1 : low;
    }

    /** Probability of so many or more in the lot, given so many in it and in those before it together. */
    private static double chance(int count, int size, int before, int beforeSize, Kind kind) {
        int together = before + count;
        return kind == Kind.SHARE
                ? new HypergeometricDistribution(beforeSize + size, together, size).upperCumulativeProbability(count)
                : 1
                        - new BinomialDistribution(together, size / (double) (beforeSize + size))
                                .cumulativeProbability(count - 1);
    }
}
