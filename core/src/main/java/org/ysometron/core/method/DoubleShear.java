package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Shear strength of a round pin cut at two sections at once: τ = F/(2A), A = π d²/4 (any mechanics handbook). The load is taken as
 * shared evenly by both sections; a gap in the fixture bends the pin and lowers the figure.
 *
 * <p>Of a bolt whose thread lies in the planes the area is that of d − k·P: with k = 0.9382 the nominal stress area of ISO 898-1, with
 * k = 1.2269 that of the core; which of them is pinned.
 */
@AutoService(Method.class)
public final class DoubleShear extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double diameter = readings.number("diameter");
        double force = readings.number("force");
        double pitch = readings.mean("pitch").orElse(0);
        double sheared = diameter - pinned.value("thread") * pitch;
        if (!(sheared > 0)) {
            throw new IllegalArgumentException(
                    "a thread of a pitch of " + pitch + " mm leaves nothing of a diameter of " + diameter + " mm");
        }
        double area = Math.PI * sheared * sheared / 4;
        double strength = force / (2 * area);
        return Map.of(
                "shear-strength",
                Figure.of(
                        strength,
                        Working.of(
                                step(
                                        "mean diameter",
                                        "d",
                                        "mean of the readings",
                                        diameter,
                                        "mm",
                                        "",
                                        readings.all("diameter")),
                                pitch > 0
                                        ? step(
                                                "area of one section",
                                                "A",
                                                "π·(d − k·P)²/4",
                                                area,
                                                "mm²",
                                                "ISO 898-1",
                                                diameter,
                                                pinned.value("thread"),
                                                pitch)
                                        : step("area of one section", "A", "π·d²/4", area, "mm²", "", diameter),
                                step("largest force", "F", "", force, "N", ""),
                                step("shear strength", "τ", "F/(2·A)", strength, "MPa", HANDBOOK, force, area),
                                Step.note("two sections", "the load is taken as shared evenly by both"))));
    }

    private static final String HANDBOOK = "mechanics handbook, average shear";
}
