package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WHOLES;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.statistics.KaplanMeier;
import org.ysometron.core.statistics.Prediction;
import org.ysometron.core.statistics.ScatterBounds;
import org.ysometron.core.statistics.Staircase;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.ToleranceFactor;
import org.ysometron.core.statistics.VarianceComponents;
import org.ysometron.core.statistics.Weibull;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** What values say of the population behind them: where its parts lie, what comes next, how it scatters, how long it lasts. */
final class PopulationCalculations {

    private static final List<Double> STRENGTHS = List.of(55.1, 54.2, 56.0, 55.5, 54.9);
    private static final Input VALUES =
            required("values", NUMBERS, "", "of one unit").items(2, 10_000);
    private static final Input CONFIDENCE =
            optional("confidence", NUMBER, "", "0.95 unless given").in(0.501, 0.9999);
    private static final Input FAILED = required("failed", NUMBERS, "", "values at which specimens failed")
            .in(1e-6, 1e9)
            .items(1, 10_000);
    private static final Input LASTED = optional("lasted", NUMBERS, "", "values that others reached without failing")
            .in(1e-6, 1e9)
            .items(0, 10_000);

    private enum Sides {
        ONE,
        TWO
    }

    private enum Next {
        EACH,
        MEAN
    }

    private PopulationCalculations() {}

    static List<Calculation> all() {
        return List.of(
                tolerance(), prediction(), deviation(), variation(), components(), weibull(), survival(), staircase());
    }

    private static boolean two(Case given, Sides otherwise) {
        return given.word("sides", Sides.class, otherwise) == Sides.TWO;
    }

    private static Answer interval(Summary values, double k, Step factor) {
        double half = k * values.sd().orElseThrow();
        Working working = Working.of(
                new Step("mean", "x̄", "", "n = " + values.n(), values.mean(), "", ""),
                Step.of("standard deviation", "s", "", values.sd().orElseThrow()),
                factor,
                Step.of("lower end", "", "x̄ − k·s", values.mean() - half),
                Step.of("upper end", "", "x̄ + k·s", values.mean() + half));
        return Answer.of(k, "", working)
                .with("mean", values.mean())
                .with("lower", values.mean() - half)
                .with("upper", values.mean() + half);
    }

    private static Calculation tolerance() {
        return new Calculation(
                "tolerance-bounds",
                "Bounds of a share of the population from values: two one-sided ones, or the interval that holds it",
                List.of(
                        VALUES,
                        optional("share", NUMBER, "", "of the population; 0.95 unless given")
                                .in(0.0001, 0.9999),
                        CONFIDENCE,
                        optional("sides", WORD, "", "one or two; two unless given")),
                "",
                "ISO 16269-6, unknown mean and standard deviation",
                Map.of("values", STRENGTHS),
                given -> {
                    Summary values = Summary.of(given.numbers("values"));
                    double share = given.number("share", 0.95);
                    double confidence = given.number("confidence", 0.95);
                    double k = two(given, Sides.TWO)
                            ? ToleranceFactor.twoSided(values.n(), share, confidence)
                            : ToleranceFactor.oneSided(values.n(), share, confidence);
                    return interval(values, k, Step.of("tolerance factor", "k", "", k, "ISO 16269-6"));
                });
    }

    private static Calculation prediction() {
        return new Calculation(
                "prediction-bounds",
                "Bounds that all of so many further values keep, or their mean does",
                List.of(
                        VALUES,
                        optional("further", WHOLE, "", "values to come; 1 unless given")
                                .in(1, 10_000),
                        optional("of", WORD, "", Case.list(Next.class) + "; each unless given"),
                        CONFIDENCE,
                        optional("sides", WORD, "", "one or two; two unless given")),
                "",
                "ISO 16269-8, unknown mean and standard deviation; exact",
                Map.of("values", STRENGTHS, "further", 3),
                given -> {
                    Summary values = Summary.of(given.numbers("values"));
                    int further = given.whole("further", 1);
                    double confidence = given.number("confidence", 0.95);
                    boolean both = two(given, Sides.TWO);
                    double k = given.word("of", Next.class, Next.EACH) == Next.EACH
                            ? Prediction.ofValues(values.n(), further, confidence, both)
                            : Prediction.ofMean(values.n(), further, confidence, both);
                    return interval(values, k, Step.of("prediction factor", "k", "", k, "ISO 16269-8"));
                });
    }

