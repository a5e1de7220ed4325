package org.ysometron.core.statistics;

import java.util.OptionalDouble;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * How likely it is that more specimens settle a claim about a mean, if the population is what the ones so far say it is.
 *
 * <p>The m new ones have a mean ȳ and a sum of squares of their own; with them the mean is (n·x̄ + m·ȳ)/N and the sum of squares
 * S + S_new + n·m/N·(x̄ − ȳ)². The bound then clears an edge where S_new stays below what is left, chi-square with m − 1
 * degrees of freedom, integrated over ȳ. The degrees of freedom of the bound are taken as known.
 *
 * @param soFar n at least 2
 * @param calibration standard uncertainty common to all, at least 0
 * @param more m, at least 1
 * @param t factor of the bound with all N
 */
public record Prospect(Summary soFar, double calibration, int more, double t) {

    private static final Panels MEANS = Panels.even(-8, 8, 16);

    /** Probability, 0 to 1, that the bounds lie inside the edges, or one of them outside. */
    public double settled(OptionalDouble lower, OptionalDouble upper) {
        double settled = MEANS.integrate(z -> StandardNormal.density(z) * given(z, lower, upper));
        return Math.min(1, Math.max(0, settled));
    }

    private double given(double z, OptionalDouble lower, OptionalDouble upper) {
        double shift = soFar.sd().orElseThrow() * z / Math.sqrt(more);
        int total = soFar.n() + more;
        double mean = soFar.mean() + more * shift / total;
        double inside = Double.POSITIVE_INFINITY;
        double outside = Double.NEGATIVE_INFINITY;
        if (lower.isPresent()) {
            inside = mean - lower.getAsDouble();
            outside = -inside;
        }
        if (upper.isPresent()) {
            inside = Math.min(inside, upper.getAsDouble() - mean);
            outside = Math.max(outside, mean - upper.getAsDouble());
        }
        return reached(inside, shift, total) + reached(outside, shift, total);
    }

    /** Probability that t times the uncertainty stays within a distance. */
    private double reached(double distance, double shift, int total) {
        if (distance <= 0) {
            return 0;
        }
        double sd = soFar.sd().orElseThrow();
        double variance = total * ((distance / t) * (distance / t) - calibration * calibration);
        double left =
                (total - 1) * variance - (soFar.n() - 1) * sd * sd - (double) soFar.n() * more / total * shift * shift;
        if (left <= 0 || sd == 0) {
            return left > 0 ? 1 : 0;
        }
        return more == 1 ? 1 : StandardNormal.chiSquareBelow(more - 1.0, left / (sd * sd));
    }
}
