package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.statistics.OneWay;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.TTest;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * How far lots of one series lie from one another. Each pair has an interval that holds for all pairs together: by t for two lots (Welch), by the
 * studentized range with each pair's own scatter and degrees of freedom for more (Games and Howell), for lots need not scatter alike. A lot of a single
 * specimen has no scatter; it borrows that within the lots of the series. Beside the interval stands the method's repeatability limit, 1.96·s_r·√(1/n₁ +
 * 1/n₂): two means nearer than that are the same.
 *
 * <p>Sources: B. L. Welch, Biometrika 34, 1947; P. A. Games and J. F. Howell, Journal of Educational Statistics 1, 1976; ISO 5725-6 for the limit.
 *
 * @param pairs every two lots, in order
 * @param ranks of each lot, largest mean first
 * @param working the steps of the first pair
 */
public record LotDifferences(List<Pair> pairs, List<Rank> ranks, Working working) {

    private static final double TWO_SIDED = 1.959963984540054;

    /** Most lots that are set against one another at once. */
    public static final int MOST = 8;

    private static final int MOST_STEPS = 60;
    private static final double FARTHEST = 1e9;
    private static final double CLOSE = 1e-10;

    /** Copies the lists. */
    public LotDifferences {
        pairs = List.copyOf(pairs);
        ranks = List.copyOf(ranks);
    }

    /**
     * Two lots.
     *
     * @param first index of one
     * @param second index of the other, above it
     * @param difference mean of the second less that of the first
     * @param low lower end of its interval; negative infinity where neither has a scatter, own or borrowed
     * @param high upper end
     * @param limit repeatability limit of the difference; empty where the series has no scatter within lots
     */
    public record Pair(int first, int second, double difference, double low, double high, OptionalDouble limit) {

        /** Whether the interval leaves out zero. */
        public boolean isApart() {
            return low > 0 || high < 0;
        }

        /** Whether the difference is within the method's repeatability. */
        public boolean isWithinRepeatability() {
            return limit.isPresent() && Math.abs(difference) <= limit.getAsDouble();
        }
    }

    /**
     * Places that a lot may have: the first counts those apart above it, the last those apart below it.
     *
     * @param lot its index
     * @param best from 1
     * @param worst as many as there are lots at most
     */
    public record Rank(int lot, int best, int worst) {}

    /**
     * Scatter within the lots of a series, pooled.
     *
     * @param sd above 0
     * @param freedom at least 1
     */
    public record Repeatability(double sd, double freedom) {

        /** Checks the ranges. */
        public Repeatability {
            if (!(sd > 0 && freedom >= 1) || !Double.isFinite(sd)) {
                throw new IllegalArgumentException(
                        "a repeatability has a scatter above 0 and at least one degree of freedom");
            }
        }
    }

    private record Uncertain(double error, double freedom) {}

    /**
     * All pairs.
     *
     * @param lots 2 to {@value #MOST}
     * @param repeatability empty where the series has none
     * @param confidence of all intervals together, above 0.5 and below 1
     */
    public static LotDifferences of(ChartSignal.Lots lots, Optional<Repeatability> repeatability, double confidence) {
        int k = lots.count();
        if (k < 2 || k > MOST || !(confidence > 0.5 && confidence < 1)) {
            throw new IllegalArgumentException(
                    "2 to " + MOST + " lots and a confidence above 0.5 and below 1 are needed");
        }
        List<Pair> pairs = new ArrayList<>();
        for (int first = 0; first < k; first++) {
            for (int second = first + 1; second < k; second++) {
                pairs.add(pair(lots, first, second, repeatability, confidence));
            }
        }
        return new LotDifferences(pairs, ranks(lots, pairs), working(pairs.get(0), k, confidence));
    }

