package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * A chart for products of which there are few lots: each lot as a deviation, in shares, from the mean of its own product's lots before it, over the scatter from
 * lot to lot of the family, which is other products tested in the same way. What few lots leave open of that mean, and few products of the scatter, is in
 * the limit. A lot beyond its limit is left out of what later ones are set against.
 *
 * <p>Source: deviations from a target over a pooled standard deviation, as in ISO 7870-8 for short runs, with the target estimated and Student's t for it
 * (C. P. Quesenberry, Journal of Quality Technology 23, 1991, Q charts); the scatter from successive differences, which a slow change hardly
 * widens, with the degrees of freedom of J. von Neumann (Annals of Mathematical Statistics 12, 1941), 2(n − 1)²/(3n − 4) for n lots.
 *
 * @param points one for each lot
 * @param working the steps
 */
public record ShortRun(List<Point> points, Working working) {

    /** Probability beyond the limits without a cause, both sides: that beyond three standard deviations. */
    public static final double LEVEL = 0.0027;

    /** With fewer the family tells too little of its scatter: the limits would be far too wide to find anything. */
    public static final double LEAST_FREEDOM = 5;

    /** Copies the points. */
    public ShortRun {
        points = List.copyOf(points);
    }

    /**
     * One lot.
     *
     * @param before lots of its product before it that it is set against
     * @param deviation from their mean, as a share of it; NaN for the first
     * @param over deviation over its standard deviation, the family's and that of the mean before it; NaN for the first
     * @param limit of the latter on either side; NaN for the first
     * @param signal whether it lies beyond
     */
    public record Point(int before, double deviation, double over, double limit, boolean signal) {}

    /**
     * How lots of a family scatter from one to the next.
     *
     * @param sd as a share of their mean, above 0
     * @param freedom degrees of freedom
     */
    public record Family(double sd, double freedom) {

        /** Checks the ranges. */
        public Family {
            if (!(sd > 0) || !Double.isFinite(sd) || !(freedom > 0)) {
                throw new IllegalArgumentException(
                        "a scatter above 0 is needed, got " + sd + " with " + freedom + " degrees of freedom");
            }
        }

        /**
         * Of the means of the lots of each product, in order of making, each above 0; a product with fewer than two tells nothing.
         *
         * @throws IllegalArgumentException where none has two, or nothing scatters
         */
        public static Family of(List<double[]> products) {
            double squares = 0;
            double weight = 0;
            for (double[] lots : products) {
                if (lots.length >= 2) {
                    double freedom = freedom(lots.length);
                    squares += freedom * ofNeighbours(lots);
                    weight += freedom;
                }
            }
            if (weight == 0) {
                throw new IllegalArgumentException("no product of the family has two lots");
            }
            return new Family(Math.sqrt(squares / weight), weight);
        }

        private static double freedom(int lots) {
            return 2.0 * (lots - 1) * (lots - 1) / (3.0 * lots - 4);
        }

        /** Half the mean square of the difference from one to the next, over the square of the mean. */
        private static double ofNeighbours(double[] lots) {
            requireAboveZero(lots);
            double mean = Arrays.stream(lots).average().orElseThrow();
            double sum = 0;
            for (int i = 1; i < lots.length; i++) {
                sum += (lots[i] - lots[i - 1]) * (lots[i] - lots[i - 1]);
            }
            return sum / (2 * (lots.length - 1)) / (mean * mean);
        }
    }

    /**
     * The chart of a product's lots.
     *
     * @param lots means in order of making, each above 0
     * @param family how lots of other products scatter
     * @throws IllegalArgumentException outside these
     */
    public static ShortRun of(double[] lots, Family family) {
        requireAboveZero(lots);
        double limit = StudentT.quantile(1 - LEVEL / 2, family.freedom);
        List<Point> points = new ArrayList<>();
        double sum = 0;
        int before = 0;
        int signals = 0;
        for (double mean : lots) {
            Point point = before == 0
                    ? new Point(0, Double.NaN, Double.NaN, Double.NaN, false)
                    : point(mean, sum / before, before, family, limit);
            points.add(point);
            signals += point.signal ? 1 : 0;
            sum += point.signal ? 0 : mean;
            before += point.signal ? 0 : 1;
        }
        return new ShortRun(
                points,
                Working.of(
                        Step.of(
                                "scatter of the family from lot to lot, as a share",
                                "s",
                                "√(Σ νᵢ·δᵢ²/(2x̄ᵢ²) / Σ νᵢ)",
                                family.sd,
                                "von Neumann 1941"),
                        Step.of(
                                "its degrees of freedom",
                                "ν",
                                "Σ 2(n − 1)²/(3n − 4)",
                                family.freedom,
                                "von Neumann 1941"),
                        Step.of("limit of d/(s·√(1 + 1/k))", "t", "Student, 0.27 % on both sides", limit, ""),
                        Step.of("lots beyond", "", "", signals)));
    }

    private static Point point(double mean, double target, int before, Family family, double limit) {
        double deviation = mean / target - 1;
        double over = deviation / (family.sd * Math.sqrt(1 + 1.0 / before));
        return new Point(before, deviation, over, limit, Math.abs(over) > limit);
    }

    private static void requireAboveZero(double[] lots) {
        for (double mean : lots) {
            if (!(mean > 0) || !Double.isFinite(mean)) {
                throw new IllegalArgumentException("shares need means above 0, got " + mean);
            }
        }
    }
}
