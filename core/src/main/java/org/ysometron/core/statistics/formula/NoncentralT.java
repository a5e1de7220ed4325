package org.ysometron.core.statistics.formula;

import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
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
    private static final int DOUBLINGS = 40;
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
        double[] ends = ends(low, high, delta / t, 1 / Math.abs(t));
        double sum = 0;
        for (int piece = 1; piece < ends.length; piece++) {
            double half = (ends[piece] - ends[piece - 1]) / 2;
            double middle = (ends[piece] + ends[piece - 1]) / 2;
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
     * Where the pieces of the integral end: evenly, and doubling away from where Φ(t·s − δ) rises. With few degrees of freedom
     * and a far tail it rises within a thousandth of the range, between two of the even ends.
     *
     * @param rise the s at which it stands at one half
     * @param width over how much of s it rises
     */
    private static double[] ends(double low, double high, double rise, double width) {
        DoubleStream even = IntStream.rangeClosed(0, PIECES).mapToDouble(i -> low + (high - low) * i / PIECES);
        DoubleStream near = Double.isFinite(rise) && width > 0
                ? IntStream.range(-1, DOUBLINGS)
                        .mapToDouble(i -> i < 0 ? 0 : width * Math.scalb(1.0, i))
                        .flatMap(away -> DoubleStream.of(rise - away, rise + away))
                        .filter(s -> s > low && s < high)
                : DoubleStream.empty();
        return DoubleStream.concat(even, near).sorted().distinct().toArray();
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
        return new BrentSolver(1e-14, 1e-14, 1e-17).solve(500, t -> cumulative(t, nu, delta) - p, low, high);
    }
}
