package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * How much of a solid specimen is material: m/(ρ·V), V by its measured sizes or by what it weighs in a liquid (ISO 1183-1, method A, for the
 * volume). Bubbles of a wet spool, gaps and under-extrusion show here before they show in strength (common practice, no source).
 */
@AutoService(Method.class)
public final class FillByWeighing extends Method {

    private static final double MOST = 1.03;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double mass = readings.number("mass");
        OptionalDouble density = readings.mean("density");
        Working read = Working.of(step("mass", "m", "as read", mass, "g", ""));
        if (density.isEmpty()) {
            return Map.of("fill", Figure.none("no density of the solid material is signed", read));
        }
        Optional<Solid> solid = solid(readings, mass, pinned.value("liquid"));
        if (solid.isEmpty()) {
            return Map.of("fill", Figure.none("neither its sizes nor its mass in a liquid were read", read));
        }
        double volume = solid.get().volume();
        double fill = mass / (density.getAsDouble() * volume / 1000);
        Figure figure = Figure.of(
                fill,
                read.then(solid.get().step())
                        .then(step("density of the solid", "ρ", "as signed", density.getAsDouble(), "g/cm³", ""))
                        .then(step("share filled", "φ", "m/(ρ·V)", fill, "", "", mass, density.getAsDouble(), volume)));
        return Map.of(
                "fill",
                fill > MOST
                        ? figure.noting(
                                List.of("More than all of it is filled: a size, the mass or the density is wrong."))
                        : figure);
    }

    /** Its volume in mm³, and how it was found. */
    private record Solid(double volume, Step step) {}

    private static Optional<Solid> solid(Readings readings, double mass, double liquid) {
        OptionalDouble immersed = readings.mean("immersed");
        if (immersed.isPresent()) {
            double lost = immersed.getAsDouble();
            double volume = (mass - lost) / liquid * 1000;
            if (!(volume > 0)) {
                throw new IllegalArgumentException(
                        "in a liquid it weighs less than in air: " + mass + " and " + lost + " g");
            }
            return Optional.of(new Solid(
                    volume,
                    step(
                            "volume by immersion",
                            "V",
                            "(m − m_l)/ρ_l",
                            volume,
                            "mm³",
                            "ISO 1183-1, method A",
                            mass,
                            lost,
                            liquid)));
        }
        if (!readings.has("length") || !readings.has("width") || !readings.has("thickness")) {
            return Optional.empty();
        }
        double length = readings.number("length");
        double width = readings.number("width");
        double thickness = readings.number("thickness");
        double volume = length * width * thickness;
        return Optional.of(new Solid(
                volume, step("volume by its sizes", "V", "l·w·t", volume, "mm³", "", length, width, thickness)));
    }
}
