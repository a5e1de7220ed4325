package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * What a counter-face takes off under a load, by a thousand cycles: mass (m₀ − m₁)·1000/N and depth (common practice; the idea of ISO 9352).
 * Counter-face and load belong to the terms.
 */
@AutoService(Method.class)
public final class Wear extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double cycles = readings.number("cycles");
        if (!(cycles > 0)) {
            throw new IllegalArgumentException("no cycle was run");
        }
        double before = readings.number("mass");
        double after = readings.number("mass-after");
        double loss = (before - after) * 1000 / cycles;
        Working run = Working.of(
                step("cycles", "N", "as read", cycles, "", ""),
                step("load", "F", "pinned", pinned.value("load"), "N", ""));
        return Map.of(
                "wear-mass",
                Figure.of(
                        loss,
                        run.then(step(
                                "loss by 1,000 cycles",
                                "Δm",
                                "(m₀ − m₁)·1000/N",
                                loss,
                                "g",
                                "",
                                before,
                                after,
                                cycles))),
                "wear-depth",
                depth(readings.mean("depth"), cycles, run));
    }

    private static Figure depth(OptionalDouble depth, double cycles, Working run) {
        if (depth.isEmpty()) {
            return Figure.none("no depth was read", run);
        }
        double deep = depth.getAsDouble() * 1000 / cycles;
        return Figure.of(
                deep,
                run.then(step("depth by 1,000 cycles", "d", "d·1000/N", deep, "mm", "", depth.getAsDouble(), cycles)));
    }
}
