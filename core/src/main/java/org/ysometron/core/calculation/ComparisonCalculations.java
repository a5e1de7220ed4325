package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WHOLES;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.statistics.Dixon;
import org.ysometron.core.statistics.Dunnett;
import org.ysometron.core.statistics.OneWay;
import org.ysometron.core.statistics.Outliers;
import org.ysometron.core.statistics.Quantiles;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.TTest;
import org.ysometron.core.statistics.Trend;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Values beside values: means, scatters, trends, and what lies far out. */
final class ComparisonCalculations {

    private static final Input VALUES =
            required("values", NUMBERS, "", "of one unit").items(2, 10_000);

    private enum Kind {
        ONE_SAMPLE,
        PAIRED,
        POOLED,
        WELCH
    }

    private enum Alternative {
        TWO_SIDED,
        GREATER,
        LESS
    }

    private enum Side {
        TWO_SIDED,
        GREATER
    }

    private ComparisonCalculations() {}

    static List<Calculation> all() {
        return List.of(tTest(), oneWay(), dunnett(), trend(), outliers(), dixon(), quantile());
    }

    private static Calculation tTest() {
        return new Calculation(
                "t-test",
                "Student's t test of one mean, of pairs or of two means, with the interval of the difference",
                List.of(
                        VALUES,
                        optional("others", NUMBERS, "", "the other side of pairs or of two means")
                                .items(2, 10_000),
                        required("kind", WORD, "", Case.list(Kind.class)),
                        optional("hypothesis", NUMBER, "", "mean of one sample; 0 unless given"),
                        optional("alternative", WORD, "", Case.list(Alternative.class) + "; two-sided unless given"),
                        optional("confidence", NUMBER, "", "of the two-sided interval; 0.95 unless given")
                                .in(0.5, 0.9999)),
                "",
                "ISO 2854; Welch 1947 for unequal variances",
                Map.of(
                        "values", List.of(55.1, 54.2, 56.0, 55.5, 54.9),
                        "others", List.of(54.0, 53.1, 54.6, 54.4, 53.5),
                        "kind", "welch"),
                ComparisonCalculations::tTest);
    }

    private static Answer tTest(Case given) {
        Kind kind = given.word("kind", Kind.class, Kind.WELCH);
        if ((kind == Kind.ONE_SAMPLE) == given.has("others")) {
            throw new IllegalArgumentException(
                    kind == Kind.ONE_SAMPLE ? "one sample has no others" : "others are needed beside the values");
        }
        double[] values = given.numbers("values");
        double[] others = given.numbers("others");
        TTest test =
                switch (kind) {
                    case ONE_SAMPLE -> TTest.ofOne(Summary.of(values), given.number("hypothesis", 0));
                    case PAIRED -> TTest.ofPairs(values, others);
                    case POOLED -> TTest.pooled(Summary.of(values), Summary.of(others));
                    case WELCH -> TTest.welch(Summary.of(values), Summary.of(others));
                };
        double p =
                switch (given.word("alternative", Alternative.class, Alternative.TWO_SIDED)) {
                    case TWO_SIDED -> test.twoSided();
                    case GREATER -> test.greater();
                    case LESS -> 1 - test.greater();
                };
        double half = test.half(given.number("confidence", 0.95));
        Working working = Working.of(
                Step.of("difference", "d", "", test.difference()),
                Step.of("standard error", "u", "", test.standardError()),
                Step.of("degrees of freedom", "ν", "", test.degreesOfFreedom()),
                Step.of("statistic", "t", "d/u", test.t()),
                Step.of("probability without a difference", "p", "Student's t", p, "ISO 2854"));
        return Answer.of(test.t(), "", working)
                .with("p", p)
                .with("difference", test.difference())
                .with("degreesOfFreedom", test.degreesOfFreedom())
                .with("lower", test.difference() - half)
                .with("upper", test.difference() + half);
    }

