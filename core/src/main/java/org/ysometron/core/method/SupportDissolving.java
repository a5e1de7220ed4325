package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * How long a support takes to dissolve, between the last look at which some was left and the first at which none was; and what the bath did to the
 * material that it supported: change of its mass, and a grade (common practice, no source).
 */
@AutoService(Method.class)
public final class SupportDissolving extends Graded {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Map<String, Figure> figures = new LinkedHashMap<>(super.reduce(readings, pinned));
        figures.put("dissolving-time", time(readings.mean("left-at"), readings.mean("gone-at")));
        OptionalDouble before = readings.mean("partner-mass");
        OptionalDouble after = readings.mean("partner-mass-after");
        double change = before.isPresent() && after.isPresent()
                ? (after.getAsDouble() - before.getAsDouble()) / before.getAsDouble()
                : 0;
        figures.put(
                "partner-mass-change",
                before.isEmpty() || after.isEmpty()
                        ? Figure.none("the partner was not weighed before and after", Working.NONE)
                        : Figure.of(
                                change,
                                Working.of(step(
                                        "change of the partner",
                                        "Δ",
                                        "(m₁ − m₀)/m₀",
                                        change,
                                        "",
                                        "",
                                        after.getAsDouble(),
                                        before.getAsDouble()))));
        return figures;
    }

    private static Figure time(OptionalDouble left, OptionalDouble gone) {
        Working working = Working.NONE;
        if (left.isPresent()) {
            working = working.then(step("some was left at", "t₁", "as read", left.getAsDouble(), "s", ""));
        }
        if (gone.isPresent()) {
            working = working.then(step("none was left at", "t₂", "as read", gone.getAsDouble(), "s", ""));
        }
        return Figure.bracketed(
                left, gone, "none was left at the first look", "some was left at the last look", working);
    }
}
