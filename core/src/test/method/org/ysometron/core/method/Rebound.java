package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * A method that exists only in the tests: how high a dropped ball comes back, R = h₁/h₀. That it can be computed, asked for and
 * checked shows that a method needs its class, its file and its cases, and nothing else.
 */
@AutoService(Method.class)
public final class Rebound extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double back = readings.number("back");
        double drop = pinned.value("drop");
        if (back > drop) {
            throw new IllegalArgumentException("a ball does not come back higher than it fell from");
        }
        double resilience = back / drop;
        return Map.of(
                "resilience",
                Figure.of(
                        resilience,
                        Working.of(
                                step("height of the drop", "h₀", "pinned", drop, "mm", ""),
                                step(
                                        "mean height that it came back to",
                                        "h₁",
                                        "mean",
                                        back,
                                        "mm",
                                        "",
                                        readings.all("back")),
                                step("resilience", "R", "h₁/h₀", resilience, "", "ISO 4662", back, drop))));
    }
}
