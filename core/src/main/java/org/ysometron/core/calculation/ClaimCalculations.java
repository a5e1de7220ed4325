package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.claim.Verification;

/** Verdicts. */
final class ClaimCalculations {

    private static final Input AT_LEAST = optional("atLeast", NUMBER, "", "lower edge of the claim");
    private static final Input AT_MOST = optional("atMost", NUMBER, "", "upper edge of the claim");
    private static final Input MINIMUM =
            optional("minimumN", WHOLE, "", "specimens the claim asks for; 5 unless given");

    private ClaimCalculations() {}

    static List<Calculation> all() {
        return List.of(ofMean(), ofEveryPart(), ofLength(), ofRatio());
    }

    private static Calculation ofMean() {
        return new Calculation(
                "mean-verdict",
                "Whether a lot's values bear a claim about its mean",
                List.of(
                        required("values", NUMBERS, "", "specimens that gave a value; may be an empty list"),
                        optional("bounds", NUMBERS, "", "specimens that carried at least this"),
                        AT_LEAST,
                        AT_MOST,
                        MINIMUM,
                        StatisticsCalculations.CONFIDENCE,
                        StatisticsCalculations.CALIBRATION),
                "",
                "one-sided bounds of the mean as guard band: ISO 14253-1, JCGM 106",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9), "atLeast", 50),
                given -> answer(Verification.ofMean(
                        requirement(given),
                        new Evidence(
                                given.numbers("values"),
                                given.numbers("bounds"),
                                0,
                                given.number("calibrationUncertainty", 0),
                                Optional.empty()))));
    }

    private static Calculation ofEveryPart() {
        return new Calculation(
                "every-part-verdict",
                "Whether single parts or places bear a claim about every one of them",
                List.of(
                        required("values", NUMBERS, "", "single parts or places"),
                        AT_LEAST,
                        AT_MOST,
                        MINIMUM,
                        StatisticsCalculations.CONFIDENCE),
                "",
                "one-sided tolerance bounds for 95 % of all, ISO 16269-6",
                Map.of("values", List.of(1.748, 1.752, 1.751, 1.749, 1.75), "atLeast", 1.70, "atMost", 1.80),
                given -> answer(Verification.ofEveryPart(requirement(given), given.numbers("values"))));
    }

    private static Calculation ofLength() {
        return new Calculation(
                "length-verdict",
                "Whether a filament measured throughout bears a claim about every place of it",
                List.of(
                        required("spoolMeans", NUMBERS, "mm", "mean diameter of each spool"),
                        required("shareOutside", NUMBER, "", "largest share of a spool's length outside, 0 to 1"),
                        AT_LEAST,
                        AT_MOST,
                        MINIMUM),
                "",
                "at most 0.1 % of the length outside: common practice, no source",
                Map.of("spoolMeans", List.of(1.751, 1.749), "shareOutside", 0.0004, "atLeast", 1.70, "atMost", 1.80),
                given -> answer(Verification.ofLength(
                        requirement(given),
                        given.numbers("spoolMeans"),
                        given.number("shareOutside"),
                        given.numbers("spoolMeans").length + " spools")));
    }

    private static Calculation ofRatio() {
        return new Calculation(
                "ratio-verdict",
                "Whether a lot's values bear a claim about the ratio of two means",
                List.of(
                        required("numerator", NUMBERS, "", "values above the line"),
                        required("denominator", NUMBERS, "", "values below the line"),
                        AT_LEAST,
                        AT_MOST,
                        MINIMUM,
                        StatisticsCalculations.CONFIDENCE,
                        optional(
                                "relativeCalibration",
                                NUMBER,
                                "",
                                "relative standard uncertainty from calibration that does not cancel; 0 unless given")),
                "",
                "log ratio, delta method; ISO 14253-1",
                Map.of(
                        "numerator", List.of(28.1, 29.0, 27.5, 28.8, 28.2),
                        "denominator", List.of(55.1, 54.2, 56.0, 55.5, 54.9),
                        "atLeast", 0.45),
                given -> answer(Verification.ofRatio(
                        requirement(given),
                        Evidence.of(given.numbers("numerator")),
                        Evidence.of(given.numbers("denominator")),
                        given.number("relativeCalibration", 0))));
    }

    private static Requirement requirement(Case given) {
        return new Requirement(
                given.optionalNumber("atLeast"),
                given.optionalNumber("atMost"),
                "",
                given.whole("minimumN", 5),
                given.numberIfKnown("confidence", 0.95));
    }

    private static Answer answer(Judgement judgement) {
        Answer answer = new Answer(
                judgement.mean(),
                "",
                judgement.verdict().words(),
                Map.of("reason", judgement.reason()),
                judgement.working());
        answer = answer.with("n", judgement.n())
                .withIfPresent("sd", judgement.sd())
                .withIfPresent("lower", judgement.lower())
                .withIfPresent("upper", judgement.upper())
                .withIfPresent("probability", judgement.probability());
        return judgement.moreSpecimens().isPresent()
                ? answer.with("moreSpecimens", judgement.moreSpecimens().getAsInt())
                : answer;
    }
}