    private static Calculation deviation() {
        return new Calculation(
                "sd-bounds",
                "One-sided confidence bounds of a standard deviation",
                List.of(
                        required("sd", NUMBER, "", "as found").in(0, Input.FAR),
                        required("degreesOfFreedom", NUMBER, "", "n − 1 for one sample")
                                .in(0.1, 1e7),
                        CONFIDENCE),
                "",
                "ISO 2854, χ²",
                Map.of("sd", 0.666, "degreesOfFreedom", 4),
                given -> {
                    double sd = given.number("sd");
                    double freedom = given.number("degreesOfFreedom");
                    double confidence = given.number("confidence", 0.95);
                    double upper = ScatterBounds.ofDeviation(sd, freedom, confidence);
                    double lower = ScatterBounds.ofDeviation(sd, freedom, 1 - confidence);
                    Working working = Working.of(
                            new Step("standard deviation", "s", "", "ν = " + freedom, sd, "", ""),
                            Step.of("lower bound", "", "s·√(ν/χ²(γ; ν))", lower, "ISO 2854"),
                            Step.of("upper bound", "", "s·√(ν/χ²(1−γ; ν))", upper, "ISO 2854"));
                    return Answer.of(sd, "", working).with("lower", lower).with("upper", upper);
                });
    }

    private static Calculation variation() {
        return new Calculation(
                "coefficient-of-variation",
                "Standard deviation over mean with one-sided confidence bounds",
                List.of(VALUES, CONFIDENCE),
                "",
                "Johnson and Welch 1940, noncentral t; exact for a normal population",
                Map.of("values", STRENGTHS),
                given -> {
                    Summary values = Summary.of(given.numbers("values"));
                    double confidence = given.number("confidence", 0.95);
                    OptionalDouble lower = ScatterBounds.ofVariation(values, 1 - confidence);
                    OptionalDouble upper = ScatterBounds.ofVariation(values, confidence);
                    double found = values.sd().orElseThrow() / values.mean();
                    Answer answer = Answer.of(
                                    found,
                                    "",
                                    Working.of(
                                            Step.of("mean", "x̄", "", values.mean()),
                                            Step.of(
                                                    "coefficient of variation",
                                                    "",
                                                    "s/x̄; not corrected for its bias",
                                                    found)))
                            .withIfPresent("lower", lower)
                            .withIfPresent("upper", upper);
                    return upper.isPresent()
                            ? answer
                            : answer.with("noUpper", "a mean of zero is not ruled out: there is no upper bound");
                });
    }

    private static Calculation components() {
        return new Calculation(
                "variance-components",
                "Variance between groups and within them by restricted maximum likelihood",
                List.of(
                        VALUES,
                        required("groups", WHOLES, "", "number of the group of each value, same length")
                                .items(2, 10_000)),
                "",
                "Patterson and Thompson 1971; Searle, Casella and McCulloch 1992",
                Map.of(
                        "values", List.of(54.1, 55.3, 53.9, 54.8, 55.9, 56.4, 55.2, 56.8, 53.0, 54.2),
                        "groups", List.of(1, 1, 1, 1, 2, 2, 2, 2, 3, 3)),
                given -> {
                    VarianceComponents found = VarianceComponents.of(
                            List.copyOf(ComparisonCalculations.byGroup(given).values()));
                    return Answer.of(
                                    found.between(),
                                    "",
                                    Working.of(
                                            Step.of("mean over groups", "μ̂", "", found.mean()),
                                            Step.of("variance between", "", "", found.between()),
                                            Step.of("variance within", "", "", found.within())))
                            .with("within", found.within())
                            .with("mean", found.mean())
                            .with("meanError", found.meanError())
                            .with("intraclassCorrelation", found.intraclassCorrelation());
                });
    }

    private static Calculation weibull() {
        return new Calculation(
                "weibull-fit",
                "A Weibull population from failures and from specimens that only lasted so far",
                List.of(
                        FAILED,
                        LASTED,
                        optional("share", NUMBER, "", "that fails below the quantile; 0.1 unless given")
                                .in(1e-6, 0.999999),
                        optional("confidence", NUMBER, "", "two-sided; 0.95 unless given")
                                .in(0.5, 0.9999)),
                "",
                "IEC 61649, largest likelihood; Meeker and Escobar 1998 for the intervals",
                Map.of("failed", List.of(31, 44, 52, 57, 66, 71), "lasted", List.of(80, 80)),
                PopulationCalculations::weibullOf);
    }

    private static Answer weibullOf(Case given) {
        Weibull fit = Weibull.fit(given.numbers("failed"), given.numbers("lasted"));
        double confidence = given.number("confidence", 0.95);
        double share = given.number("share", 0.1);
        Weibull.Estimate quantile = fit.quantile(share, confidence);
        Working working = Working.of(
                Step.of("shape", "β", "Σxᵝln x/Σxᵝ − 1/β = mean of ln x over failures", fit.shape(), "IEC 61649"),
                Step.of("scale", "η", "(Σxᵝ/r)^(1/β)", fit.scale(), "IEC 61649"),
                new Step("quantile", "", "η·(−ln(1−p))^(1/β)", "p = " + share, quantile.value(), "", ""));
        return estimate(
                        estimate(
                                estimate(Answer.of(fit.shape(), "", working), "shape", fit.shape(confidence)),
                                "scale",
                                fit.scale(confidence)),
                        "quantile",
                        quantile)
                .with("logLikelihood", fit.likelihood());
    }

