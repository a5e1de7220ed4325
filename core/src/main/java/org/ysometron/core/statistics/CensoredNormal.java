package org.ysometron.core.statistics;

import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.distribution.continuous.ChiSquaredDistribution;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;

/**
 * Mean of a normal population from some values and some lower bounds (right-censored specimens), by maximum likelihood,
 * with one-sided bounds from the profile likelihood.
 *
 * <p>ln L(μ, σ) = Σ ln φ((x − μ)/σ) − k ln σ + Σ ln(1 − Φ((c − μ)/σ)). A one-sided bound of confidence γ is where twice
 * the fall of the profile reaches the χ² quantile (one degree of freedom) of 2γ − 1. Source: Meeker and Escobar,
 * Statistical Methods for Reliability Data, ch. 8. The χ² limit is approximate for few specimens.
 *
 * @param mean maximum-likelihood estimate of μ
 * @param sd maximum-likelihood estimate of σ (divisor n, not n − 1)
 * @param lower lower one-sided bound of μ
 * @param upper upper one-sided bound of μ
 */
public record CensoredNormal(double mean, double sd, double lower, double upper) {

    private static final NormalDistribution NORMAL = new NormalDistribution();

    /**
     * Fits μ and σ.
     *
     * @param values specimens that broke; at least two that differ
     * @param bounds specimens known only to be at least this strong; may be empty
     * @param confidence one-sided, above 0.5 and below 1
     * @throws IllegalArgumentException when the values cannot carry a fit
     */
    public static CensoredNormal fit(double[] values, double[] bounds, double confidence) {
        Summary seen = values.length < 2 ? null : Summary.of(values);
        if (seen == null || !(seen.sd().orElse(0) > 0)) {
            throw new IllegalArgumentException("at least two broken specimens that differ are needed");
        }
        Fit fit = new Fit(values.clone(), bounds.clone(), seen.sd().getAsDouble());
        double low = seen.mean() - 10 * fit.scale;
        double high = Math.max(
                        seen.greatest(),
                        bounds.length == 0
                                ? seen.greatest()
                                : Summary.of(bounds).greatest())
                + 20 * fit.scale;
        double mean = maximum(fit::profile, low, high);
        double drop = new ChiSquaredDistribution(1).inverseCumulativeProbability(2 * confidence - 1) / 2;
        double best = fit.profile(mean);
        double reach = fit.scale;
        double lowest = mean - reach;
        while (best - fit.profile(lowest) < drop) {
            lowest -= reach;
        }
        double highest = mean + reach;
        while (best - fit.profile(highest) < drop) {
            highest += reach;
        }
        BrentSolver solver = new BrentSolver(1e-10, 1e-10 * fit.scale);
        double lower = solver.solve(500, mu -> best - fit.profile(mu) - drop, lowest, mean);
        double upper = solver.solve(500, mu -> best - fit.profile(mu) - drop, mean, highest);
        return new CensoredNormal(mean, fit.bestSigma(mean), lower, upper);
    }

    private static double maximum(org.hipparchus.analysis.UnivariateFunction function, double low, double high) {
        return new BrentOptimizer(1e-10, 1e-12)
                .optimize(
                        new MaxEval(2000),
                        new UnivariateObjectiveFunction(function),
                        GoalType.MAXIMIZE,
                        new SearchInterval(low, high))
                .getPoint();
    }

    private record Fit(double[] values, double[] bounds, double scale) {

        double profile(double mu) {
            return logLikelihood(mu, bestSigma(mu));
        }

        double bestSigma(double mu) {
            double furthest = scale;
            for (double value : values) {
                furthest = Math.max(furthest, Math.abs(value - mu));
            }
            for (double bound : bounds) {
                furthest = Math.max(furthest, Math.abs(bound - mu));
            }
            return Math.exp(maximum(
                    logSigma -> logLikelihood(mu, Math.exp(logSigma)), Math.log(scale / 100), Math.log(furthest * 5)));
        }

        double logLikelihood(double mu, double sigma) {
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

        private static double logUpperTail(double z) {
            // Far out the tail underflows; its asymptote −z²/2 − ln(z√(2π)) takes over.
            return z < 30
                    ? Math.log(NORMAL.cumulativeProbability(-z))
                    : -z * z / 2 - Math.log(z * Math.sqrt(2 * Math.PI));
        }
    }
}
