package org.ysometron.core.statistics.formula;

/**
 * Noncentral t distribution: T = (Z + δ)/√(V/ν) with Z standard normal and V chi-square with ν degrees of freedom.
 *
 * <p>By its definition, integrating over s = √(V/ν): P(T ≤ t) = ∫ Φ(t·s − δ) f(s) ds, with f the density of the chi
 * distribution scaled by √ν (Johnson, Kotz and Balakrishnan, Continuous Univariate Distributions 2, ch. 31).
 */
public final class NoncentralT {

    private static final int MOST_STEPS = 200;

    private NoncentralT() {}

    /**
     * P(T ≤ t).
     *
     * @param t any finite number
     * @param nu degrees of freedom, at least 1
     * @param delta noncentrality, finite
     */
    public static double cumulative(double t, double nu, double delta) {
        double sum = ScaledChi.expectation(nu, delta / t, 1 / Math.abs(t), s -> StandardNormal.below(t * s - delta));
        return Math.min(1, Math.max(0, sum));
    }

    /**
     * The quantile t with P(T ≤ t) = p.
     *
     * @param p probability, 0 &lt; p &lt; 1
     * @param nu degrees of freedom, at least 1
     * @param delta noncentrality, finite
     */
    public static double quantile(double p, double nu, double delta) {
        // In the upper half by what lies beyond, so that no digit is lost to one.
        return p > 0.5 ? -lower(1 - p, nu, -delta) : lower(p, nu, delta);
    }

    private static double lower(double p, double nu, double delta) {
        double step = 1 + Math.abs(delta);
        double low = delta - step;
        while (cumulative(low, nu, delta) > p) {
            step *= 4;
            low -= step;
        }
        double high = delta + 1;
        while (cumulative(high, nu, delta) < p) {
            high += 1 + Math.abs(delta);
        }
        return falling(p, nu, delta, low, high);
    }

    /** Newton's steps on ln P, which are exact for an exponential tail, kept within the bracket by halving it. */
    private static double falling(double p, double nu, double delta, double from, double to) {
        double low = from;
        double high = to;
        double t = (low + high) / 2;
        for (int i = 0; i < MOST_STEPS && high - low > 0; i++) {
            double at = t;
            double here = cumulative(at, nu, delta);
            if (here < p) {
                low = at;
            } else {
                high = at;
            }
            double slope = ScaledChi.expectation(
                    nu, delta / at, 1 / Math.abs(at), s -> s * StandardNormal.density(at * s - delta));
            double next = slope > 0 && here > 0 ? at - here / slope * Math.log(here / p) : Double.NaN;
            t = next > low && next < high ? next : (low + high) / 2;
            if (Math.abs(t - at) <= 1e-14 * Math.max(1e-3, Math.abs(t))) {
                break;
            }
        }
        return t;
    }
}
