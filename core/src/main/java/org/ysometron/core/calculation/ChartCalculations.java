package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.ysometron.core.drift.Capability;
import org.ysometron.core.drift.CusumChart;
import org.ysometron.core.drift.EwmaChart;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.MovingRanges;
import org.ysometron.core.drift.SubgroupLimits;
import org.ysometron.core.drift.TSquared;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.statistics.OneWay;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Charts of subgroups, of weighted means and sums, of several characteristics, and what a process is capable of. */
final class ChartCalculations {

    private static final List<Double> FLOW_RATES =
            List.of(49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1, 51.0, 50.2);
    private static final Input SERIES =
            required("values", NUMBERS, "", "in order").items(1, Input.MANY);
    private static final Input SUBGROUP = required("n", WHOLE, "", "values a subgroup, which follow one another")
            .in(2, 100);
    private static final Input CENTRE = required("centre", NUMBER, "", "of the baseline");
    private static final Input SIGMA =
            required("sigma", NUMBER, "", "of one value").positive();

    private static final Input AFTER =
            optional("after", WORD, "", Case.list(After.class) + "; what it does behind a signal, on unless given");

    private ChartCalculations() {}

    static List<Calculation> all() {
        return List.of(subgroups(), threeWay(), movingRanges(), ewma(), cusum(), tSquared(), capability());
    }

    private static Calculation subgroups() {
        return new Calculation(
                "subgroup-limits",
                "Centre and limits of means, ranges and standard deviations of subgroups, and which lie beyond",
                List.of(
                        required("values", NUMBERS, "", "subgroup by subgroup").items(2, Input.MANY),
                        SUBGROUP,
                        optional("sigma", WORD, "", Case.list(SubgroupLimits.Sigma.class) + "; ranges unless given")),
                "",
                "ISO 7870-2, charts of means with ranges or standard deviations",
                Map.of("values", FLOW_RATES, "n", 4),
                given -> {
                    List<double[]> groups = groups(given);
                    SubgroupLimits limits = SubgroupLimits.of(
                            groups, given.word("sigma", SubgroupLimits.Sigma.class, SubgroupLimits.Sigma.RANGES));
                    Summary[] each = groups.stream().map(Summary::of).toArray(Summary[]::new);
                    return line(
                                    line(
                                            line(
                                                    Answer.of(limits.sigma(), "", limits.working()),
                                                    "means",
                                                    limits.means()),
                                            "ranges",
                                            limits.ranges()),
                                    "deviations",
                                    limits.deviations())
                            .with("beyond", where(each.length, i -> limits.means()
                                    .isBeyond(each[i].mean())))
                            .with("rangesBeyond", where(each.length, i -> limits.ranges()
                                    .isBeyond(each[i].greatest() - each[i].least())));
                });
    }

    private static Answer line(Answer answer, String name, SubgroupLimits.Line line) {
        return answer.with(name + "Centre", line.centre())
                .with(name + "Lower", line.lower())
                .with(name + "Upper", line.upper());
    }

    private static Calculation threeWay() {
        return new Calculation(
                "three-way-limits",
                "Lot means as individuals, their moving range, and the scatter within lots: three charts of one series",
                List.of(
                        required("values", NUMBERS, "", "lot by lot").items(4, Input.MANY),
                        SUBGROUP,
                        optional(
                                "sigma",
                                WORD,
                                "",
                                "within lots: " + Case.list(SubgroupLimits.Sigma.class) + "; ranges unless given")),
                "",
                "ISO 7870-2; the scatter between lots that is beyond what scatter within explains, by ISO 5725-2",
                Map.of("values", FLOW_RATES, "n", 3),
                ChartCalculations::threeWayOf);
    }

