package org.ysometron.core.statistics;

import java.util.Arrays;
import org.hipparchus.stat.regression.SimpleRegression;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * A straight line through points by least squares, and beside it what no single point can turn: the median of all slopes
 * (Theil 1950, Sen 1968) and the test of the order alone (Mann 1945, Kendall 1975).
 *
 * @param slope of the least-squares line
 * @param intercept of it
 * @param slopeError standard error of the slope
 * @param interceptError standard error of the intercept
 * @param residual standard deviation about the line
 * @param determination r²
 * @param p probability of such a slope without a trend, two-sided
 * @param medianSlope by Theil and Sen
 * @param s pairs that rise minus pairs that fall
 * @param z s over its standard deviation, ties and the step from one count to the next allowed for
 * @param orderP probability of such an s without a trend, two-sided, normal approximation
 */
public record Trend(
        double slope,
        double intercept,
        double slopeError,
        double interceptError,
        double residual,
        double determination,
        double p,
        double medianSlope,
        long s,
        double z,
        double orderP) {

    /** Pairs grow with the square of the points. */
    private static final int MOST = 2000;

    /**
     * Fits.
     *
     * @param x rising or not, not all alike; 3 to 2000 of them
     * @param y as many
     */
    public static Trend of(double[] x, double[] y) {
        int n = x.length;
        if (n != y.length || n < 3 || n > MOST) {
            throw new IllegalArgumentException("x and y need the same number of values, 3 to " + MOST);
        }
        if (Summary.of(x).isAlike()) {
            throw new IllegalArgumentException("all x are alike: there is nothing to draw a line along");
        }
        SimpleRegression line = new SimpleRegression(true);
        for (int i = 0; i < n; i++) {
            line.addData(x[i], y[i]);
        }
        double slope = line.getSlope();
        double slopeError = line.getSlopeStdErr();
        double p =
                slopeError > 0 ? 2 * StudentT.cumulative(-Math.abs(slope / slopeError), n - 2.0) : slope == 0 ? 1 : 0;
        Order order = Order.of(x, y);
        return new Trend(
                slope,
                line.getIntercept(),
                slopeError,
                line.getInterceptStdErr(),
                Math.sqrt(line.getMeanSquareError()),
                Summary.of(y).isAlike() ? 0 : line.getRSquare(),
                p,
                order.medianSlope,
                order.s,
                order.z,
                2 * StandardNormal.below(-Math.abs(order.z)));
    }

    private record Order(double medianSlope, long s, double z) {

        static Order of(double[] x, double[] y) {
            int n = x.length;
            double[] slopes = new double[n * (n - 1) / 2];
            int count = 0;
            long s = 0;
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    if (x[j] != x[i]) {
                        slopes[count++] = (y[j] - y[i]) / (x[j] - x[i]);
                        s += (long) (Math.signum(y[j] - y[i]) * Math.signum(x[j] - x[i]));
                    }
                }
            }
            double variance = n * (n - 1.0) * (2 * n + 5) - ties(y);
            double deviation = Math.sqrt(variance / 18);
            double z = s == 0 || deviation == 0 ? 0 : ((double) s - Long.signum(s)) / deviation;
            return new Order(Quantiles.median(Arrays.copyOf(slopes, count)), s, z);
        }

        private static double ties(double[] y) {
            double[] sorted = y.clone();
            Arrays.sort(sorted);
            double sum = 0;
            int run = 1;
            for (int i = 1; i <= sorted.length; i++) {
                if (i < sorted.length && sorted[i] == sorted[i - 1]) {
                    run++;
                } else {
                    sum += run * (run - 1.0) * (2 * run + 5);
                    run = 1;
                }
            }
            return sum;
        }
    }
}
