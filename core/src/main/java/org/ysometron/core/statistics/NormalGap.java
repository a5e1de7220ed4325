package org.ysometron.core.statistics;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.ysometron.core.statistics.formula.StandardNormal;

/** The range of some standard normal values (Tippett 1925). */
final class NormalGap {

    private static final double REACH = 8.5;
    private static final int PIECES = 8;
    private static final GaussIntegrator PIECE = new GaussIntegratorFactory().legendre(16, -1, 1);

    private NormalGap() {}

    /** P(range of k values ≤ w) = k·∫ φ(x)·(Φ(x + w) − Φ(x))^(k − 1) dx. */
    static double within(double w, int k) {
        double half = REACH / PIECES;
        double sum = 0;
        for (int piece = 0; piece < PIECES; piece++) {
            double middle = -REACH + (2 * piece + 1) * half;
            sum += half
                    * PIECE.integrate(t -> {
                        double x = middle + half * t;
                        double inside = x > 0
                                ? StandardNormal.above(x) - StandardNormal.above(x + w)
                                : StandardNormal.below(x + w) - StandardNormal.below(x);
                        return k * StandardNormal.density(x) * Math.pow(inside, k - 1.0);
                    });
        }
        return Math.min(1, sum);
    }
}