    private static Calculation oneWay() {
        return new Calculation(
                "one-way",
                "Groups beside one another: means, components of variance, scatters, and pairs of means",
                List.of(
                        VALUES,
                        required("groups", WHOLES, "", "number of the group of each value, same length")
                                .items(4, 10_000)),
                "",
                "ISO 5725-2; Welch 1951; Bartlett 1937; Brown and Forsythe 1974; Tukey and Kramer",
                Map.of(
                        "values", List.of(54.1, 55.3, 53.9, 54.8, 55.9, 56.4, 55.2, 56.8, 53.0, 54.2),
                        "groups", List.of(1, 1, 1, 1, 2, 2, 2, 2, 3, 3)),
                ComparisonCalculations::oneWay);
    }

    private static Answer oneWay(Case given) {
        Map<Integer, double[]> byGroup = byGroup(given);
        if (byGroup.size() > 30) {
            throw new IllegalArgumentException("at most 30 groups are compared with one another");
        }
        OneWay groups = new OneWay(List.copyOf(byGroup.values()));
        OneWay.Test anova = groups.anova();
        Working working = Working.of(
                Step.of("variance within groups", "s²", "MS_within", groups.withinVariance()),
                Step.of(
                        "variance that the groups add",
                        "",
                        "(MS_between − MS_within)/n₀; below zero it is taken as zero",
                        groups.betweenVariance(),
                        "ISO 5725-2"),
                Step.of("statistic", "F", "MS_between/MS_within", anova.statistic()),
                Step.of("probability without a difference", "p", "P(F' ≥ F)", anova.p()));
        Answer answer = Answer.of(anova.statistic(), "", working)
                .with("p", anova.p())
                .with("withinVariance", groups.withinVariance())
                .with("betweenVariance", Math.max(0, groups.betweenVariance()))
                .with("betweenNegative", groups.betweenVariance() < 0)
                .with("intraclassCorrelation", groups.intraclassCorrelation())
                .with("brownForsythe", groups.brownForsythe().p())
                .with("pairs", pairs(groups, byGroup));
        try {
            return answer.with("welch", groups.welch().p())
                    .with("welchF", groups.welch().statistic())
                    .with("bartlett", groups.bartlett().p());
        } catch (IllegalArgumentException alike) {
            return answer.with("notTested", "a group is alike: no Welch, no Bartlett");
        }
    }

