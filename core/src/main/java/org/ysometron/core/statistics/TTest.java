package org.ysometron.core.statistics;

import org.ysometron.core.statistics.formula.StudentT;

/**
 * Student's t test of a mean, of paired differences, or of two means, with the two-sided interval of the difference.
 *
 * <p>Sources: ISO 2854 for one mean, pairs and pooled variances; B. L. Welch, Biometrika 34, 1947, for unequal ones.
 *
 * @param difference the mean minus its hypothesis, or the first mean minus the second
 * @param standardError of the difference
 * @param t difference over its standard error
 * @param degreesOfFreedom ν
 */
public record TTest(double difference, double standardError, double t, double degreesOfFreedom) {

    /** One mean beside a number; at least two values that differ. */
    public static TTest ofOne(Summary values, double hypothesis) {
        double error = sd(values) / Math.sqrt(values.n());
        return of(values.mean() - hypothesis, error, values.n() - 1.0);
    }

    /** Differences within pairs; the same number of values, at least two pairs. */
    public static TTest ofPairs(double[] first, double[] second) {
        if (first.length != second.length) {
            throw new IllegalArgumentException("pairs need the same number of values on both sides");
        }
        double[] differences = new double[first.length];
        for (int i = 0; i < first.length; i++) {
            differences[i] = first[i] - second[i];
        }
        return ofOne(Summary.of(differences), 0);
    }

    /** Two means whose populations scatter alike. */
    public static TTest pooled(Summary first, Summary second) {
        double freedom = first.n() + second.n() - 2.0;
        double squares = sd(first) * sd(first) * (first.n() - 1) + sd(second) * sd(second) * (second.n() - 1);
        double error = Math.sqrt(squares / freedom * (1.0 / first.n() + 1.0 / second.n()));
        return of(first.mean() - second.mean(), error, freedom);
    }

    /** Two means whose populations may scatter differently. */
    public static TTest welch(Summary first, Summary second) {
        double one = sd(first) * sd(first) / first.n();
        double other = sd(second) * sd(second) / second.n();
        double freedom =
                (one + other) * (one + other) / (one * one / (first.n() - 1) + other * other / (second.n() - 1));
        return of(first.mean() - second.mean(), Math.sqrt(one + other), freedom);
    }

    private static TTest of(double difference, double error, double freedom) {
        if (!(error > 0)) {
            throw new IllegalArgumentException(
                    "the values do not scatter: there is nothing to compare a difference with");
        }
        return new TTest(difference, error, difference / error, freedom);
    }

    private static double sd(Summary values) {
        return values.sd().orElseThrow(() -> new IllegalArgumentException("at least two values a side are needed"));
    }

    /** Probability of a t as far from zero, or farther, without a difference. */
    public double twoSided() {
        return 2 * StudentT.cumulative(-Math.abs(t), degreesOfFreedom);
    }

    /** Probability of a t as large, or larger, without a difference. */
    public double greater() {
        return StudentT.cumulative(-t, degreesOfFreedom);
    }

    /** Half the two-sided interval of the difference at a confidence between 0 and 1. */
    public double half(double confidence) {
        return StudentT.quantile((1 + confidence) / 2, degreesOfFreedom) * standardError;
    }
}
