package org.ysometron.core.statistics.formula;

import org.hipparchus.distribution.continuous.TDistribution;

/** Student's t distribution, central. */
public final class StudentT {

    private StudentT() {}

    /**
     * The quantile t with P(T ≤ t) = p.
     *
     * @param p probability, 0 &lt; p &lt; 1
     * @param nu degrees of freedom, above 0, need not be whole
     */
    public static double quantile(double p, double nu) {
        return new TDistribution(nu).inverseCumulativeProbability(p);
    }

    /** P(T ≤ t) for {@code nu} degrees of freedom. */
    public static double cumulative(double t, double nu) {
        return new TDistribution(nu).cumulativeProbability(t);
    }
}
