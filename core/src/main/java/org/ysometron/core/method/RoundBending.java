package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Bending of a round bar on two supports: σ = 8·F·L/(π·d³) at the largest force, and E = 4·L³/(3·π·d⁴)·ΔF/Δs between two loads (beam
 * theory, any mechanics handbook).
 */
@AutoService(Method.class)
public final class RoundBending extends Method {

    private static final String SOURCE = "beam theory, mechanics handbook";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double d = readings.number("diameter");
        double span = pinned.value("span");
        double force = readings.number("force");
        double stress = 8 * force * span / (Math.PI * Math.pow(d, 3));
        Working sizes = Working.of(
                step("mean diameter", "d", "mean of the readings", d, "mm", "", readings.all("diameter")),
                step("span", "L", "pinned", span, "mm", ""));
        return Map.of(
                "round-flexural-strength",
                Figure.of(
                        stress,
                        sizes.then(step("largest force", "F", "", force, "N", ""))
                                .then(step(
                                        "flexural strength", "σ", "8·F·L/(π·d³)", stress, "MPa", SOURCE, force, span))),
                "round-flexural-modulus",
                modulus(readings, d, span, sizes));
    }

    private static Figure modulus(Readings readings, double d, double span, Working sizes) {
        if (readings.mean("slope").isPresent()) {
            return modulus(readings.number("slope"), "of the record", d, span, sizes);
        }
        double[] forces = readings.all("slope-force");
        double[] deflections = readings.all("slope-deflection");
        if (forces.length != 2 || deflections.length != 2) {
            return Figure.none("a modulus needs two loads, each with its deflection", sizes);
        }
        double slope = (forces[1] - forces[0]) / (deflections[1] - deflections[0]);
        return modulus(slope, "between the pair", d, span, sizes);
    }

    private static Figure modulus(double slope, String from, double d, double span, Working sizes) {
        double modulus = 4 * Math.pow(span, 3) / (3 * Math.PI * Math.pow(d, 4)) * slope;
        return !(modulus > 0)
                ? Figure.none("the force does not rise with the deflection", sizes)
                : Figure.of(
                        modulus,
                        sizes.then(step("slope", "ΔF/Δs", from, slope, "N/mm", ""))
                                .then(step(
                                        "flexural modulus",
                                        "E",
                                        "4·L³/(3·π·d⁴)·ΔF/Δs",
                                        modulus,
                                        "MPa",
                                        SOURCE,
                                        slope)));
    }
}
