package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Tension of a flexible material with bench marks on the neck (ISO 37): the stress at a pinned extension is the force there over the
 * section measured before, E_b = (L_b − L₀)/L₀ the extension at break by the marks, and the set (L_s − L₀)/L₀ what is left of it after
 * the rest that is pinned. Deviation: the specimen is the product's own bar, not a dumb-bell of the standard.
 */
@AutoService(Method.class)
public final class FlexibleTension extends Method {

    private static final String SOURCE = "ISO 37";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Section section = readings.section();
        double marks = pinned.value("marks");
        return Map.of(
                "flexible-strength",
                stress(section, readings.mean("force"), "stress at the largest force", "TS"),
                "stress-at-100",
                stress(section, readings.mean("force-100"), "stress at 100 % extension", "S100"),
                "stress-at-300",
                stress(section, readings.mean("force-300"), "stress at 300 % extension", "S300"),
                "extension-at-break",
                grown(readings.mean("marks-at-break"), marks, "extension at break by the marks", "E_b"),
                "tension-set",
                grown(readings.mean("marks-after"), marks, "set after the rest", "S_set"));
    }

    private static Figure stress(Section section, OptionalDouble read, String what, String symbol) {
        if (read.isEmpty()) {
            return Figure.none("the force there was not read", section.working())
                    .noting(section.notes());
        }
        double force = read.getAsDouble();
        double stress = force / section.area();
        return Figure.of(
                        stress,
                        section.working()
                                .then(step("force", "F", "", force, "N", ""))
                                .then(step(what, symbol, "F/A₀", stress, "MPa", SOURCE, force, section.area())))
                .noting(section.notes());
    }

    private static Figure grown(OptionalDouble read, double marks, String what, String symbol) {
        Working before = Working.of(step("distance of the marks before", "L₀", "pinned", marks, "mm", ""));
        if (read.isEmpty()) {
            return Figure.none("the distance of the marks was not read", before);
        }
        double grown = (read.getAsDouble() - marks) / marks;
        return grown < 0
                ? Figure.none("the marks are nearer than before", before)
                : Figure.of(
                        grown, before.then(step(what, symbol, "(L − L₀)/L₀", grown, "", SOURCE, read.getAsDouble())));
    }
}
