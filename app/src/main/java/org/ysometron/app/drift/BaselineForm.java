package org.ysometron.app.drift;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.drift.AverageChart;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.SumsChart;
import org.ysometron.core.working.Figures;

/**
 * A baseline as typed.
 *
 * @param rules names of the rules that are ticked; null where the form did not ask for them
 * @param lambda weight of the average that forgets
 * @param limit L of it
 * @param k allowance of the sums
 * @param h decision interval of the sums
 * @param start head start of the sums
 * @param seen whether what would no longer be raised was seen
 */
record BaselineForm(
        @Nullable String from,
        @Nullable String to,
        @Nullable String without,
        @Nullable String reason,
        @Nullable List<String> rules,
        @Nullable String lambda,
        @Nullable String limit,
        @Nullable String k,
        @Nullable String h,
        @Nullable String start,
        @Nullable String seen) {

    static final BaselineForm EMPTY = new BaselineForm("", "", "", "", null, null, null, null, null, null, "");

    /** Whether a rule is ticked; before anything was sent, whether it is in force. */
    public boolean isOn(String name, ChartRules inForce) {
        return rules == null ? isInForce(name, inForce) : rules.contains(name);
    }

    private static boolean isInForce(String name, ChartRules inForce) {
        return switch (name) {
            case ChartRules.AVERAGE -> inForce.average().isPresent();
            case ChartRules.SUMS -> inForce.sums().isPresent();
            default -> inForce.isOn(name);
        };
    }

    /** What stands in the field of one of the charts' numbers: as typed, else as in force, else as usual. */
    public String number(String field, ChartRules inForce) {
        AverageChart average = inForce.average().orElse(AverageChart.USUAL);
        SumsChart sums = inForce.sums().orElse(SumsChart.USUAL);
        return switch (field) {
            case "lambda" -> typed(lambda, average.lambda());
            case "limit" -> typed(limit, average.limit());
            case "k" -> typed(k, sums.k());
            case "h" -> typed(h, sums.h());
            default -> typed(start, sums.start());
        };
    }

    private static String typed(@Nullable String typed, double otherwise) {
        return typed == null ? Figures.plain(otherwise, 4) : typed;
    }

    /** The rules that are ticked, with the numbers typed beside them. */
    ChartRules chosen(ChartRules inForce, Problems problems) {
        List<String> ticked = rules == null ? List.of() : rules;
        try {
            ChartRules chosen = ChartRules.named(ticked.stream()
                    .filter(name -> !name.isEmpty())
                    .filter(name -> !name.equals(ChartRules.AVERAGE) && !name.equals(ChartRules.SUMS))
                    .toList());
            return chosen.with(
                    ticked.contains(ChartRules.AVERAGE) ? Optional.of(average(inForce, problems)) : Optional.empty(),
                    ticked.contains(ChartRules.SUMS) ? Optional.of(sums(inForce, problems)) : Optional.empty());
        } catch (IllegalArgumentException unknown) {
            throw new Refusal("rules", "There is no such rule; load the page again.");
        }
    }

    private AverageChart average(ChartRules inForce, Problems problems) {
        return new AverageChart(
                problems.entry("lambda", "The weight λ", number("lambda", inForce))
                        .between(
                                AverageChart.LEAST_LAMBDA,
                                AverageChart.MOST_LAMBDA,
                                AverageChart.USUAL.lambda(),
                                "0.2"),
                problems.entry("limit", "L", number("limit", inForce))
                        .between(
                                AverageChart.LEAST_LIMIT, AverageChart.MOST_LIMIT, AverageChart.USUAL.limit(), "2.96"));
    }

    private SumsChart sums(ChartRules inForce, Problems problems) {
        double allowance = problems.entry("k", "The allowance k", number("k", inForce))
                .between(SumsChart.LEAST_K, SumsChart.MOST_K, SumsChart.USUAL.k(), "0.5");
        double interval = problems.entry("h", "The interval h", number("h", inForce))
                .between(SumsChart.LEAST_H, SumsChart.MOST_H, SumsChart.USUAL.h(), "5");
        return new SumsChart(
                allowance,
                interval,
                problems.entry("start", "The head start", number("start", inForce))
                        .between(0, interval / 2, 0, Figures.plain(interval / 2, 4)));
    }
}
