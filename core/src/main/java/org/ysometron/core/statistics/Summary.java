package org.ysometron.core.statistics;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * Count, mean and standard deviation of values of one kind, in their common unit. The standard deviation (divisor n − 1)
 * of a single value does not exist and is empty, not zero.
 *
 * @param n how many values, at least 1
 * @param mean arithmetic mean
 * @param sd sample standard deviation; empty for n = 1
 * @param least the smallest value
 * @param greatest the largest value
 */
public record Summary(int n, double mean, OptionalDouble sd, double least, double greatest) {

    /** Relative scatter or uncertainty below which nothing but the arithmetic's rounding is left of it. */
    public static final double ALIKE = 1e-12;

    /** Whether the values do not differ by more than rounding; one value differs from none. */
    public boolean isAlike() {
        return sd.orElse(0) <= ALIKE * Math.max(Math.abs(least), Math.abs(greatest));
    }

    /**
     * Summarises values, two passes for accuracy.
     *
     * @throws IllegalArgumentException when there is no value, or one is not finite
     */
    public static Summary of(double... values) {
        if (values.length == 0) {
            throw new IllegalArgumentException("a summary needs at least one value");
        }
        double sum = 0;
        for (double value : values) {
            if (!Double.isFinite(value)) {
                throw new IllegalArgumentException("a summary needs finite values, got " + value);
            }
            sum += value;
        }
        double mean = sum / values.length;
        double squares = 0;
        double residue = 0;
        for (double value : values) {
            squares += (value - mean) * (value - mean);
            residue += value - mean;
        }
        if (!Double.isFinite(squares)) {
            throw new IllegalArgumentException("the values are too large, or too far apart, to be summarised");
        }
        int n = values.length;
        // The residue corrects what rounding left in the mean (two-pass algorithm with correction, Chan, Golub,
        // LeVeque).
        double variance = n < 2 ? 0 : Math.max(0, (squares - residue * residue / n) / (n - 1));
        return new Summary(
                n,
                mean,
                n < 2 ? OptionalDouble.empty() : OptionalDouble.of(Math.sqrt(variance)),
                Arrays.stream(values).min().getAsDouble(),
                Arrays.stream(values).max().getAsDouble());
    }
}
