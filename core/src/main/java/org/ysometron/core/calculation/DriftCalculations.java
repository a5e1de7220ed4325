package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WHOLES;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.Kind.WORDS;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.ysometron.core.drift.AverageRunLength;
import org.ysometron.core.drift.ChangePoint;
import org.ysometron.core.drift.ChartConstants;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.LotsLeft;
import org.ysometron.core.drift.RunRule;
import org.ysometron.core.drift.Signal;
import org.ysometron.core.drift.SpreadLimits;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Charts, rules and what they cost. */
final class DriftCalculations {

    private static final Map<String, Object> FLOW_RATES =
            Map.of("values", List.of(49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1));

    private enum Chart {
        LIMITS,
        LIMITS_AND_RUN,
        EWMA,
        CUSUM
    }

    private enum Sides {
        ONE,
        TWO
    }

    private enum Limits {
        CONSTANT,
        WIDENING
    }

    private DriftCalculations() {}

    static List<Calculation> all() {
        return List.of(individuals(), spread(), rules(), constants(), runLength(), changePoint(), lotsLeft());
    }

    private static Calculation individuals() {
        return new Calculation(
                "individuals-limits",
                "Centre and limits of an individuals and moving-range chart",
                List.of(
                        required("values", NUMBERS, "", "lot means in order, at least two")
                                .items(2, Input.MANY),
                        optional("constants", WORD, "", "exact, or printed (1.128 and 3.267); exact unless given"),
                        optional(
                                "sigma",
                                WORD,
                                "",
                                Case.list(IndividualsLimits.Sigma.class)
                                        + "; mean-range unless given. deviations knows drifts as scatter"),
                        optional(
                                "centre", WORD, "", Case.list(IndividualsLimits.Centre.class) + "; mean unless given")),
                "",
                "ISO 7870-2, individuals and moving range",
                FLOW_RATES,
                given -> {
                    IndividualsLimits limits = IndividualsLimits.of(
                            given.numbers("values"),
                            new IndividualsLimits.Habits(
                                    given.word(
                                            "constants",
                                            IndividualsLimits.Constants.class,
                                            IndividualsLimits.Constants.EXACT),
                                    given.word(
                                            "sigma", IndividualsLimits.Sigma.class, IndividualsLimits.Sigma.MEAN_RANGE),
                                    given.word(
                                            "centre", IndividualsLimits.Centre.class, IndividualsLimits.Centre.MEAN)),
                            "");
                    return Answer.of(limits.centre(), "", limits.working())
                            .with("lower", limits.lower())
                            .with("upper", limits.upper())
                            .with("meanRange", limits.meanRange())
                            .with("sigma", limits.sigma())
                            .with("rangeUpper", limits.rangeUpper());
                });
    }

    private static Calculation changePoint() {
        return new Calculation(
                "change-point",
                "Since when a series is another, and in what shape: a spike, a step, a slide, or another scatter",
                List.of(required("values", NUMBERS, "", "lot figures in order")
                        .items(ChangePoint.FEWEST, ChangePoint.MOST)),
                "",
                "largest likelihood over all places and shapes (Hinkley 1970); its level simulated for the length of the series",
                FLOW_RATES,
                given -> {
                    ChangePoint change = ChangePoint.of(given.numbers("values"))
                            .orElseThrow(
                                    () -> new IllegalArgumentException("the values are all alike: nothing changed"));
                    return Answer.of(change.at() + 1.0, "", change.working())
                            .with("shape", change.shape().words())
                            .with("earliest", change.earliest() + 1)
                            .with("latest", change.latest() + 1)
                            .with("before", change.before())
                            .with("size", change.size())
                            .with("chance", change.chance());
                });
    }

    private static Calculation lotsLeft() {
        return new Calculation(
                "lots-left",
                "How many lots are left until a sliding level meets an edge, at its present slope",
                List.of(
                        required("values", NUMBERS, "", "figures of the lots that slide, in order")
                                .items(LotsLeft.FEWEST, 2000),
                        required("edge", NUMBER, "", "in the same unit")),
                "",
                "Theil 1950 and Sen 1968 for the slope; Fieller 1954 for the interval; Mann 1945 and Kendall 1975 for the order",
                Map.of("values", List.of(38.1, 37.9, 37.2, 37.3, 36.6, 36.4, 35.8), "edge", 33),
                given -> {
                    LotsLeft left = LotsLeft.of(given.numbers("values"), given.number("edge"));
                    Answer answer = Answer.of(
                                    left.slope(),
                                    "",
                                    Working.of(
                                            Step.of("slope by lot", "b", "the median of all slopes", left.slope()),
                                            Step.of("without a trend", "p", "of the order alone", left.orderP())))
                            .with("orderP", left.orderP());
                    Map<String, OptionalDouble> known = new LinkedHashMap<>();
                    known.put("lots", left.lots());
                    known.put("fewest", left.fewest());
                    known.put("most", left.most());
                    for (Map.Entry<String, OptionalDouble> one : known.entrySet()) {
                        answer = one.getValue().isPresent()
                                ? answer.with(one.getKey(), one.getValue().getAsDouble())
                                : answer;
                    }
                    return answer;
                });
    }

