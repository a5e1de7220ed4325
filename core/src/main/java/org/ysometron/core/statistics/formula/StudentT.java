package org.ysometron.core.statistics.formula;

import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * Student's t distribution, central. Below a million degrees of freedom by the incomplete beta function of the library; above,
 * where that loses its digits, by the expansions in powers of 1/ν about the normal distribution (Abramowitz and Stegun,
 * Handbook of Mathematical Functions, 26.7.5 for the quantile; R. A. Fisher, Metron 5, 1926, for the probability; both from
 * memory and checked against quadrature), whose first term left out is below 1e-15 there.
 */
public final class StudentT {

    /** Degrees of freedom beyond which no double tells the distribution from the normal one. */
    public static final double UNLIMITED = 1e15;

    private static final double LARGE = 1e6;

    private static final NormalDistribution NORMAL = new NormalDistribution();

    private StudentT() {}

    /**
     * The quantile t with P(T ≤ t) = p.
     *
     * @param p probability, 0 &lt; p &lt; 1
     * @param nu degrees of freedom, above 0, need not be whole; may be infinite
     * @throws IllegalArgumentException for a probability or degrees of freedom out of range
     */
    public static double quantile(double p, double nu) {
        if (!(p > 0 && p < 1)) {
            throw new IllegalArgumentException("a probability above 0 and below 1 is needed, got " + p);
        }
        require(nu);
        if (nu < LARGE) {
            return new TDistribution(nu).inverseCumulativeProbability(p);
        }
        double z = NORMAL.inverseCumulativeProbability(p);
        double z2 = z * z;
        return z + z * (z2 + 1) / (4 * nu) + z * ((5 * z2 + 16) * z2 + 3) / 96 / nu / nu;
    }

    /**
     * P(T ≤ t) for {@code nu} degrees of freedom.
     *
     * @param t any number, infinities too
     * @param nu degrees of freedom, above 0; may be infinite
     * @throws IllegalArgumentException for a t that is no number, or degrees of freedom out of range
     */
    public static double cumulative(double t, double nu) {
        if (Double.isNaN(t)) {
            throw new IllegalArgumentException("a number is needed for t");
        }
        require(nu);
        if (nu < LARGE || Double.isInfinite(t)) {
            return Double.isInfinite(t) ? (t > 0 ? 1 : 0) : new TDistribution(nu).cumulativeProbability(t);
        }
        double density = NORMAL.density(t);
        if (density == 0) {
            return t > 0 ? 1 : 0;
        }
        double t2 = t * t;
        double first = t * (t2 + 1) / (4 * nu);
        double second = t * (((3 * t2 - 7) * t2 - 5) * t2 - 3) / 96 / nu / nu;
        return Math.max(0, Math.min(1, NORMAL.cumulativeProbability(t) - density * (first + second)));
    }

    private static void require(double nu) {
        if (!(nu > 0)) {
            throw new IllegalArgumentException("degrees of freedom above 0 are needed, got " + nu);
        }
    }
}