    private static Answer estimate(Answer answer, String name, Weibull.Estimate estimate) {
        return answer.with(name, estimate.value())
                .with(name + "Low", estimate.low())
                .with(name + "High", estimate.high());
    }

    private static Calculation survival() {
        return new Calculation(
                "kaplan-meier",
                "Share that survives beyond each value, no population supposed, with Greenwood's errors",
                List.of(
                        FAILED,
                        LASTED,
                        optional("scale", WORD, "", Case.list(KaplanMeier.Scale.class) + "; log-log unless given"),
                        optional("confidence", NUMBER, "", "two-sided; 0.95 unless given")
                                .in(0.5, 0.9999)),
                "",
                "Kaplan and Meier 1958; Greenwood 1926",
                Map.of("failed", List.of(31, 44, 52, 57, 66, 71), "lasted", List.of(60, 80, 80)),
                PopulationCalculations::survivalOf);
    }

    private static Answer survivalOf(Case given) {
        KaplanMeier curve = KaplanMeier.of(given.numbers("failed"), given.numbers("lasted"));
        KaplanMeier.Scale scale = given.word("scale", KaplanMeier.Scale.class, KaplanMeier.Scale.LOG_LOG);
        List<Object> rows = new ArrayList<>();
        for (KaplanMeier.Step step : curve.steps()) {
            double[] ends = step.interval(given.number("confidence", 0.95), scale);
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("at", step.at());
            row.put("atRisk", step.atRisk());
            row.put("failed", step.failed());
            row.put("survival", step.survival());
            row.put("error", step.error());
            row.put("lower", ends[0]);
            row.put("upper", ends[1]);
            rows.add(row);
        }
        KaplanMeier.Step last = curve.steps().get(curve.steps().size() - 1);
        Working working = Working.of(
                Step.of("survival at the last failure", "S", "∏(1 − d/n)", last.survival()),
                Step.of("its error", "", "S·√Σd/(n(n−d))", last.error(), "Greenwood 1926"));
        Working told = curve.median().isEmpty()
                ? working
                : working.then(Step.of(
                        "median",
                        "",
                        "first value beyond which half or less survives",
                        curve.median().getAsDouble()));
        return new Answer(
                curve.median(),
                "",
                curve.median().isPresent() ? "computed" : "more than half survives",
                Map.of("steps", rows),
                told);
    }

    private static Calculation staircase() {
        return new Calculation(
                "staircase-mean",
                "Mean of a population of which each specimen bore a level or did not, stepped up and down",
                List.of(
                        required("held", NUMBERS, "", "levels that specimens bore")
                                .in(1e-6, 1e9)
                                .items(1, 100),
                        required("failed", NUMBERS, "", "levels that others did not bear")
                                .in(1e-6, 1e9)
                                .items(1, 100),
                        optional("confidence", NUMBER, "", "one-sided; 0.95 unless given")
                                .in(Staircase.LEAST_CONFIDENCE, 0.9999)),
                "",
                "staircase of ISO 6603-1 (Dixon and Mood 1948); bounds by the profile likelihood, their level simulated",
                Map.of(
                        "held",
                        List.of(1.5, 1.5, 2.0, 1.5, 2.0, 1.5, 1.5, 2.0, 1.5, 2.0),
                        "failed",
                        List.of(2.0, 2.5, 2.0, 2.5, 2.0, 2.0, 2.5, 2.0, 2.5, 2.0)),
                PopulationCalculations::ofStaircase);
    }

    private static Answer ofStaircase(Case given) {
        Staircase staircase = Staircase.find(given.numbers("held"), given.numbers("failed"))
                .orElseThrow(() ->
                        new IllegalArgumentException("a staircase needs levels that held and higher ones that failed, "
                                + Staircase.FEWEST + " in all, two that differ"));
        double confidence = given.number("confidence", 0.95);
        double lower = staircase.lower(confidence);
        double upper = staircase.upper(confidence);
        boolean bounded = staircase.isBounded(confidence);
        Working working = Working.of(
                Step.of("step", "d", "largest gap between levels", staircase.step()),
                Step.of(
                        "mean of the staircase",
                        "μ",
                        "largest probit likelihood, scatter of d/2 or more",
                        staircase.mean()));
        Working bounds = Working.of(
                Step.of("lower one-sided bound", "μ₋", "profile down by 3.1·z²/2", lower),
                Step.of("upper one-sided bound", "μ₊", "profile down by 3.1·z²/2", upper));
        Answer answer = Answer.of(staircase.mean(), "", bounded ? working.then(bounds) : working)
                .with("n", staircase.n())
                .with("step", staircase.step());
        return bounded
                ? answer.with("lower", lower).with("upper", upper)
                : answer.with("bounds", "none yet: tosses of a coin would do nearly as well");
    }
}
