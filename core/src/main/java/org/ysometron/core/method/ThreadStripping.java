package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Torque at which a thread in the material strips, tightened in steps: held at one and stripped at the next, it lies between the two.
 * "Just held" is held; stripped at the first step it lies between nothing and that (interval censoring; common practice, no source).
 */
@AutoService(Method.class)
public final class ThreadStripping extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        OptionalDouble held = readings.mean("held");
        OptionalDouble failed = readings.mean("failed");
        if (held.isEmpty() && failed.isEmpty()) {
            return Map.of(
                    "stripping-torque", Figure.none("neither a step that held nor one that did not", Working.NONE));
        }
        double low = held.orElse(0);
        Working steps = Working.of(step("last step that held", "a", "as read", low, "N·m", ""));
        return Map.of(
                "stripping-torque",
                failed.isEmpty()
                        ? Figure.above(low, steps)
                        : Figure.between(
                                low,
                                failed.getAsDouble(),
                                steps.then(step(
                                        "step at which it stripped",
                                        "b",
                                        "a < T ≤ b",
                                        failed.getAsDouble(),
                                        "N·m",
                                        ""))));
    }
}
