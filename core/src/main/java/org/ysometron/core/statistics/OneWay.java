package org.ysometron.core.statistics;

import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.hipparchus.distribution.continuous.FDistribution;
import org.ysometron.core.statistics.formula.NormalRange;
import org.ysometron.core.statistics.formula.ScaledChi;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Groups of values beside one another: analysis of variance with its components, whether their scatters differ, and which means
 * differ.
 *
 * <p>Sources: ISO 5725-2 for the components; Bartlett 1937; Brown and Forsythe 1974; Welch, Biometrika 38, 1951; Tukey 1953 with
 * Kramer's widths for unequal groups.
 */
public final class OneWay {

    private final List<double[]> groups;
    private final Summary[] summaries;
    private final int n;
    private final double within;

    /**
     * Groups.
     *
     * @param groups at least two, each with at least two values; the values within groups are not all alike
     */
    public OneWay(List<double[]> groups) {
        if (groups.size() < 2 || groups.stream().anyMatch(group -> group.length < 2)) {
            throw new IllegalArgumentException("at least two groups with two values each are needed");
        }
        this.groups = groups.stream().map(double[]::clone).toList();
        this.summaries = groups.stream().map(Summary::of).toArray(Summary[]::new);
        this.n = groups.stream().mapToInt(group -> group.length).sum();
        double squares = 0;
        double largest = 0;
        for (Summary summary : summaries) {
            squares += variance(summary) * (summary.n() - 1);
            largest = Math.max(largest, Math.max(Math.abs(summary.least()), Math.abs(summary.greatest())));
        }
        this.within = squares / (n - groups.size());
        if (!(Math.sqrt(within) > Summary.ALIKE * largest)) {
            throw new IllegalArgumentException("the values within groups are all alike; no scatter to compare with");
        }
    }

    /**
     * A test.
     *
     * @param statistic F or χ²
     * @param numerator its degrees of freedom
     * @param denominator those of the denominator; infinite for χ²
     * @param p probability of so large a statistic without an effect
     */
    public record Test(double statistic, double numerator, double denominator, double p) {

        private static Test ofF(double f, double numerator, double denominator) {
            double p = 1 - new FDistribution(numerator, denominator).cumulativeProbability(f);
            return new Test(f, numerator, denominator, p);
        }
    }

    /** Means beside one another, the groups scattering alike. */
    public Test anova() {
        return Test.ofF(between() / within, groups.size() - 1.0, n - groups.size());
    }

    /** Means beside one another, however the groups scatter. */
    public Test welch() {
        int k = groups.size();
        double[] weights = Arrays.stream(summaries)
                .mapToDouble(group -> group.n() / positive(variance(group)))
                .toArray();
        double all = Arrays.stream(weights).sum();
        double mean = 0;
        for (int i = 0; i < k; i++) {
            mean += weights[i] / all * summaries[i].mean();
        }
        double squares = 0;
        double lambda = 0;
        for (int i = 0; i < k; i++) {
            squares += weights[i] * Math.pow(summaries[i].mean() - mean, 2);
            lambda += Math.pow(1 - weights[i] / all, 2) / (summaries[i].n() - 1);
        }
        double f = squares / (k - 1) / (1 + 2.0 * (k - 2) / (k * (double) k - 1) * lambda);
        return Test.ofF(f, k - 1.0, (k * (double) k - 1) / (3 * lambda));
    }

    /** Whether the groups scatter alike, for normal populations. */
    public Test bartlett() {
        int k = groups.size();
        double freedom = n - k;
        double logs = 0;
        double inverse = 0;
        for (Summary group : summaries) {
            logs += (group.n() - 1) * Math.log(positive(variance(group)));
            inverse += 1.0 / (group.n() - 1);
        }
        double statistic = (freedom * Math.log(within) - logs) / (1 + (inverse - 1 / freedom) / (3 * (k - 1.0)));
        double p = 1 - StandardNormal.chiSquareBelow(k - 1.0, Math.max(0, statistic));
        return new Test(statistic, k - 1.0, Double.POSITIVE_INFINITY, p);
    }

    /** Whether the groups scatter alike, by distances from their medians: hardly moved by populations that are not normal. */
    public Test brownForsythe() {
        return new OneWay(groups.stream()
                        .map(group -> {
                            double median = Quantiles.median(group);
                            return Arrays.stream(group)
                                    .map(value -> Math.abs(value - median))
                                    .toArray();
                        })
                        .toList())
                .anova();
    }

    /** Variance of single values within groups. */
    public double withinVariance() {
        return within;
    }

    /** Variance that the groups add; below zero where they differ less than their scatter would make them. */
    public double betweenVariance() {
        double squares = Arrays.stream(summaries)
                .mapToDouble(group -> (double) group.n() * group.n())
                .sum();
        double size = (n - squares / n) / (groups.size() - 1);
        return (between() - within) / size;
    }

    /** Share of the variance that is between groups, a negative component taken as zero. */
    public double intraclassCorrelation() {
        double between = Math.max(0, betweenVariance());
        return between / (between + within);
    }

    /** Probability of a difference of two groups' means as large without one, all pairs looked at (Tukey and Kramer). */
    public double tukey(int first, int second) {
        Summary one = summaries[first];
        Summary other = summaries[second];
        double error = Math.sqrt(within / 2 * (1.0 / one.n() + 1.0 / other.n()));
        return 1 - studentizedRange(Math.abs(one.mean() - other.mean()) / error, groups.size(), n - groups.size());
    }

    /**
     * P(range of k standard normal values over an independent s ≤ q).
     *
     * @param q at least 0
     * @param k at least 2
     * @param nu degrees of freedom of s, at least 1
     */
    public static double studentizedRange(double q, int k, double nu) {
        return ScaledChi.expectation(nu, Double.NaN, 0, s -> NormalRange.below(q * s, k));
    }

    private double between() {
        ToDoubleFunction<Summary> weighted = group -> group.n() * group.mean();
        double mean = Arrays.stream(summaries).mapToDouble(weighted).sum() / n;
        return Arrays.stream(summaries)
                        .mapToDouble(group -> group.n() * Math.pow(group.mean() - mean, 2))
                        .sum()
                / (groups.size() - 1);
    }

    private static double variance(Summary group) {
        double sd = group.sd().orElseThrow();
        return sd * sd;
    }

    private static double positive(double variance) {
        if (!(variance > 0)) {
            throw new IllegalArgumentException("a group whose values are all alike has no scatter to compare");
        }
        return variance;
    }
}