    private static Pair pair(
            ChartSignal.Lots lots, int first, int second, Optional<Repeatability> repeatability, double confidence) {
        double difference = lots.means()[second] - lots.means()[first];
        double share = 1.0 / lots.sizes()[first] + 1.0 / lots.sizes()[second];
        OptionalDouble limit = repeatability
                .map(known -> OptionalDouble.of(TWO_SIDED * known.sd * Math.sqrt(share)))
                .orElse(OptionalDouble.empty());
        double half = error(lots, first, second, repeatability, share)
                .map(known -> known.error * quantile(lots.count(), known.freedom, confidence))
                .orElse(Double.POSITIVE_INFINITY);
        return new Pair(first, second, difference, difference - half, difference + half, limit);
    }

    private static Optional<Uncertain> error(
            ChartSignal.Lots lots, int first, int second, Optional<Repeatability> repeatability, double share) {
        if (hasScatter(lots, first) && hasScatter(lots, second)) {
            TTest welch = TTest.welch(summary(lots, first), summary(lots, second));
            return Optional.of(new Uncertain(welch.standardError(), welch.degreesOfFreedom()));
        }
        return repeatability.map(known -> new Uncertain(known.sd * Math.sqrt(share), known.freedom));
    }

    private static boolean hasScatter(ChartSignal.Lots lots, int lot) {
        return lots.sizes()[lot] > 1 && lots.deviations()[lot] > 0;
    }

    private static Summary summary(ChartSignal.Lots lots, int lot) {
        double mean = lots.means()[lot];
        return new Summary(lots.sizes()[lot], mean, OptionalDouble.of(lots.deviations()[lot]), mean, mean);
    }

    /** In standard errors of a difference: t for two lots, q/√2 for more. */
    private static double quantile(int k, double freedom, double confidence) {
        if (k == 2) {
            return new TTest(0, 1, 0, freedom).half(confidence);
        }
        // Each look at the range is a double integral: the root is approached from both ends (regula falsi, Illinois).
        double low = 0;
        double high = 4;
        double atLow = -confidence;
        double atHigh = OneWay.studentizedRange(high, k, freedom) - confidence;
        while (atHigh < 0 && high < FARTHEST) {
            low = high;
            atLow = atHigh;
            high *= 2;
            atHigh = OneWay.studentizedRange(high, k, freedom) - confidence;
        }
        int side = 0;
        double root = high;
        for (int step = 0; step < MOST_STEPS && high - low > CLOSE * high; step++) {
            root = (low * atHigh - high * atLow) / (atHigh - atLow);
            double there = OneWay.studentizedRange(root, k, freedom) - confidence;
            if (Math.abs(there) < CLOSE) {
                break;
            }
            if (there > 0) {
                high = root;
                atHigh = there;
                atLow = side > 0 ? atLow / 2 : atLow;
                side = 1;
            } else {
                low = root;
                atLow = there;
                atHigh = side < 0 ? atHigh / 2 : atHigh;
                side = -1;
            }
        }
        return root / Math.sqrt(2);
    }

    private static List<Rank> ranks(ChartSignal.Lots lots, List<Pair> pairs) {
        int[] above = new int[lots.count()];
        int[] below = new int[lots.count()];
        for (Pair pair : pairs) {
            if (pair.isApart()) {
                boolean secondIsLarger = pair.difference > 0;
                above[secondIsLarger ? pair.first : pair.second]++;
                below[secondIsLarger ? pair.second : pair.first]++;
            }
        }
        List<Rank> ranks = new ArrayList<>();
        for (int lot = 0; lot < lots.count(); lot++) {
            ranks.add(new Rank(lot, above[lot] + 1, lots.count() - below[lot]));
        }
        return ranks;
    }

    private static Working working(Pair pair, int k, double confidence) {
        return Working.of(
                Step.of("lots set against one another", "k", "", k),
                Step.of("confidence of all intervals together", "", "", confidence),
                Step.of("lower end", "", "", pair.low),
                Step.of("upper end", "", "", pair.high),
                Step.of(
                        "difference of the first two",
                        "d",
                        "x̄₂ − x̄₁",
                        pair.difference,
                        k == 2 ? "Welch 1947" : "Games and Howell 1976"));
    }
}
