package org.ysometron.core.claim;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.ysometron.core.statistics.CensoredNormal;
import org.ysometron.core.statistics.MeanBounds;
import org.ysometron.core.statistics.RatioBounds;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.ToleranceFactor;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Decides whether a lot's evidence bears a claim about its mean.
 *
 * <p><b>Supported</b>: the one-sided bound lies inside the claim and n reaches the claim's minimum. <b>Contradicted</b>:
 * the opposite bound lies outside it. <b>Open</b>: anything else. The bound acts as the guard band of ISO 14253-1: the
 * supplier carries the uncertainty. For a claim with two edges each bound is taken at the stated confidence (two one-sided
 * tests).
 *
 * <p>Right-censored specimens enter as bounds: with two or more that broke by maximum likelihood ({@link
 * CensoredNormal}); with fewer by order statistics: with confidence 1 − ½ⁿ the median, for a symmetric population the
 * mean, lies above the least of n results.
 */
public final class Verification {

    /** Beyond this many further specimens the answer is that more testing is not the way. */
    static final int MOST_MORE = 200;

    /** Share of the parts for which a tolerance bound holds. */
    static final double SHARE_OF_PARTS = 0.95;

    /** Share of a length that may lie outside a claim about every place of it (common practice, no source). */
    static final double LENGTH_OUTSIDE = 0.001;

    /** Relative uncertainty below which nothing but the arithmetic's rounding is left of it. */
    private static final double ALIKE = 1e-12;

    private Verification() {}

    /** Judges a claim about the lot mean. */
    public static Judgement ofMean(Requirement claim, Evidence evidence) {
        if (evidence.n() == 0) {
            return Judgement.notTested(evidence.excluded());
        }
        if (evidence.bounds().length > 0) {
            return evidence.values().length >= 2 && !constant(evidence.values())
                    ? withCensored(claim, evidence)
                    : byOrder(claim, evidence);
        }
        Summary summary = Summary.of(evidence.values());
        Working working = Working.of(meanStep(evidence.values(), summary, claim.unit()));
        if (summary.sd().isEmpty()) {
            return single(claim, evidence, summary, working);
        }
        working = working.then(sdStep(summary, claim.unit()));
        MeanBounds bounds = MeanBounds.of(summary, evidence.calibrationUncertainty(), claim.confidence(), claim.unit());
        Figured figured = new Figured(
                "mean",
                summary.mean(),
                summary.sd(),
                bounds.lower(),
                bounds.upper(),
                probability(claim, summary.mean(), bounds.standardUncertainty(), bounds.degreesOfFreedom()),
                working.then(bounds.working()).then(historyNote(claim, evidence, summary.mean())));
        OptionalInt more = more(claim, evidence, summary.mean(), summary.sd().getAsDouble());
        return asked(conclude(claim, evidence, figured, more), bounds.standardUncertainty() / Math.abs(summary.mean()));
    }

    /** Values that do not differ, read by what is said to err by nothing, prove nothing: the gauge's step is what is missing. */
    private static Judgement asked(Judgement judgement, double relativeUncertainty) {
        return relativeUncertainty <= ALIKE
                ? unsettled(
                        judgement,
                        "All values are alike and no uncertainty is known",
                        "values that do not scatter need the resolution of what read them")
                : judgement;
    }

    /** Judges a claim about the ratio of two means, numerator over denominator; minimum n holds for each side. */
    public static Judgement ofRatio(Requirement claim, Evidence numerator, Evidence denominator) {
        return ofRatio(claim, numerator, denominator, 0);
    }

