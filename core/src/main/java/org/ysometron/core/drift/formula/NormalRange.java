package org.ysometron.core.drift.formula;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.ysometron.core.statistics.formula.Remembered;
import org.ysometron.core.statistics.formula.StandardNormal;

/** Moments of the range of n standard normal values (Tippett 1925), by Gauss-Legendre quadrature. */
public final class NormalRange {

    private static final double REACH = 9;
    private static final int PIECES = 9;
    private static final GaussIntegrator PIECE = new GaussIntegratorFactory().legendre(12, -1, 1);
    private static final Remembered<Integer> MEANS = new Remembered<>(NormalRange::workedMean);
    private static final Remembered<Integer> DEVIATIONS = new Remembered<>(NormalRange::workedDeviation);

    private NormalRange() {}

    /** d₂ = E(W) = ∫ (1 − Φ(x)ⁿ − (1 − Φ(x))ⁿ) dx. */
    public static double mean(int n) {
        return MEANS.of(n);
    }

    private static double workedMean(int n) {
        return integrate(-REACH, REACH, x -> {
            double p = StandardNormal.below(x);
            return 1 - Math.pow(p, n) - Math.pow(1 - p, n);
        });
    }

    /** d₃ = √(E(W²) − d₂²), E(W²) = 2 ∫∫ over x &lt; y of (1 − Φ(y)ⁿ − (1 − Φ(x))ⁿ + (Φ(y) − Φ(x))ⁿ) dx dy. */
    public static double standardDeviation(int n) {
        return DEVIATIONS.of(n);
    }

    private static double workedDeviation(int n) {
        double square = 2
                * integrate(-REACH, REACH, y -> {
                    double py = StandardNormal.below(y);
                    return integrate(-REACH, y, x -> {
                        double px = StandardNormal.below(x);
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