    private static Answer threeWayOf(Case given) {
        List<double[]> groups = groups(given);
        double[] means =
                groups.stream().mapToDouble(group -> Summary.of(group).mean()).toArray();
        IndividualsLimits between = IndividualsLimits.of(means, "");
        SubgroupLimits within =
                SubgroupLimits.of(groups, given.word("sigma", SubgroupLimits.Sigma.class, SubgroupLimits.Sigma.RANGES));
        SubgroupLimits.Line limits = new SubgroupLimits.Line(between.centre(), between.lower(), between.upper());
        Working working = between.working().then(within.within());
        Answer answer = line(
                        line(
                                line(Answer.of(between.centre(), "", working), "means", limits),
                                "ranges",
                                within.ranges()),
                        "deviations",
                        within.deviations())
                .with("sigma", between.sigma())
                .with("rangeUpper", between.rangeUpper())
                .with("withinSigma", within.sigma())
                .with("beyond", where(means.length, i -> limits.isBeyond(means[i])));
        double apart = new OneWay(groups).betweenVariance();
        return answer.with("betweenSigma", Math.sqrt(Math.max(0, apart))).with("betweenNegative", apart < 0);
    }

    private static Calculation movingRanges() {
        return new Calculation(
                "moving-ranges",
                "Moving ranges of a span, their limits, the scatter they tell, and which lie beyond",
                List.of(
                        required("values", NUMBERS, "", "in order, at least as many as the span")
                                .items(2, 10_000),
                        optional("span", WHOLE, "", "values a range; 2 unless given")
                                .in(2, 100),
                        optional("centre", WORD, "", Case.list(MovingRanges.Centre.class) + "; mean unless given")),
                "",
                "ISO 7870-2; factors of the range worked out for the span",
                Map.of("values", FLOW_RATES, "span", 3),
                given -> {
                    MovingRanges found = MovingRanges.of(
                            given.numbers("values"),
                            given.whole("span", 2),
                            given.word("centre", MovingRanges.Centre.class, MovingRanges.Centre.MEAN));
                    return Answer.of(found.sigma(), "", found.working())
                            .with("ranges", found.ranges())
                            .with("centre", found.centre())
                            .with("lower", found.lower())
                            .with("upper", found.upper())
                            .with(
                                    "beyond",
                                    where(
                                            found.ranges().size(),
                                            i -> Rounding.above(found.ranges().get(i), found.upper())
                                                    || Rounding.below(
                                                            found.ranges().get(i), found.lower())));
                });
    }

    private enum Limits {
        WIDENING,
        CONSTANT
    }

    private enum After {
        ON,
        ANEW
    }

    private static Calculation ewma() {
        return new Calculation(
                "ewma-chart",
                "Exponentially weighted moving averages point by point, with limits",
                List.of(
                        SERIES,
                        CENTRE,
                        SIGMA,
                        optional("lambda", NUMBER, "", "weight of the newest value; 0.2 unless given")
                                .in(0.001, 1),
                        optional("limit", NUMBER, "", "L; 3 unless given").above(0, 10),
                        optional("start", NUMBER, "", "where it begins; the centre unless given"),
                        optional("limits", WORD, "", Case.list(Limits.class) + "; widening unless given"),
                        AFTER),
                "",
                "Roberts 1959; Lucas and Saccucci 1990; ISO 7870-6",
                Map.of("values", FLOW_RATES, "centre", 50, "sigma", 1.6),
                ChartCalculations::ewmaOf);
    }

    private static boolean isAnew(Case given) {
        return given.word("after", After.class, After.ON) == After.ANEW;
    }

    private static Answer ewmaOf(Case given) {
        EwmaChart chart = EwmaChart.of(
                given.numbers("values"),
                new EwmaChart.Plan(
                        given.number("centre"),
                        given.number("sigma"),
                        given.number("lambda", 0.2),
                        given.number("limit", 3),
                        given.number("start", given.number("centre")),
                        given.word("limits", Limits.class, Limits.WIDENING) == Limits.WIDENING,
                        isAnew(given)));
        List<EwmaChart.Point> points = chart.points();
        List<Integer> beyond = where(points.size(), i -> points.get(i).isBeyond());
        return signals(beyond, chart.working())
                .with("z", points.stream().map(EwmaChart.Point::z).toList())
                .with("lower", points.stream().map(EwmaChart.Point::lower).toList())
                .with("upper", points.stream().map(EwmaChart.Point::upper).toList());
    }

