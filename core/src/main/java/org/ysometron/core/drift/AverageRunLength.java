package org.ysometron.core.drift;

import org.ysometron.core.drift.formula.RunLength;

/**
 * How many points a chart runs on average until it signals: without a shift the cost in false alarms, with one the time
 * to notice. Points independent and normal, limits exactly known; with limits estimated from few lots the truth is worse.
 */
public final class AverageRunLength {

    private AverageRunLength() {}

    /**
     * Limits at ±{@code limit} standard deviations and no other rule.
     *
     * @param limit above 0
     * @param shift of the mean, in standard deviations of a point
     */
    public static double beyondLimits(double limit, double shift) {
        require(limit > 0 && limit <= 8 && Double.isFinite(shift), "a limit above 0 and up to 8");
        return RunLength.shewhart(limit, shift);
    }

    /**
     * Limits at ±{@code limit} and {@code run} points in a row on one side (Champ and Woodall 1987).
     *
     * @param run at least 2
     */
    public static double beyondLimitsOrRun(double limit, int run, double shift) {
        require(
                limit > 0 && limit <= 8 && run >= 2 && Double.isFinite(shift),
                "a limit above 0 and a run of 2 or more");
        return RunLength.shewhartWithRun(limit, run, shift);
    }

    /**
     * EWMA with constant limits, both sides, started at the centre.
     *
     * @param lambda weight of the newest point, above 0, at most 1
     * @param limit L, in standard deviations of the EWMA in the long run, above 0
     */
    public static double ewma(double lambda, double limit, double shift) {
        require(lambda > 0 && lambda <= 1 && limit > 0 && Double.isFinite(shift), "λ above 0, at most 1; L above 0");
        return RunLength.ewma(lambda, limit, shift);
    }

    /**
     * Tabular CUSUM, both sides, started at zero.
     *
     * @param k allowance, at least 0
     * @param h decision interval, above 0
     */
    public static double cusum(double k, double h, double shift) {
        require(k >= 0 && h > 0 && Double.isFinite(shift), "k of at least 0, h above 0");
        return RunLength.cusum(k, h, shift);
    }

    private static void require(boolean holds, String wanted) {
        if (!holds) {
            throw new IllegalArgumentException("needs " + wanted + " and a finite shift");
        }
    }
}
