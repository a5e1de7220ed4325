package org.ysometron.core.calculation;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** A diameter log's result as an answer; the same from a case and from a file. */
public final class DiameterLogAnswer {

    private DiameterLogAnswer() {}

    /** Lays out a result. */
    public static Answer of(DiameterLog.Result result, double nominal) {
        Map<String, Object> results = new LinkedHashMap<>();
        results.put("rows", result.rows());
        results.put("length", result.length());
        results.put("sd", result.sd());
        results.put("least", result.least().value());
        results.put("leastAt", result.least().at());
        results.put("greatest", result.greatest().value());
        results.put("greatestAt", result.greatest().at());
        results.put("ovalityMean", result.ovalityMean());
        results.put("ovalityGreatest", result.ovalityGreatest().value());
        results.put("ovalityGreatestAt", result.ovalityGreatest().at());
        results.put("shareOutside", result.shareOutside());
        results.put("longestRunOutside", result.longestRun().value());
        results.put("longestRunAt", result.longestRun().at());
        along(results, result);
        results.put("flowError", result.flowError());
        shape(results, result);
        if (!result.leftOut().isEmpty()) {
            results.put("leftOut", result.leftOut());
        }
        Working working = Working.of(
                new Step("mean diameter", "d̄", "mean of (x + y)/2 over readings", "", result.mean(), "mm", ""),
                new Step(
                        "mean along the length",
                        "",
                        "∫d dz/L, straight between readings",
                        "",
                        result.alongLength().mean(),
                        "mm",
                        ""),
                Step.of(
                        "volume-flow error",
                        "",
                        "mean of (d/d_nom)² − 1, d_nom = " + nominal + " mm",
                        result.flowError()));
        return new Answer(OptionalDouble.of(result.mean()), "mm", "computed", results, working);
    }

    private static void shape(Map<String, Object> results, DiameterLog.Result result) {
        step(results, "diameterStep", result.diameterStep());
        step(results, "ovalityStep", result.ovalityStep());
        result.wobble().ifPresent(wobble -> {
            results.put("wobbleWavelength", wobble.wavelength());
            results.put("wobbleAmplitude", wobble.amplitude());
        });
    }

    private static void along(Map<String, Object> results, DiameterLog.Result result) {
        results.put("lengthWeightedMean", result.alongLength().mean());
        results.put("quantiles", result.quantiles());
        for (int i = 0; i < 2; i++) {
            DiameterLog.Extremes axis = result.axes().get(i);
            String name = i == 0 ? "x" : "y";
            results.put(name + "Mean", axis.mean());
            results.put(name + "Sd", axis.sd());
            results.put(name + "Least", axis.least());
            results.put(name + "Greatest", axis.greatest());
        }
    }

    /** The same with the mass of a metre and of the whole, for a density in g/cm³. */
    static Answer withMass(Answer answer, DiameterLog.Result result, double density) {
        double linear = result.alongLength().linearDensity(density);
        double mass = result.alongLength().mass(density, result.length());
        Working working = answer.working()
                .then(Working.of(
                        new Step("mass of a metre", "", "ρ·π/4·∫d² dz/L", "", linear, "g/m", ""),
                        new Step("mass of the log", "", "", "", mass, "g", "")));
        return new Answer(answer.value(), answer.unit(), answer.outcome(), answer.results(), working)
                .with("linearDensity", linear)
                .with("mass", mass);
    }

    private static void step(Map<String, Object> results, String name, Optional<DiameterLog.Step> step) {
        step.ifPresent(found -> {
            results.put(name, found.change());
            results.put(name + "At", found.at());
        });
    }
}