    private static Calculation cusum() {
        return new Calculation(
                "cusum-chart",
                "Cumulated sums point by point, with signals and where the shift began",
                List.of(
                        SERIES,
                        CENTRE,
                        SIGMA,
                        optional("k", NUMBER, "", "allowance in sigma; 0.5 unless given")
                                .in(0, 10),
                        optional("h", NUMBER, "", "decision interval in sigma; 5 unless given")
                                .above(0, 400),
                        optional("start", NUMBER, "", "head start in sigma, up to h; 0 unless given")
                                .in(0, 400),
                        AFTER),
                "",
                "Page 1954; Lucas and Crosier 1982; ISO 7870-4",
                Map.of("values", FLOW_RATES, "centre", 50, "sigma", 1.6),
                ChartCalculations::cusumOf);
    }

    private static Answer cusumOf(Case given) {
        CusumChart chart = CusumChart.of(
                given.numbers("values"),
                new CusumChart.Plan(
                        given.number("centre"),
                        given.number("sigma"),
                        given.number("k", 0.5),
                        given.number("h", 5),
                        given.number("start", 0),
                        isAnew(given)));
        List<CusumChart.Point> points = chart.points();
        List<Integer> beyond = where(points.size(), i -> points.get(i).signal());
        return signals(beyond, chart.working())
                .with("upper", points.stream().map(CusumChart.Point::upper).toList())
                .with("lower", points.stream().map(CusumChart.Point::lower).toList())
                .with(
                        "upperSince",
                        points.stream().map(CusumChart.Point::upperSince).toList())
                .with(
                        "lowerSince",
                        points.stream().map(CusumChart.Point::lowerSince).toList());
    }

    private static Answer signals(List<Integer> beyond, Working working) {
        return new Answer(
                OptionalDouble.of(beyond.size()),
                "",
                beyond.isEmpty() ? "no signal" : "signals",
                Map.of("beyond", beyond),
                working.then(Step.of("points beyond", "", "", beyond.size())));
    }

    private static Calculation tSquared() {
        return new Calculation(
                "t-squared",
                "Hotelling's T² of lots with several characteristics, with limits for them and for a later lot",
                List.of(
                        required("values", NUMBERS, "", "lot by lot, its characteristics in one order")
                                .items(8, Input.MANY),
                        required("characteristics", WHOLE, "", "how many a lot has")
                                .in(2, 20),
                        optional("level", NUMBER, "", "beyond a limit without a cause; 0.0027 unless given")
                                .in(1e-6, 0.5),
                        optional("scatter", WORD, "", Case.list(TSquared.Scatter.class) + "; sample unless given")),
                "",
                "Tracy, Young and Mason 1992; Holmes and Mergen 1993 for neighbours",
                Map.of(
                        "values",
                        List.of(
                                54.1, 1.75, 55.3, 1.76, 53.9, 1.74, 54.8, 1.75, 55.9, 1.77, 56.4, 1.76, 55.2, 1.75,
                                56.8, 1.74),
                        "characteristics",
                        2),
                given -> {
                    TSquared found = TSquared.of(
                            rows(given.numbers("values"), given.whole("characteristics"))
                                    .toArray(new double[0][]),
                            given.number("level", 0.0027),
                            given.word("scatter", TSquared.Scatter.class, TSquared.Scatter.SAMPLE));
                    return Answer.of(found.limit(), "", found.working())
                            .with("values", found.values())
                            .with("drivers", found.drivers())
                            .with("laterLimit", found.later())
                            .with(
                                    "beyond",
                                    where(
                                            found.values().size(),
                                            i -> Rounding.above(found.values().get(i), found.limit())));
                });
    }

    private static Calculation capability() {
        return new Calculation(
                "capability",
                "Indices of a process beside the edges allowed, as it ran and as it could, with intervals",
                List.of(
                        required("values", NUMBERS, "", "in order").items(2, Input.MANY),
                        optional("lower", NUMBER, "", "least allowed"),
                        optional("upper", NUMBER, "", "most allowed"),
                        optional("target", NUMBER, "", "the middle of the edges unless given"),
                        optional(
                                        "n",
                                        WHOLE,
                                        "",
                                        "values a subgroup, which follow one another; by moving ranges unless given")
                                .in(2, 100),
                        optional("confidence", NUMBER, "", "two-sided; 0.95 unless given")
                                .in(0.5, 0.9999)),
                "",
                "ISO 22514-2; Bissell 1990 for the lesser of two",
                Map.of("values", FLOW_RATES, "lower", 44, "upper", 57, "n", 4),
                ChartCalculations::capability);
    }

