package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Temperature at which a loaded bar moves by a pinned criterion, heated in steps: between the last that it held and the first at which
 * it moved. Surface stress on two supports 3·F·L/(2·b·h²), as a cantilever 6·F·L/(b·h²), in tension F/(b·h), with F = m·g, stands
 * beside ISO 75's 0.45 and 1.8 MPa: what is stressed otherwise answers no claim by ISO 75. Nominal for what is not solid.
 */
@AutoService(Method.class)
public final class HeatUnderLoad extends Method {

    private static final double[] OF_ISO_75 = {0.45, 1.8};

    /** Of the stress: nearer than this it is the standard's (common practice, no source). */
    private static final double NEAR = 0.05;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        return Map.of("heat-onset", onset(readings), "heat-surface-stress", stress(readings, pinned.value("span")));
    }

    private static Figure onset(Readings readings) {
        double held = readings.number("held");
        OptionalDouble moved = readings.mean("moved");
        Working steps = Working.of(step("last temperature that it held", "T₁", "as read", held, "°C", ""));
        return moved.isEmpty()
                ? Figure.above(held, steps)
                : Figure.between(
                        held,
                        moved.getAsDouble(),
                        steps.then(
                                step("first at which it moved", "T₂", "T₁ < T ≤ T₂", moved.getAsDouble(), "°C", "")));
    }

    private static Figure stress(Readings readings, double span) {
        double b = readings.number("width");
        double h = readings.number("thickness");
        double force = weight(readings.number("mass"));
        String fixture = readings.choice("fixture").orElse("supports");
        double[] numbers = fixture.equals("tension") ? new double[] {b, h} : new double[] {span, b, h};
        double stress =
                switch (fixture) {
                    case "cantilever" -> 6 * force * span / (b * h * h);
                    case "tension" -> force / (b * h);
                    default -> 3 * force * span / (2 * b * h * h);
                };
        String formula =
                switch (fixture) {
                    case "cantilever" -> "6·F·L/(b·h²)";
                    case "tension" -> "F/(b·h)";
                    default -> "3·F·L/(2·b·h²)";
                };
        Working working = Working.of(
                step("load", "F", "m·g", force, "N", "g = 9.80665 m/s²", readings.number("mass")),
                step("surface stress", "σ", formula, stress, "MPa", "ISO 75-1, mechanics handbook", numbers));
        for (double standard : OF_ISO_75) {
            if (Math.abs(stress / standard - 1) <= NEAR) {
                return Figure.of(stress, working.then(Step.note("beside ISO 75", "that of " + standard + " MPa")));
            }
        }
        return Figure.of(
                stress,
                working.then(Step.note("beside ISO 75", "neither 0.45 nor 1.8 MPa: no claim by it is answered")));
    }
}
