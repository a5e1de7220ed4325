package org.ysometron.core.statistics.formula;

import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/** The range of n standard normal values (Tippett 1925): its moments and its distribution. */
public final class NormalRange {

    private static final double REACH = 9;
    private static final int PIECES = 6;
    private static final int MOST_STEPS = 200;
    private static final Panels ALL = Panels.even(-REACH, REACH, PIECES);
    private static final Remembered<Integer> MEANS = new Remembered<>(NormalRange::workedMean);
    private static final Remembered<Integer> MEDIANS = new Remembered<>(NormalRange::workedMedian);
    private static final Remembered<Integer> DEVIATIONS = new Remembered<>(NormalRange::workedDeviation);

    private NormalRange() {}

    /** d₂ = E(W) = ∫ (1 − Φ(x)ⁿ − (1 − Φ(x))ⁿ) dx. */
    public static double mean(int n) {
        return MEANS.of(n);
    }

    private static double workedMean(int n) {
        return ALL.integrate(x -> 1 - Math.pow(StandardNormal.below(x), n) - Math.pow(StandardNormal.above(x), n));
    }

    /** d₃ = √(E(W²) − d₂²), E(W²) = 2 ∫∫ over x &lt; y of (1 − Φ(y)ⁿ − (1 − Φ(x))ⁿ + (Φ(y) − Φ(x))ⁿ) dx dy. */
    public static double standardDeviation(int n) {
        return DEVIATIONS.of(n);
    }

    private static double workedDeviation(int n) {
        double square = 2
                * ALL.integrate(y -> {
                    double py = StandardNormal.below(y);
                    double all = 1 - Math.pow(py, n);
                    int pieces = Math.max(1, (int) Math.ceil((y + REACH) / (2 * REACH) * PIECES));
                    return Panels.even(-REACH, y, pieces).integrate(x -> {
                        double px = StandardNormal.below(x);
                        return all - Math.pow(1 - px, n) + Math.pow(py - px, n);
                    });
                });
        double mean = mean(n);
        return Math.sqrt(square - mean * mean);
    }

    /** d₄: the w with P(W ≤ w) = ½. */
    public static double median(int n) {
        return MEDIANS.of(n);
    }

    private static double workedMedian(int n) {
        return new BracketingNthOrderBrentSolver(1e-14, 5).solve(MOST_STEPS, w -> below(w, n) - 0.5, 0, 2 * REACH);
    }

    /**
     * P(W ≤ w) = n·∫ φ(x)·(Φ(x + w) − Φ(x))^(n − 1) dx.
     *
     * @param w at least 0
     */
    public static double below(double w, int n) {
        return Math.min(1, ALL.integrate(x -> {
            double inside = x > 0
                    ? StandardNormal.above(x) - StandardNormal.above(x + w)
                    : StandardNormal.below(x + w) - StandardNormal.below(x);
            return n * StandardNormal.density(x) * Math.pow(inside, n - 1.0);
        }));
    }
}
