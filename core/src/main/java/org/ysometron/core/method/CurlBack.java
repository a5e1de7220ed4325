package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * What comes back of the warp of a part flattened by heat: the lift of its corners at times after it, last less first. Days may be missing.
 */
@AutoService(Method.class)
public final class CurlBack extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double[] times = times(readings, "lift", "lifts");
        double[] lifts = readings.all("lift");
        int last = lifts.length - 1;
        Working read = Working.of(
                step("lift after flattening", "h₁", "as read", lifts[0], "mm", ""),
                step("last lift", "h₂", "as read", lifts[last], "mm", ""),
                step("time of it", "t", "as read", times[last], "s", ""));
        double back = lifts[last] - lifts[0];
        return Map.of(
                "curl-back",
                last == 0
                        ? Figure.none("it was read once: nothing can have come back yet", read)
                        : Figure.of(
                                back,
                                read.then(step(
                                        "what came back", "Δh", "h₂ − h₁", back, "mm", "", lifts[last], lifts[0]))));
    }
}