    /**
     * Judges a claim about a ratio whose two sides do not share their calibration.
     *
     * @param relativeCalibration relative standard uncertainty of the ratio from calibration that does not cancel
     */
    public static Judgement ofRatio(
            Requirement claim, Evidence numerator, Evidence denominator, double relativeCalibration) {
        int excluded = numerator.excluded() + denominator.excluded();
        if (numerator.n() == 0 || denominator.n() == 0) {
            return Judgement.notTested(excluded);
        }
        int bounds = numerator.bounds().length + denominator.bounds().length;
        int n = Math.min(numerator.n(), denominator.n());
        if (bounds > 0) {
            return open(
                    "A ratio needs values on both sides; " + bounds + " of the results are only bounds.",
                    n,
                    bounds,
                    excluded);
        }
        if (n < 2) {
            return open("A ratio needs at least two specimens on each side.", n, 0, excluded);
        }
        Summary above = Summary.of(numerator.values());
        Summary below = Summary.of(denominator.values());
        RatioBounds ratio = RatioBounds.of(above, below, claim.confidence(), relativeCalibration);
        Working working = Working.of(
                        meanStep(numerator.values(), above, ""),
                        sdStep(above, ""),
                        meanStep(denominator.values(), below, ""),
                        sdStep(below, ""))
                .then(ratio.working());
        double probability = logProbability(claim, ratio);
        Figured figured = new Figured(
                "ratio", ratio.ratio(), OptionalDouble.empty(), ratio.lower(), ratio.upper(), probability, working);
        Evidence smaller = new Evidence(
                n == numerator.n() ? numerator.values() : denominator.values(),
                new double[0],
                excluded,
                0,
                java.util.Optional.empty());
        return asked(
                conclude(claim, smaller, figured, moreForRatio(claim, above, below, relativeCalibration)),
                ratio.logUncertainty());
    }

    /**
     * Judges a claim about every place or part by the one-sided tolerance bounds x̄ ∓ k·s, each of which holds for 95 % of
     * them with the claim's confidence (ISO 16269-6). Contradicted when the mean itself lies outside.
     *
     * @param values single places or parts, in the claim's unit
     */
    public static Judgement ofEveryPart(Requirement claim, double[] values) {
        if (values.length == 0) {
            return Judgement.notTested(0);
        }
        Evidence evidence = Evidence.of(values);
        Summary summary = Summary.of(values);
        Working working = Working.of(meanStep(values, summary, claim.unit()));
        if (summary.sd().isEmpty()) {
            return single(claim, evidence, summary, working);
        }
        double k = ToleranceFactor.oneSided(values.length, SHARE_OF_PARTS, claim.confidence());
        double reach = k * summary.sd().getAsDouble();
        MeanBounds mean = MeanBounds.of(summary, 0, claim.confidence(), claim.unit());
        boolean meanOutside = denies(claim, mean.lower(), mean.upper());
        working = working.then(sdStep(summary, claim.unit()))
                .then(new Step(
                        "factor for 95 % of all parts",
                        "k", "t(γ; n − 1, z(0.95)·√n)/√n", "", k, "", "ISO 16269-6, one-sided, exact"))
                .then(bound("lower tolerance bound", "x̄ − k·s", summary.mean() - reach, claim.unit()))
                .then(bound("upper tolerance bound", "x̄ + k·s", summary.mean() + reach, claim.unit()));
        Figured figured = new Figured(
                meanOutside ? "mean" : "part (95 % of all)",
                summary.mean(),
                summary.sd(),
                meanOutside ? mean.lower() : summary.mean() - reach,
                meanOutside ? mean.upper() : summary.mean() + reach,
                shareInside(claim, summary.mean(), summary.sd().getAsDouble()),
                working);
        return conclude(claim, evidence, figured, OptionalInt.empty());
    }

    private static Step bound(String meaning, String formula, double value, String unit) {
        return new Step(meaning, "", formula, "", value, unit, "ISO 16269-6");
    }

    /**
     * Judges a claim about every place of a length that was measured throughout: by the share of it that lies outside.
     *
     * @param spoolMeans mean of each spool, at least one
     * @param shareOutside largest share of a spool outside the claim, 0 to 1
     * @param counts what was counted, in words
     */
    public static Judgement ofLength(Requirement claim, double[] spoolMeans, double shareOutside, String counts) {
        Summary summary = Summary.of(spoolMeans);
        boolean inside = shareOutside <= LENGTH_OUTSIDE;
        String percent = Figures.plain(100 * shareOutside, 3) + " %";
        String unknown = summary.n() == 1 ? " One spool only: what varies between spools is unknown." : "";
        String reason = percent + " of the length lies outside " + claim.words() + "; at most "
                + Figures.plain(100 * LENGTH_OUTSIDE, 2) + " % may. " + counts + "." + unknown;
        Working working = Working.of(
                new Step("mean of the spools", "d̄", "mean of their means", "", summary.mean(), claim.unit(), ""),
                new Step(
                        "largest share of a spool's length outside",
                        "",
                        "length outside over length",
                        counts,
                        shareOutside,
                        "",
                        "limit 0.1 %: common practice, no source"));
        OptionalDouble none = OptionalDouble.empty();
        return new Judgement(
                inside ? Verdict.SUPPORTED : Verdict.CONTRADICTED,
                reason,
                summary.n(),
                0,
                0,
                OptionalDouble.of(summary.mean()),
                summary.sd(),
                none,
                none,
                none,
                OptionalInt.empty(),
                working);
    }

