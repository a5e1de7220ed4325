package org.ysometron.core.statistics;

import org.ysometron.core.statistics.formula.NoncentralT;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.Remembered;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Factor k of the statistical tolerance bound mean − k·s (or + k·s) and of the tolerance interval mean ∓ k·s of a normal
 * population: with the stated confidence at least the stated share lies on the good side, or inside.
 *
 * <p>Both exact, for unknown mean and standard deviation. One-sided by the noncentral t distribution, k = t(γ; n − 1,
 * z(p)·√n)/√n; two-sided by the integral ∫ φ(z)·P(χ² &gt; ν·r(z/√n)²/k²) dz = γ, r(x) being half the width that holds the
 * share p about a centre that is x off. Source: ISO 16269-6; for the integral R. E. Odeh, Communications in Statistics B 7,
 * 1978.
 */
public final class ToleranceFactor {

    private static final double FARTHEST = 8.5;
    private static final int PIECES = 3;
    private static final Panels CENTRES = Panels.even(0, FARTHEST, PIECES);
    private static final int MOST_STEPS = 200;
    private static final double LEAST = 1e-4;
    private static final Remembered<Asked> ONE = new Remembered<>(ToleranceFactor::ofBound);
    private static final Remembered<Asked> TWO = new Remembered<>(ToleranceFactor::ofInterval);

    private record Asked(int n, double share, double confidence) {}

    private ToleranceFactor() {}

    /**
     * The factor k of a bound.
     *
     * @param n number of specimens, 2 to 1,000,000
     * @param share share of the population on the good side, 0.0001 to 0.9999
     * @param confidence confidence level, 0.0001 to 0.9999
     */
    public static double oneSided(int n, double share, double confidence) {
        require(n, share, confidence);
        return ONE.of(new Asked(n, share, confidence));
    }

    private static double ofBound(Asked asked) {
        double root = Math.sqrt(asked.n);
        double z = StandardNormal.quantile(asked.share);
        return NoncentralT.quantile(asked.confidence, asked.n - 1.0, z * root) / root;
    }

    /**
     * The factor k of an interval.
     *
     * @param n number of specimens, 2 to 1,000,000
     * @param share share of the population inside, 0.0001 to 0.9999
     * @param confidence confidence level, 0.0001 to 0.9999
     */
    public static double twoSided(int n, double share, double confidence) {
        require(n, share, confidence);
        return TWO.of(new Asked(n, share, confidence));
    }

    private static double ofInterval(Asked asked) {
        double share = asked.share;
        double nu = asked.n - 1.0;
        double gamma = StandardNormal.logGamma(nu / 2);
        // Where the centre may lie, both sides at once, with the half width that each place asks for.
        double[] halves = new double[CENTRES.size()];
        double[] weights = new double[halves.length];
        for (int i = 0; i < halves.length; i++) {
            double z = CENTRES.at(i);
            halves[i] = halfWidth(z / Math.sqrt(asked.n), share);
            weights[i] = 2 * CENTRES.weight(i) * StandardNormal.density(z);
        }
        double missed = 1 - asked.confidence;
        // In ln k, where what is missed falls without end: Newton's steps, halving where one leaves the bracket.
        double low = Math.log(LEAST);
        double high = Math.log(1e9);
        double at = Math.log(StandardNormal.quantile((1 + share) / 2)) + 1 / nu;
        for (int i = 0; i < MOST_STEPS; i++) {
            double here = 0;
            double slope = 0;
            for (int j = 0; j < halves.length; j++) {
                double y = nu * halves[j] * halves[j] * Math.exp(-2 * at) / 2;
                here += weights[j] * StandardNormal.chiSquareBelow(nu, 2 * y);
                slope -= weights[j] * 2 * Math.exp(nu / 2 * Math.log(y) - y - gamma);
            }
            if (here > missed) {
                low = at;
            } else {
                high = at;
            }
            double next = slope < 0 && here > 0 ? at - here / slope * Math.log(here / missed) : Double.NaN;
            double before = at;
            at = next > low && next < high ? next : (low + high) / 2;
            if (Math.abs(at - before) < 1e-14) {
                break;
            }
        }
        return Math.exp(at);
    }

    /**
     * Half the width of the interval about {@code off} that holds {@code share} of the standard normal distribution.
     *
     * @param off distance of its centre from the mean, at least 0
     */
    static double halfWidth(double off, double share) {
        double out = 1 - share;
        double low = 0;
        double high = off + 40;
        double r = off + Math.max(StandardNormal.quantile(share), 0.1);
        for (int i = 0; i < MOST_STEPS; i++) {
            double here = StandardNormal.below(off - r) + StandardNormal.below(-off - r);
            if (here > out) {
                low = r;
            } else {
                high = r;
            }
            double slope = -StandardNormal.density(off - r) - StandardNormal.density(off + r);
            double next = slope < 0 ? r - here / slope * Math.log(here / out) : Double.NaN;
            double before = r;
            r = next > low && next < high ? next : (low + high) / 2;
            if (Math.abs(r - before) < 1e-15 * r) {
                break;
            }
        }
        return r;
    }

    private static void require(int n, double share, double confidence) {
        double most = 1 - LEAST + 1e-12;
        boolean sharing = share >= LEAST && share <= most;
        boolean sure = confidence >= LEAST && confidence <= most;
        if (n < 2 || n > 1_000_000 || !sharing || !sure) {
            throw new IllegalArgumentException(
                    "needs n from 2 to 1,000,000, share and confidence from 0.0001 to 0.9999; got n = " + n
                            + ", share = " + share + ", confidence = " + confidence);
        }
    }
}
