package org.ysometron.core.claim;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.claim.Conclusion.Asked;
import org.ysometron.core.claim.Conclusion.Figured;
import org.ysometron.core.claim.Conclusion.More;
import org.ysometron.core.statistics.ShareInside;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.ToleranceFactor;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Whether single parts or places bear a claim about every one of them, for a normal population.
 *
 * <p>Supported by the tolerance bound x̄ ∓ k·s with the exact one-sided factor for one edge and the exact two-sided one for two
 * (ISO 16269-6). Contradicted when with the claim's confidence more than the rest lie outside: when an edge lies closer than the
 * factor of the opposite confidence, or both lie within the two-sided one, so that what is between them is less than what
 * those bounds hold. For two edges these are three ways to be contradicted; each is taken at four fifths of the level, and
 * together they keep it (simulated in the tests). The calibration widens what sampling leaves unknown: z(p)·s ±
 * √(((k − z(p))·s)² + (z(γ)·u)²).
 */
public final class PartsVerdict {

    /** Share of the parts that a claim about every part is about, where nothing else is said (common practice, no source). */
    public static final double USUAL_SHARE = 0.95;

    /** Share of the level that each of three ways to be contradicted is taken at. */
    private static final double OF_THREE = 0.8;

    private PartsVerdict() {}

    /**
     * What is counted: the parts themselves, or the spools that the places are on.
     *
     * @param n how many, at least 1
     * @param unit what they are, in a word
     * @param piece what was measured of them, in a word
     */
    public record Counted(int n, String unit, String piece) {

        /** The parts that were measured. */
        public static Counted parts(Evidence evidence) {
            return new Counted(evidence.n(), "part", "part");
        }
    }

    /** Judges single parts for the usual share of them. */
    public static Judgement of(Requirement claim, Evidence evidence) {
        return of(claim, evidence, USUAL_SHARE, Counted.parts(evidence));
    }

    /**
     * Judges single parts or places.
     *
     * @param evidence values; bounds are not taken
     * @param share share of all that is to lie inside, above 0.5, at most 0.9999
     * @param counted what the claim's minimum n is compared with
     */
    public static Judgement of(Requirement claim, Evidence evidence, double share, Counted counted) {
        if (evidence.unsettled() > 0) {
            throw new IllegalArgumentException("a claim about every part is judged by values, not by bounds");
        }
        if (evidence.n() == 0) {
            return Judgement.notTested(evidence.excluded());
        }
        Summary summary = Summary.of(evidence.values());
        Working working = Working.of(Conclusion.meanStep(evidence.values(), summary, claim.unit()));
        if (summary.sd().isEmpty()) {
            return Conclusion.single(claim, evidence, summary, working);
        }
        working = working.then(Conclusion.sdStep(summary, claim.unit()));
        Asked asked = new Asked(claim, Looks.ONCE, counted.n(), counted.n(), counted.unit(), counted.piece());
        double u = evidence.calibrationUncertainty();
        double reach = reach(claim, summary, share, u, summary.n());
        double met = summary.isAlike()
                ? MeanVerdict.probability(claim, summary.mean(), u, Double.POSITIVE_INFINITY)
                : new ShareInside(summary, claim.lower(), claim.upper(), u).confidence(share);
        Figured figured = new Figured(
                counted.piece() + " (" + Figures.plain(100 * share, 4) + " % of all)",
                summary.mean(),
                summary.sd(),
                summary.mean() - reach,
                summary.mean() + reach,
                met,
                "confidence that " + Figures.plain(100 * share, 4) + " % lie inside; normal population",
                working.then(working(claim, summary, share, u, reach)));
        Judgement judgement = denied(claim, summary, share, u)
                ? contradicted(asked, evidence, figured, share)
                : Conclusion.of(asked, evidence, figured, () -> more(claim, summary, share, u));
        return Conclusion.asked(judgement, summary.isAlike() ? u : 1);
    }

    private static double factor(Requirement claim, int n, double share) {
        return isTwoSided(claim)
                ? ToleranceFactor.twoSided(n, share, claim.confidence())
                : ToleranceFactor.oneSided(n, share, claim.confidence());
    }