    private static List<Object> pairs(OneWay groups, Map<Integer, double[]> byGroup) {
        List<Integer> names = List.copyOf(byGroup.keySet());
        List<Object> pairs = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            for (int j = i + 1; j < names.size(); j++) {
                pairs.add(Answer.inOrder("first", names.get(i), "second", names.get(j), "p", groups.tukey(i, j)));
            }
        }
        return pairs;
    }

    /** The values of each group, groups in the order they are met. */
    static Map<Integer, double[]> byGroup(Case given) {
        double[] values = given.numbers("values");
        int[] numbers = given.wholes("groups");
        if (values.length != numbers.length) {
            throw new IllegalArgumentException("values and groups need the same length");
        }
        Map<Integer, List<Double>> found = new LinkedHashMap<>();
        for (int i = 0; i < values.length; i++) {
            found.computeIfAbsent(numbers[i], group -> new ArrayList<>()).add(values[i]);
        }
        Map<Integer, double[]> groups = new LinkedHashMap<>();
        found.forEach((number, group) -> groups.put(
                number, group.stream().mapToDouble(Double::doubleValue).toArray()));
        return groups;
    }

    private static Calculation dunnett() {
        return new Calculation(
                "dunnett",
                "Groups beside one reference group, the chance of an error shared by all comparisons",
                List.of(
                        VALUES,
                        required("groups", WHOLES, "", "number of the group of each value, same length")
                                .items(2, 10_000),
                        required("reference", WHOLE, "", "number of the reference group"),
                        optional("alternative", WORD, "", Case.list(Side.class) + "; two-sided unless given"),
                        optional("confidence", NUMBER, "", "of all intervals together; 0.95 unless given")
                                .in(0.5, 0.9999)),
                "",
                "Dunnett 1955, exact for any sizes",
                Map.of(
                        "values", List.of(54.1, 55.3, 53.9, 54.8, 55.9, 56.4, 55.2, 56.8, 53.0, 54.2),
                        "groups", List.of(1, 1, 1, 1, 2, 2, 2, 2, 3, 3),
                        "reference", 1),
                ComparisonCalculations::dunnett);
    }

    private static Answer dunnett(Case given) {
        Map<Integer, double[]> groups = new LinkedHashMap<>(byGroup(given));
        double[] reference = groups.remove(given.whole("reference"));
        if (reference == null) {
            throw new IllegalArgumentException("no value belongs to the reference group");
        }
        boolean both = given.word("alternative", Side.class, Side.TWO_SIDED) == Side.TWO_SIDED;
        Dunnett test = new Dunnett(reference, List.copyOf(groups.values()), both);
        double critical = test.critical(given.number("confidence", 0.95));
        List<Object> rows = new ArrayList<>();
        List<Integer> names = List.copyOf(groups.keySet());
        List<Dunnett.Comparison> comparisons = test.comparisons(critical);
        for (int i = 0; i < names.size(); i++) {
            Dunnett.Comparison found = comparisons.get(i);
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("group", names.get(i));
            row.put("difference", found.difference());
            row.put("t", found.t());
            row.put("p", found.p());
            row.put("lower", found.lower());
            if (both) {
                row.put("upper", found.upper());
            }
            rows.add(row);
        }
        Working working = Working.of(
                new Step("scatter within groups", "s", "", "ν = " + test.freedom(), test.sd(), "", ""),
                Step.of(
                        "critical value",
                        "d",
                        both ? "P(all |T| ≤ d) = γ" : "P(all T ≤ d) = γ",
                        critical,
                        "Dunnett 1955"));
        return Answer.of(critical, "", working).with("comparisons", rows);
    }

    private static Calculation dixon() {
        return new Calculation(
                "dixon",
                "Gap over range of the value farthest out among few, with its exact probability",
                List.of(
                        required("values", NUMBERS, "", "of one unit").items(3, 100),
                        optional(
                                "ratio",
                                WORD,
                                "",
                                Case.list(Dixon.Ratio.class) + "; the customary one for so many values unless given")),
                "",
                "Dixon 1950 and 1951; the probability worked out, doubled for both sides",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 49.0)),
                given -> {
                    double[] values = given.numbers("values");
                    Dixon.Ratio ratio = given.word("ratio", Dixon.Ratio.class, Dixon.Ratio.usual(values.length));
                    Dixon found = Dixon.of(values, ratio);
                    Working working = Working.of(
                            Step.of(
                                    "gap over range",
                                    ratio.name().toLowerCase(Locale.ROOT),
                                    "",
                                    found.ratio(),
                                    "Dixon 1951"),
                            Step.of("probability without an outlier", "p", "two-sided", found.p(), "Dixon 1951"));
                    return Answer.of(found.ratio(), "", working)
                            .with("p", found.p())
                            .with("index", found.index())
                            .with("side", found.high() ? "largest" : "smallest");
                });
    }

    private static Calculation trend() {
        return new Calculation(
                "trend",
                "A straight line by least squares, the median of all slopes, and the test of the order alone",
                List.of(
                        required("x", NUMBERS, "", "not all alike").items(3, 2000),
                        required("y", NUMBERS, "", "as many").items(3, 2000)),
                "",
                "least squares; Theil 1950 and Sen 1968; Mann 1945 and Kendall 1975, with ties",
                Map.of("x", List.of(1, 2, 3, 4, 5, 6), "y", List.of(54.1, 54.0, 53.6, 53.7, 53.1, 52.8)),
                ComparisonCalculations::trendOf);
    }

    private static Answer trendOf(Case given) {
        Trend line = Trend.of(given.numbers("x"), given.numbers("y"));
        return Answer.of(
                        line.slope(),
                        "",
                        Working.of(
                                Step.of("slope", "b", "Σ(x−x̄)(y−ȳ)/Σ(x−x̄)²", line.slope()),
                                Step.of("standard error of the slope", "", "s/√Σ(x−x̄)²", line.slopeError()),
                                Step.of("median of all slopes", "", "", line.medianSlope(), "Theil and Sen"),
                                Step.of("rising less falling pairs", "S", "", (double) line.s(), "Mann and Kendall")))
                .with("intercept", line.intercept())
                .with("slopeError", line.slopeError())
                .with("interceptError", line.interceptError())
                .with("residual", line.residual())
                .with("rSquared", line.determination())
                .with("p", line.p())
                .with("medianSlope", line.medianSlope())
                .with("s", line.s())
                .with("z", line.z())
                .with("orderP", line.orderP());
    }

    private static Calculation outliers() {
        return new Calculation(
                "outliers",
                "Values that lie farther out than a normal population lets expect: flags, never deletions",
                List.of(
                        required("values", NUMBERS, "", "of one unit").items(3, 2000),
                        optional("most", WHOLE, "", "suspects looked for at the most; 1 unless given")
                                .in(1, 50),
                        optional("level", NUMBER, "", "two-sided; 0.05 unless given")
                                .in(0.0001, 0.5)),
                "",
                "Grubbs 1969; generalised ESD, Rosner 1983 (ISO 16269-4); modified z of Iglewicz and Hoaglin 1993",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9, 49.0)),
                ComparisonCalculations::outliers);
    }

    private static Answer outliers(Case given) {
        double[] values = given.numbers("values");
        List<Outliers.Step> steps = Outliers.search(values, given.whole("most", 1), given.number("level", 0.05));
        List<Object> rows = new ArrayList<>();
        int flagged = 0;
        for (Outliers.Step step : steps) {
            rows.add(Answer.inOrder("index", step.index(), "statistic", step.statistic(), "critical", step.critical()));
            flagged = step.isBeyond() ? rows.size() : flagged;
        }
        double median = Quantiles.median(values);
        double spread = Quantiles.medianDeviation(values);
        List<Double> scores = spread > 0
                ? Arrays.stream(values).mapToObj(x -> (x - median) / spread).toList()
                : List.of();
        Working working = Working.of(
                Step.of("farthest out", "G", "max |x − x̄|/s", steps.get(0).statistic(), "Grubbs 1969"),
                Step.of(
                        "compared with",
                        "",
                        "(n−1)/√n·√(t²/(n−2+t²)), t at α/2n",
                        steps.get(0).critical(),
                        "Rosner 1983"),
                Step.of("flagged", "", "as many as the last step whose statistic is beyond", flagged, "Rosner 1983"));
        return new Answer(
                OptionalDouble.of(flagged),
                "flagged",
                flagged == 0 ? "none lies out" : "flagged",
                Answer.inOrder("steps", rows, "median", median, "medianDeviation", spread, "modifiedZ", scores),
                working);
    }

    private static Calculation quantile() {
        return new Calculation(
                "quantile",
                "Median or another quantile, and the median absolute deviation",
                List.of(
                        required("values", NUMBERS, "", "of one unit").items(1, Input.MANY),
                        optional("share", NUMBER, "", "0.5, the median, unless given")
                                .in(0, 1),
                        optional("definition", WHOLE, "", "4 to 9 of Hyndman and Fan; 7 unless given")
                                .in(4, 9)),
                "",
                "Hyndman and Fan 1996; definition 7 is linear between order statistics at 1 + (n − 1)·p",
                Map.of("values", List.of(55.1, 54.2, 56.0, 55.5, 54.9)),
                given -> {
                    double share = given.number("share", 0.5);
                    int definition = given.whole("definition", 7);
                    double found = Quantiles.of(share, definition, given.numbers("values"));
                    double spread = Quantiles.medianDeviation(given.numbers("values"));
                    return Answer.of(
                                    found,
                                    "",
                                    Working.of(
                                            Step.of(
                                                    "quantile",
                                                    "",
                                                    "linear between order statistics",
                                                    found,
                                                    "definition " + definition),
                                            Step.of(
                                                    "median absolute deviation",
                                                    "",
                                                    "1.4826·median |x − median|",
                                                    spread)))
                            .with("medianDeviation", spread);
                });
    }
}
