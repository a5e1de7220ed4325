package org.ysometron.core.drift.formula;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.distribution.continuous.NormalDistribution;

/** Moments of the range of n standard normal values (Tippett 1925), by Gauss-Legendre quadrature. */
public final class NormalRange {

    private static final NormalDistribution NORMAL = new NormalDistribution();
    private static final double REACH = 9;
    private static final int PIECES = 12;
    private static final GaussIntegrator PIECE = new GaussIntegratorFactory().legendre(16, -1, 1);

    private NormalRange() {}

    /** d₂ = E(W) = ∫ (1 − Φ(x)ⁿ − (1 − Φ(x))ⁿ) dx. */
    public static double mean(int n) {
        return integrate(-REACH, REACH, x -> {
            double p = NORMAL.cumulativeProbability(x);
            return 1 - Math.pow(p, n) - Math.pow(1 - p, n);
        });
    }

    /** d₃ = √(E(W²) − d₂²), E(W²) = 2 ∫∫ over x &lt; y of (1 − Φ(y)ⁿ − (1 − Φ(x))ⁿ + (Φ(y) − Φ(x))ⁿ) dx dy. */
    public static double standardDeviation(int n) {
        double square = 2
                * integrate(-REACH, REACH, y -> {
                    double py = NORMAL.cumulativeProbability(y);
                    return integrate(-REACH, y, x -> {
                        double px = NORMAL.cumulativeProbability(x);
                        return 1 - Math.pow(py, n) - Math.pow(1 - px, n) + Math.pow(py - px, n);
                    });
                });
        double mean = mean(n);
        return Math.sqrt(square - mean * mean);
    }

    private static double integrate(double low, double high, org.hipparchus.analysis.UnivariateFunction function) {
        double half = (high - low) / PIECES / 2;
        double sum = 0;
        for (int piece = 0; piece < PIECES; piece++) {
            double middle = low + (2 * piece + 1) * half;
            sum += half * PIECE.integrate(x -> function.value(middle + half * x));
        }
        return sum;
    }
}
