package org.ysometron.core.claim;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.DoubleStream;
import org.hipparchus.distribution.continuous.FDistribution;
import org.ysometron.core.claim.Conclusion.Asked;
import org.ysometron.core.claim.Conclusion.Figured;
import org.ysometron.core.claim.Conclusion.More;
import org.ysometron.core.statistics.CensoredNormal;
import org.ysometron.core.statistics.MeanBounds;
import org.ysometron.core.statistics.Prospect;
import org.ysometron.core.statistics.Staircase;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Whether a lot's values bear a claim about their mean, by its one-sided bounds; for a claim with two edges each bound is taken
 * at the stated confidence (two one-sided tests: each edge alone is passed wrongly in no more than its share).
 *
 * <p>Right-censored specimens enter as bounds: with two or more that broke by maximum likelihood ({@link
 * CensoredNormal}); with fewer by order statistics: with confidence 1 − ½ⁿ the median, for a symmetric population the
 * mean, lies above the least of n results. Intervals are read in the same way, from both ends ({@link
 * IntervalVerdict}); levels that some bore and others did not are a staircase ({@link StaircaseVerdict}).
 */
public final class MeanVerdict {

    /** A scatter so far beyond that of earlier lots that they do not speak for it (common practice, no source). */
    private static final double LIKE = 0.05;

    private MeanVerdict() {}

    /** Judges once. */
    public static Judgement of(Requirement claim, Evidence evidence) {
        return of(claim, evidence, Looks.ONCE);
    }

    /** Judges at the look that this is. */
    public static Judgement of(Requirement claim, Evidence evidence, Looks looks) {
        if (evidence.n() == 0) {
            return Judgement.notTested(evidence.excluded());
        }
        Asked asked = Asked.ofSpecimens(claim, looks, evidence.n(), evidence.n());
        Optional<Staircase> staircase = evidence.staircase();
        if (staircase.isPresent() && !evidence.ordered()) {
            return Conclusion.looked(asked, StaircaseVerdict.of(asked, evidence, staircase.get()));
        }
        if (evidence.ordered() || !evidence.intervals().isEmpty()) {
            return Conclusion.looked(asked, IntervalVerdict.of(asked, evidence));
        }
        if (evidence.bounds().length > 0) {
            return Conclusion.looked(
                    asked,
                    evidence.values().length >= 2
                                    && !Summary.of(evidence.values()).isAlike()
                            ? withCensored(asked, evidence)
                            : byOrder(asked, evidence));
        }
        return ofValues(asked, evidence);
    }

    private static Judgement ofValues(Asked asked, Evidence evidence) {
        Requirement claim = asked.claim();
        Summary summary = Summary.of(evidence.values());
        Working working = Working.of(Conclusion.meanStep(evidence.values(), summary, claim.unit()));
        if (summary.sd().isEmpty()) {
            return Conclusion.single(
                    claim, evidence, summary, working.then(historyNote(claim, evidence, summary.mean())));
        }
        if (isCarried(asked, evidence, summary)) {
            return carried(asked, evidence, summary, evidence.history().orElseThrow(), working);
        }
        MeanBounds bounds = MeanBounds.of(summary, evidence.calibrationUncertainty(), asked.confidence(), claim.unit());
        Figured figured = figured(
                claim,
                summary,
                bounds,
                working.then(Conclusion.sdStep(summary, claim.unit()))
                        .then(asked.working())
                        .then(bounds.working())
                        .then(historyNote(claim, evidence, summary.mean())));
        Judgement judgement = Conclusion.of(asked, evidence, figured, () -> more(asked, evidence, summary));
        return Conclusion.looked(
                asked, Conclusion.asked(judgement, bounds.standardUncertainty() / Math.abs(summary.mean())));
    }

    /**
     * Whether the scatter within earlier lots stands in for an n below the claim's least: two values at least, whose own scatter is not beyond
     * it. A lot that scatters more than those before speaks for itself.
     */
    private static boolean isCarried(Asked asked, Evidence evidence, Summary summary) {
        Optional<Evidence.PooledScatter> history = evidence.history().filter(Evidence.PooledScatter::carries);
        if (asked.enough() || history.isEmpty()) {
            return false;
        }
        double ratio = summary.sd().orElseThrow() / history.get().sd();
        double beyond = 1
                - new FDistribution(summary.n() - 1, history.get().degreesOfFreedom())
                        .cumulativeProbability(ratio * ratio);
        return beyond >= LIKE;
    }

