package org.ysometron.core.drift;

import org.ysometron.core.drift.formula.RunLength;

/**
 * How many points a chart runs on average until it signals: without a shift the cost in false alarms, with one the time
 * to notice. Points independent and normal, limits exactly known; with limits estimated from few lots the truth is worse.
 */
public final class AverageRunLength {

    private static final double FARTHEST = 30;
    private static final double MOST = 1e100;

    /** Decision interval up to which the chain is worked out, in standard deviations of a point. */
    private static final double FARTHEST_INTERVAL = 210;

    private AverageRunLength() {}

    /**
     * Limits at ±{@code limit} standard deviations and no other rule.
     *
     * @param limit above 0
     * @param shift of the mean, in standard deviations of a point
     */
    public static double beyondLimits(double limit, double shift) {
        require(limit > 0 && limit <= 8 && Math.abs(shift) <= FARTHEST, "a limit above 0 and up to 8");
        return RunLength.shewhart(limit, shift);
    }

    /**
     * Limits at ±{@code limit} and {@code run} points in a row on one side (Champ and Woodall 1987).
     *
     * @param run 2 to 1000
     */
    public static double beyondLimitsOrRun(double limit, int run, double shift) {
        require(
                limit > 0 && limit <= 8 && run >= 2 && run <= 1000 && Math.abs(shift) <= FARTHEST,
                "a limit above 0 and up to 8, and a run of 2 to 1000");
        return RunLength.shewhartWithRun(limit, run, shift);
    }

    /**
     * EWMA with constant limits.
     *
     * @param lambda weight of the newest point, 0.001 to 1
     * @param limit L, in standard deviations of the EWMA in the long run, above 0, at most 8
     * @param start where it begins, in the same, within the limits; 0 at the centre
     * @param both whether both sides are watched; else the upper one, resting at the centre
     * @throws IllegalArgumentException outside these, or where limits and weight make a memory too long to be worked out
     */
    public static double ewma(double lambda, double limit, double shift, double start, boolean both) {
        require(
                lambda >= 1e-3 && lambda <= 1 && limit > 0 && limit <= 8 && Math.abs(shift) <= FARTHEST,
                "λ from 0.001 to 1, L above 0 and up to 8");
        require(Math.abs(start) <= limit && (both || start >= 0), "a start within the limits");
        return finite(
                both ? RunLength.ewma(lambda, limit, shift, start) : RunLength.ewmaUpper(lambda, limit, shift, start));
    }

    /**
     * EWMA with both limits widening over the first points as the variance does.
     *
     * @param lambda weight of the newest point, 0.01 to 1
     * @param limit L, above 0, at most 8
     * @param start where it begins, within the limits of the long run
     */
    public static double ewmaWidening(double lambda, double limit, double shift, double start) {
        require(
                lambda >= 1e-2 && lambda <= 1 && limit > 0 && limit <= 8 && Math.abs(shift) <= FARTHEST,
                "λ from 0.01 to 1 for limits that widen, L above 0 and up to 8");
        require(Math.abs(start) <= limit, "a start within the limits");
        return finite(RunLength.ewmaWidening(lambda, limit, shift, start));
    }

    /** EWMA with both limits, started at the centre. */
    public static double ewma(double lambda, double limit, double shift) {
        return ewma(lambda, limit, shift, 0, true);
    }

    /** Tabular CUSUM, both sides, started at zero. */
    public static double cusum(double k, double h, double shift) {
        return cusum(k, h, shift, 0, true);
    }

    /**
     * Tabular CUSUM.
     *
     * @param k allowance, 0 to 10
     * @param h decision interval, above 0, at most 210
     * @param start head start, 0 to h
     * @param both whether both sides are watched; else the upper one
     */
    public static double cusum(double k, double h, double shift, double start, boolean both) {
        require(
                k >= 0 && k <= 10 && h > 0 && h <= FARTHEST_INTERVAL && Math.abs(shift) <= FARTHEST,
                "k from 0 to 10, h above 0 and up to 210");
        require(start >= 0 && start <= h, "a head start from 0 to h");
        return finite(both ? RunLength.cusum(k, h, shift, start) : RunLength.cusumUpper(k, h, shift, start));
    }

    private static double finite(double length) {
        if (!(length < MOST)) {
            throw new IllegalArgumentException("it would signal in more than 1e100 points, which is never");
        }
        return length;
    }

    private static void require(boolean holds, String wanted) {
        if (!holds) {
            throw new IllegalArgumentException("needs " + wanted + ", and a shift of at most 30 standard deviations");
        }
    }
}
