package org.ysometron.core.drift.formula;

import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealVector;

/** Average run lengths of charts on independent normal points; shifts and limits in standard deviations of a point. */
public final class RunLength {

    private static final NormalDistribution NORMAL = new NormalDistribution();
    private static final int NODES = 80;

    private RunLength() {}

    /** Beyond ±L only: 1/(1 − Φ(L − δ) + Φ(−L − δ)). */
    public static double shewhart(double limit, double shift) {
        return 1 / (NORMAL.cumulativeProbability(-limit + shift) + NORMAL.cumulativeProbability(-limit - shift));
    }

    /**
     * Beyond ±L or r in a row on one side of the centre, as a Markov chain on the run so far (Champ and Woodall 1987).
     *
     * <p>With a(k) the points still to come after k in a row above: a(k) = 1 + p·a(k+1) + q·b(1), a(r) = 0; b alike.
     */
    public static double shewhartWithRun(double limit, int run, double shift) {
        double above = NORMAL.cumulativeProbability(limit - shift) - NORMAL.cumulativeProbability(-shift);
        double below = NORMAL.cumulativeProbability(-shift) - NORMAL.cumulativeProbability(-limit - shift);
        double sa = geometric(above, run - 1);
        double sb = geometric(below, run - 1);
        double a = sa * (1 + below * sb) / (1 - sa * sb * above * below);
        double b = sb * (1 + above * a);
        return 1 + above * a + below * b;
    }

    /**
     * EWMA z = λx + (1 − λ)z with constant limits ±L·√(λ/(2 − λ)), started at the centre, by the integral equation of
     * Crowder (1987) on Gauss-Legendre nodes.
     */
    public static double ewma(double lambda, double limit, double shift) {
        double h = limit * Math.sqrt(lambda / (2 - lambda));
        return solve(
                -h,
                h,
                0,
                false,
                (from, to) -> NORMAL.density((to - (1 - lambda) * from) / lambda - shift) / lambda,
                from -> 0);
    }

    /**
     * One-sided upper CUSUM C = max(0, C + x − k), signal beyond h, started at zero, by the integral equation of Page
     * (1954): L(u) = 1 + L(0)·Φ(k − u − δ) + ∫ L(y) φ(y − u + k − δ) dy.
     */
    public static double cusumUpper(double k, double h, double shift) {
        return solve(
                0,
                h,
                0,
                true,
                (from, to) -> NORMAL.density(to - from + k - shift),
                from -> NORMAL.cumulativeProbability(k - from - shift));
    }

    /** Both sides together: 1/A = 1/A₊ + 1/A₋ (Van Dobben de Bruyn 1968). */
    public static double cusum(double k, double h, double shift) {
        return 1 / (1 / cusumUpper(k, h, shift) + 1 / cusumUpper(k, h, -shift));
    }

    private interface Kernel {
        double density(double from, double to);
    }

    private static double geometric(double p, int terms) {
        double sum = 0;
        double power = 1;
        for (int i = 0; i < terms; i++) {
            sum += power;
            power *= p;
        }
        return sum;
    }

    /** Nyström's method: L at the nodes and, for a chart that rests at {@code start}, at the start itself. */
    private static double solve(
            double low,
            double high,
            double start,
            boolean rests,
            Kernel kernel,
            org.hipparchus.analysis.UnivariateFunction atom) {
        GaussIntegrator rule = new GaussIntegratorFactory().legendre(NODES, low, high);
        int size = NODES + 1;
        Array2DRowRealMatrix system = new Array2DRowRealMatrix(size, size);
        for (int i = 0; i < size; i++) {
            double from = i < NODES ? rule.getPoint(i) : start;
            for (int j = 0; j < NODES; j++) {
                system.setEntry(i, j, -rule.getWeight(j) * kernel.density(from, rule.getPoint(j)));
            }
            system.setEntry(i, NODES, rests ? -atom.value(from) : 0);
            system.addToEntry(i, i, 1);
        }
        RealVector ones = new ArrayRealVector(size, 1.0);
        return new LUDecomposition(system).getSolver().solve(ones).getEntry(NODES);
    }
}