    /** The verdict with the scatter of this lot and the earlier ones pooled (ISO 5725-2), and said so in its reason. */
    private static Judgement carried(
            Asked asked, Evidence evidence, Summary summary, Evidence.PooledScatter pooled, Working values) {
        Requirement claim = asked.claim();
        Evidence.PooledScatter all = with(summary, pooled);
        MeanBounds bounds = MeanBounds.of(
                summary.mean(),
                summary.n(),
                all.sd(),
                all.degreesOfFreedom(),
                evidence.calibrationUncertainty(),
                asked.confidence(),
                claim.unit());
        Asked now = new Asked(
                claim.withLeast(1), asked.looks(), asked.n(), asked.size(), asked.counted(), asked.measured());
        Figured figured = figured(
                claim,
                summary,
                bounds,
                values.then(Conclusion.sdStep(summary, claim.unit()))
                        .then(pooling(pooled, all, claim.unit()))
                        .then(asked.working())
                        .then(bounds.working()));
        Judgement judgement =
                Conclusion.looked(now, Conclusion.of(now, evidence, figured, () -> more(now, evidence, summary)));
        return judgement.saying("n = " + asked.n() + " is below the claim's least of " + claim.minimumN()
                + "; carried by the scatter within " + pooled.lots() + " earlier lots (s_r = "
                + Conclusion.with(all.sd(), claim) + ", " + Figures.decimals(all.degreesOfFreedom(), 0)
                + " degrees of freedom), as this site allows. " + judgement.reason());
    }

    private static Figured figured(Requirement claim, Summary summary, MeanBounds bounds, Working working) {
        return new Figured(
                "mean",
                summary.mean(),
                summary.sd(),
                bounds.lower(),
                bounds.upper(),
                probability(claim, summary.mean(), bounds.standardUncertainty(), bounds.degreesOfFreedom()),
                "t distribution about the estimate",
                working);
    }

    /** This lot's own scatter in that of the earlier ones. */
    private static Evidence.PooledScatter with(Summary summary, Evidence.PooledScatter earlier) {
        int own = summary.n() - 1;
        double sd = summary.sd().orElseThrow();
        double freedom = earlier.degreesOfFreedom() + own;
        double squares = earlier.degreesOfFreedom() * earlier.sd() * earlier.sd() + own * sd * sd;
        return new Evidence.PooledScatter(Math.sqrt(squares / freedom), freedom, earlier.lots() + 1);
    }

    private static Step pooling(Evidence.PooledScatter earlier, Evidence.PooledScatter all, String unit) {
        return new Step(
                "scatter within this lot and " + earlier.lots() + " earlier ones, pooled",
                "s_r",
                "√((ν₀·s₀² + (n−1)·s²)/(ν₀ + n − 1))",
                Figures.significant(earlier.sd(), 4) + ", " + Figures.decimals(earlier.degreesOfFreedom(), 0)
                        + " degrees of freedom",
                all.sd(),
                unit,
                "ISO 5725-2");
    }

