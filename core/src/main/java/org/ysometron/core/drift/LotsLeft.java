package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.OptionalDouble;
import org.ysometron.core.statistics.Trend;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * How many lots are left until a sliding level reaches an edge, at its present slope: the median of all slopes (Theil 1950, Sen 1968) from the line's
 * middle. The 95 % interval is that of the place at which the line of least squares meets the edge (Fieller 1954).
 *
 * @param slope by lot, by Theil and Sen
 * @param lots until the edge; empty where the slope leads away from it (as behind it), or does not stand out of chance
 * @param fewest at the near end of the interval; empty where {@code lots} is
 * @param most at the far end; empty where the level may not slide at all, so that there may be no end
 * @param orderP probability of such an order without a trend, two-sided (Mann 1945, Kendall 1975)
 */
public record LotsLeft(double slope, OptionalDouble lots, OptionalDouble fewest, OptionalDouble most, double orderP) {

    private static final double CONFIDENCE = 0.95;

    /** Fewest lots through which a slope is drawn. */
    public static final int FEWEST = 5;

    /**
     * Works it out.
     *
     * @param figures of the lots that slide, in order: {@value #FEWEST} to 2000
     * @param edge in the same unit
     * @throws IllegalArgumentException for fewer or more, and for what is no number
     */
    public static LotsLeft of(double[] figures, double edge) {
        int n = figures.length;
        if (n < FEWEST || !Double.isFinite(edge) || !Arrays.stream(figures).allMatch(Double::isFinite)) {
            throw new IllegalArgumentException("a slope is drawn through " + FEWEST + " figures at least, got " + n);
        }
        double[] x = new double[n];
        Arrays.setAll(x, i -> i);
        Trend trend = Trend.of(x, figures);
        double slope = trend.medianSlope();
        double[] levels = new double[n];
        Arrays.setAll(levels, i -> figures[i] - slope * i);
        Arrays.sort(levels);
        double level = (levels[(n - 1) / 2] + levels[n / 2]) / 2 + slope * (n - 1);
        OptionalDouble lots = trend.orderP() < 1 - CONFIDENCE ? until(edge - level, slope) : OptionalDouble.empty();
        if (lots.isEmpty()) {
            return new LotsLeft(slope, lots, lots, lots, trend.orderP());
        }
        double[] reached = reached(trend, n, edge);
        double last = (n - 1) / 2.0;
        double fewest = Math.max(0, Math.min(reached[0] - last, lots.getAsDouble()));
        double most = reached[1] - last;
        return new LotsLeft(
                slope,
                lots,
                OptionalDouble.of(fewest),
                Double.isFinite(most) ? OptionalDouble.of(Math.max(most, lots.getAsDouble())) : OptionalDouble.empty(),
                trend.orderP());
    }

    /**
     * Between which places, counted from the middle of the lots, the line of least squares is at the edge, slope and level being known to within their
     * scatter alone (Fieller 1954); the second is unlimited where the line may be level.
     */
    private static double[] reached(Trend trend, int n, double edge) {
        double t = StudentT.quantile((1 + CONFIDENCE) / 2, n - 2.0);
        double noise = t * t * trend.residual() * trend.residual();
        double way = trend.intercept() + trend.slope() * (n - 1) / 2 - edge;
        double squares = n * ((double) n * n - 1) / 12;
        double a = trend.slope() * trend.slope() - noise / squares;
        double b = trend.slope() * way;
        double c = way * way - noise / n;
        double root = Math.sqrt(Math.max(0, b * b - a * c));
        if (a > 0) {
            return new double[] {(-b - root) / a, (-b + root) / a};
        }
        // The line may be level: only the near end is known, the root ahead.
        double ahead = a == 0 ? -c / (2 * b) : Math.max((-b - root) / a, (-b + root) / a);
        return new double[] {ahead, Double.POSITIVE_INFINITY};
    }

    private static OptionalDouble until(double way, double slope) {
        return slope == 0 || Math.signum(way) * Math.signum(slope) < 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.abs(way) / Math.abs(slope));
    }
}
