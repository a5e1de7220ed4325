package org.ysometron.core.statistics;

import java.util.function.DoubleUnaryOperator;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * Mean of a normal population from some values and some lower bounds (right-censored specimens), by maximum likelihood,
 * with one-sided bounds from the profile likelihood.
 *
 * <p>ln L(μ, σ) = Σ ln φ((x − μ)/σ) − k ln σ + Σ ln(1 − Φ((c − μ)/σ)), concave in μ/σ and 1/σ (Olsen, Econometrica 46, 1978),
 * so there is one maximum and nothing to search in vain. The profile falls by D from its maximum to μ (Meeker and Escobar,
 * Statistical Methods for Reliability Data, ch. 8). The χ² limit for 2D keeps 0.85 instead of 0.95 at n = 5; here D is read as
 * Student's t, t² = ν·(exp(2D/n) − 1), which is exact when nothing is censored, with ν = k − 1 for the k that broke. And no
 * bound is tighter than the one that the same numbers would give as values: an unknown is never worth more than what it is
 * at least. The level is simulated in the tests.
 */
public final class CensoredNormal {

    private static final int MOST_STEPS = 200;

    private final double[] values;
    private final double[] bounds;
    private final double centre;
    private final double scale;
    private final double mean;
    private final double sd;
    private final double best;

    private CensoredNormal(double[] values, double[] bounds, double centre, double scale) {
        this.values = scaled(values, centre, scale);
        this.bounds = scaled(bounds, centre, scale);
        this.centre = centre;
        this.scale = scale;
        double[] found = maximum();
        this.mean = found[0];
        this.sd = found[1];
        this.best = logLikelihood(mean, sd);
    }

    /**
     * Fits μ and σ.
     *
     * @param values specimens that broke; at least two that differ
     * @param bounds specimens known only to be at least this strong; may be empty
     * @throws IllegalArgumentException when the values cannot carry a fit
     */
    public static CensoredNormal fit(double[] values, double[] bounds) {
        Summary seen = values.length < 2 ? null : Summary.of(values);
        double all = seen == null ? 0 : Math.max(Math.abs(seen.least()), Math.abs(seen.greatest()));
        if (seen == null || !(seen.sd().orElse(0) > 1e-9 * all)) {
            throw new IllegalArgumentException("at least two broken specimens that differ are needed");
        }
        return new CensoredNormal(values, bounds, seen.mean(), seen.sd().getAsDouble());
    }

    private static double[] scaled(double[] numbers, double centre, double scale) {
        double[] scaled = new double[numbers.length];
        for (int i = 0; i < numbers.length; i++) {
            scaled[i] = (numbers[i] - centre) / scale;
        }
        return scaled;
    }

    /** Maximum-likelihood estimate of μ. */
    public double mean() {
        return centre + scale * mean;
    }

    /** Maximum-likelihood estimate of σ (divisor n, not n − 1). */
    public double sd() {
        return scale * sd;
    }

    /** How well the scatter is known: one less than the specimens that broke. */
    public double degreesOfFreedom() {
        return values.length - 1.0;
    }

    /**
     * The mean lies above this.
     *
     * @param confidence one-sided, above 0.5 and below 1
     */
    public double lower(double confidence) {
        return centre + scale * Math.min(reach(-1, confidence), taken().mean() - asValues(confidence));
    }

    /** The mean lies below this, with a one-sided confidence above 0.5 and below 1. */
    public double upper(double confidence) {
        return centre + scale * Math.max(reach(1, confidence), taken().mean() + asValues(confidence));
    }

    /** Probability, 0 to 1, that the mean lies above an edge, from the same profile and the same comparison as the bounds. */
    public double above(double edge) {
        double at = (edge - centre) / scale;
        double nu = degreesOfFreedom();
        double byProfile = StudentT.cumulative(Math.copySign(statistic(at), mean - at), nu);
        Summary taken = taken();
        double t = (taken.mean() - at) / (taken.sd().orElseThrow() / Math.sqrt(taken.n()));
        double byValues = StudentT.cumulative(t, taken.n() - 1.0);
        boolean both = byProfile > 0.5 && byValues > 0.5;
        return both
                ? Math.min(byProfile, byValues)
                : byProfile < 0.5 && byValues < 0.5 ? Math.max(byProfile, byValues) : 0.5;
    }

    private Summary taken() {
        double[] all = java.util.Arrays.copyOf(values, values.length + bounds.length);
        System.arraycopy(bounds, 0, all, values.length, bounds.length);
        return Summary.of(all);
    }

