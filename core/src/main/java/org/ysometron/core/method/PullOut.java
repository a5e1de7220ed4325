package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/** Load that pulls a screw out of its thread, or an insert out of its hole, and the same per depth (common practice, no source). */
@AutoService(Method.class)
public final class PullOut extends Method {

    private static final String SOURCE = "common practice, no source";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double force = readings.number("force");
        double depth = readings.number("depth");
        double perDepth = force / depth;
        Working pulled = Working.of(step("largest load", "F", "as read", force, "N", ""));
        return Map.of(
                "pull-out-load",
                Figure.of(force, pulled),
                "pull-out-per-depth",
                Figure.of(
                        perDepth,
                        pulled.then(step("depth", "l", "mean of the readings", depth, "mm", "", readings.all("depth")))
                                .then(step("load per depth", "F/l", "F/l", perDepth, "N/mm", SOURCE, force, depth))));
    }
}