    private static double shareInside(Requirement claim, double mean, double sd) {
        if (sd == 0) {
            return claim.holds(mean) ? 1 : 0;
        }
        NormalDistribution normal = new NormalDistribution(mean, sd);
        double below = claim.lower().isPresent()
                ? normal.cumulativeProbability(claim.lower().getAsDouble())
                : 0;
        double above = claim.upper().isPresent()
                ? 1 - normal.cumulativeProbability(claim.upper().getAsDouble())
                : 0;
        return Math.max(0, 1 - below - above);
    }

    /** A judgement on specimens whose results do not count yet: it stays open and says what it would be. */
    public static Judgement provisional(Judgement judgement, List<String> reasons) {
        String why = String.join("; ", reasons);
        return unsettled(judgement, "Provisional (" + why + ")", why);
    }

    /** The judgement where conditions differ so that claim and evidence cannot be compared. */
    public static Judgement notComparable(List<Conditions.Mismatch> mismatches, int excluded) {
        String reason = mismatches.stream().map(Conditions.Mismatch::words).collect(Collectors.joining("; "));
        return Judgement.without(Verdict.NOT_COMPARABLE, "Not comparable. " + reason + ".", excluded);
    }

    /**
     * A judgement on evidence whose conditions differ in a way that does not bar comparison: it points somewhere and
     * settles nothing, so that a verdict is never reached across conditions.
     */
    public static Judgement indicative(Judgement judgement, List<Conditions.Mismatch> mismatches) {
        String words = mismatches.stream().map(Conditions.Mismatch::words).collect(Collectors.joining("; "));
        return mismatches.isEmpty() ? judgement : unsettled(judgement, "Indicative only (" + words + ")", words);
    }

    private static Judgement unsettled(Judgement judgement, String how, String why) {
        boolean settled = judgement.verdict() == Verdict.SUPPORTED || judgement.verdict() == Verdict.CONTRADICTED;
        return new Judgement(
                settled ? Verdict.OPEN : judgement.verdict(),
                how + (settled ? ": would be " + judgement.verdict().words() : "") + ". " + judgement.reason(),
                judgement.n(),
                judgement.bounds(),
                judgement.excluded(),
                judgement.mean(),
                judgement.sd(),
                judgement.lower(),
                judgement.upper(),
                judgement.probability(),
                settled ? OptionalInt.empty() : judgement.moreSpecimens(),
                judgement.working().then(Step.note("settles nothing", why)));
    }

    // ---- the three ways to a pair of bounds ---------------------------------------------------------------------

    private record Figured(
            String subject,
            double mean,
            OptionalDouble sd,
            double lower,
            double upper,
            double probability,
            Working working) {}

    private static Judgement single(Requirement claim, Evidence evidence, Summary summary, Working working) {
        int wanted = Math.max(claim.minimumN(), 2) - 1;
        Working explained = working.then(historyNote(claim, evidence, summary.mean()));
        return new Judgement(
                Verdict.OPEN,
                "One specimen has no scatter of its own; " + wanted + " more specimen" + (wanted == 1 ? "" : "s")
                        + " at least.",
                1,
                0,
                evidence.excluded(),
                OptionalDouble.of(summary.mean()),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalInt.of(wanted),
                explained);
    }

