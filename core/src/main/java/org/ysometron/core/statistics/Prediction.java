package org.ysometron.core.statistics;

import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.ScaledChi;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * Factor k of the prediction interval mean ∓ k·s: with the stated confidence all of so many further values of the same normal
 * population lie inside, or beyond one bound none.
 *
 * <p>For one value t·√(1 + 1/n); for m of them exactly, by the integral over what mean and s may have been of
 * (Φ(z/√n + ks) − Φ(z/√n − ks))ᵐ, since the values share both. Source: ISO 16269-8, unknown mean and standard deviation.
 */
public final class Prediction {

    private static final int MOST_STEPS = 200;
    private static final double REACH = 8.5;
    private static final Panels CENTRES = Panels.even(-REACH, REACH, 4);
    private static final Panels HALF = Panels.even(0, REACH, 2);

    private Prediction() {}

    /**
     * The factor for all of m further values.
     *
     * @param n values known, 2 to 100,000
     * @param further m, 1 to 10,000
     * @param confidence above 0.5 and up to 0.9999
     * @param both whether the interval has two ends; else one bound
     */
    public static double ofValues(int n, int further, double confidence, boolean both) {
        require(n, further, confidence);
        double nu = n - 1.0;
        double alone = Math.sqrt(1 + 1.0 / n);
        double one = StudentT.quantile(both ? (1 + confidence) / 2 : confidence, nu) * alone;
        if (further == 1) {
            return one;
        }
        // Bonferroni's factor is never too small.
        double missed = (1 - confidence) / further;
        double most = -StudentT.quantile(both ? missed / 2 : missed, nu) * alone;
        double root = Math.sqrt(n);
        return new BracketingNthOrderBrentSolver(1e-11, 1e-11, 5)
                .solve(
                        MOST_STEPS,
                        k -> ScaledChi.expectation(nu, Double.NaN, 0, s -> inside(k * s, root, further, both))
                                - confidence,
                        one * 0.999,
                        most * 1.001);
    }

    private static double inside(double half, double root, int further, boolean both) {
        return both
                // Alike on either side of the mean.
                ? 2
                        * HALF.integrate(z -> weighted(
                                z,
                                StandardNormal.below(z / root + half) - StandardNormal.below(z / root - half),
                                further))
                : CENTRES.integrate(z -> weighted(z, StandardNormal.below(z / root + half), further));
    }

    private static double weighted(double z, double share, int further) {
        return StandardNormal.density(z) * Math.pow(Math.max(0, share), further);
    }

    /** The factor for the mean of m further values: t·√(1/m + 1/n). */
    public static double ofMean(int n, int further, double confidence, boolean both) {
        require(n, further, confidence);
        return StudentT.quantile(both ? (1 + confidence) / 2 : confidence, n - 1.0)
                * Math.sqrt(1.0 / n + 1.0 / further);
    }

    private static void require(int n, int further, double confidence) {
        boolean counts = n >= 2 && n <= 100_000 && further >= 1 && further <= 10_000;
        if (!counts || !(confidence > 0.5 && confidence <= 0.9999)) {
            throw new IllegalArgumentException(
                    "n of 2 to 100,000, 1 to 10,000 further values and a confidence above 0.5"
                            + " and up to 0.9999 are needed");
        }
    }
}
