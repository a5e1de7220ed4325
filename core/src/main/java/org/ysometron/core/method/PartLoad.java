package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Largest load of a part, a hook, a link, a ring, as it was read: no stress, for nobody knows the section that governs, and never
 * converted to another scale, since walls keep their thickness (common practice, no source).
 */
@AutoService(Method.class)
public final class PartLoad extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double force = readings.number("force");
        return Map.of(
                "part-load",
                Figure.of(
                        force,
                        Working.of(
                                step("largest load", "F", "as read", force, "N", ""),
                                Step.note("of this design alone", "no load is converted between scales or designs"))));
    }
}