    /** Probability that a value known by an estimate with ν degrees of freedom lies inside the claim, 0 to 1. */
    static double probability(Requirement claim, double mean, double u, double nu) {
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

    /** The fewest further specimens whose bounds, mean and scatter staying what they are, lie clear of the edges. */
    private static Optional<More> more(Asked asked, Evidence evidence, Summary summary) {
        Requirement claim = asked.claim();
        double u = evidence.calibrationUncertainty();
        OptionalInt fewest = Conclusion.fewest(more -> {
            MeanBounds bounds = enlarged(asked, summary, u, more);
            return claim.bears(bounds.lower(), bounds.upper()) || claim.denies(bounds.lower(), bounds.upper());
        });
        if (fewest.isEmpty()) {
            return Optional.empty();
        }
        int more = fewest.getAsInt();
        double t = enlarged(asked, summary, u, more).t();
        double likely = new Prospect(summary, u, more, t).settled(claim.lower(), claim.upper());
        return Optional.of(new More(more, OptionalDouble.of(likely)));
    }

    private static MeanBounds enlarged(Asked asked, Summary summary, double calibration, int more) {
        int total = summary.n() + more;
        return MeanBounds.of(
                summary.mean(),
                total,
                summary.sd().orElseThrow(),
                total - 1.0,
                calibration,
                asked.confidenceAt(total),
                asked.claim().unit());
    }

    /** What the pooled scatter of earlier lots would say where n is too small to speak for itself and they may not carry it. */
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
                        + Conclusion.with(bounds.lower(), claim) + " and " + Conclusion.with(bounds.upper(), claim)
                        + "; the verdict does not use them"));
    }

    // ---- bounds among the results --------------------------------------------------------------------------------

    private static Judgement withCensored(Asked asked, Evidence evidence) {
        Requirement claim = asked.claim();
        CensoredNormal fit = CensoredNormal.fit(evidence.values(), evidence.bounds());
        double confidence = asked.confidence();
        double margin = StandardNormal.quantile(confidence) * evidence.calibrationUncertainty();
        double lower = fit.mean() - Math.hypot(fit.mean() - fit.lower(confidence), margin);
        double upper = fit.mean() + Math.hypot(fit.upper(confidence) - fit.mean(), margin);
        Working working =
                censoredWorking(claim.unit(), evidence, fit, lower, upper).then(asked.working());
        Figured figured = new Figured(
                "mean",
                fit.mean(),
                OptionalDouble.of(fit.sd()),
                lower,
                upper,
                inside(claim, fit, evidence.calibrationUncertainty()),
                "profile likelihood read as Student's t",
                working);
        return Conclusion.of(asked, evidence, figured, Optional::empty);
    }

    private static Working censoredWorking(
            String unit, Evidence evidence, CensoredNormal fit, double lower, double upper) {
        String source = "censored normal, maximum likelihood (Olsen 1978)";
        String bound = "profile likelihood read as Student's t; never tighter than with the bounds as values";
        return Working.of(
                new Step("values", "x", "", Conclusion.list(evidence.values()), evidence.values().length, "", ""),
                new Step(
                        "lower bounds, at least",
                        "c",
                        "",
                        Conclusion.list(evidence.bounds()),
                        evidence.bounds().length,
                        "",
                        ""),
                new Step(
                        "estimated mean",
                        "μ̂",
                        "max Σ ln(φ((x−μ)/σ)/σ) + Σ ln(1 − Φ((c−μ)/σ))",
                        "",
                        fit.mean(),
                        unit,
                        source),
                new Step("estimated standard deviation", "σ̂", "", "", fit.sd(), unit, source),
                new Step("lower bound of the mean", "μ₋", "t² = ν(exp(2D/n) − 1)", "", lower, unit, bound),
                new Step("upper bound of the mean", "μ₊", "t² = ν(exp(2D/n) − 1)", "", upper, unit, bound));
    }

    private static double inside(Requirement claim, CensoredNormal fit, double calibration) {
        double above = claim.lower().isPresent() ? above(fit, claim.lower().getAsDouble(), calibration) : 1;
        double beyond = claim.upper().isPresent() ? above(fit, claim.upper().getAsDouble(), calibration) : 0;
        return Math.max(0, above - beyond);
    }

    /** The calibration moves the edge by z of its u where the profile says z: solved by a few steps of that. */
    private static double above(CensoredNormal fit, double edge, double calibration) {
        double probability = fit.above(edge);
        if (calibration == 0 || probability <= 0 || probability >= 1) {
            return probability;
        }
        double z = StandardNormal.quantile(probability);
        double ofFit = z == 0 ? 0 : (fit.mean() - edge) / z;
        return ofFit == 0 ? probability : StandardNormal.below((fit.mean() - edge) / Math.hypot(ofFit, calibration));
    }

    private static Judgement byOrder(Asked asked, Evidence evidence) {
        Requirement claim = asked.claim();
        double least = DoubleStream.concat(Arrays.stream(evidence.values()), Arrays.stream(evidence.bounds()))
                .min()
                .orElseThrow();
        double z = StandardNormal.quantile(claim.confidence());
        double lower = least - z * evidence.calibrationUncertainty();
        int n = evidence.n();
        double confidence = 1 - Math.pow(0.5, n);
        // Looking again costs nothing here: all of more specimens lie above the edge only where all of fewer did.
        boolean sure = confidence >= claim.confidence();
        boolean inside = claim.upper().isEmpty() && claim.holds(lower);
        Verdict verdict = sure && claim.upper().isPresent() && claim.denies(lower, Double.POSITIVE_INFINITY)
                ? Verdict.CONTRADICTED
                : sure && inside && asked.enough() ? Verdict.SUPPORTED : Verdict.OPEN;
        int enough = (int) Math.ceil(Math.log(1 - claim.confidence()) / Math.log(0.5));
        int wanted = verdict == Verdict.OPEN && inside ? Math.max(Math.max(enough, claim.minimumN()) - n, 0) : 0;
        return new Judgement(
                verdict,
                orderReason(claim, evidence, verdict, least, wanted),
                n,
                evidence.bounds().length,
                evidence.excluded(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                sure ? OptionalDouble.of(lower) : OptionalDouble.empty(),
                OptionalDouble.empty(),
                sure ? claim.confidence() : 0,
                OptionalDouble.empty(),
                wanted > 0 ? OptionalInt.of(wanted) : OptionalInt.empty(),
                orderWorking(claim, evidence, least, z, lower, confidence));
    }

    private static String orderReason(Requirement claim, Evidence evidence, Verdict verdict, double least, int wanted) {
        String survivors = evidence.bounds().length + " of " + evidence.n() + " specimens did not break";
        return switch (verdict) {
            case SUPPORTED ->
                survivors + "; every one carried at least " + Conclusion.with(least, claim) + ", claimed "
                        + claim.words() + ".";
            case CONTRADICTED ->
                survivors + "; every one reached at least " + Conclusion.with(least, claim) + ", claimed "
                        + claim.words() + ".";
            default ->
                survivors + "; bounds alone do not settle " + claim.words()
                        + (wanted > 0 ? ": " + wanted + " more that carry it would." : ".");
        };
    }

    private static Working orderWorking(
            Requirement claim, Evidence evidence, double least, double z, double lower, double confidence) {
        return Working.of(
                new Step("results and lower bounds", "x", "", Conclusion.list(evidence), evidence.n(), "", ""),
                new Step("least of them", "x₍₁₎", "least", "", least, claim.unit(), ""),
                new Step(
                        "confidence that the mean lies above the least",
                        "γ",
                        "γ = 1 − ½ⁿ",
                        "1 − 0.5^" + evidence.n(),
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
    }
}
