package org.ysometron.core.claim;

import java.util.OptionalDouble;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * What a claim about the mean risks over the lots of a stable series: how many lots have a true mean beyond the claim, how many of these would all the same be
 * supported by the bound of their own specimens, and how many that keep it would not be.
 *
 * <p>Source: JCGM 106:2012, global consumer's and producer's risk, with a guard band of t·σ_w/√n at the band's confidence, which is the
 * bound that verdicts go by, or none; the scatter is taken as known.
 *
 * @param wrongly probability that a lot is supported and its true mean does not keep the claim
 * @param heldBack probability that a lot is not supported and its true mean keeps it
 * @param beyond probability that a lot's true mean does not keep it
 */
public record LotRisks(double wrongly, double heldBack, double beyond) {

    /**
     * Of lots whose true means are normal.
     *
     * @param mean of the lots
     * @param between standard deviation of their true means, above 0
     * @param within standard deviation of specimens within a lot, above 0
     * @param n specimens that a lot is judged by, 2 to 1000
     * @param lower least claimed; empty for none
     * @param upper most claimed; empty for none
     * @param guard the band by which lots are accepted
     * @throws IllegalArgumentException outside these, and where nothing is claimed
     */
    public static LotRisks of(
            double mean,
            double between,
            double within,
            int n,
            OptionalDouble lower,
            OptionalDouble upper,
            GuardBand guard) {
        if (n < 2 || n > 1000) {
            throw new IllegalArgumentException("a lot is judged by 2 to 1000 specimens, not " + n);
        }
        double u = within / Math.sqrt(n);
        double band = guard == GuardBand.NONE ? 0 : StudentT.quantile(guard.confidence(), n - 1) * u;
        Conformity.Risks risks = new Conformity(lower, upper).risks(mean, between, u, band);
        return new LotRisks(risks.consumer(), risks.producer(), risks.nonconforming());
    }
}
