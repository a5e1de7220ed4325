package org.ysometron.core.statistics;

import org.hipparchus.distribution.continuous.BetaDistribution;

/**
 * A share of things that went one way, with its exact two-sided bounds (Clopper and Pearson 1934; NIST/SEMATECH e-Handbook, 7.2.4.1): a
 * share of few says little, and its bounds say how little.
 *
 * @param hits at least 0, at most {@code of}
 * @param of at least 1
 * @param lower lower bound, 0 to 1
 * @param upper upper bound, 0 to 1
 */
public record Proportion(int hits, int of, double lower, double upper) {

    /**
     * Bounds at a confidence.
     *
     * @param confidence two-sided, above 0 and below 1
     * @throws IllegalArgumentException outside the ranges
     */
    public static Proportion of(int hits, int of, double confidence) {
        if (of < 1 || hits < 0 || hits > of || !(confidence > 0 && confidence < 1)) {
            throw new IllegalArgumentException("a share needs 0 to n of n, and a confidence between 0 and 1, got "
                    + hits + " of " + of + " at " + confidence);
        }
        double tail = (1 - confidence) / 2;
        double lower = hits == 0 ? 0 : new BetaDistribution(hits, of - hits + 1.0).inverseCumulativeProbability(tail);
        double upper =
                hits == of ? 1 : new BetaDistribution(hits + 1.0, of - hits).inverseCumulativeProbability(1 - tail);
        return new Proportion(hits, of, lower, upper);
    }

    /** The share itself. */
    public double share() {
        return (double) hits / of;
    }
}
