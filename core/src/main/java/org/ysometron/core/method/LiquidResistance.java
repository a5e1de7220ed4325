package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * What a liquid did: change of mass and of length as shares of those before (ISO 175), and a grade of the look. Liquid, time and temperature stand with
 * the treatment in the terms.
 */
@AutoService(Method.class)
public final class LiquidResistance extends Graded {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Map<String, Figure> figures = new LinkedHashMap<>(super.reduce(readings, pinned));
        figures.put("liquid-mass-change", change(readings, "mass", "g"));
        figures.put("liquid-size-change", change(readings, "length", "mm"));
        return figures;
    }

    private static Figure change(Readings readings, String key, String unit) {
        OptionalDouble before = readings.mean(key + "-before");
        OptionalDouble after = readings.mean(key + "-after");
        if (before.isEmpty() || after.isEmpty()) {
            return Figure.none("the " + key + " was not read before and after", Working.NONE);
        }
        double change = (after.getAsDouble() - before.getAsDouble()) / before.getAsDouble();
        return Figure.of(
                change,
                Working.of(
                        step(
                                key + " before",
                                "x₀",
                                "mean",
                                before.getAsDouble(),
                                unit,
                                "",
                                readings.all(key + "-before")),
                        step(key + " after", "x₁", "mean", after.getAsDouble(), unit, "", readings.all(key + "-after")),
                        step(
                                "change",
                                "Δ",
                                "(x₁ − x₀)/x₀",
                                change,
                                "",
                                "ISO 175",
                                after.getAsDouble(),
                                before.getAsDouble())));
    }
}
