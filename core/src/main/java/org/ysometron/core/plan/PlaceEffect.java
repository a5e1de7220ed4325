package org.ysometron.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.distribution.continuous.FDistribution;
import org.hipparchus.stat.inference.OneWayAnova;
import org.ysometron.core.statistics.Summary;

/**
 * Whether specimens differ by their place on a plate or in a cure chamber: one-way analysis of variance over the places (or
 * rows, columns, cycles), F = MS_between/MS_within, with the variance that the places add. A negative component is shown as
 * zero and said so. Source: ISO 5725-2 practice of one-way analysis; F distribution by a general library.
 *
 * @param places how many places
 * @param n how many specimens
 * @param f F statistic
 * @param p probability of such an F or a greater one without any effect
 * @param withinSd standard deviation within places
 * @param betweenSd standard deviation that the places add; 0 when the estimate is negative
 * @param betweenNegative whether the estimate was negative
 */
public record PlaceEffect(
        int places, int n, double f, double p, double withinSd, double betweenSd, boolean betweenNegative) {

    /**
     * Tests for an effect.
     *
     * @param groups values by place: at least two places, each with at least two values
     * @throws IllegalArgumentException when there are too few, or all values within places are alike
     */
    public static PlaceEffect of(List<double[]> groups) {
        if (groups.size() < 2 || groups.stream().anyMatch(group -> group.length < 2)) {
            throw new IllegalArgumentException(
                    "a place effect needs two places at least, each with two values at least");
        }
        int n = groups.stream().mapToInt(group -> group.length).sum();
        double within = 0;
        double squaresOfSizes = 0;
        for (double[] group : groups) {
            double sd = Summary.of(group).sd().orElseThrow();
            within += sd * sd * (group.length - 1);
            squaresOfSizes += (double) group.length * group.length;
        }
        double meanWithin = within / (n - groups.size());
        if (!(meanWithin > 0)) {
            throw new IllegalArgumentException("the values within places are all alike; no scatter to compare with");
        }
        OneWayAnova anova = new OneWayAnova();
        List<double[]> copies =
                new ArrayList<>(groups.stream().map(double[]::clone).toList());
        double f = anova.anovaFValue(copies);
        double p = anova.anovaPValue(copies);
        // Mean size for unequal groups: (n − Σnᵢ²/n)/(k − 1).
        double size = (n - squaresOfSizes / n) / (groups.size() - 1);
        double component = (f - 1) * meanWithin / size;
        return new PlaceEffect(
                groups.size(), n, f, p, Math.sqrt(meanWithin), Math.sqrt(Math.max(0, component)), component < 0);
    }

    /**
     * The same where every set's own mean was taken off before: each mean but one costs a degree of freedom within places.
     *
     * @param means how many means were taken off, at least 1
     * @throws IllegalArgumentException also when no degree of freedom is left
     */
    public static PlaceEffect of(List<double[]> groups, int means) {
        PlaceEffect plain = of(groups);
        double freedom = plain.n - plain.places - (means - 1.0);
        if (means < 1 || freedom < 1) {
            throw new IllegalArgumentException("too few values for so many means");
        }
        double share = freedom / (plain.n - plain.places);
        double f = plain.f * share;
        double within = plain.withinSd / Math.sqrt(share);
        double p = 1 - new FDistribution(plain.places - 1.0, freedom).cumulativeProbability(f);
        double squares = groups.stream()
                .mapToDouble(group -> (double) group.length * group.length)
                .sum();
        double size = (plain.n - squares / plain.n) / (plain.places - 1);
        double component = (f - 1) * within * within / size;
        return new PlaceEffect(plain.places, plain.n, f, p, within, Math.sqrt(Math.max(0, component)), component < 0);
    }

    /** The same with the groups as arrays. */
    public static PlaceEffect of(double[]... groups) {
        return of(Arrays.asList(groups));
    }
}
