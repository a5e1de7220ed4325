package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * The factor by which a recipe must feed more or less: the width of a single wall that was asked for over the one that came out, and the
 * mass that was asked for over the one that came out. Both are kept; they differ where the wall is no rectangle (common practice, no source).
 */
@AutoService(Method.class)
public final class ExtrusionCheck extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        return Map.of(
                "extrusion-factor-by-wall",
                factor(readings, pinned, "wall", "width of a wall", "mm"),
                "extrusion-factor-by-mass",
                factor(readings, pinned, "mass", "mass", "g"));
    }

    private static Figure factor(Readings readings, Pinned pinned, String key, String words, String unit) {
        OptionalDouble found = readings.mean(key);
        if (found.isEmpty()) {
            return Figure.none("the " + words + " was not read", Working.NONE);
        }
        double asked = pinned.value(key + "-asked");
        double factor = asked / found.getAsDouble();
        return Figure.of(
                factor,
                Working.of(
                        step(words + ", asked for", "a₀", "pinned", asked, unit, ""),
                        step(words + ", found", "a", "mean", found.getAsDouble(), unit, "", readings.all(key)),
                        step("extrusion factor", "k", "a₀/a", factor, "", "", asked, found.getAsDouble())));
    }
}
