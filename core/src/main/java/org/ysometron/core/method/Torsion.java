package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Torsion of a solid round rod. Nominal shear stress at the surface: τ = 16·T/(π·d³) with the largest torque; the elastic formula past
 * yield is nominal. The torque at 90° is read where the stroke passes 90°: a rod that broke before has none, not zero. 1 N·m =
 * 1000 N·mm.
 */
@AutoService(Method.class)
public final class Torsion extends Method {

    private static final double MM_PER_M = 1000;
    private static final double ANGLE = 90;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double diameter = readings.number("diameter");
        double torque = readings.number("torque");
        double angle = readings.number("angle");
        double stress = 16 * torque * MM_PER_M / (Math.PI * Math.pow(diameter, 3));
        Working size = Working.of(
                step("mean diameter", "d", "mean of the readings", diameter, "mm", "", readings.all("diameter")));
        Working stressed = size.then(step("largest torque", "T", "", torque, "N·m", ""))
                .then(step(
                        "nominal shear stress at the surface",
                        "τ",
                        "16·T/(π·d³)",
                        stress,
                        "MPa",
                        "mechanics handbook, solid round bar, elastic",
                        torque,
                        diameter))
                .then(Step.note("nominal", "past yield the elastic formula gives a nominal stress"));
        return Map.of(
                "torsion-strength",
                Figure.of(stress, stressed),
                "torque-at-90",
                atNinety(readings.mean("torque-90"), angle),
                "turns-to-failure",
                Figure.of(
                        angle / 360,
                        Working.of(
                                step("angle at the end", "φ", "", angle, "°", ""),
                                step("turns to failure", "", "φ/360°", angle / 360, "", "", angle))));
    }

    private static Figure atNinety(OptionalDouble read, double angle) {
        Working reached = Working.of(step("angle at the end", "φ", "", angle, "°", ""));
        if (angle < ANGLE) {
            return Figure.none("it broke before 90°: there is no torque at 90°", reached);
        }
        return read.isEmpty()
                ? Figure.none("the torque at 90° was not read", reached)
                : Figure.of(
                        read.getAsDouble(),
                        reached.then(step("torque at 90°", "T₉₀", "as read", read.getAsDouble(), "N·m", "")));
    }
}