    private static Judgement withCensored(Requirement claim, Evidence evidence) {
        CensoredNormal fit = CensoredNormal.fit(evidence.values(), evidence.bounds(), claim.confidence());
        double z = new NormalDistribution().inverseCumulativeProbability(claim.confidence());
        double margin = z * evidence.calibrationUncertainty();
        double lower = fit.mean() - Math.hypot(fit.mean() - fit.lower(), margin);
        double upper = fit.mean() + Math.hypot(fit.upper() - fit.mean(), margin);
        String unit = claim.unit();
        String source = "censored normal, maximum likelihood; profile likelihood bounds (Meeker and Escobar, ch. 8)";
        Working working = Working.of(
                new Step("values", "x", "", list(evidence.values()), evidence.values().length, "", ""),
                new Step("lower bounds, at least", "c", "", list(evidence.bounds()), evidence.bounds().length, "", ""),
                new Step(
                        "estimated mean",
                        "μ̂",
                        "max Σ ln φ((x−μ)/σ)/σ + Σ ln(1−Φ((c−μ)/σ))",
                        "",
                        fit.mean(),
                        unit,
                        source),
                new Step("estimated standard deviation", "σ̂", "", "", fit.sd(), unit, source),
                new Step("lower bound of the mean", "μ₋", "profile falls by χ²/2", "", lower, unit, source),
                new Step("upper bound of the mean", "μ₊", "profile falls by χ²/2", "", upper, unit, source));
        double u = (upper - lower) / (2 * z);
        double probability = probability(claim, fit.mean(), u, 1e6);
        Figured figured =
                new Figured("mean", fit.mean(), OptionalDouble.of(fit.sd()), lower, upper, probability, working);
        return conclude(claim, evidence, figured, OptionalInt.empty());
    }

