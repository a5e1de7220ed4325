package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Bending of a rectangular bar on two supports (ISO 178): σ = 3·F·L/(2·b·h²), ε = 6·s·h/L² and E = L³/(4·b·h³)·ΔF/Δs between two
 * loads whose strains lie in 0.0005 to 0.0025, as the standard pins it; a pair outside it gives no such modulus.
 */
@AutoService(Method.class)
public final class ThreePointBending extends Method {

    private static final String SOURCE = "ISO 178";
    private static final double LEAST_STRAIN = 0.0005;
    private static final double MOST_STRAIN = 0.0025;

    /** Of the window's edges: a reading on the edge is inside, whatever its double. */
    private static final double ROUNDING = 1e-9;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Bar bar = new Bar(readings.number("width"), readings.number("thickness"), pinned.value("span"));
        Working sizes = Working.of(
                step("mean width", "b", "mean of the readings", bar.b, "mm", "", readings.all("width")),
                step("mean thickness", "h", "mean of the readings", bar.h, "mm", "", readings.all("thickness")),
                step("span", "L", "pinned", bar.span, "mm", ""));
        return Map.of(
                "flexural-strength",
                strength(bar, readings.number("force"), sizes),
                "flexural-strain-at-break",
                strain(bar, readings.mean("travel"), sizes),
                "flexural-modulus",
                readings.mean("slope").isPresent()
                        ? recorded(bar, readings.number("slope"), "flexural modulus", sizes)
                        : modulus(bar, readings, sizes),
                "flexural-apparent-modulus",
                readings.mean("apparent-slope").isPresent()
                        ? recorded(bar, readings.number("apparent-slope"), "apparent flexural modulus", sizes)
                        : Figure.none("no record gave its slope", sizes));
    }

    private record Bar(double b, double h, double span) {

        double strain(double deflection) {
            return 6 * deflection * h / (span * span);
        }

        double modulus(double slope) {
            return Math.pow(span, 3) / (4 * b * Math.pow(h, 3)) * slope;
        }
    }

    private static Figure strength(Bar bar, double force, Working sizes) {
        double stress = 3 * force * bar.span / (2 * bar.b * bar.h * bar.h);
        return Figure.of(
                stress,
                sizes.then(step("largest force", "F", "", force, "N", ""))
                        .then(step(
                                "flexural strength", "σ", "3·F·L/(2·b·h²)", stress, "MPa", SOURCE, force, bar.span)));
    }

    private static Figure strain(Bar bar, OptionalDouble travel, Working sizes) {
        if (travel.isEmpty()) {
            return Figure.none("the deflection at break was not read", sizes);
        }
        double deflection = travel.getAsDouble();
        double strain = bar.strain(deflection);
        return Figure.of(
                strain,
                sizes.then(step("deflection at break", "s", "", deflection, "mm", ""))
                        .then(step(
                                "strain at break", "ε", "6·s·h/L²", strain, "", SOURCE, deflection, bar.h, bar.span)));
    }

    /** From the slope of a record between strains of the outer fibre of 0.0005 and 0.0025. */
    private static Figure recorded(Bar bar, double slope, String title, Working sizes) {
        double modulus = bar.modulus(slope);
        return Figure.of(
                modulus,
                sizes.then(step("slope of the record", "ΔF/Δs", "", slope, "N/mm", ""))
                        .then(step(title, "E", "L³/(4·b·h³)·ΔF/Δs", modulus, "MPa", SOURCE, slope))
                        .then(Step.note("window", "strains 0.0005 to 0.0025 of the outer fibre")));
    }

    private static Figure modulus(Bar bar, Readings readings, Working sizes) {
        double[] forces = readings.all("slope-force");
        double[] deflections = readings.all("slope-deflection");
        if (forces.length != 2 || deflections.length != 2) {
            return Figure.none("a modulus needs two loads, each with its deflection", sizes);
        }
        double low = bar.strain(deflections[0]);
        double high = bar.strain(deflections[1]);
        if (low < LEAST_STRAIN * (1 - ROUNDING) || high > MOST_STRAIN * (1 + ROUNDING) || !(high > low)) {
            return Figure.none(
                    "the pair does not rise within the strains 0.0005 to 0.0025: it gives a slope, not this modulus",
                    sizes.then(step("strains of the pair", "ε", "6·s·h/L²", high, "", SOURCE, low, high)));
        }
        double slope = (forces[1] - forces[0]) / (deflections[1] - deflections[0]);
        double modulus = bar.modulus(slope);
        if (!(modulus > 0)) {
            return Figure.none("the force does not rise with the deflection", sizes);
        }
        return Figure.of(
                modulus,
                sizes.then(step(
                                "slope",
                                "ΔF/Δs",
                                "between the pair",
                                slope,
                                "N/mm",
                                "",
                                forces[0],
                                forces[1],
                                deflections[0],
                                deflections[1]))
                        .then(step("flexural modulus", "E", "L³/(4·b·h³)·ΔF/Δs", modulus, "MPa", SOURCE, slope))
                        .then(Step.note("window", "strains 0.0005 to 0.0025 of the outer fibre")));
    }
}