    private static boolean denied(Requirement claim, Summary summary, double share, double u) {
        double room = room(claim.lower(), summary.mean(), -1);
        double above = room(claim.upper(), summary.mean(), 1);
        double margin = StandardNormal.quantile(claim.confidence()) * u;
        if (summary.isAlike()) {
            return Math.min(room, above) < -margin;
        }
        double level = (1 - claim.confidence()) * (isTwoSided(claim) ? OF_THREE : 1);
        double single = least(summary, share, ToleranceFactor.oneSided(summary.n(), share, level), margin);
        if (Math.min(room, above) < single) {
            return true;
        }
        double both = least(summary, (1 + share) / 2, ToleranceFactor.twoSided(summary.n(), share, level), margin);
        return isTwoSided(claim) && Math.max(room, above) < both;
    }

    /** How far inside an edge the mean lies; without end where there is no edge. */
    private static double room(OptionalDouble edge, double mean, int side) {
        return edge.isPresent() ? side * (edge.getAsDouble() - mean) : Double.POSITIVE_INFINITY;
    }

    /** The room that is too little whatever sampling and calibration may have done. */
    private static double least(Summary summary, double share, double factor, double margin) {
        double sd = summary.sd().orElseThrow();
        double z = StandardNormal.quantile(share);
        return z * sd - Math.hypot((z - factor) * sd, margin);
    }

    private static boolean isTwoSided(Requirement claim) {
        return claim.lower().isPresent() && claim.upper().isPresent();
    }

    private static double reach(Requirement claim, Summary summary, double share, double u, int n) {
        double sd = summary.sd().orElseThrow();
        double z = StandardNormal.quantile(isTwoSided(claim) ? (1 + share) / 2 : share);
        double sampling = (factor(claim, n, share) - z) * sd;
        return z * sd + Math.hypot(sampling, StandardNormal.quantile(claim.confidence()) * u);
    }

    private static Working working(Requirement claim, Summary summary, double share, double u, double reach) {
        String percent = Figures.plain(100 * share, 4) + " % of all";
        boolean both = isTwoSided(claim);
        Working working = Working.of(Step.of(
                "factor for " + percent + (both ? " inside both bounds" : " on one side"),
                "k",
                both ? "∫ φ(z)·P(χ² > ν·r²/k²) dz = γ" : "t(γ; n − 1, z(p)·√n)/√n",
                factor(claim, summary.n(), share),
                "ISO 16269-6, exact"));
        if (u > 0) {
            working = working.then(new Step(
                    "calibration uncertainty common to all values",
                    "u",
                    "z(p)·s + √(((k − z(p))·s)² + (z(γ)·u)²)",
                    "",
                    u,
                    claim.unit(),
                    "JCGM 100:2008, 5.1"));
        }
        Working bounded = working.then(bound("lower tolerance bound", summary.mean() - reach, claim))
                .then(bound("upper tolerance bound", summary.mean() + reach, claim));
        return summary.isAlike()
                ? bounded
                : bounded.then(Step.of(
                                "share inside, if mean and scatter are what they seem",
                                "",
                                "normal population",
                                new ShareInside(summary, claim.lower(), claim.upper(), u).estimate()))
                        .then(Step.note(
                                "contradicted",
                                "where it is as sure as the claim asks that more than the rest lie outside"));
    }

    private static Step bound(String meaning, double value, Requirement claim) {
        return new Step(meaning, "", "", "", value, claim.unit(), "ISO 16269-6");
    }

    private static Judgement contradicted(Asked asked, Evidence evidence, Figured figured, double share) {
        Requirement claim = asked.claim();
        return Conclusion.judged(
                Verdict.CONTRADICTED,
                Conclusion.level(asked) + " more than " + Figures.plain(100 * (1 - share), 4)
                        + " % of all lie outside; claimed " + claim.words() + " for every one.",
                asked,
                evidence,
                figured,
                Optional.empty(),
                figured.working());
    }

    /** The fewest further parts whose tolerance bounds, mean and scatter staying what they are, lie inside. */
    private static Optional<More> more(Requirement claim, Summary summary, double share, double u) {
        OptionalInt fewest = Conclusion.fewest(more -> fits(claim, summary, share, u, more));
        return fewest.isPresent() ? Optional.of(new More(fewest.getAsInt(), OptionalDouble.empty())) : Optional.empty();
    }

    private static boolean fits(Requirement claim, Summary summary, double share, double u, int more) {
        double reach = reach(claim, summary, share, u, summary.n() + more);
        return claim.bears(summary.mean() - reach, summary.mean() + reach);
    }
}