    private static Judgement byOrder(Requirement claim, Evidence evidence) {
        double least = DoubleStream.concat(Arrays.stream(evidence.values()), Arrays.stream(evidence.bounds()))
                .min()
                .orElseThrow();
        double z = new NormalDistribution().inverseCumulativeProbability(claim.confidence());
        double lower = least - z * evidence.calibrationUncertainty();
        int n = evidence.n();
        double confidence = 1 - Math.pow(0.5, n);
        int enough = (int) Math.ceil(Math.log(1 - claim.confidence()) / Math.log(0.5));
        Working working = Working.of(
                new Step("results and lower bounds", "x", "", list(evidence), n, "", ""),
                new Step("least of them", "x₍₁₎", "least", "", least, claim.unit(), ""),
                new Step(
                        "confidence that the mean lies above the least",
                        "γ",
                        "γ = 1 − ½ⁿ",
                        "1 − 0.5^" + n,
                        confidence,
                        "",
                        "order statistics (sign test); population taken as symmetric"),
                new Step(
                        "lower bound of the mean",
                        "μ₋",
                        "x₍₁₎ − z·u_cal",
                        Figures.significant(least, 5) + " − " + Figures.significant(z, 4) + " · "
                                + Figures.significant(evidence.calibrationUncertainty(), 3),
                        lower,
                        claim.unit(),
                        ""));
        boolean inside = claim.upper().isEmpty() && claim.holds(lower);
        boolean carried = inside && confidence >= claim.confidence() && n >= claim.minimumN();
        int wanted = Math.max(Math.max(enough, claim.minimumN()) - n, 0);
        String survivors = evidence.bounds().length + " of " + n + " specimens did not break";
        String reason = carried
                ? survivors + "; every one carried at least " + with(least, claim) + ", claimed " + claim.words() + "."
                : survivors + "; bounds alone do not settle " + claim.words()
                        + (inside && wanted > 0 ? ": " + wanted + " more that carry it would." : ".");
        return new Judgement(
                carried ? Verdict.SUPPORTED : Verdict.OPEN,
                reason,
                n,
                evidence.bounds().length,
                evidence.excluded(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                confidence >= claim.confidence() ? OptionalDouble.of(lower) : OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                !carried && inside && wanted > 0 ? OptionalInt.of(wanted) : OptionalInt.empty(),
                working);
    }

    // ---- the verdict -------------------------------------------------------------------------------------------

    private static Judgement conclude(Requirement claim, Evidence evidence, Figured figured, OptionalInt more) {
        boolean borne = bears(claim, figured.lower(), figured.upper());
        boolean outside = denies(claim, figured.lower(), figured.upper());
        int n = evidence.n();
        boolean enough = n >= claim.minimumN();
        Verdict verdict = outside ? Verdict.CONTRADICTED : borne && enough ? Verdict.SUPPORTED : Verdict.OPEN;
        OptionalInt wanted = OptionalInt.empty();
        if (verdict == Verdict.OPEN) {
            int missing = Math.max(claim.minimumN() - n, 0);
            if (borne) {
                wanted = OptionalInt.of(missing);
            } else if (more.isPresent()) {
                wanted = OptionalInt.of(Math.max(missing, more.getAsInt()));
            }
        }
        Working working = figured.working()
                .then(comparison(claim, figured))
                .then(new Step(
                        "probability that the true value meets the claim",
                        "p",
                        "t distribution about the estimate",
                        "",
                        figured.probability(),
                        "",
                        "JCGM 106:2012, clause 7; no prior knowledge"));
        return new Judgement(
                verdict,
                reason(verdict, claim, figured, n, enough, borne, wanted),
                n,
                evidence.bounds().length,
                evidence.excluded(),
                OptionalDouble.of(figured.mean()),
                figured.sd(),
                OptionalDouble.of(figured.lower()),
                OptionalDouble.of(figured.upper()),
                OptionalDouble.of(figured.probability()),
                wanted,
                working);
    }

    private static String reason(
            Verdict verdict,
            Requirement claim,
            Figured figured,
            int n,
            boolean enough,
            boolean borne,
            OptionalInt more) {
        String span = claim.lower().isPresent() && claim.upper().isPresent()
                ? "the " + figured.subject() + " lies between " + with(figured.lower(), claim) + " and "
                        + with(figured.upper(), claim)
                : claim.lower().isPresent()
                        ? "the " + figured.subject() + " lies above " + with(figured.lower(), claim)
                        : "the " + figured.subject() + " lies below " + with(figured.upper(), claim);
        String level = Figures.decimals(100 * claim.confidence(), 0) + " %";
        return switch (verdict) {
            case SUPPORTED -> "With " + level + " confidence " + span + "; claimed " + claim.words() + ".";
            case CONTRADICTED -> {
                boolean low = claim.lower().isPresent()
                        && figured.upper() < claim.lower().getAsDouble();
                yield "With " + level + " confidence the " + figured.subject() + " lies "
                        + (low ? "below " + with(figured.upper(), claim) : "above " + with(figured.lower(), claim))
                        + "; claimed " + claim.words() + ".";
            }
            default -> {
                String plural = more.isPresent() && more.getAsInt() == 1 ? " specimen" : " specimens";
                if (borne && !enough) {
                    yield "n = " + n + " is below the claim's minimum of " + claim.minimumN() + ": " + more.orElse(0)
                            + " more" + plural + ". So far it points the right way.";
                }
                String lies = "The claim (" + claim.words() + ") lies between the bounds "
                        + with(figured.lower(), claim) + " and " + with(figured.upper(), claim) + ". ";
                yield lies
                        + (more.isPresent()
                                ? more.getAsInt() + " more" + plural + " should settle it."
                                : "More specimens are not expected to settle it.");
            }
        };
    }

    private static Step comparison(Requirement claim, Figured figured) {
        return Step.note(
                "comparison",
                "bounds " + with(figured.lower(), claim) + " to " + with(figured.upper(), claim) + "; claimed "
                        + claim.words());
    }

    // ---- how many more -----------------------------------------------------------------------------------------

    private static OptionalInt more(Requirement claim, Evidence evidence, double mean, double sd) {
        int n = evidence.n();
        for (int extra = 1; extra <= MOST_MORE; extra++) {
            int total = n + extra;
            MeanBounds bounds = MeanBounds.of(
                    mean, total, sd, total - 1.0, evidence.calibrationUncertainty(), claim.confidence(), claim.unit());
            if (settles(claim, bounds.lower(), bounds.upper())) {
                return OptionalInt.of(extra);
            }
        }
        return OptionalInt.empty();
    }

    private static OptionalInt moreForRatio(
            Requirement claim, Summary above, Summary below, double relativeCalibration) {
        for (int extra = 1; extra <= MOST_MORE; extra++) {
            RatioBounds bounds = RatioBounds.of(
                    enlarged(above, extra), enlarged(below, extra), claim.confidence(), relativeCalibration);
            if (settles(claim, bounds.lower(), bounds.upper())) {
                return OptionalInt.of(extra);
            }
        }
        return OptionalInt.empty();
    }

    private static Summary enlarged(Summary summary, int extra) {
        return new Summary(summary.n() + extra, summary.mean(), summary.sd(), summary.least(), summary.greatest());
    }

    private static boolean settles(Requirement claim, double lower, double upper) {
        return bears(claim, lower, upper) || denies(claim, lower, upper);
    }

    /** The bound that faces each edge lies inside it. */
    private static boolean bears(Requirement claim, double lower, double upper) {
        return (claim.lower().isEmpty() || lower >= claim.lower().getAsDouble())
                && (claim.upper().isEmpty() || upper <= claim.upper().getAsDouble());
    }

    /** The bound that faces away from an edge lies outside it. */
    private static boolean denies(Requirement claim, double lower, double upper) {
        return (claim.lower().isPresent() && upper < claim.lower().getAsDouble())
                || (claim.upper().isPresent() && lower > claim.upper().getAsDouble());
    }

    // ---- small parts -------------------------------------------------------------------------------------------

    private static double probability(Requirement claim, double mean, double u, double nu) {
        if (u == 0) {
            return claim.holds(mean) ? 1 : 0;
        }
        double above = claim.lower().isPresent()
                ? StudentT.cumulative((mean - claim.lower().getAsDouble()) / u, nu)
                : 1;
        double beyond = claim.upper().isPresent()
                ? StudentT.cumulative((mean - claim.upper().getAsDouble()) / u, nu)
                : 0;
        return Math.max(0, above - beyond);
    }

    private static double logProbability(Requirement claim, RatioBounds ratio) {
        OptionalDouble lower = log(claim.lower());
        OptionalDouble upper = log(claim.upper());
        Requirement logs = new Requirement(lower, upper, "", claim.minimumN(), claim.confidence());
        return probability(logs, Math.log(ratio.ratio()), ratio.logUncertainty(), ratio.degreesOfFreedom());
    }

    private static OptionalDouble log(OptionalDouble edge) {
        return edge.isPresent() ? OptionalDouble.of(Math.log(edge.getAsDouble())) : edge;
    }

    private static Judgement open(String reason, int n, int bounds, int excluded) {
        OptionalDouble none = OptionalDouble.empty();
        return new Judgement(
                Verdict.OPEN,
                reason,
                n,
                bounds,
                excluded,
                none,
                none,
                none,
                none,
                none,
                OptionalInt.empty(),
                Working.NONE);
    }

    /** What the pooled scatter of earlier lots would say where n is too small to speak for itself; said, never decisive. */
    private static Working historyNote(Requirement claim, Evidence evidence, double mean) {
        if (evidence.n() >= claim.minimumN() || evidence.history().isEmpty()) {
            return Working.NONE;
        }
        Evidence.PooledScatter pooled = evidence.history().get();
        MeanBounds bounds = MeanBounds.of(
                mean,
                evidence.n(),
                pooled.sd(),
                pooled.degreesOfFreedom(),
                evidence.calibrationUncertainty(),
                claim.confidence(),
                claim.unit());
        return Working.of(Step.note(
                "indicative, from the scatter of " + pooled.lots() + " earlier lots",
                "with s = " + Figures.significant(pooled.sd(), 4) + " the bounds would be "
                        + with(bounds.lower(), claim) + " and " + with(bounds.upper(), claim)
                        + "; the verdict does not use them"));
    }

    private static Step meanStep(double[] values, Summary summary, String unit) {
        return new Step(
                "mean of " + summary.n() + " specimens", "x̄", "x̄ = Σx/n", list(values), summary.mean(), unit, "");
    }

    private static Step sdStep(Summary summary, String unit) {
        return new Step(
                "standard deviation",
                "s",
                "s = √(Σ(x − x̄)²/(n − 1))",
                "",
                summary.sd().orElseThrow(),
                unit,
                "ISO 2602");
    }

    private static boolean constant(double[] values) {
        return Arrays.stream(values).allMatch(value -> value == values[0]);
    }

    private static String list(Evidence evidence) {
        return DoubleStream.concat(Arrays.stream(evidence.values()), Arrays.stream(evidence.bounds()))
                .mapToObj(value -> Figures.significant(value, 4))
                .collect(Collectors.joining("; "));
    }

    private static String list(double[] values) {
        return Arrays.stream(values)
                .mapToObj(value -> Figures.significant(value, 4))
                .collect(Collectors.joining("; "));
    }

    private static String with(double value, Requirement claim) {
        String figure = Figures.significant(value, 4);
        return claim.unit().isEmpty() ? figure : figure + " " + claim.unit();
    }
}