    private static Calculation spread() {
        return new Calculation(
                "spread-limits",
                "Centre and limits of a chart of within-lot standard deviations",
                List.of(
                        required("sd", NUMBERS, "", "s of each lot")
                                .in(0, Input.FAR)
                                .items(1, 10_000),
                        required("n", WHOLES, "", "n of each lot, or one n for all")
                                .in(2, 1000)
                                .items(1, 10_000),
                        optional("forN", WHOLE, "", "n of the lot the limits are for; the first n unless given")
                                .in(2, 1000),
                        optional("sigma", WORD, "", Case.list(SpreadLimits.Sigma.class) + "; mean unless given")),
                "",
                "ISO 7870-2, s chart",
                Map.of("sd", List.of(0.9, 1.1, 0.7, 1.3), "n", List.of(5)),
                DriftCalculations::spreadOf);
    }

    private static Answer spreadOf(Case given) {
        double[] deviations = given.numbers("sd");
        int[] sizes = given.wholes("n");
        if (sizes.length == 1) {
            int only = sizes[0];
            sizes = new int[deviations.length];
            java.util.Arrays.fill(sizes, only);
        }
        SpreadLimits limits = SpreadLimits.of(
                deviations, sizes, given.word("sigma", SpreadLimits.Sigma.class, SpreadLimits.Sigma.MEAN), "");
        int n = given.whole("forN", sizes[0]);
        SpreadLimits.Line line = limits.forSize(n);
        Working working = limits.working()
                .then(Step.of("centre for n = " + n, "", "c₄·σ̂", line.centre(), "ISO 7870-2"))
                .then(limits.explain(n, ""));
        return Answer.of(line.centre(), "", working)
                .with("lower", line.lower())
                .with("upper", line.upper())
                .with("sigma", limits.sigma());
    }

    private static Calculation rules() {
        return new Calculation(
                "run-rules",
                "Signals on a series: the rule, its words, the first and last index (from 0)",
                List.of(
                        required("values", NUMBERS, "", "lot means in order").items(1, 1_000_000),
                        optional("centre", NUMBER, "", "of the baseline; from the values unless given"),
                        optional("sigma", NUMBER, "", "between lots; from the values unless given")
                                .positive(),
                        optional("rules", WORDS, "", Case.list(RunRule.class) + "; all unless given")),
                "",
                "ISO 7870-2; strict comparisons; flagged are the point that completes a pattern and each that prolongs it",
                Map.of("values", List.of(0.1, -0.2, 0.3, 3.4), "centre", 0, "sigma", 1),
                DriftCalculations::signals);
    }

