package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.List;
import java.util.Map;
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
            optional("confidence", NUMBER, "", "one-sided; 0.95 unless given").above(0.5, 0.9999);
    static final Input CALIBRATION = optional(
                    "calibrationUncertainty",
                    NUMBER,
                    "",
                    "standard uncertainty common to all values, their unit; 0 unless given")
            .in(0, Input.FAR);

    private StatisticsCalculations() {}

    static List<Calculation> all() {
        return List.of(summary(), meanBounds(), meanBoundsFromSummary(), ratioBounds(), tolerance(), censored());
    }

    private static Calculation summary() {
        return new Calculation(
                "summary",
                "Count, mean, standard deviation and extremes",
                List.of(required("values", NUMBERS, "", "numbers of one unit").items(1, Input.MANY)),
                "",
                "ISO 2602; divisor n − 1",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9)),
                given -> {
                    Summary summary = Summary.of(given.numbers("values"));
                    return Answer.of(summary.mean(), "", Working.of(Step.of("mean", "x̄", "x̄ = Σx/n", summary.mean())))
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
                List.of(required("values", NUMBERS, "", "of one unit").items(2, Input.MANY), CONFIDENCE, CALIBRATION),
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
                        required("n", WHOLE, "", "values behind the mean").in(1, 1e9),
                        required("mean", NUMBER, "", "the mean"),
                        required("sd", NUMBER, "", "standard deviation of single values")
                                .in(0, Input.FAR),
                        optional("sdDegreesOfFreedom", NUMBER, "", "how well sd is known; n − 1 unless given")
                                .in(0.1, Input.FAR),
                        CONFIDENCE,
                        CALIBRATION),
                "",
                "ISO 2602; JCGM 100:2008 G.4 with a calibration uncertainty",
                Map.of("n", 5, "mean", 55.14, "sd", 0.666),
                given -> answer(MeanBounds.of(
                        given.number("mean"),
                        given.whole("n"),
                        given.number("sd"),
                        freedom(given),
                        given.number("calibrationUncertainty", 0),
                        given.number("confidence", 0.95),
                        "")));
    }

    private static double freedom(Case given) {
        if (!given.has("sdDegreesOfFreedom") && given.whole("n") == 1) {
            throw new IllegalArgumentException("one value has no scatter of its own: say how well sd is known");
        }
        return given.number("sdDegreesOfFreedom", given.whole("n") - 1.0);
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
                        required("numerator", NUMBERS, "", "mean above zero").items(2, Input.MANY),
                        required("denominator", NUMBERS, "", "mean above zero").items(2, Input.MANY),
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

    private enum Sides {
        ONE,
        TWO
    }

    private static Calculation tolerance() {
        return new Calculation(
                "tolerance-factor",
                "Factor k of the tolerance bound mean − k·s, or of the tolerance interval mean ∓ k·s",
                List.of(
                        required("n", WHOLE, "", "specimens").in(2, 1e6),
                        optional("share", NUMBER, "", "share of the population on the good side; 0.95 unless given")
                                .in(0.0001, 0.9999),
                        optional("confidence", NUMBER, "", "0.95 unless given").in(0.0001, 0.9999),
                        optional("sides", WORD, "", "one or two; one unless given")),
                "",
                "ISO 16269-6, exact: one-sided by the noncentral t distribution, two-sided by Odeh's integral (1978)",
                Map.of("n", 5),
                given -> {
                    boolean two = given.word("sides", Sides.class, Sides.ONE) == Sides.TWO;
                    int n = given.whole("n");
                    double share = given.number("share", 0.95);
                    double confidence = given.number("confidence", 0.95);
                    double k = two
                            ? ToleranceFactor.twoSided(n, share, confidence)
                            : ToleranceFactor.oneSided(n, share, confidence);
                    return Answer.of(
                            k,
                            "",
                            Working.of(new Step(
                                    two ? "two-sided tolerance factor" : "one-sided tolerance factor",
                                    "k",
                                    two ? "∫ φ(z)·P(χ² > ν·r²/k²) dz = γ" : "t(γ; n−1, z(p)√n)/√n",
                                    "n = " + n,
                                    k,
                                    "",
                                    "ISO 16269-6")));
                });
    }

    private static Calculation censored() {
        return new Calculation(
                "censored-mean",
                "Mean of a normal population when some specimens are only known to be at least so strong",
                List.of(
                        required("values", NUMBERS, "", "specimens that broke, at least two that differ")
                                .items(2, 1000),
                        optional("bounds", NUMBERS, "", "specimens that carried at least this")
                                .items(0, 1000),
                        CONFIDENCE),
                "",
                "maximum likelihood (Olsen 1978); profile likelihood read as Student's t, exact when nothing is censored",
                Map.of("values", List.of(55.1, 54.2, 56.0), "bounds", List.of(57.0, 57.0)),
                given -> {
                    double confidence = given.number("confidence", 0.95);
                    CensoredNormal fit = CensoredNormal.fit(given.numbers("values"), given.numbers("bounds"));
                    double lower = fit.lower(confidence);
                    double upper = fit.upper(confidence);
                    String source = "Olsen 1978";
                    Working working = Working.of(
                            Step.of("estimated mean", "μ̂", "largest likelihood", fit.mean(), source),
                            Step.of("estimated standard deviation", "σ̂", "", fit.sd(), source),
                            Step.of("degrees of freedom", "ν", "broken − 1", fit.degreesOfFreedom()),
                            Step.of("lower bound", "μ₋", "t² = ν(exp(2D/n) − 1)", lower),
                            Step.of("upper bound", "μ₊", "t² = ν(exp(2D/n) − 1)", upper));
                    return Answer.of(fit.mean(), "", working)
                            .with("sd", fit.sd())
                            .with("lower", lower)
                            .with("upper", upper);
                });
    }
}
