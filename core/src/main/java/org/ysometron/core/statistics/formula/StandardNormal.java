package org.ysometron.core.statistics.formula;

import org.apache.commons.numbers.gamma.Erfc;
import org.apache.commons.numbers.gamma.InverseErfc;
import org.apache.commons.numbers.gamma.LogGamma;
import org.apache.commons.numbers.gamma.RegularizedGamma;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;

/** The standard normal distribution and the chi-square one that goes with it, to the last digits in either tail. */
public final class StandardNormal {

    private static final double ROOT_OF_TWO = Math.sqrt(2);
    private static final double PEAK = 1 / Math.sqrt(2 * Math.PI);

    private static final double ACCURACY = 1e-14;

    private StandardNormal() {}

    /** φ(z). */
    public static double density(double z) {
        return PEAK * Math.exp(-z * z / 2);
    }

    /** Φ(z), with all its digits where it is small. */
    public static double below(double z) {
        return Erfc.value(-z / ROOT_OF_TWO) / 2;
    }

    /** 1 − Φ(z), with all its digits where it is small. */
    public static double above(double z) {
        return Erfc.value(z / ROOT_OF_TWO) / 2;
    }

    /**
     * The z with Φ(z) = p.
     *
     * @param p probability, 0 &lt; p &lt; 1
     */
    public static double quantile(double p) {
        if (!(p > 0 && p < 1)) {
            throw new IllegalArgumentException("a probability above 0 and below 1 is needed, got " + p);
        }
        return -ROOT_OF_TWO * InverseErfc.value(2 * p);
    }

    /**
     * P(χ² ≤ x).
     *
     * @param nu degrees of freedom, above 0
     * @param x at least 0
     */
    public static double chiSquareBelow(double nu, double x) {
        return RegularizedGamma.P.value(nu / 2, x / 2);
    }

    /**
     * The x with P(χ² ≤ x) = p.
     *
     * @param nu degrees of freedom, above 0
     * @param p probability, 0 &lt; p &lt; 1
     */
    public static double chiSquareQuantile(double nu, double p) {
        return new ChiSquaredDistribution(nu, ACCURACY).inverseCumulativeProbability(p);
    }

    /** ln Γ(x) for an x above 0. */
    public static double logGamma(double x) {
        return LogGamma.value(x);
    }
}
