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
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.ysometron.core.drift.AverageChart;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.ChartTrial;
import org.ysometron.core.drift.ChartTrial.Change;
import org.ysometron.core.drift.ChartTrial.Extent;
import org.ysometron.core.drift.ChartTrial.Runs;
import org.ysometron.core.drift.ChartTrial.Setting;
import org.ysometron.core.drift.ChartTrial.Watch;
import org.ysometron.core.drift.CountChart;
import org.ysometron.core.drift.RunRule;
import org.ysometron.core.drift.ShortRun;
import org.ysometron.core.drift.SumsChart;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Charts on trial: what they would find, and what they would cry. */
final class TrialCalculations {

    private static final String SOURCE =
            "simulated, seeded; with known limits it meets the published run lengths (Champ and Woodall 1987, Page 1954)";

    private static final List<Input> INPUTS = List.of(
            optional("chart", WORD, "", Case.list(Chart.class) + "; rules unless given"),
            optional("rules", WORDS, "", Case.list(RunRule.class) + "; the usual two unless given"),
            optional("range", WORD, "", "on or off: a change from the lot before beyond its limit; on"),
            optional("spread", WORD, "", "on or off: a scatter within the lot beyond its limit; on"),
            optional("lambda", NUMBER, "", "weight of the EWMA; 0.2 unless given")
                    .in(AverageChart.LEAST_LAMBDA, AverageChart.MOST_LAMBDA),
            optional("limit", NUMBER, "", "L of the EWMA; 2.962 unless given")
                    .in(AverageChart.LEAST_LIMIT, AverageChart.MOST_LIMIT),
            optional("k", NUMBER, "", "allowance of the CUSUM; 0.5 unless given")
                    .in(SumsChart.LEAST_K, SumsChart.MOST_K),
            optional("h", NUMBER, "", "decision interval of the CUSUM; 5 unless given")
                    .in(SumsChart.LEAST_H, SumsChart.MOST_H),
            optional("start", NUMBER, "", "head start of the CUSUM, up to half of h; 0 unless given")
                    .in(0, SumsChart.MOST_H / 2),
            optional("baseline", WHOLE, "", "lots of the baseline, 0 for known limits; 20 unless given")
                    .in(0, 500),
            optional("baselineN", WHOLE, "", "n of its lots; 5 unless given").in(1, 100),
            optional("n", WHOLE, "", "n of the lots that are watched; 5 unless given")
                    .in(1, 100),
            optional("within", NUMBER, "", "share of a mean's variance from within lots; 0.5 unless given")
                    .in(0, 1),
            optional("step", NUMBER, "", "of the level, in standard deviations of a lot mean")
                    .in(-30, 30),
            optional("slope", NUMBER, "", "of the level by lot, in the same").in(-30, 30),
            optional("scatter", NUMBER, "", "ratio of the scatter within lots to before; 1 unless given")
                    .above(0, 30),
            optional("series", WHOLE, "", "simulated; 1000 unless given").in(1, 4_000),
            optional("most", WHOLE, "", "lots after which a chart is given up; 400 unless given")
                    .in(1, 1_000),
            optional("lots", WHOLE, "", "the share that signals within so many; 20 unless given")
                    .in(1, 10_000),
            optional("seed", WHOLE, "", "1 unless given").in(0, 1_000_000));

    private enum Chart {
        RULES,
        EWMA,
        CUSUM
    }

    private enum Whether {
        ON,
        OFF
    }

    private TrialCalculations() {}

    static List<Calculation> all() {
        return List.of(trial(), counts(), shortRun());
    }

    private static Calculation trial() {
        return new Calculation(
                "chart-trial",
                "Lots until charts signal, with limits estimated from a baseline, unchanged or after a change",
                INPUTS,
                "lots",
                SOURCE,
                Map.of("baseline", 20, "series", 200, "most", 200, "step", 1),
                TrialCalculations::trial);
    }

    private static Calculation counts() {
        return new Calculation(
                "count-chart",
                "Counts lot by lot, each set against the lots before it: p and u charts that are exact for few specimens",
                List.of(
                        required("counts", WHOLES, "", "how many were counted, in order")
                                .items(1, 2_000)
                                .in(0, 10_000),
                        required("sizes", WHOLES, "", "out of how many specimens, or on how much material")
                                .items(1, 2_000)
                                .in(1, 10_000),
                        optional("kind", WORD, "", Case.list(CountChart.Kind.class) + "; share unless given"),
                        optional("back", WHOLE, "", "lots before that a lot is set against; 40 unless given")
                                .in(1, 1_000)),
                "",
                "conditional tests of two proportions and of two rates (Fisher; Przyborowski and Wilenski 1940)",
                Map.of(
                        "counts", List.of(0, 1, 0, 0, 1, 0, 0, 0, 4, 1),
                        "sizes", List.of(5, 5, 5, 5, 5, 5, 5, 5, 5, 5)),
                TrialCalculations::counts);
    }