    private static Answer signals(Case given) {
        double[] values = given.numbers("values");
        OptionalDouble centre = given.optionalNumber("centre");
        OptionalDouble sigma = given.optionalNumber("sigma");
        Working working = Working.NONE;
        if (centre.isEmpty() || sigma.isEmpty()) {
            IndividualsLimits limits = IndividualsLimits.of(values, "");
            centre = centre.isPresent() ? centre : OptionalDouble.of(limits.centre());
            sigma = sigma.isPresent() ? sigma : OptionalDouble.of(limits.sigma());
            working = limits.working();
        }
        List<RunRule> chosen = given.words("rules", RunRule.class);
        Set<RunRule> rules = chosen.isEmpty() ? EnumSet.allOf(RunRule.class) : EnumSet.copyOf(chosen);
        List<Object> found = new ArrayList<>();
        for (Signal signal : RunRule.signals(values, centre.getAsDouble(), sigma.getAsDouble(), rules)) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("rule", signal.rule().name().toLowerCase(Locale.ROOT).replace('_', '-'));
            row.put("first", signal.first());
            row.put("last", signal.last());
            row.put("side", signal.side().words());
            row.put("words", signal.words());
            found.add(row);
        }
        return new Answer(
                OptionalDouble.of(found.size()),
                "",
                found.isEmpty() ? "no signal" : "signals",
                Map.of("signals", found),
                working.then(Step.of("signals", "", "", found.size(), "ISO 7870-2")));
    }

    private static Calculation constants() {
        return new Calculation(
                "chart-constants",
                "Control-chart constants for subgroups of n",
                List.of(required("n", WHOLE, "", "2 to 100").in(2, 100)),
                "",
                "ISO 7870-2, factors; computed from the normal distribution",
                Map.of("n", 5),
                DriftCalculations::constantsOf);
    }

    private static Answer constantsOf(Case given) {
        ChartConstants constants = ChartConstants.of(given.whole("n"));
        String tippett = "Tippett 1925";
        Working working = Working.of(
                new Step("mean of the range", "d₂", "∫ 1 − Φⁿ − (1 − Φ)ⁿ dx", "", constants.d2(), "σ", tippett),
                new Step("standard deviation of the range", "d₃", "", "", constants.d3(), "σ", tippett),
                new Step("mean of s", "c₄", "√(2/(n−1))·Γ(n/2)/Γ((n−1)/2)", "", constants.c4(), "σ", ""));
        return Answer.of(constants.d2(), "", working)
                .with("d2", constants.d2())
                .with("d3", constants.d3())
                .with("d4", constants.d4())
                .with("c4", constants.c4())
                .with("A2", constants.a2())
                .with("A3", constants.a3())
                .with("B3", constants.b3())
                .with("B4", constants.b4())
                .with("D3", constants.d3Factor())
                .with("D4", constants.d4Factor())
                .with("E2", constants.e2())
                .with("A", constants.a())
                .with("c5", constants.c5())
                .with("B5", constants.b5())
                .with("B6", constants.b6())
                .with("D1", constants.d1Factor())
                .with("D2", constants.d2Factor())
                .with("E3", constants.e3());
    }

    private static Calculation runLength() {
        return new Calculation(
                "average-run-length",
                "Points until a chart signals, on average",
                List.of(
                        required("chart", WORD, "", Case.list(Chart.class)),
                        optional("shift", NUMBER, "", "of the mean, in standard deviations of a point; 0 unless given")
                                .in(-30, 30),
                        optional("limit", NUMBER, "", "limits, or L of the EWMA; 3 unless given")
                                .above(0, 8),
                        optional("run", WHOLE, "", "points in a row on one side; 8 unless given")
                                .in(2, 1000),
                        optional("lambda", NUMBER, "", "weight of the EWMA; 0.2 unless given")
                                .in(0.001, 1),
                        optional("k", NUMBER, "", "allowance of the CUSUM; 0.5 unless given")
                                .in(0, 10),
                        optional("h", NUMBER, "", "decision interval of the CUSUM; 5 unless given")
                                .above(0, 210),
                        optional(
                                        "start",
                                        NUMBER,
                                        "",
                                        "head start of the CUSUM, or start of the EWMA in its standard deviations; 0 unless given")
                                .in(-8, 210),
                        optional("sides", WORD, "", "two, or one (upper); two unless given"),
                        optional(
                                "limits",
                                WORD,
                                "",
                                "of the EWMA with both sides: " + Case.list(Limits.class) + "; constant unless given")),
                "",
                "Champ and Woodall 1987; Crowder 1987; Page 1954",
                Map.of("chart", "ewma", "lambda", 0.2, "limit", 2.962),
                DriftCalculations::runLengthOf);
    }

    private static Answer runLengthOf(Case given) {
        double shift = given.number("shift", 0);
        double limit = given.number("limit", 3);
        double start = given.number("start", 0);
        boolean both = given.word("sides", Sides.class, Sides.TWO) == Sides.TWO;
        boolean widening = given.word("limits", Limits.class, Limits.CONSTANT) == Limits.WIDENING;
        if (widening && !both) {
            throw new IllegalArgumentException("limits that widen are worked out for both sides together");
        }
        double length =
                switch (given.word("chart", Chart.class, Chart.LIMITS)) {
                    case LIMITS -> AverageRunLength.beyondLimits(limit, shift);
                    case LIMITS_AND_RUN -> AverageRunLength.beyondLimitsOrRun(limit, given.whole("run", 8), shift);
                    case EWMA ->
                        widening
                                ? AverageRunLength.ewmaWidening(given.number("lambda", 0.2), limit, shift, start)
                                : AverageRunLength.ewma(given.number("lambda", 0.2), limit, shift, start, both);
                    case CUSUM ->
                        AverageRunLength.cusum(given.number("k", 0.5), given.number("h", 5), shift, start, both);
                };
        return Answer.of(
                length,
                "points",
                Working.of(new Step(
                        "average run length",
                        "",
                        "points independent and normal, limits exactly known",
                        "",
                        length,
                        "points",
                        "Champ and Woodall 1987; Crowder 1987; Page 1954")));
    }
}
