package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Working;

/**
 * Stiffness of a bar held at one end and loaded in steps at the other: F/s at half and at full load, and E = 4·F·L³/(b·h³·s) at full
 * load; where the tip's angle was read instead, E = 6·F·L²/(b·h³·θ), for s = F·L³/(3·E·I) and θ = F·L²/(2·E·I) (mechanics handbook).
 * Neither holds for large deflections: beyond a tenth of the length there is no modulus. Loads are weighed: F = m·g, the hanger's own
 * mass with them.
 */
@AutoService(Method.class)
public final class Cantilever extends Method {

    private static final double NEAR_HALF = 0.1;
    private static final double AGREE = 0.1;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double[] masses = readings.all("mass");
        double[] tips = each(readings, "deflection", masses.length);
        double[] angles = each(readings, "angle", masses.length);
        if (tips.length + angles.length == 0) {
            throw new IllegalArgumentException("the tip's deflection or its angle is needed");
        }
        double[] forces = Arrays.stream(masses).map(Method::weight).toArray();
        int full = IntStream.range(0, forces.length)
                .reduce((a, b) -> forces[b] > forces[a] ? b : a)
                .orElseThrow();
        Working loaded = Working.of(
                step("loads", "F", "m·g, the hanger with it", forces[full], "N", "g = 9.80665 m/s²", masses));
        if (tips.length > 0) {
            loaded = loaded.then(step("deflection of the tip", "s", "as read", tips[full], "mm", "", tips));
        }
        if (angles.length > 0) {
            loaded = loaded.then(step("angle of the tip", "θ", "as read", angles[full], "°", "", angles));
        }
        return Map.of(
                "cantilever-modulus",
                modulus(readings, pinned.value("length"), forces[full], at(tips, full), at(angles, full), loaded),
                "stiffness-half",
                half(forces, tips, full, loaded),
                "stiffness-full",
                stiffness(forces, tips, full, loaded),
                "droop",
                angles.length == 0
                        ? Figure.none("the angle of the tip was not read", loaded)
                        : Figure.of(angles[full], loaded),
                "permanent-set",
                set(readings, loaded));
    }

    private static double[] each(Readings readings, String key, int loads) {
        double[] read = readings.has(key) ? readings.all(key) : new double[0];
        if (read.length != 0 && read.length != loads) {
            throw new IllegalArgumentException(
                    "each load has its " + key + ", got " + loads + " loads and " + read.length + " of them");
        }
        return read;
    }

    /** What was read at a load; nothing where nothing was. */
    private static double at(double[] read, int load) {
        return read.length == 0 ? Double.NaN : read[load];
    }

    private static Figure modulus(
            Readings readings, double length, double force, double tip, double angle, Working loaded) {
        double radians = Math.toRadians(angle);
        double ofAngle = 2 * radians * length / 3;
        boolean read = !Double.isNaN(tip);
        double moved = read ? tip : ofAngle;
        if (!(moved > 0)) {
            return Figure.none("the tip did not move", loaded);
        }
        if (moved > length / 10) {
            return Figure.none("the tip moved by more than a tenth of the length: the formula does not hold", loaded);
        }
        double b = readings.number("width");
        double h = readings.number("thickness");
        double thirdPower = b * Math.pow(h, 3);
        double modulus = read
                ? 4 * force * Math.pow(length, 3) / (thirdPower * tip)
                : 6 * force * length * length / (thirdPower * radians);
        String formula = read ? "4·F·L³/(b·h³·s)" : "6·F·L²/(b·h³·θ)";
        Figure figure = Figure.of(
                modulus,
                loaded.then(
                        step("modulus", "E", formula, modulus, "MPa", "mechanics handbook, cantilever", length, b, h)));
        boolean apart = read && !Double.isNaN(angle) && Math.abs(ofAngle - tip) > AGREE * tip;
        return apart
                ? figure.noting(List.of("The angle of " + Figures.significant(angle, 3)
                        + "° would go with a deflection of " + Figures.significant(ofAngle, 3)
                        + " mm: read both again, or look for a hold that gives."))
                : figure;
    }

    private static Figure half(double[] forces, double[] tips, int full, Working loaded) {
        OptionalInt found = IntStream.range(0, forces.length)
                .filter(i -> Math.abs(forces[i] / forces[full] - 0.5) <= NEAR_HALF)
                .reduce((a, b) ->
                        Math.abs(forces[b] - forces[full] / 2) < Math.abs(forces[a] - forces[full] / 2) ? b : a);
        return found.isEmpty()
                ? Figure.none("no step lies at about half the full load", loaded)
                : stiffness(forces, tips, found.getAsInt(), loaded);
    }

    private static Figure stiffness(double[] forces, double[] tips, int at, Working loaded) {
        if (tips.length == 0) {
            return Figure.none("the deflection of the tip was not read", loaded);
        }
        if (!(tips[at] > 0)) {
            return Figure.none("the tip did not move", loaded);
        }
        double stiffness = forces[at] / tips[at];
        return Figure.of(
                stiffness, loaded.then(step("stiffness", "k", "F/s", stiffness, "N/mm", "", forces[at], tips[at])));
    }

    private static Figure set(Readings readings, Working loaded) {
        return readings.mean("left").isEmpty()
                ? Figure.none("what was left after unloading was not read", loaded)
                : Figure.of(
                        readings.number("left"),
                        loaded.then(step("left after unloading", "s_r", "as read", readings.number("left"), "mm", "")));
    }
}
