package org.ysometron.app.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.ysometron.app.intake.Reduced.Fact;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.working.Figures;

/** A diameter log's result in lines for people. */
final class LogFacts {

    private LogFacts() {}

    static List<Fact> of(Logs.LogView log, DiameterLog.Result result) {
        List<Fact> facts = new ArrayList<>();
        facts.add(Fact.of(
                "readings",
                String.format(Locale.ENGLISH, "%,d", result.rows()).replace(',', ' ') + " over "
                        + LogChart.length(result.length())));
        facts.add(Fact.of("mean diameter", mm(result.mean()) + ", s " + mm(result.sd())));
        facts.add(Fact.of(
                "extremes",
                mm(result.least().value()) + " at "
                        + LogChart.length(result.least().at()) + ", "
                        + mm(result.greatest().value()) + " at "
                        + LogChart.length(result.greatest().at())));
        facts.add(Fact.of(
                "ovality",
                "mean " + mm(result.ovalityMean()) + ", largest "
                        + mm(result.ovalityGreatest().value())));
        facts.add(new Fact(
                "outside ± " + Figures.plain(log.tolerance(), 3) + " mm",
                Figures.decimals(100 * result.shareOutside(), 2) + " % of the length"
                        + (result.longestRun().value() > 0
                                ? ", the longest run "
                                        + LogChart.length(result.longestRun().value()) + " from "
                                        + LogChart.length(result.longestRun().at())
                                : ""),
                result.shareOutside() > 0.001));
        facts.add(Fact.of("volume fed", signed(100 * result.flowError(), 2) + " % against nominal"));
        result.diameterStep()
                .ifPresent(step -> facts.add(
                        new Fact("step", signed(step.change(), 3) + " mm at " + LogChart.length(step.at()), true)));
        result.ovalityStep()
                .ifPresent(step -> facts.add(new Fact(
                        "step of the ovality",
                        signed(step.change(), 3) + " mm at " + LogChart.length(step.at()),
                        true)));
        facts.add(result.wobble()
                .map(wobble -> Fact.of(
                        "wobble",
                        "every " + LogChart.length(wobble.wavelength()) + ", ±"
                                + Figures.decimals(1000 * wobble.amplitude(), 1) + " µm"))
                .orElse(Fact.of("wobble", result.leftOut().isEmpty() ? "none that stands out" : result.leftOut())));
        return facts;
    }

    private static String mm(double value) {
        return Figures.decimals(value, 4) + " mm";
    }

    private static String signed(double value, int decimals) {
        return (value > 0 ? "+" : "") + Figures.decimals(value, decimals);
    }
}
