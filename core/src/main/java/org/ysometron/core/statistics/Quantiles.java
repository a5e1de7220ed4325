package org.ysometron.core.statistics;

import java.util.Arrays;

/** Median, quantiles and the median absolute deviation. */
public final class Quantiles {

    /** Makes a median absolute deviation the standard deviation of a normal population: 1/Φ⁻¹(0.75). */
    public static final double NORMAL_SCALE = 1.4826022185056018;

    private Quantiles() {}

    /** The median of at least one value. */
    public static double median(double... values) {
        return of(0.5, values);
    }

    /**
     * A quantile by linear interpolation between order statistics at 1 + (n − 1)·p (definition 7 of Hyndman and Fan, The
     * American Statistician 50, 1996, the usual one of spreadsheets and statistics languages).
     *
     * @param p 0 to 1
     */
    public static double of(double p, double... values) {
        if (values.length == 0 || !(p >= 0 && p <= 1)) {
            throw new IllegalArgumentException("at least one value and a share from 0 to 1 are needed");
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        double at = (sorted.length - 1) * p;
        int below = (int) Math.floor(at);
        int above = Math.min(sorted.length - 1, below + 1);
        return sorted[below] + (at - below) * (sorted[above] - sorted[below]);
    }

    /** Median distance from the median, scaled for a normal population. */
    public static double medianDeviation(double... values) {
        double median = median(values);
        return NORMAL_SCALE
                * median(Arrays.stream(values)
                        .map(value -> Math.abs(value - median))
                        .toArray());
    }
}
