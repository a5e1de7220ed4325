package org.ysometron.core.statistics;

import java.util.Arrays;

/** Median, quantiles and the median absolute deviation. */
public final class Quantiles {

    /** Makes a median absolute deviation the standard deviation of a normal population: 1/Φ⁻¹(0.75). */
    public static final double NORMAL_SCALE = 1.4826022185056018;

    private static final int USUAL = 7;
    private static final int FIRST = 4;

    /** α and β of definitions 4 to 9. */
    private static final double[][] PLACES = {{0, 1}, {0.5, 0.5}, {0, 0}, {1, 1}, {1 / 3.0, 1 / 3.0}, {0.375, 0.375}};

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
        return of(p, USUAL, values);
    }

    /**
     * A quantile by one of the continuous definitions 4 to 9 of Hyndman and Fan, which differ in where between the order statistics
     * a share lies: at α + (n + 1 − α − β)·p.
     *
     * @param p 0 to 1
     * @param definition 4 to 9; 6 is common beside probability plots, 8 is nearly free of bias for any population
     */
    public static double of(double p, int definition, double... values) {
        if (values.length == 0 || !(p >= 0 && p <= 1) || definition < FIRST || definition >= FIRST + PLACES.length) {
            throw new IllegalArgumentException(
                    "at least one value, a share from 0 to 1 and a definition from 4 to 9 are needed");
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        double[] place = PLACES[definition - FIRST];
        double at = place[0] + p * (sorted.length + 1 - place[0] - place[1]) - 1;
        // A share that falls on an order statistic but for rounding is that statistic's.
        double whole = Math.rint(at);
        at = Math.abs(at - whole) < 1e-12 * sorted.length ? whole : at;
        at = Math.max(0, Math.min(sorted.length - 1.0, at));
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