    private static Calculation shortRun() {
        return new Calculation(
                "short-run",
                "Few lots of a product, each as a deviation from the mean of those before it over the scatter of a family of products",
                List.of(
                        required("lots", NUMBERS, "", "means of the product's lots, in order of making")
                                .items(1, 500)
                                .above(0, 1e9),
                        required(
                                        "family",
                                        NUMBERS,
                                        "",
                                        "means of the lots of other products, one product after another")
                                .items(2, 5_000)
                                .above(0, 1e9),
                        required("sizes", WHOLES, "", "how many of these belong to each product")
                                .items(1, 500)
                                .in(1, 5_000)),
                "",
                "ISO 7870-8; Quesenberry 1991; von Neumann 1941",
                Map.of(
                        "lots", List.of(41.2, 40.1, 42.0, 33.0, 41.5),
                        "family", List.of(50.1, 51.9, 49.2, 50.6, 28.2, 27.5, 28.9, 28.0, 27.9),
                        "sizes", List.of(4, 5)),
                TrialCalculations::shortRun);
    }

    private static Answer shortRun(Case given) {
        double[] all = given.numbers("family");
        List<double[]> family = new ArrayList<>();
        int from = 0;
        for (int size : given.wholes("sizes")) {
            if (from + size > all.length) {
                throw new IllegalArgumentException("the sizes ask for more lots than the family has");
            }
            family.add(Arrays.copyOfRange(all, from, from + size));
            from += size;
        }
        if (from < all.length) {
            throw new IllegalArgumentException("the family has " + all.length + " lots, its products together " + from);
        }
        ShortRun.Family known = ShortRun.Family.of(family);
        ShortRun chart = ShortRun.of(given.numbers("lots"), known);
        List<ShortRun.Point> points = chart.points();
        int[] beyond = IntStream.range(0, points.size())
                .filter(i -> points.get(i).signal())
                .toArray();
        return Answer.of(beyond.length, "", chart.working())
                .with("sd", known.sd())
                .with("freedom", known.freedom())
                .with("over", points.stream().skip(1).map(ShortRun.Point::over).toList())
                .with("beyond", Arrays.stream(beyond).boxed().toList());
    }

    private static Answer counts(Case given) {
        CountChart chart = CountChart.of(
                given.wholes("counts"),
                given.wholes("sizes"),
                given.word("kind", CountChart.Kind.class, CountChart.Kind.SHARE),
                given.whole("back", 40));
        List<CountChart.Point> points = chart.points();
        int signals = (int) points.stream().filter(CountChart.Point::signal).count();
        return Answer.of(signals, "", chart.working())
                .with("shares", points.stream().map(CountChart.Point::share).toList())
                .with(
                        "limited",
                        IntStream.range(0, points.size())
                                .filter(i -> !Double.isNaN(points.get(i).limit()))
                                .boxed()
                                .toList())
                .with(
                        "limits",
                        points.stream()
                                .map(CountChart.Point::limit)
                                .filter(limit -> !limit.isNaN())
                                .toList())
                .with(
                        "beyond",
                        IntStream.range(0, points.size())
                                .filter(i -> points.get(i).signal())
                                .boxed()
                                .toList());
    }

    private static Answer trial(Case given) {
        int baseline = given.whole("baseline", 20);
        Setting setting =
                new Setting(baseline, given.whole("baselineN", 5), given.whole("n", 5), given.number("within", 0.5));
        Change change = new Change(given.number("step", 0), given.number("slope", 0), given.number("scatter", 1));
        Extent extent = new Extent(given.whole("series", 1000), given.whole("most", 400), given.whole("seed", 1));
        Runs runs = ChartTrial.of(watch(given), setting, change, extent);
        int lots = given.whole("lots", 20);
        return Answer.of(
                        runs.median(),
                        "lots",
                        Working.of(
                                Step.of("lots of the baseline", "k", "", baseline),
                                Step.of("series simulated", "", "", extent.series()),
                                Step.of("share that signals within " + lots + " lots", "", "", runs.share(lots)),
                                Step.of("never within " + extent.most() + " lots", "", "", runs.never()),
                                Step.of("half have signalled within", "", "median of the run lengths", runs.median())))
                .with("share", runs.share(lots))
                .with("quarter", runs.within(0.25))
                .with("threeQuarters", runs.within(0.75))
                .with("mean", runs.mean())
                .with("never", runs.never());
    }

    private static Watch watch(Case given) {
        return switch (given.word("chart", Chart.class, Chart.RULES)) {
            case RULES -> ChartTrial.byRules(rules(given));
            case EWMA ->
                ChartTrial.byRules(
                        ChartRules.of(new AverageChart(given.number("lambda", 0.2), given.number("limit", 2.962))));
            case CUSUM ->
                ChartTrial.byRules(ChartRules.of(
                        new SumsChart(given.number("k", 0.5), given.number("h", 5), given.number("start", 0))));
        };
    }

    private static ChartRules rules(Case given) {
        List<RunRule> chosen = given.words("rules", RunRule.class);
        Set<RunRule> runs = chosen.isEmpty() ? RunRule.USUAL : EnumSet.copyOf(chosen);
        return new ChartRules(
                runs,
                given.word("range", Whether.class, Whether.ON) == Whether.ON,
                given.word("spread", Whether.class, Whether.ON) == Whether.ON);
    }
}
