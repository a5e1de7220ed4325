package org.ysometron.core.claim;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.DoubleStream;
import org.ysometron.core.claim.Conclusion.Asked;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Whether results of which only intervals are known bear a claim about their median, for a symmetric population their mean: with
 * confidence 1 − ½ⁿ it lies above the least that any of n results can be, and with the same below the most (sign test). Nothing is
 * said of where in its interval a result lies, and no normal population is asked for: threads held at one step that failed at the next
 * are as good as the steps are fine, and of grades nothing is used but which is better.
 */
final class IntervalVerdict {

    private IntervalVerdict() {}

    /** Judges; intervals, bounds and values together. */
    static Judgement of(Asked asked, Evidence evidence) {
        Requirement claim = asked.claim();
        double margin = StandardNormal.quantile(claim.confidence()) * evidence.calibrationUncertainty();
        double least = lows(evidence).min().orElseThrow();
        double most = highs(evidence).max().orElseThrow();
        double lower = least - margin;
        double upper = most + margin;
        int n = evidence.n();
        double confidence = 1 - Math.pow(0.5, n);
        // Looking again costs nothing here: all of more specimens lie on one side only where all of fewer did.
        boolean sure = confidence >= claim.confidence();
        boolean bears = claim.bears(lower, upper);
        Verdict verdict = sure && claim.denies(lower, upper)
                ? Verdict.CONTRADICTED
                : sure && bears && asked.enough() ? Verdict.SUPPORTED : Verdict.OPEN;
        int enough = (int) Math.ceil(Math.log(1 - claim.confidence()) / Math.log(0.5));
        int wanted = verdict == Verdict.OPEN && bears ? Math.max(Math.max(enough, claim.minimumN()) - n, 0) : 0;
        return new Judgement(
                verdict,
                reason(claim, evidence, verdict, wanted),
                n,
                evidence.unsettled(),
                evidence.excluded(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                sure && Double.isFinite(lower) ? OptionalDouble.of(lower) : OptionalDouble.empty(),
                sure && Double.isFinite(upper) ? OptionalDouble.of(upper) : OptionalDouble.empty(),
                sure ? claim.confidence() : 0,
                OptionalDouble.empty(),
                wanted > 0 ? OptionalInt.of(wanted) : OptionalInt.empty(),
                working(claim, evidence, lower, upper, confidence));
    }

    private static DoubleStream lows(Evidence evidence) {
        return DoubleStream.concat(
                DoubleStream.concat(Arrays.stream(evidence.values()), Arrays.stream(evidence.bounds())),
                evidence.intervals().stream().mapToDouble(Evidence.Interval::low));
    }

    private static DoubleStream highs(Evidence evidence) {
        DoubleStream known = DoubleStream.concat(
                Arrays.stream(evidence.values()), evidence.intervals().stream().mapToDouble(Evidence.Interval::high));
        return evidence.bounds().length == 0
                ? known
                : DoubleStream.concat(known, DoubleStream.of(Double.POSITIVE_INFINITY));
    }

    private static String reason(Requirement claim, Evidence evidence, Verdict verdict, int wanted) {
        String known = evidence.unsettled() == 0
                ? "grades of " + evidence.n() + " specimens"
                : evidence.unsettled() + " of " + evidence.n()
                        + " results are known between two steps or from one side";
        double least = lows(evidence).min().orElseThrow();
        double most = highs(evidence).max().orElseThrow();
        String all = "all lie between " + side(least, claim) + " and " + side(most, claim);
        return switch (verdict) {
            case SUPPORTED, CONTRADICTED -> known + "; " + all + ", claimed " + claim.words() + ".";
            default ->
                known + "; " + all + ", which does not settle " + claim.words()
                        + (wanted > 0 ? ": " + wanted + " more like them would." : ".");
        };
    }

    private static String side(double end, Requirement claim) {
        return Double.isInfinite(end) ? "nothing known" : Conclusion.with(end, claim);
    }

    private static Working working(
            Requirement claim, Evidence evidence, double lower, double upper, double confidence) {
        StringBuilder shown = new StringBuilder();
        for (Evidence.Interval interval : evidence.intervals()) {
            shown.append(shown.isEmpty() ? "" : "; ")
                    .append(Double.isInfinite(interval.low()) ? "≤ " : Figures.significant(interval.low(), 4) + " to ")
                    .append(Figures.significant(interval.high(), 4));
        }
        Working working = Working.of(
                new Step(
                        "intervals",
                        "(a, b]",
                        "",
                        shown.toString(),
                        evidence.intervals().size(),
                        "",
                        ""),
                new Step(
                        "confidence that the mean lies above the least, and that it lies below the most",
                        "γ",
                        "γ = 1 − ½ⁿ",
                        "1 − 0.5^" + evidence.n(),
                        confidence,
                        "",
                        "order statistics (sign test); population taken as symmetric"));
        return bound(
                bound(working, "lower bound of the mean", "μ₋", "least − z·u_cal", lower, claim),
                "upper bound of the mean",
                "μ₊",
                "most + z·u_cal",
                upper,
                claim);
    }

    private static Working bound(
            Working working, String meaning, String symbol, String formula, double value, Requirement claim) {
        return Double.isInfinite(value)
                ? working
                : working.then(new Step(meaning, symbol, formula, "", value, claim.unit(), ""));
    }
}
