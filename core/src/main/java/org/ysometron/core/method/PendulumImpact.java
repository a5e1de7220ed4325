package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Impact by a pendulum on a notched or plain bar: the energy of its {@link Swing}, a = W/(b·h_net). Source: ISO 179-1 for the ends and
 * the section. 1 kJ/m² = 1 mJ/mm².
 */
@AutoService(Method.class)
public final class PendulumImpact extends Method {

    private static final double MJ_PER_J = 1000;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Swing swing = Swing.of(readings, pinned);
        return Map.of(
                "impact-energy",
                swing.energy(),
                "impact-strength",
                swing.work().isEmpty()
                        ? swing.energy()
                        : strength(
                                swing.work().getAsDouble(),
                                readings.number("width"),
                                readings.number("net-thickness"),
                                swing.working()));
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
}
