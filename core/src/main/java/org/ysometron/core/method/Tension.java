package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Tension to the largest force: σ = F/A₀ over the section measured before the test (ISO 527-1, tensile strength, of a specimen
 * that fails at its largest force). Deviation: the specimen is the product's own bar with a rectangular section, not a type 1A
 * bar. 1 N/mm² = 1 MPa.
 *
 * <p>Where they were read: the stress at yield, and strains ε = ΔL₀/L₀ of an extensometer or of bench marks. What the crosshead
 * travelled stretched grips and frame as well; it gives the nominal strain ε_t = L_t/L over the grip distance and never the other, and
 * none of those single readings gives a modulus. A record does: its
 * slope between strains of 0.0005 and 0.0025 of an extensometer; that of a crosshead is an apparent modulus, a characteristic of its own. An extension of which nobody said what it was read by gives nothing.
 */
@AutoService(Method.class)
public final class Tension extends Method {

    private static final String SOURCE = "ISO 527-1, tensile strength";
    private static final String NOMINAL = "nominal strain";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Section section = readings.section();
        double force = readings.number("force");
        OptionalDouble yield = readings.mean("yield-force");
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("tension-strength", stress(section, "largest force", "tensile strength", SOURCE, force));
        figures.put(
                "stress-at-yield",
                yield.isEmpty() || yield.getAsDouble() > force
                        ? Figure.none(
                                yield.isEmpty()
                                        ? "the force at yield was not read"
                                        : "the force at yield lies above the largest force",
                                section.working())
                        : stress(
                                section,
                                "force at yield",
                                "stress at yield",
                                "ISO 527-1, yield stress",
                                yield.getAsDouble()));
        requireInOrder(readings, "extension-at-yield", "extension-at-strength", "extension-at-break");
        requireInOrder(readings, "travel-at-strength", "travel-at-break");
        double gauge = pinned.value("gauge-length");
        double grips = pinned.value("grips");
        figures.put("tension-modulus", modulus(readings, section, "slope", "modulus in tension", gauge));
        figures.put(
                "tension-apparent-modulus",
                modulus(readings, section, "apparent-slope", "apparent modulus in tension", grips));
        figures.put("energy-to-break", energy(readings));
        figures.put("strain-at-yield", strain(readings, "extension-at-yield", gauge, "strain"));
        figures.put("strain-at-strength", strain(readings, "extension-at-strength", gauge, "strain"));
        figures.put("strain-at-break", strain(readings, "extension-at-break", gauge, "strain"));
        figures.put("nominal-strain-at-strength", strain(readings, "travel-at-strength", grips, NOMINAL));
        figures.put("nominal-strain-at-break", strain(readings, "travel-at-break", grips, NOMINAL));
        return figures;
    }

    private static Figure stress(Section section, String what, String title, String source, double force) {
        double stress = force / section.area();
        return Figure.of(
                        stress,
                        section.working()
                                .then(step(what, "F", "", force, "N", ""))
                                .then(step(title, "σ", "σ = F/A₀", stress, "MPa", source, force, section.area())))
                .noting(section.notes());
    }

    private static Figure modulus(Readings readings, Section section, String key, String title, double length) {
        OptionalDouble slope = readings.mean(key);
        if (slope.isEmpty()) {
            return Figure.none("no record gave its slope", section.working());
        }
        double modulus = slope.getAsDouble() * length / section.area();
        return Figure.of(
                        modulus,
                        section.working()
                                .then(step("slope of the record", "ΔF/ΔL", "", slope.getAsDouble(), "N/mm", ""))
                                .then(step(
                                        key.equals("slope") ? "gauge length" : "grip distance",
                                        "L",
                                        "pinned",
                                        length,
                                        "mm",
                                        ""))
                                .then(step(
                                        title,
                                        "E",
                                        "ΔF/ΔL·L/A₀",
                                        modulus,
                                        "MPa",
                                        key.equals("slope")
                                                ? "ISO 527-1, modulus by regression"
                                                : "grips and frame are in it: no modulus of the specimen",
                                        slope.getAsDouble(),
                                        length,
                                        section.area())))
                .noting(section.notes());
    }

    private static Figure energy(Readings readings) {
        OptionalDouble read = readings.mean("energy");
        return read.isEmpty()
                ? Figure.none("no record gave its energy", Working.NONE)
                : Figure.of(
                        read.getAsDouble(),
                        Working.of(step(
                                "work to the break",
                                "W",
                                "area under the record, by trapezoids",
                                read.getAsDouble(),
                                "J",
                                "")));
    }

    /** The specimen does not become shorter on its way to the break. */
    private static void requireInOrder(Readings readings, String... keys) {
        double before = 0;
        for (String key : keys) {
            OptionalDouble read = readings.mean(key);
            if (read.isPresent() && read.getAsDouble() < before) {
                throw new IllegalArgumentException("a bar grows until it breaks, got " + read.getAsDouble()
                        + " mm for '" + key + "' after " + before + " mm");
            }
            before = Math.max(before, read.orElse(before));
        }
    }

    private static Figure strain(Readings readings, String key, double length, String kind) {
        OptionalDouble read = readings.mean(key);
        if (read.isEmpty()) {
            return Figure.none("'" + key + "' was not read", Working.NONE);
        }
        double strain = read.getAsDouble() / length;
        return Figure.of(
                strain,
                Working.of(
                        step(key.replace('-', ' '), "ΔL", "", read.getAsDouble(), "mm", ""),
                        step(kind.equals(NOMINAL) ? "grip distance" : "gauge length", "L", "pinned", length, "mm", ""),
                        step(kind, "ε", "ΔL/L", strain, "", "ISO 527-1, " + kind, read.getAsDouble(), length)));
    }
}
