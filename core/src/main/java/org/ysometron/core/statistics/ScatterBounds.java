package org.ysometron.core.statistics;

import java.util.OptionalDouble;
import org.ysometron.core.statistics.formula.NoncentralT;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * One-sided confidence bounds of a normal population's standard deviation and of its coefficient of variation.
 *
 * <p>Of σ by χ²: s·√(ν/χ²) (ISO 2854). Of σ/μ exactly, by the noncentral t distribution of √n·x̄/s with noncentrality √n·μ/σ
 * (N. L. Johnson and B. L. Welch, Biometrika 31, 1940); where the mean may be zero there is no upper bound.
 */
public final class ScatterBounds {

    private static final int MOST_STEPS = 200;

    private ScatterBounds() {}

    /**
     * A bound of σ.
     *
     * @param sd s, at least 0
     * @param freedom its degrees of freedom, above 0
     * @param probability that σ lies below the bound: 0.95 for an upper bound, 0.05 for a lower one
     */
    public static double ofDeviation(double sd, double freedom, double probability) {
        if (!(sd >= 0 && freedom > 0 && probability > 0 && probability < 1)) {
            throw new IllegalArgumentException(
                    "s of at least 0, degrees of freedom above 0 and a probability are needed");
        }
        double chi = StandardNormal.chiSquareQuantile(freedom, 1 - probability);
        return sd * Math.sqrt(freedom / chi);
    }

    /**
     * A bound of σ/μ.
     *
     * @param values their mean above 0, at least two, not all alike
     * @param probability that σ/μ lies below the bound, 0 &lt; p &lt; 1
     * @return empty where even μ = 0 is not ruled out
     */
    public static OptionalDouble ofVariation(Summary values, double probability) {
        double sd = values.sd().orElse(0);
        if (!(values.mean() > 0) || !(sd > 0)) {
            throw new IllegalArgumentException("two values at least that scatter about a mean above 0 are needed");
        }
        double root = Math.sqrt(values.n());
        double nu = values.n() - 1.0;
        double t = root * values.mean() / sd;
        // P(T ≤ t) falls as the noncentrality √n·μ/σ rises; an upper bound of σ/μ is a lower one of it.
        if (NoncentralT.cumulative(t, nu, 0) <= probability) {
            return OptionalDouble.empty();
        }
        double low = 0;
        double high = t + 40 + 10 * t / Math.sqrt(nu);
        for (int i = 0; i < MOST_STEPS && high - low > 1e-13 * high; i++) {
            double middle = (low + high) / 2;
            if (NoncentralT.cumulative(t, nu, middle) > probability) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return OptionalDouble.of(root / ((low + high) / 2));
    }
}
