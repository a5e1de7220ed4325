package org.ysometron.core.statistics;

import java.util.List;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;

/**
 * Variance between groups and within them by restricted maximum likelihood, for groups of any sizes: what the analysis of
 * variance gives where the sizes are equal and the groups differ, never below zero, and better where sizes differ.
 *
 * <p>With θ = σ²_between/σ²_within the restricted likelihood depends on θ alone once σ²_within is worked out for it. Source: H. D.
 * Patterson and R. Thompson, Biometrika 58, 1971; S. R. Searle, G. Casella and C. E. McCulloch, Variance Components, 1992.
 *
 * @param mean estimated mean over groups
 * @param meanError its standard error
 * @param between variance between groups, at least 0
 * @param within variance within groups
 */
public record VarianceComponents(double mean, double meanError, double between, double within) {

    private static final int GRID = 400;
    private static final int MOST_STEPS = 500;

    /**
     * Estimates from groups.
     *
     * @param groups at least two, one of them with two values at least
     * @throws IllegalArgumentException where values within groups do not scatter
     */
    public static VarianceComponents of(List<double[]> groups) {
        Likelihood likelihood = new Likelihood(groups.stream().map(Summary::of).toList());
        // Over ρ = θ/(1 + θ), the intraclass correlation, which has ends: a grid to find the hill, then its top.
        int best = 0;
        for (int i = 1; i < GRID; i++) {
            if (likelihood.at(i / (double) GRID) > likelihood.at(best / (double) GRID)) {
                best = i;
            }
        }
        double low = Math.max(0, best - 1) / (double) GRID;
        double high = Math.min(GRID - 1e-9, best + 1) / GRID;
        double rho = new BrentOptimizer(1e-10, 1e-14)
                .optimize(
                        new MaxEval(MOST_STEPS),
                        new UnivariateObjectiveFunction(likelihood::at),
                        GoalType.MAXIMIZE,
                        new SearchInterval(low, high))
                .getPoint();
        return likelihood.estimates(likelihood.at(0) >= likelihood.at(rho) ? 0 : rho);
    }

    /** Share of the variance that lies between groups. */
    public double intraclassCorrelation() {
        return between / (between + within);
    }

    private record Likelihood(List<Summary> groups, int n, double inside) {

        Likelihood(List<Summary> groups) {
            this(
                    groups,
                    groups.stream().mapToInt(Summary::n).sum(),
                    groups.stream()
                            .mapToDouble(group -> Math.pow(group.sd().orElse(0), 2) * (group.n() - 1))
                            .sum());
            if (groups.size() < 2 || n == groups.size()) {
                throw new IllegalArgumentException("two groups at least, one of them with two values, are needed");
            }
            double largest = groups.stream()
                    .mapToDouble(group -> Math.max(Math.abs(group.least()), Math.abs(group.greatest())))
                    .max()
                    .orElseThrow();
            if (!(Math.sqrt(inside / n) > Summary.ALIKE * largest)) {
                throw new IllegalArgumentException("the values within groups are all alike");
            }
        }

        double at(double rho) {
            double theta = rho / (1 - rho);
            double logs = 0;
            for (Summary group : groups) {
                logs += Math.log1p(group.n() * theta);
            }
            return -((n - 1) * Math.log(within(theta)) + logs + Math.log(weight(theta))) / 2;
        }

        VarianceComponents estimates(double rho) {
            double theta = rho / (1 - rho);
            double within = within(theta);
            return new VarianceComponents(mean(theta), Math.sqrt(within / weight(theta)), theta * within, within);
        }

        private double weight(double theta) {
            return groups.stream()
                    .mapToDouble(group -> group.n() / (1 + group.n() * theta))
                    .sum();
        }

        private double mean(double theta) {
            return groups.stream()
                            .mapToDouble(group -> group.n() / (1 + group.n() * theta) * group.mean())
                            .sum()
                    / weight(theta);
        }

        private double within(double theta) {
            double mean = mean(theta);
            double apart = groups.stream()
                    .mapToDouble(group ->
                            group.n() / (1 + group.n() * theta) * (group.mean() - mean) * (group.mean() - mean))
                    .sum();
            return (inside + apart) / (n - 1);
        }
    }
}
