package org.ysometron.core.drift;

import java.util.Optional;
import java.util.OptionalDouble;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.ysometron.core.statistics.formula.NoncentralT;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * How the edges that a customer allows lie about a process, in thirds of the scatter: the index of both edges (U − L)/6σ, of each
 * edge |edge − mean|/3σ, the lesser of those, and the one about a target (U − L)/6√(σ² + (mean − T)²). Of the process as it ran
 * where σ is that of all values, of what it could do where σ is that within subgroups.
 *
 * <p>Intervals: of both edges by χ², exact; of one edge by the noncentral t distribution, exact where σ has n − 1 degrees of
 * freedom; of the lesser of two by A. F. Bissell, Applied Statistics 39, 1990, an approximation. All suppose a normal population
 * in a state of control; a trend or a drift makes them wrong. Source: ISO 22514-2; D. C. Montgomery's textbook for Bissell's
 * interval, from memory.
 *
 * @param mean of the values
 * @param sigma scatter, above 0
 * @param n values
 * @param freedom degrees of freedom of sigma
 * @param lower least allowed; empty for none
 * @param upper most allowed; empty for none
 */
public record Capability(double mean, double sigma, int n, double freedom, OptionalDouble lower, OptionalDouble upper) {

    private static final int MOST_STEPS = 200;

    /** Checks that there is an edge and a scatter. */
    public Capability {
        if (!(sigma > 0) || n < 2 || !(freedom > 0)) {
            throw new IllegalArgumentException("two values at least that scatter are needed");
        }
        if (lower.isEmpty() && upper.isEmpty()) {
            throw new IllegalArgumentException("a least or a most allowed value is needed");
        }
        if (lower.isPresent() && upper.isPresent() && !(lower.getAsDouble() < upper.getAsDouble())) {
            throw new IllegalArgumentException("the least allowed has to lie below the most");
        }
    }

    /**
     * An index with its two-sided interval.
     *
     * @param value the index
     * @param low lower end
     * @param high upper end
     */
    public record Index(double value, double low, double high) {}

    /** (U − L)/6σ; empty with one edge. */
    public Optional<Index> both(double confidence) {
        if (lower.isEmpty() || upper.isEmpty()) {
            return Optional.empty();
        }
        double value = (upper.getAsDouble() - lower.getAsDouble()) / (6 * sigma);
        double half = (1 - confidence) / 2;
        return Optional.of(new Index(
                value,
                value * Math.sqrt(StandardNormal.chiSquareQuantile(freedom, half) / freedom),
                value * Math.sqrt(StandardNormal.chiSquareQuantile(freedom, 1 - half) / freedom)));
    }

    /** (mean − L)/3σ; empty without a least. */
    public Optional<Index> ofLower(double confidence) {
        return lower.isEmpty()
                ? Optional.empty()
                : Optional.of(oneEdge((mean - lower.getAsDouble()) / (3 * sigma), confidence));
    }

    /** (U − mean)/3σ; empty without a most. */
    public Optional<Index> ofUpper(double confidence) {
        return upper.isEmpty()
                ? Optional.empty()
                : Optional.of(oneEdge((upper.getAsDouble() - mean) / (3 * sigma), confidence));
    }

    private Index oneEdge(double value, double confidence) {
        double root = Math.sqrt(n);
        double half = (1 - confidence) / 2;
        double t = 3 * value * root;
        return new Index(value, noncentrality(t, 1 - half) / (3 * root), noncentrality(t, half) / (3 * root));
    }

    /** The δ with P(T ≤ t; ν, δ) = p, which falls as δ rises. */
    private double noncentrality(double t, double p) {
        UnivariateFunction over = delta -> NoncentralT.cumulative(t, freedom, delta) - p;
        // Standard deviations of δ about t, by the large-sample variance 1 + t²/2ν: with few degrees of freedom some
        // more.
        double reach = 6 * Math.sqrt(1 + t * t / (2 * freedom));
        double low = t - reach;
        double high = t + reach;
        while (over.value(low) < 0) {
            low -= reach;
        }
        while (over.value(high) > 0) {
            high += reach;
        }
        return new BracketingNthOrderBrentSolver(1e-13, 1e-12, 5).solve(MOST_STEPS, over, low, high);
    }

    /** The lesser of the edges' indices: with one edge exact, with two by Bissell's approximation. */
    public Index least(double confidence) {
        if (lower.isEmpty() || upper.isEmpty()) {
            return ofLower(confidence).or(() -> ofUpper(confidence)).orElseThrow();
        }
        double value = Math.min(mean - lower.getAsDouble(), upper.getAsDouble() - mean) / (3 * sigma);
        double half = StandardNormal.quantile((1 + confidence) / 2)
                * Math.sqrt(1 / (9.0 * n) + value * value / (2 * freedom));
        return new Index(value, value - half, value + half);
    }

    /** (U − L)/6√(σ² + (mean − target)²); empty with one edge. */
    public OptionalDouble aboutTarget(double target) {
        return lower.isEmpty() || upper.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(
                        (upper.getAsDouble() - lower.getAsDouble()) / (6 * Math.hypot(sigma, mean - target)));
    }

    /** Share of a normal population with this mean and scatter that lies outside the edges. */
    public double shareOutside() {
        double below = lower.isPresent() ? StandardNormal.below((lower.getAsDouble() - mean) / sigma) : 0;
        double above = upper.isPresent() ? StandardNormal.above((upper.getAsDouble() - mean) / sigma) : 0;
        return below + above;
    }
}
