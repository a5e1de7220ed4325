package org.ysometron.core.statistics.formula;

import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/**
 * The ratio s/σ of a standard deviation with ν degrees of freedom to the one it estimates: √(V/ν), V being chi-square.
 *
 * <p>Expectations over it by {@link Panels}.
 */
public final class ScaledChi {

    private static final int PIECES = 12;
    private static final int DOUBLINGS = 60;
    private static final double LARGEST_EXPONENT = 700;

    private ScaledChi() {}

    /**
     * E[g(s/σ)], to about 1e-13 for a bounded g that is smooth but for one place.
     *
     * @param nu degrees of freedom, at least 1
     * @param rise where g rises, falls or has its edge; not finite where it has no such place
     * @param width over how much it does so, above 0
     */
    public static double expectation(double nu, double rise, double width, DoubleUnaryOperator g) {
        // ln f(s) = ln 2 + (ν/2) ln(ν/2) − ln Γ(ν/2) + (ν − 1) ln s − ν s²/2
        double constant = Math.log(2) + nu / 2 * Math.log(nu / 2) - StandardNormal.logGamma(nu / 2);
        // s has mean near 1 and standard deviation near 1/√(2ν); beyond 12 of them nothing is left.
        double spread = 12 / Math.sqrt(2 * nu);
        return new Panels(ends(Math.max(0, 1 - spread), 1 + spread, rise, width)).integrate(s -> {
            double logDensity = constant + (nu - 1) * Math.log(s) - nu * s * s / 2;
            return logDensity < -LARGEST_EXPONENT ? 0 : g.applyAsDouble(s) * Math.exp(logDensity);
        });
    }

    /**
     * Where the pieces of the integral end: evenly, and doubling away from where g rises. With few degrees of freedom and a far
     * tail that happens within a thousandth of the range, between two of the even ends.
     */
    private static double[] ends(double low, double high, double rise, double width) {
        boolean smooth = !Double.isFinite(rise);
        int pieces = smooth ? PIECES / 2 : PIECES;
        double piece = (high - low) / pieces;
        DoubleStream even = IntStream.rangeClosed(0, pieces).mapToDouble(i -> low + piece * i);
        DoubleStream near = !smooth && width > 0
                ? IntStream.range(-1, DOUBLINGS)
                        .mapToDouble(i -> i < 0 ? 0 : width * Math.scalb(1.0, i))
                        .takeWhile(away -> away < 2 * piece)
                        .flatMap(away -> DoubleStream.of(rise - away, rise + away))
                        .filter(s -> s > low && s < high)
                : DoubleStream.empty();
        return DoubleStream.concat(even, near).sorted().distinct().toArray();
    }
}
