package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.reading.Readings;

/**
 * Tension to the largest force: σ = F/A₀ over the section measured before the test (ISO 527-1, tensile strength, of a specimen
 * that fails at its largest force). Deviation: the specimen is the product's own bar with a rectangular section, not a type 1A
 * bar. 1 N/mm² = 1 MPa.
 */
@AutoService(Method.class)
public final class Tension extends Method {

    private static final String SOURCE = "ISO 527-1, tensile strength";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Section section = Section.rectangle(readings.all("width"), readings.all("thickness"));
        double force = readings.number("force");
        double stress = force / section.area();
        return Map.of(
                "tension-strength",
                Figure.of(
                                stress,
                                section.working()
                                        .then(step("largest force", "F", "", force, "N", ""))
                                        .then(step(
                                                "tensile strength",
                                                "σ",
                                                "σ = F/A₀",
                                                stress,
                                                "MPa",
                                                SOURCE,
                                                force,
                                                section.area())))
                        .noting(section.notes()));
    }
}
