package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WHOLES;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.LengthVerdict;
import org.ysometron.core.claim.Looks;
import org.ysometron.core.claim.MeanVerdict;
import org.ysometron.core.claim.PartsVerdict;
import org.ysometron.core.claim.RatioVerdict;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.statistics.LooksSpending;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Verdicts. */
final class ClaimCalculations {

    private static final Input AT_LEAST = optional("atLeast", NUMBER, "", "lower edge of the claim");
    private static final Input AT_MOST = optional("atMost", NUMBER, "", "upper edge of the claim");
    private static final Input SCATTER = optional(
                    "scatter", NUMBER, "", "within earlier lots: carries an n below the claim's least")
            .in(1e-9, 1e9);
    private static final Input FREEDOM = optional("freedom", NUMBER, "", "its degrees of freedom; 60 unless given")
            .in(Evidence.PooledScatter.LEAST, 1_000_000);
    private static final Input MINIMUM = optional("minimumN", WHOLE, "", "specimens the claim asks for; 5 unless given")
            .in(1, 1e6);
    private static final Input LOOKS = optional(
                    "looks", WHOLE, "", "looks that were planned before the first result; 1 unless given")
            .in(1, LooksSpending.MOST);
    private static final Input EARLIER = optional(
                    "earlierLooks", WHOLES, "", "specimens at each look before this one; none unless given")
            .in(2, 1e6)
            .items(0, LooksSpending.MOST);
    private static final Input SHARE = optional(
                    "share", NUMBER, "", "share of all that is to lie inside; 0.95 unless given")
            .above(0.5, 0.9999);

    private ClaimCalculations() {}

    static List<Calculation> all() {
        return List.of(ofMean(), ofEveryPart(), ofLength(), ofRatio(), looks());
    }

