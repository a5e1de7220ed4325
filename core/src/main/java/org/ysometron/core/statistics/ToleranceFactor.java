package org.ysometron.core.statistics;

import org.hipparchus.distribution.continuous.NormalDistribution;
import org.ysometron.core.statistics.formula.NoncentralT;

/**
 * Factor k of the one-sided statistical tolerance bound mean − k·s (or + k·s) of a normal population: with the stated
 * confidence at least the stated share lies on the good side.
 *
 * <p>Exact by the noncentral t distribution: k = t(γ; n − 1, z(p)·√n)/√n. Source: ISO 16269-6, one-sided interval,
 * unknown mean and standard deviation.
 */
public final class ToleranceFactor {

    private ToleranceFactor() {}

    /**
     * The factor k.
     *
     * @param n number of specimens, at least 2
     * @param share share of the population on the good side, between 0 and 1
     * @param confidence confidence level, between 0 and 1
     */
    public static double oneSided(int n, double share, double confidence) {
        if (n < 2 || !(share > 0 && share < 1) || !(confidence > 0 && confidence < 1)) {
            throw new IllegalArgumentException("needs n of at least 2, share and confidence between 0 and 1; got n = "
                    + n + ", share = " + share + ", confidence = " + confidence);
        }
        double z = new NormalDistribution().inverseCumulativeProbability(share);
        return NoncentralT.quantile(confidence, n - 1.0, z * Math.sqrt(n)) / Math.sqrt(n);
    }
}
