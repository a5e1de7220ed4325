package org.ysometron.core.statistics;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.ScaledChi;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Groups beside one reference group, the chance of an error shared by all comparisons.
 *
 * <p>Exact for equal variances and any sizes: given the scatter s and the reference's error z the comparisons are independent, so
 * that P(all |Tᵢ| ≤ d) = ∫∫ ∏ (Φ((bᵢz + ds)/cᵢ) − Φ((bᵢz − ds)/cᵢ)) φ(z) f(s) dz ds, bᵢ² = nᵢ/(nᵢ + n₀), cᵢ² = 1 − bᵢ². Source:
 * C. W. Dunnett, Journal of the American Statistical Association 50, 1955.
 */
public final class Dunnett {

    private static final Panels ERRORS = Panels.even(-8.5, 8.5, 3);
    private static final int MOST_STEPS = 200;

    private final Summary reference;
    private final List<Summary> groups;
    private final double sd;
    private final int freedom;
    private final boolean both;

    /**
     * One comparison.
     *
     * @param difference mean of the group less that of the reference
     * @param t over its standard error
     * @param p probability that any of the comparisons lies so far out without a difference
     * @param lower lower end of the difference, with the confidence shared by all
     * @param upper upper end; with one side watched there is only the lower
     */
    public record Comparison(double difference, double t, double p, double lower, double upper) {}

    /**
     * Groups beside a reference.
     *
     * @param reference at least two values
     * @param groups one to 30 of them, each of at least one value
     * @param both whether differences either way count; else only groups above the reference
     */
    public Dunnett(double[] reference, List<double[]> groups, boolean both) {
        if (reference.length < 2 || groups.isEmpty() || groups.size() > 30) {
            throw new IllegalArgumentException("two values at least of the reference, and 1 to 30 groups, are needed");
        }
        this.reference = Summary.of(reference);
        this.groups = groups.stream().map(Summary::of).toList();
        this.both = both;
        double squares = squares(this.reference);
        int count = reference.length;
        double largest = Math.max(Math.abs(this.reference.least()), Math.abs(this.reference.greatest()));
        for (Summary group : this.groups) {
            squares += squares(group);
            count += group.n();
        }
        this.freedom = count - groups.size() - 1;
        this.sd = Math.sqrt(squares / freedom);
        if (!(sd > Summary.ALIKE * largest)) {
            throw new IllegalArgumentException("the values within groups are all alike; no scatter to compare with");
        }
    }

    /**
     * The comparisons, in the order of the groups.
     *
     * @param critical d, by which the intervals are told
     */
    public List<Comparison> comparisons(double critical) {
        List<Comparison> found = new ArrayList<>();
        for (Summary group : groups) {
            double difference = group.mean() - reference.mean();
            double error = sd * Math.sqrt(1.0 / group.n() + 1.0 / reference.n());
            double t = difference / error;
            found.add(new Comparison(
                    difference,
                    t,
                    Math.max(0, 1 - allWithin(both ? Math.abs(t) : t)),
                    difference - critical * error,
                    difference + critical * error));
        }
        return found;
    }

    /** The d that all comparisons keep within, with this probability, where nothing differs. */
    public double critical(double confidence) {
        if (!(confidence >= 0.5 && confidence <= 0.9999)) {
            throw new IllegalArgumentException("a confidence of 0.5 to 0.9999 is needed");
        }
        double high = 4;
        while (allWithin(high) < confidence) {
            high *= 2;
        }
        return new BracketingNthOrderBrentSolver(1e-9, 1e-9, 5)
                .solve(MOST_STEPS, d -> allWithin(d) - confidence, both ? 0 : -4, high);
    }

    /** Standard deviation within groups. */
    public double sd() {
        return sd;
    }

    /** Its degrees of freedom. */
    public int freedom() {
        return freedom;
    }

    private double allWithin(double d) {
        return ScaledChi.expectation(
                freedom,
                Double.NaN,
                0,
                s -> ERRORS.integrate(z -> {
                    double all = StandardNormal.density(z);
                    for (Summary group : groups) {
                        double total = group.n() + (double) reference.n();
                        double shared = Math.sqrt(group.n() / total) * z;
                        double own = Math.sqrt(reference.n() / total);
                        double below = StandardNormal.below((shared + d * s) / own);
                        all *= both ? below - StandardNormal.below((shared - d * s) / own) : below;
                    }
                    return all;
                }));
    }

    private static double squares(Summary group) {
        double deviation = group.sd().orElse(0);
        return deviation * deviation * (group.n() - 1);
    }
}