    private static Answer capability(Case given) {
        double[] values = given.numbers("values");
        double confidence = given.number("confidence", 0.95);
        Capability overall = capability(given, Summary.of(values).sd().orElseThrow(), values.length - 1.0);
        Capability potential = potential(given);
        Capability.Index least = overall.least(confidence);
        Working working = Working.of(
                Step.of("mean", "x̄", "", overall.mean()),
                new Step("scatter of all values", "s", "", "n = " + values.length, overall.sigma(), "", "ISO 22514-2"),
                Step.of(
                        "scatter within",
                        "σ̂",
                        given.has("n") ? "√(mean of s²) of the subgroups" : "MR̄/d₂(2)",
                        potential.sigma(),
                        "ISO 7870-2"),
                Step.of("lesser index as it ran", "Ppk", "min(x̄ − L, U − x̄)/3s", least.value()),
                Step.of("share outside", "", "of a normal population", overall.shareOutside()));
        Answer told = index(Answer.of(least.value(), "", working), "ppk", Optional.of(least))
                .with("shareOutside", overall.shareOutside())
                .with("cpk", potential.least(confidence).value())
                .with("sd", overall.sigma())
                .with("withinSigma", potential.sigma());
        told = index(told, "ppl", overall.ofLower(confidence));
        told = index(told, "ppu", overall.ofUpper(confidence));
        told = index(told, "pp", overall.both(confidence));
        return twoEdges(told, given, overall, potential);
    }

    private static Answer twoEdges(Answer answer, Case given, Capability overall, Capability potential) {
        Optional<Capability.Index> could = potential.both(given.number("confidence", 0.95));
        if (could.isEmpty()) {
            return answer;
        }
        double middle = (given.number("lower") + given.number("upper")) / 2;
        Answer told = answer.withIfPresent("ppm", overall.aboutTarget(given.number("target", middle)));
        // Of σ̂ from moving ranges no interval is told: its distribution is not that of a standard deviation.
        return given.has("n")
                ? index(told, "cp", could)
                : told.with("cp", could.get().value());
    }

    private static Capability capability(Case given, double sigma, double freedom) {
        Summary all = Summary.of(given.numbers("values"));
        return new Capability(
                all.mean(), sigma, all.n(), freedom, given.optionalNumber("lower"), given.optionalNumber("upper"));
    }

    private static Capability potential(Case given) {
        double[] values = given.numbers("values");
        if (!given.has("n")) {
            return capability(given, IndividualsLimits.of(values, "").sigma(), values.length - 1.0);
        }
        List<double[]> groups = groups(given);
        double within = SubgroupLimits.of(groups, SubgroupLimits.Sigma.POOLED).sigma();
        return capability(given, within, values.length - (double) groups.size());
    }

    private static Answer index(Answer answer, String name, Optional<Capability.Index> found) {
        return found.map(index -> answer.with(name, index.value())
                        .with(name + "Low", index.low())
                        .with(name + "High", index.high()))
                .orElse(answer);
    }

    private static List<double[]> groups(Case given) {
        return rows(given.numbers("values"), given.whole("n"));
    }

    /** Values that follow one another, so many a row. */
    private static List<double[]> rows(double[] values, int each) {
        if (values.length % each != 0 || values.length < each) {
            throw new IllegalArgumentException(
                    values.length + " values do not make whole rows of " + each + "; leave none out");
        }
        return IntStream.range(0, values.length / each)
                .mapToObj(i -> Arrays.copyOfRange(values, i * each, (i + 1) * each))
                .toList();
    }

    private static List<Integer> where(int size, IntPredicate holds) {
        return IntStream.range(0, size).filter(holds).boxed().toList();
    }
}