    private static Calculation ofMean() {
        return new Calculation(
                "mean-verdict",
                "Whether a lot's values bear a claim about its mean",
                List.of(
                        required("values", NUMBERS, "", "specimens that gave a value; may be an empty list"),
                        optional("bounds", NUMBERS, "", "specimens that carried at least this")
                                .items(0, 1000),
                        optional(
                                        "intervalsFrom",
                                        NUMBERS,
                                        "",
                                        "specimens known to lie above this and not above the next")
                                .items(0, 1000),
                        optional("intervalsTo", NUMBERS, "", "where those intervals end, one for each")
                                .items(0, 1000),
                        AT_LEAST,
                        AT_MOST,
                        MINIMUM,
                        StatisticsCalculations.CONFIDENCE,
                        StatisticsCalculations.CALIBRATION,
                        SCATTER,
                        FREEDOM,
                        LOOKS,
                        EARLIER),
                "",
                "bounds of the mean by Student's t (ISO 2602), as guard band JCGM 106:2012, clause 8; looks by Pocock 1977"
                        + " and Lan and DeMets 1983; profile likelihood where specimens did not break",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9), "atLeast", 50),
                given -> answer(MeanVerdict.of(
                        requirement(given, 5),
                        new Evidence(
                                given.numbers("values"),
                                given.numbers("bounds"),
                                0,
                                given.number("calibrationUncertainty", 0),
                                history(given),
                                intervals(given)),
                        looksOf(given))));
    }

    private static Optional<Evidence.PooledScatter> history(Case given) {
        OptionalDouble scatter = given.optionalNumber("scatter");
        if (scatter.isEmpty()) {
            return Optional.empty();
        }
        double freedom = given.number("freedom", 60);
        return Optional.of(
                new Evidence.PooledScatter(scatter.getAsDouble(), freedom, (int) Math.ceil(freedom / 4)).carrying());
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
                        StatisticsCalculations.CONFIDENCE,
                        StatisticsCalculations.CALIBRATION,
                        SHARE),
                "",
                "tolerance bounds by ISO 16269-6, exact: one-sided factor for one edge, two-sided for two; contradicted by"
                        + " the same factors at the opposite confidence; probability by Weerahandi's generalised pivot (1995)",
                Map.of("values", List.of(1.748, 1.752, 1.751, 1.749, 1.75), "atLeast", 1.70, "atMost", 1.80),
                given -> answer(PartsVerdict.of(
                        requirement(given, 5),
                        values(given, "values"),
                        given.number("share", PartsVerdict.USUAL_SHARE),
                        PartsVerdict.Counted.parts(values(given, "values")))));
    }

    private static Calculation ofLength() {
        return new Calculation(
                "length-verdict",
                "Whether a filament bears a claim about every place of it, measured throughout or at places by hand",
                List.of(
                        optional("spoolMeans", NUMBERS, "mm", "measured throughout: mean diameter of each spool")
                                .in(0.01, 100),
                        optional("shareOutside", NUMBER, "", "with it: largest share of a spool's length outside")
                                .in(0, 1),
                        optional("places", NUMBERS, "mm", "by hand: diameter at each place")
                                .in(0.01, 100),
                        optional("spools", WHOLE, "", "with it: spools that the places are on; 1 unless given")
                                .in(1, 1e6),
                        AT_LEAST,
                        AT_MOST,
                        optional("minimumN", WHOLE, "", "spools the claim asks for; 1 unless given")
                                .in(1, 1e6),
                        StatisticsCalculations.CONFIDENCE,
                        StatisticsCalculations.CALIBRATION),
                "",
                "at most 0.1 % of the length outside: common practice, no source; by hand ISO 16269-6 for the same share",
                Map.of("spoolMeans", List.of(1.751, 1.749), "shareOutside", 0.0004, "atLeast", 1.70, "atMost", 1.80),
                ClaimCalculations::length);
    }

    private static Answer length(Case given) {
        boolean log = given.has("spoolMeans") && given.has("shareOutside");
        if (log == given.has("places") || given.has("spoolMeans") != given.has("shareOutside")) {
            throw new IllegalArgumentException("give spoolMeans with shareOutside, or places; one of the two ways");
        }
        Requirement claim = requirement(given, 1);
        return answer(
                log
                        ? LengthVerdict.ofLog(
                                claim,
                                given.numbers("spoolMeans"),
                                given.number("shareOutside"),
                                spools(given.numbers("spoolMeans").length))
                        : LengthVerdict.ofPlaces(claim, values(given, "places"), given.whole("spools", 1)));
    }

    private static String spools(int n) {
        return n + (n == 1 ? " spool" : " spools");
    }

    private static Calculation ofRatio() {
        return new Calculation(
                "ratio-verdict",
                "Whether a lot's values bear a claim about the ratio of two means",
                List.of(
                        required("numerator", NUMBERS, "", "values above the line, mean above zero"),
                        required("denominator", NUMBERS, "", "values below the line, mean above zero"),
                        AT_LEAST,
                        AT_MOST,
                        MINIMUM,
                        StatisticsCalculations.CONFIDENCE,
                        optional(
                                        "relativeCalibration",
                                        NUMBER,
                                        "",
                                        "relative standard uncertainty from calibration that does not cancel; 0 unless given")
                                .in(0, 1),
                        LOOKS,
                        EARLIER),
                "",
                "log ratio, delta method, Welch and Satterthwaite (JCGM 100:2008, G.4); guard band JCGM 106:2012, clause 8",
                Map.of(
                        "numerator", List.of(28.1, 29.0, 27.5, 28.8, 28.2),
                        "denominator", List.of(55.1, 54.2, 56.0, 55.5, 54.9),
                        "atLeast", 0.45),
                given -> answer(RatioVerdict.of(
                        requirement(given, 5),
                        Evidence.of(given.numbers("numerator")),
                        Evidence.of(given.numbers("denominator")),
                        given.number("relativeCalibration", 0),
                        looksOf(given))));
    }

    private static Calculation looks() {
        return new Calculation(
                "looks-level",
                "The level of a look at a claim so that all planned looks together keep theirs",
                List.of(
                        required("looks", WHOLE, "", "looks planned before the first result")
                                .in(1, LooksSpending.MOST),
                        required("sizes", WHOLES, "", "specimens at each look so far, the last being this one")
                                .in(2, 1e6)
                                .items(1, LooksSpending.MOST),
                        optional("level", NUMBER, "", "of all looks together; 0.05 unless given")
                                .in(0.001, 0.4)),
                "",
                "Pocock 1977; Lan and DeMets 1983; lowered for Student's t, by simulation",
                Map.of("looks", 2, "sizes", List.of(5, 10)),
                given -> {
                    double level = given.number("level", 0.05);
                    double last = LooksSpending.last(given.whole("looks"), level, given.wholes("sizes"));
                    double constant = LooksSpending.constant(given.whole("looks"), level);
                    return Answer.of(
                                    last,
                                    "",
                                    Working.of(
                                            Step.of("level of all looks", "α", "", level),
                                            Step.of(
                                                    "of each, equally spaced, scatter known",
                                                    "",
                                                    "constant boundary",
                                                    constant,
                                                    "Pocock 1977"),
                                            Step.of("of this look", "", "", last, "Lan and DeMets 1983")))
                            .with("constant", constant);
                });
    }

    private static Looks looksOf(Case given) {
        return new Looks(given.whole("looks", 1), given.wholes("earlierLooks"));
    }

    private static List<Evidence.Interval> intervals(Case given) {
        double[] from = given.numbers("intervalsFrom");
        double[] to = given.numbers("intervalsTo");
        if (from.length != to.length) {
            throw new IllegalArgumentException(
                    "an interval has two ends, got " + from.length + " from and " + to.length + " to");
        }
        List<Evidence.Interval> intervals = new ArrayList<>();
        for (int i = 0; i < from.length; i++) {
            intervals.add(new Evidence.Interval(from[i], to[i]));
        }
        return intervals;
    }

    private static Evidence values(Case given, String name) {
        return new Evidence(
                given.numbers(name), new double[0], 0, given.number("calibrationUncertainty", 0), Optional.empty());
    }

    private static Requirement requirement(Case given, int minimum) {
        return new Requirement(
                given.optionalNumber("atLeast"),
                given.optionalNumber("atMost"),
                "",
                given.whole("minimumN", minimum),
                given.number("confidence", 0.95));
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
