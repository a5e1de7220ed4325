package org.ysometron.core.statistics.formula;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.special.Gamma;

/**
 * Noncentral t distribution: T = (Z + δ)/√(V/ν) with Z standard normal and V chi-square with ν degrees of freedom.
 *
 * <p>By its definition, integrating over s = √(V/ν): P(T ≤ t) = ∫ Φ(t·s − δ) f(s) ds, with f the density of the chi
 * distribution scaled by √ν (Johnson, Kotz and Balakrishnan, Continuous Univariate Distributions 2, ch. 31).
 */
public final class NoncentralT {

    private static final NormalDistribution NORMAL = new NormalDistribution();
    private static final int PIECES = 24;
    private static final int POINTS = 20;
    private static final GaussIntegrator UNIT_PIECE = new GaussIntegratorFactory().legendre(POINTS, -1, 1);

    private NoncentralT() {}

    /**
     * P(T ≤ t).
     *
     * @param nu degrees of freedom, at least 1
     * @param delta noncentrality
     */
    public static double cumulative(double t, double nu, double delta) {
        // ln f(s) = ln 2 + (ν/2) ln(ν/2) − ln Γ(ν/2) + (ν − 1) ln s − ν s²/2
        double constant = Math.log(2) + nu / 2 * Math.log(nu / 2) - Gamma.logGamma(nu / 2);
        // s has mean near 1 and standard deviation near 1/√(2ν); beyond 12 of them nothing is left.
        double spread = 12 / Math.sqrt(2 * nu);
        double low = Math.max(0, 1 - spread);
        double high = 1 + spread;
        double half = (high - low) / PIECES / 2;
        double sum = 0;
        for (int piece = 0; piece < PIECES; piece++) {
            double middle = low + (2 * piece + 1) * half;
            sum += half
                    * UNIT_PIECE.integrate(x -> {
                        double s = middle + half * x;
                        double logDensity = constant + (nu - 1) * Math.log(s) - nu * s * s / 2;
                        return NORMAL.cumulativeProbability(t * s - delta) * Math.exp(logDensity);
                    });
        }
        return Math.min(1, Math.max(0, sum));
    }

    /**
     * The quantile t with P(T ≤ t) = p.
     *
     * @param p probability, 0 &lt; p &lt; 1
     */
    public static double quantile(double p, double nu, double delta) {
        double step = 1 + Math.abs(delta);
        double low = delta - step;
        double high = delta + step;
        while (cumulative(low, nu, delta) > p) {
            low -= step;
            step *= 2;
        }
        while (cumulative(high, nu, delta) < p) {
            high += step;
            step *= 2;
        }
        return new BrentSolver(1e-13, 1e-12).solve(500, t -> cumulative(t, nu, delta) - p, low, high);
    }
}
