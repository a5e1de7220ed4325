package org.ysometron.core.drift;

import org.hipparchus.special.Gamma;
import org.ysometron.core.statistics.formula.NormalRange;

/**
 * Control-chart constants for subgroups of n from a normal population, computed, not looked up (ISO 7870-2, Table of
 * factors; ASTM STP 15D defines them alike).
 *
 * @param n subgroup size
 * @param d2 mean of the range over σ
 * @param d3 standard deviation of the range over σ
 * @param c4 mean of s over σ
 */
public record ChartConstants(int n, double d2, double d3, double c4) {

    private static final int LARGEST = 100;

    /**
     * The constants for one subgroup size.
     *
     * @param n 2 to 100
     */
    public static ChartConstants of(int n) {
        if (n < 2 || n > LARGEST) {
            throw new IllegalArgumentException("constants are given for n from 2 to " + LARGEST + ", not " + n);
        }
        return new ChartConstants(n, NormalRange.mean(n), NormalRange.standardDeviation(n), c4(n));
    }

    /** c₄ = √(2/(n − 1))·Γ(n/2)/Γ((n − 1)/2), for n of at least 2. */
    public static double c4(int n) {
        return Math.sqrt(2.0 / (n - 1)) * Math.exp(Gamma.logGamma(n / 2.0) - Gamma.logGamma((n - 1) / 2.0));
    }

    /** d₄: median of the range over σ. */
    public double d4() {
        return NormalRange.median(n);
    }

    /** A₂ = 3/(d₂√n): limits of means from the mean range. */
    public double a2() {
        return 3 / (d2 * Math.sqrt(n));
    }

    /** A₃ = 3/(c₄√n): limits of means from the mean standard deviation. */
    public double a3() {
        return 3 / (c4 * Math.sqrt(n));
    }

    /** A = 3/√n: limits of means from a known standard deviation. */
    public double a() {
        return 3 / Math.sqrt(n);
    }

    /** c₅ = √(1 − c₄²): standard deviation of s over σ. */
    public double c5() {
        return Math.sqrt(1 - c4 * c4);
    }

    /** B₅ = max(0, c₄ − 3c₅): lower limit of s from a known standard deviation. */
    public double b5() {
        return Math.max(0, c4 - 3 * c5());
    }

    /** B₆ = c₄ + 3c₅: upper limit of s from a known standard deviation. */
    public double b6() {
        return c4 + 3 * c5();
    }

    /** D₁ = max(0, d₂ − 3d₃): lower limit of the range from a known standard deviation. */
    public double d1Factor() {
        return Math.max(0, d2 - 3 * d3);
    }

    /** D₂ = d₂ + 3d₃: upper limit of the range from a known standard deviation. */
    public double d2Factor() {
        return d2 + 3 * d3;
    }

    /** E₃ = 3/c₄: limits of individual values from the mean standard deviation. */
    public double e3() {
        return 3 / c4;
    }

    /** B₃ = max(0, 1 − 3√(1 − c₄²)/c₄): lower limit of s over s̄. */
    public double b3() {
        return Math.max(0, 1 - 3 * Math.sqrt(1 - c4 * c4) / c4);
    }

    /** B₄ = 1 + 3√(1 − c₄²)/c₄: upper limit of s over s̄. */
    public double b4() {
        return 1 + 3 * Math.sqrt(1 - c4 * c4) / c4;
    }

    /** D₃ = max(0, 1 − 3d₃/d₂): lower limit of the range over its mean. */
    public double d3Factor() {
        return Math.max(0, 1 - 3 * d3 / d2);
    }

    /** D₄ = 1 + 3d₃/d₂: upper limit of the range over its mean. */
    public double d4Factor() {
        return 1 + 3 * d3 / d2;
    }

    /** E₂ = 3/d₂: limits of individual values from the mean range. */
    public double e2() {
        return 3 / d2;
    }
}
