package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Stiffness of a bar held at one end and loaded at the other: slope F/s, and E = 4·F·L³/(b·h³·s) while the tip moves by no more than a
 * tenth of the length, beyond which the formula for small deflections does not hold (mechanics handbook). Loads are weighed: F =
 * m·g, the hanger's own mass with them.
 */
@AutoService(Method.class)
public final class Cantilever extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double length = pinned.value("length");
        double mass = readings.number("mass");
        double deflection = readings.number("deflection");
        double force = weight(mass);
        double stiffness = force / deflection;
        Working loaded = Working.of(
                step("load", "F", "m·g, the hanger with it", force, "N", "g = 9.80665 m/s²", mass),
                step("deflection of the tip", "s", "", deflection, "mm", ""));
        Working stiff = loaded.then(step("stiffness", "k", "F/s", stiffness, "N/mm", "", force, deflection));
        double b = readings.number("width");
        double h = readings.number("thickness");
        double modulus = 4 * force * Math.pow(length, 3) / (b * Math.pow(h, 3) * deflection);
        Figure stiffnessModulus = deflection > length / 10
                ? Figure.none("the tip moved by more than a tenth of the length: the formula does not hold", loaded)
                : Figure.of(
                        modulus,
                        stiff.then(step(
                                "modulus",
                                "E",
                                "4·F·L³/(b·h³·s)",
                                modulus,
                                "MPa",
                                "mechanics handbook, cantilever",
                                length,
                                b,
                                h)));
        return Map.of("cantilever-modulus", stiffnessModulus, "permanent-set", set(readings, loaded));
    }

    private static Figure set(Readings readings, Working loaded) {
        return readings.mean("left").isEmpty()
                ? Figure.none("what was left after unloading was not read", loaded)
                : Figure.of(
                        readings.number("left"),
                        loaded.then(step("left after unloading", "s_r", "as read", readings.number("left"), "mm", "")));
    }
}
