package org.ysometron.core.statistics;

import java.util.Arrays;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * A Weibull population by largest likelihood, from specimens that failed and others that only lasted at least so long or carried at
 * least so much. The shape solves Σxᵝln x/Σxᵝ − 1/β = mean of ln x over those that failed; the scale is (Σxᵝ/r)^(1/β).
 *
 * <p>Intervals of ln β, ln η and ln of a quantile by the inverse of the observed information, as normal: good from some twenty
 * failures, too narrow below. Source: IEC 61649; W. Q. Meeker and L. A. Escobar, Statistical Methods for Reliability Data, 1998.
 *
 * @param shape β
 * @param scale η, in the unit of the values
 * @param failed specimens that failed, r
 * @param likelihood natural logarithm of the likelihood
 * @param covariance of ln η and of 1/β: variance of the first, covariance, variance of the second
 */
public record Weibull(double shape, double scale, int failed, double likelihood, Covariance covariance) {

    private static final int MOST_STEPS = 300;
    private static final double LEAST_SHAPE = 0.02;
    private static final double MOST_SHAPE = 2000;

    /**
     * Second moments of the estimates of location ln η and spread 1/β.
     *
     * @param location variance of ln η
     * @param both covariance
     * @param spread variance of 1/β
     */
    public record Covariance(double location, double both, double spread) {}

    /**
     * A figure with its two-sided interval.
     *
     * @param value the estimate
     * @param low lower end
     * @param high upper end
     */
    public record Estimate(double value, double low, double high) {}

    /**
     * Fits the population.
     *
     * @param failed values at which specimens failed, at least two that differ, above 0
     * @param lasted values that others reached without failing, above 0
     * @throws IllegalArgumentException when these settle no shape
     */
    public static Weibull fit(double[] failed, double... lasted) {
        double[] all = Arrays.copyOf(failed, failed.length + lasted.length);
        System.arraycopy(lasted, 0, all, failed.length, lasted.length);
        if (failed.length < 2 || Arrays.stream(all).anyMatch(x -> !(x > 0))) {
            throw new IllegalArgumentException("two failures at least are needed, and values above 0");
        }
        if (Summary.of(failed).isAlike()) {
            throw new IllegalArgumentException("the failures are all alike: no shape is settled");
        }
        // Scaled by the largest, so that no power overflows.
        double largest = Arrays.stream(all).max().orElseThrow();
        double[] logs = Arrays.stream(all).map(x -> Math.log(x / largest)).toArray();
        double mean = Arrays.stream(logs, 0, failed.length).average().orElseThrow();
        double low = excess(LEAST_SHAPE, logs, mean);
        double high = excess(MOST_SHAPE, logs, mean);
        if (!(low < 0 && high > 0)) {
            throw new IllegalArgumentException("no shape between " + LEAST_SHAPE + " and " + MOST_SHAPE + " fits");
        }
        double shape = new BracketingNthOrderBrentSolver(1e-13, 1e-13, 5)
                .solve(MOST_STEPS, b -> excess(b, logs, mean), LEAST_SHAPE, MOST_SHAPE);
        double powers = Arrays.stream(logs).map(x -> Math.exp(shape * x)).sum();
        double location = Math.log(powers / failed.length) / shape;
        double likelihood = 0;
        for (int i = 0; i < logs.length; i++) {
            double z = shape * (logs[i] - location);
            likelihood += (i < failed.length ? Math.log(shape) - logs[i] - Math.log(largest) + z : 0) - Math.exp(z);
        }
        return new Weibull(
                shape,
                largest * Math.exp(location),
                failed.length,
                likelihood,
                covariance(logs, failed.length, location, 1 / shape));
    }

    private static double excess(double shape, double[] logs, double mean) {
        double sum = 0;
        double weighted = 0;
        for (double x : logs) {
            double power = Math.exp(shape * x);
            sum += power;
            weighted += power * x;
        }
        return weighted / sum - 1 / shape - mean;
    }

    /** Inverse of the observed information about location μ and spread σ of the smallest-extreme-value form. */
    private static Covariance covariance(double[] logs, int failed, double location, double spread) {
        double mm = 0;
        double ms = 0;
        double ss = 0;
        for (int i = 0; i < logs.length; i++) {
            double z = (logs[i] - location) / spread;
            double e = Math.exp(z);
            boolean broke = i < failed;
            mm += e;
            ms += z * e + e - (broke ? 1 : 0);
            ss += z * z * e + 2 * z * e - (broke ? 1 + 2 * z : 0);
        }
        double square = spread * spread;
        double determinant = (mm * ss - ms * ms) / (square * square);
        return new Covariance(ss / square / determinant, -ms / square / determinant, mm / square / determinant);
    }

    /** β with its interval, two-sided at the confidence. */
    public Estimate shape(double confidence) {
        double spread = 1 / shape;
        return interval(shape, Math.sqrt(covariance.spread) / spread, confidence);
    }

    /** η with its interval. */
    public Estimate scale(double confidence) {
        return interval(scale, Math.sqrt(covariance.location), confidence);
    }

    /**
     * The value below which a share of the population fails, with its interval.
     *
     * @param share 0 &lt; p &lt; 1: 0.1 for the value that nine of ten reach
     */
    public Estimate quantile(double share, double confidence) {
        double w = Math.log(-Math.log1p(-share));
        double variance = covariance.location + 2 * w * covariance.both + w * w * covariance.spread;
        return interval(scale * Math.exp(w / shape), Math.sqrt(Math.max(0, variance)), confidence);
    }

    private static Estimate interval(double value, double ofLogarithm, double confidence) {
        double reach = Math.exp(StandardNormal.quantile((1 + confidence) / 2) * ofLogarithm);
        return new Estimate(value, value / reach, value * reach);
    }
}
