package org.ysometron.core.claim;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.claim.Conclusion.Asked;
import org.ysometron.core.claim.Conclusion.Figured;
import org.ysometron.core.claim.Conclusion.More;
import org.ysometron.core.statistics.RatioBounds;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Working;

/** Whether values bear a claim about the ratio of two means, such as upright over flat, or this product over another. */
public final class RatioVerdict {

    private RatioVerdict() {}

    /** Judges a ratio whose two sides share their calibration, so that it cancels. */
    public static Judgement of(Requirement claim, Evidence numerator, Evidence denominator) {
        return of(claim, numerator, denominator, 0, Looks.ONCE);
    }

    /**
     * Judges a ratio; minimum n holds for each side.
     *
     * @param looks their numbers count the specimens of both sides together
     * @param relativeCalibration relative standard uncertainty of the ratio from calibration that does not cancel
     */
    public static Judgement of(
            Requirement claim, Evidence numerator, Evidence denominator, double relativeCalibration, Looks looks) {
        int excluded = numerator.excluded() + denominator.excluded();
        if (numerator.n() == 0 || denominator.n() == 0) {
            return Judgement.notTested(excluded);
        }
        int bounds = numerator.unsettled() + denominator.unsettled();
        int n = Math.min(numerator.n(), denominator.n());
        if (bounds > 0) {
            return Conclusion.open(
                    "A ratio needs values on both sides; " + bounds + " of the results are only bounds.",
                    n,
                    bounds,
                    excluded);
        }
        if (n < 2) {
            return Conclusion.open("A ratio needs at least two specimens on each side.", n, 0, excluded);
        }
        Asked asked = Asked.ofSpecimens(claim, looks, n, numerator.n() + denominator.n());
        Summary above = Summary.of(numerator.values());
        Summary below = Summary.of(denominator.values());
        RatioBounds ratio = RatioBounds.of(above, below, asked.confidence(), relativeCalibration);
        Working working = side(numerator, above)
                .then(side(denominator, below))
                .then(asked.working())
                .then(ratio.working());
        Figured figured = new Figured(
                "ratio",
                ratio.ratio(),
                OptionalDouble.empty(),
                ratio.lower(),
                ratio.upper(),
                probability(claim, ratio),
                "t distribution about the logarithm of the ratio",
                working);
        Judgement judgement = Conclusion.of(
                asked, Evidence.none(excluded), figured, () -> more(asked, above, below, relativeCalibration));
        return Conclusion.looked(asked, Conclusion.asked(judgement, ratio.logUncertainty()));
    }

    private static Working side(Evidence evidence, Summary summary) {
        return Working.of(Conclusion.meanStep(evidence.values(), summary, ""), Conclusion.sdStep(summary, ""));
    }

    private static Optional<More> more(Asked asked, Summary above, Summary below, double relativeCalibration) {
        Requirement claim = asked.claim();
        OptionalInt fewest = Conclusion.fewest(extra -> {
            RatioBounds bounds = RatioBounds.of(
                    enlarged(above, extra),
                    enlarged(below, extra),
                    asked.confidenceAt(asked.size() + 2 * extra),
                    relativeCalibration);
            return claim.bears(bounds.lower(), bounds.upper()) || claim.denies(bounds.lower(), bounds.upper());
        });
        return fewest.isPresent() ? Optional.of(new More(fewest.getAsInt(), OptionalDouble.empty())) : Optional.empty();
    }

    private static Summary enlarged(Summary summary, int extra) {
        return new Summary(summary.n() + extra, summary.mean(), summary.sd(), summary.least(), summary.greatest());
    }

    /** On the logarithm, where the bounds are; an edge at or below zero is met by every ratio, or by none. */
    private static double probability(Requirement claim, RatioBounds ratio) {
        if (claim.upper().isPresent() && claim.upper().getAsDouble() <= 0) {
            return 0;
        }
        OptionalDouble lower = claim.lower().isPresent() && claim.lower().getAsDouble() > 0
                ? OptionalDouble.of(Math.log(claim.lower().getAsDouble()))
                : OptionalDouble.empty();
        OptionalDouble upper = claim.upper().isPresent()
                ? OptionalDouble.of(Math.log(claim.upper().getAsDouble()))
                : OptionalDouble.empty();
        return lower.isEmpty() && upper.isEmpty()
                ? 1
                : MeanVerdict.probability(
                        new Requirement(lower, upper, "", claim.minimumN(), claim.confidence()),
                        Math.log(ratio.ratio()),
                        ratio.logUncertainty(),
                        ratio.degreesOfFreedom());
    }
}