    private double asValues(double confidence) {
        Summary taken = taken();
        return StudentT.quantile(confidence, taken.n() - 1.0) * taken.sd().orElseThrow() / Math.sqrt(taken.n());
    }

    /** t that belongs to the fall of the profile to a mean, at least 0. */
    private double statistic(double at) {
        double fall = Math.max(0, best - profile(at));
        return Math.sqrt(degreesOfFreedom() * Math.expm1(2 * fall / (values.length + bounds.length)));
    }

    private double reach(int side, double confidence) {
        double t = StudentT.quantile(confidence, degreesOfFreedom());
        double fall = (values.length + bounds.length) / 2.0 * Math.log1p(t * t / degreesOfFreedom());
        double step = Math.max(sd, 1) / 4;
        double near = mean;
        double far = mean + side * step;
        while (best - profile(far) < fall) {
            near = far;
            step *= 2;
            far += side * step;
        }
        DoubleUnaryOperator beyond = at -> best - profile(at) - fall;
        return new BracketingNthOrderBrentSolver(1e-12, 1e-12, 5)
                .solve(MOST_STEPS, beyond::applyAsDouble, Math.min(near, far), Math.max(near, far));
    }

    // ---- the likelihood ------------------------------------------------------------------------------------------

    private double profile(double mu) {
        return logLikelihood(mu, 1 / precision(mu));
    }

    /** 1/σ that is likeliest for a mean: the root of a falling function, by Newton's steps within a bracket. */
    private double precision(double mu) {
        double squares = 0;
        for (double value : values) {
            squares += (value - mu) * (value - mu);
        }
        double low = 0;
        double high = Double.POSITIVE_INFINITY;
        double theta = Math.sqrt(values.length / squares);
        for (int i = 0; i < MOST_STEPS; i++) {
            double slope = values.length / theta - theta * squares;
            double curve = -values.length / theta / theta - squares;
            for (double bound : bounds) {
                double b = bound - mu;
                double hazard = hazard(theta * b);
                slope -= b * hazard;
                curve -= b * b * Math.max(0, hazard * (hazard - theta * b));
            }
            if (slope > 0) {
                low = theta;
            } else {
                high = theta;
            }
            double next = theta - slope / curve;
            if (!(next > low && next < high)) {
                next = Double.isInfinite(high) ? 2 * theta : (low + high) / 2;
            }
            boolean still = Math.abs(next - theta) <= 1e-14 * theta;
            theta = next;
            if (still) {
                break;
            }
        }
        return theta;
    }

    /**
     * The likeliest mean and standard deviation. Along the profile, whose slope is Σ(x − μ)θ² + θ·Σh: positive below the maximum
     * and negative above it.
     */
    private double[] maximum() {
        double low = Summary.of(values).mean();
        if (bounds.length == 0) {
            return new double[] {low, 1 / precision(low)};
        }
        double step = 1;
        double high = low + step;
        while (slope(high) > 0) {
            low = high;
            step *= 2;
            high += step;
        }
        double mu = slope(low) <= 0
                ? low
                : new BracketingNthOrderBrentSolver(1e-14, 1e-13, 5).solve(MOST_STEPS, this::slope, low, high);
        return new double[] {mu, 1 / precision(mu)};
    }

    private double slope(double mu) {
        double theta = precision(mu);
        double sum = 0;
        for (double value : values) {
            sum += theta * (value - mu);
        }
        for (double bound : bounds) {
            sum += hazard(theta * (bound - mu));
        }
        return sum;
    }

    private double logLikelihood(double mu, double sigma) {
        double sum = -values.length * Math.log(sigma);
        for (double value : values) {
            double z = (value - mu) / sigma;
            sum -= z * z / 2;
        }
        for (double bound : bounds) {
            sum += logUpperTail((bound - mu) / sigma);
        }
        return sum;
    }

    /** φ(z)/(1 − Φ(z)). */
    private static double hazard(double z) {
        // Far out by the continued fraction z + 1/(z + 2/(z + 3/z)) (Abramowitz and Stegun, 26.2.14).
        return z < 12 ? StandardNormal.density(z) / StandardNormal.below(-z) : z + 1 / (z + 2 / (z + 3 / (z + 4 / z)));
    }

    private static double logUpperTail(double z) {
        return z < 12
                ? Math.log(StandardNormal.below(-z))
                : -z * z / 2 - Math.log(hazard(z)) - Math.log(2 * Math.PI) / 2;
    }
}
