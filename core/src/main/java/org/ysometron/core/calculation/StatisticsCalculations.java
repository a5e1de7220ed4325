package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.statistics.CensoredNormal;
import org.ysometron.core.statistics.MeanBounds;
import org.ysometron.core.statistics.RatioBounds;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.ToleranceFactor;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Summaries, bounds, tolerance factors. */
final class StatisticsCalculations {

    static final Input CONFIDENCE =
            optional("confidence", NUMBER, "", "one-sided, above 0.5 and below 1; 0.95 unless given");
    static final Input CALIBRATION = optional(
            "calibrationUncertainty",
            NUMBER,
            "",
            "standard uncertainty common to all values, their unit; 0 unless given");

    private StatisticsCalculations() {}

    static List<Calculation> all() {
        return List.of(summary(), meanBounds(), meanBoundsFromSummary(), ratioBounds(), tolerance(), censored());
    }

    private static Calculation summary() {
        return new Calculation(
                "summary",
                "Count, mean, standard deviation and extremes",
                List.of(required("values", NUMBERS, "", "finite numbers of one unit")),
                "",
                "ISO 2602; divisor n − 1",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9)),
                given -> {
                    Summary summary = Summary.of(given.numbers("values"));
                    return Answer.of(
                                    summary.mean(),
                                    "",
                                    Working.of(new Step("mean", "x̄", "x̄ = Σx/n", "", summary.mean(), "", "")))
                            .with("n", summary.n())
                            .withIfPresent("sd", summary.sd())
                            .with("least", summary.least())
                            .with("greatest", summary.greatest());
                });
    }

    private static Calculation meanBounds() {
        return new Calculation(
                "mean-bounds",
                "One-sided confidence bounds of a mean from values",
                List.of(required("values", NUMBERS, "", "at least two"), CONFIDENCE, CALIBRATION),
                "",
                "ISO 2602; JCGM 100:2008 G.4 with a calibration uncertainty",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9)),
                given -> answer(MeanBounds.of(
                        Summary.of(given.numbers("values")),
                        given.number("calibrationUncertainty", 0),
                        given.number("confidence", 0.95),
                        "")));
    }

    private static Calculation meanBoundsFromSummary() {
        return new Calculation(
                "mean-bounds-from-summary",
                "One-sided confidence bounds of a mean from n, mean and s, or with s known from elsewhere",
                List.of(
                        required("n", WHOLE, "", "values behind the mean, at least 1"),
                        required("mean", NUMBER, "", "the mean"),
                        required("sd", NUMBER, "", "standard deviation of single values"),
                        optional("sdDegreesOfFreedom", NUMBER, "", "how well sd is known; n − 1 unless given"),
                        CONFIDENCE,
                        CALIBRATION),
                "",
                "ISO 2602; JCGM 100:2008 G.4 with a calibration uncertainty",
                Map.of("n", 5, "mean", 55.14, "sd", 0.666),
                given -> answer(MeanBounds.of(
                        given.number("mean"),
                        given.whole("n"),
                        given.number("sd"),
                        given.number("sdDegreesOfFreedom", given.whole("n") - 1.0),
                        given.number("calibrationUncertainty", 0),
                        given.number("confidence", 0.95),
                        "")));
    }

    private static Answer answer(MeanBounds bounds) {
        return Answer.of(bounds.lower(), "", bounds.working())
                .with("mean", bounds.mean())
                .with("lower", bounds.lower())
                .with("upper", bounds.upper())
                .with("standardUncertainty", bounds.standardUncertainty())
                .with("degreesOfFreedom", bounds.degreesOfFreedom())
                .with("t", bounds.t());
    }

    private static Calculation ratioBounds() {
        return new Calculation(
                "ratio-bounds",
                "One-sided confidence bounds of a ratio of two means",
                List.of(
                        required("numerator", NUMBERS, "", "at least two, mean above zero"),
                        required("denominator", NUMBERS, "", "at least two, mean above zero"),
                        CONFIDENCE),
                "",
                "delta method on the logarithm; Welch–Satterthwaite degrees of freedom",
                Map.of(
                        "numerator", List.of(28.1, 29.0, 27.5, 28.8, 28.2),
                        "denominator", List.of(55.1, 54.2, 56.0, 55.5, 54.9)),
                given -> {
                    RatioBounds bounds = RatioBounds.of(
                            Summary.of(given.numbers("numerator")),
                            Summary.of(given.numbers("denominator")),
                            given.number("confidence", 0.95));
                    return Answer.of(bounds.ratio(), "", bounds.working())
                            .with("lower", bounds.lower())
                            .with("upper", bounds.upper())
                            .with("degreesOfFreedom", bounds.degreesOfFreedom());
                });
    }

    private static Calculation tolerance() {
        return new Calculation(
                "tolerance-factor",
                "Factor k of the one-sided tolerance bound mean − k·s",
                List.of(
                        required("n", WHOLE, "", "specimens, at least 2"),
                        optional("share", NUMBER, "", "share of the population on the good side; 0.95 unless given"),
                        CONFIDENCE),
                "",
                "ISO 16269-6, exact by the noncentral t distribution",
                Map.of("n", 5),
                given -> {
                    double k = ToleranceFactor.oneSided(
                            given.whole("n"), given.number("share", 0.95), given.number("confidence", 0.95));
                    return Answer.of(
                            k,
                            "",
                            Working.of(new Step(
                                    "tolerance factor", "k", "t(γ; n−1, z(p)√n)/√n", "", k, "", "ISO 16269-6")));
                });
    }

    private static Calculation censored() {
        return new Calculation(
                "censored-mean",
                "Mean of a normal population when some specimens are only known to be at least so strong",
                List.of(
                        required("values", NUMBERS, "", "specimens that broke, at least two that differ"),
                        optional("bounds", NUMBERS, "", "specimens that carried at least this"),
                        CONFIDENCE),
                "",
                "maximum likelihood; profile likelihood bounds (Meeker and Escobar, ch. 8)",
                Map.of("values", List.of(55.1, 54.2, 56.0), "bounds", List.of(57.0, 57.0)),
                given -> {
                    CensoredNormal fit = CensoredNormal.fit(
                            given.numbers("values"), given.numbers("bounds"), given.number("confidence", 0.95));
                    Answer answer = new Answer(
                            OptionalDouble.of(fit.mean()), "", "computed", Map.of("sd", fit.sd()), Working.NONE);
                    return answer.with("lower", fit.lower()).with("upper", fit.upper());
                });
    }
}
