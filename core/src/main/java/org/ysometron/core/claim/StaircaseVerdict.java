package org.ysometron.core.claim;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.ysometron.core.claim.Conclusion.Asked;
import org.ysometron.core.claim.Conclusion.Figured;
import org.ysometron.core.claim.Conclusion.More;
import org.ysometron.core.statistics.Staircase;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Whether a lot bears a claim about its mean when each specimen only bore a level or did not: by the bounds of the staircase's mean
 * ({@link Staircase}). Bounds of one kind alone are no staircase and go by their order.
 */
final class StaircaseVerdict {

    private static final String HOW = "profile down by 3.1·z²/2,";

    private StaircaseVerdict() {}

    static Judgement of(Asked asked, Evidence evidence, Staircase staircase) {
        Requirement claim = asked.claim();
        if (!staircase.isBounded(asked.confidence())) {
            return open(asked, evidence, staircase);
        }
        double margin = StandardNormal.quantile(asked.confidence()) * evidence.calibrationUncertainty();
        double mean = staircase.mean();
        double lower = staircase.lower(asked.confidence()) - margin;
        double upper = staircase.upper(asked.confidence()) + margin;
        double above =
                claim.upper().isPresent() ? staircase.chanceBelow(claim.upper().getAsDouble()) : 1;
        double under =
                claim.lower().isPresent() ? staircase.chanceBelow(claim.lower().getAsDouble()) : 0;
        Figured figured = new Figured(
                "mean",
                mean,
                OptionalDouble.empty(),
                lower,
                upper,
                Math.max(0, above - under),
                "signed root of the profile likelihood",
                working(asked, evidence, staircase)
                        .then(new Step(
                                "lower bound of the mean", "μ₋", HOW + " − z·u_cal", "", lower, claim.unit(), ""))
                        .then(new Step(
                                "upper bound of the mean", "μ₊", HOW + " + z·u_cal", "", upper, claim.unit(), "")));
        return Conclusion.of(asked, evidence, figured, () -> more(claim, staircase.n(), mean, lower, upper));
    }

    /** A mean without bounds: tosses of a coin would have been likely enough, so that nothing is borne or denied. */
    private static Judgement open(Asked asked, Evidence evidence, Staircase staircase) {
        long more = (long) staircase.bounding(asked.confidence()) - staircase.n();
        boolean few = more <= Conclusion.MOST_MORE;
        String missing = few
                ? more + " more like them would have bounds."
                : "More like them are not expected to have any: the steps are too fine for the scatter.";
        return new Judgement(
                Verdict.OPEN,
                evidence.unsettled() + " parts in steps have a mean of "
                        + Conclusion.with(staircase.mean(), asked.claim()) + ", but no bounds yet; claimed "
                        + asked.claim().words() + ". " + missing,
                asked.n(),
                evidence.unsettled(),
                evidence.excluded(),
                OptionalDouble.of(staircase.mean()),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                0,
                OptionalDouble.empty(),
                few ? OptionalInt.of((int) more) : OptionalInt.empty(),
                working(asked, evidence, staircase)
                        .then(Step.note(
                                "no bounds",
                                "tosses of a coin fall short of the likeliest mean by less than 3.1·z²/2")));
    }

    /** The fewest further specimens whose bounds, the estimate staying what it is, lie clear of the edges: they close in as 1/√n. */
    private static Optional<More> more(Requirement claim, int n, double mean, double lower, double upper) {
        OptionalInt fewest = Conclusion.fewest(more -> {
            double closer = Math.sqrt(n / (double) (n + more));
            double low = mean - (mean - lower) * closer;
            double high = mean + (upper - mean) * closer;
            return claim.bears(low, high) || claim.denies(low, high);
        });
        return fewest.isPresent() ? Optional.of(new More(fewest.getAsInt(), OptionalDouble.empty())) : Optional.empty();
    }

    private static Working working(Asked asked, Evidence evidence, Staircase staircase) {
        String unit = asked.claim().unit();
        double[] failed = evidence.failed();
        return Working.of(
                        new Step(
                                "levels that held", "", "", shown(evidence.bounds()), evidence.bounds().length, "", ""),
                        new Step("levels that did not", "", "", shown(failed), failed.length, "", ""),
                        new Step("step", "d", "largest gap between levels", "", staircase.step(), unit, ""),
                        new Step(
                                "mean of the staircase",
                                "μ",
                                "largest probit likelihood, scatter of d/2 or more",
                                "",
                                staircase.mean(),
                                unit,
                                "staircase of ISO 6603-1; level of the bounds simulated from n = " + Staircase.FEWEST
                                        + " on"))
                .then(asked.working());
    }

    private static String shown(double[] levels) {
        double[] sorted = levels.clone();
        Arrays.sort(sorted);
        StringBuilder shown = new StringBuilder();
        for (double level : sorted) {
            shown.append(shown.isEmpty() ? "" : "; ").append(Figures.significant(level, 4));
        }
        return shown.toString();
    }
}
