package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Impact by a pendulum on a notched or plain bar: W = m·g·(h_free − h_after), a = W/(b·h_net). Heights are read directly, or follow
 * from the angles of the swing: h = R·(1 − cos θ). The free swing is that of the day, so that air and bearings are in it. Source:
 * ISO 179-1 for the ends and the section, ISO 13802 for the machine; g = 9.80665 m/s² by definition. 1 kJ/m² = 1 mJ/mm².
 */
@AutoService(Method.class)
public final class PendulumImpact extends Method {

    private static final double MM_PER_M = 1000;
    private static final double MJ_PER_J = 1000;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        OptionalDouble free = height(readings, "free", pinned);
        OptionalDouble after = height(readings, "after", pinned);
        if (free.isEmpty() || after.isEmpty()) {
            return none("both swings are needed, each by its height or by its angle", Working.NONE);
        }
        double fall = free.getAsDouble() - after.getAsDouble();
        double mass = pinned.value("mass");
        Working swings = Working.of(
                step("height of the free swing", "h₀", how(readings, "free"), free.getAsDouble(), "mm", ""),
                step("height after the blow", "h₁", how(readings, "after"), after.getAsDouble(), "mm", ""));
        if (!(fall > 0)) {
            return none("the hammer rose as high as in its free swing: there is no work", swings);
        }
        double work = weight(mass) * fall / MM_PER_M;
        Working worked = swings.then(step("energy", "W", "m·g·(h₀ − h₁)", work, "J", "ISO 13802", mass, fall));
        return Map.of(
                "impact-energy",
                Figure.of(work, worked),
                "impact-strength",
                strength(work, readings.number("width"), readings.number("net-thickness"), worked));
    }

    private static Figure strength(double work, double width, double thickness, Working worked) {
        double section = width * thickness;
        double strength = work * MJ_PER_J / section;
        return Figure.of(
                strength,
                worked.then(step(
                                "net section",
                                "b·h_net",
                                "behind the notch, where there is one",
                                section,
                                "mm²",
                                "",
                                width,
                                thickness))
                        .then(step(
                                "impact strength", "a", "W/(b·h_net)", strength, "kJ/m²", "ISO 179-1", work, section)));
    }

    private static Map<String, Figure> none(String reason, Working working) {
        Figure none = Figure.none(reason, working);
        return Map.of("impact-energy", none, "impact-strength", none);
    }

    private static String how(Readings readings, String swing) {
        return readings.has(swing + "-height") ? "as read" : "R·(1 − cos θ)";
    }

    private static OptionalDouble height(Readings readings, String swing, Pinned pinned) {
        OptionalDouble read = readings.mean(swing + "-height");
        OptionalDouble angle = readings.mean(swing + "-angle");
        return read.isPresent() || angle.isEmpty()
                ? read
                : OptionalDouble.of(pinned.value("radius") * (1 - Math.cos(Math.toRadians(angle.getAsDouble()))));
    }
}
