package org.ysometron.core.statistics;

import java.util.OptionalDouble;
import org.ysometron.core.statistics.formula.ScaledChi;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * How sure the values make it that at least a share of their normal population lies inside edges.
 *
 * <p>By the generalised pivot of mean and standard deviation, σ = s·√(ν/χ²) and μ = x̄ + z·√(σ²/n + u²): the probability that
 * the share between the edges, as a function of both, reaches the one asked for (S. Weerahandi, Exact Statistical Methods for
 * Data Analysis, 1995). With one edge and no u it is the noncentral t test of that share, exact. With two it says how likely the
 * claim is met, and is no test: on the edge it would contradict one in ten.
 */
public final class ShareInside {

    private static final int MOST_STEPS = 60;

    private final Summary values;
    private final OptionalDouble lower;
    private final OptionalDouble upper;
    private final double calibration;

    /**
     * Values beside edges.
     *
     * @param values n at least 2, with a standard deviation above 0
     * @param lower lower edge; empty for none
     * @param upper upper edge, above the lower; empty for none
     * @param calibration standard uncertainty common to all values, at least 0
     */
    public ShareInside(Summary values, OptionalDouble lower, OptionalDouble upper, double calibration) {
        if (!(values.sd().orElse(0) > 0) || !(calibration >= 0) || (lower.isEmpty() && upper.isEmpty())) {
            throw new IllegalArgumentException(
                    "values that scatter, an edge and an uncertainty of at least 0 are needed");
        }
        this.values = values;
        this.lower = lower;
        this.upper = upper;
        this.calibration = calibration;
    }

    /** The share that lies inside if mean and standard deviation are what the values say, 0 to 1. */
    public double estimate() {
        double sd = values.sd().orElseThrow();
        double below = lower.isPresent() ? StandardNormal.below((lower.getAsDouble() - values.mean()) / sd) : 0;
        double above = upper.isPresent() ? StandardNormal.below((values.mean() - upper.getAsDouble()) / sd) : 0;
        return Math.max(0, 1 - below - above);
    }

    /**
     * Confidence that the share inside is at least this, 0 to 1.
     *
     * @param share above 0.5 and below 1
     */
    public double confidence(double share) {
        if (!(share > 0.5 && share < 1)) {
            throw new IllegalArgumentException("a share above 0.5 and below 1 is needed, got " + share);
        }
        double sd = values.sd().orElseThrow();
        double nu = values.n() - 1.0;
        if (lower.isPresent() && upper.isPresent()) {
            double half = (upper.getAsDouble() - lower.getAsDouble()) / 2;
            double middle = lower.getAsDouble() + half;
            double widest = half / StandardNormal.quantile((1 + share) / 2);
            return bounded(ScaledChi.expectation(nu, sd / widest, sd / widest / 64, s -> {
                double sigma = sd / s;
                return sigma >= widest ? 0 : between(middle, off(half, sigma, share), sigma);
            }));
        }
        boolean low = lower.isPresent();
        double room = low ? values.mean() - lower.getAsDouble() : upper.orElseThrow() - values.mean();
        double z = StandardNormal.quantile(share);
        // What is to be found rises where the room is z standard deviations, over about what the mean may err.
        double rise = room > 0 ? z * sd / room : Double.NaN;
        return bounded(ScaledChi.expectation(nu, rise, Math.abs(rise) / Math.sqrt(values.n()) / 4, s -> {
            double sigma = sd / s;
            return StandardNormal.below((room - z * sigma) / error(sigma));
        }));
    }

    private double between(double middle, double off, double sigma) {
        double error = error(sigma);
        double high = (middle + off - values.mean()) / error;
        double low = (middle - off - values.mean()) / error;
        // On the side where both tails are small, so that no digit is lost to one.
        return high > 0 && low > 0
                ? StandardNormal.below(-low) - StandardNormal.below(-high)
                : StandardNormal.below(high) - StandardNormal.below(low);
    }

    private double error(double sigma) {
        return Math.hypot(sigma / Math.sqrt(values.n()), calibration);
    }

    /** How far from the middle a mean may lie so that the share is still inside; the share falls as it moves away. */
    private static double off(double half, double sigma, double share) {
        // Where the far tail is nothing; then Newton's steps on the logarithm, which close in from one side.
        double h = half / sigma;
        double m = Math.max(0, h - StandardNormal.quantile(share));
        for (int i = 0; i < MOST_STEPS; i++) {
            double out = StandardNormal.below(-h - m) + StandardNormal.below(m - h);
            double slope = StandardNormal.density(m - h) - StandardNormal.density(-h - m);
            double step = slope > 0 ? out / slope * Math.log(out / (1 - share)) : 0;
            m = Math.max(0, m - step);
            if (Math.abs(step) <= 1e-12 * h) {
                break;
            }
        }
        return m * sigma;
    }

    private static double bounded(double probability) {
        return Math.min(1, Math.max(0, probability));
    }
}
