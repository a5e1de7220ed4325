package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/** What a piece loses on drying, as a share of its mass as found: (m₀ − m₁)/m₀ (common practice; ISO 15512 measures water itself). */
@AutoService(Method.class)
public final class MoistureContent extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double found = readings.number("as-found");
        double dried = readings.number("dried");
        double share = (found - dried) / found;
        Figure figure = Figure.of(
                share,
                Working.of(
                        step("mass as found", "m₀", "as read", found, "g", ""),
                        step("mass when dried", "m₁", "as read", dried, "g", ""),
                        step(
                                "loss on drying",
                                "w",
                                "(m₀ − m₁)/m₀",
                                share,
                                "",
                                "common practice, no source",
                                found,
                                dried)));
        return Map.of(
                "moisture-content",
                dried > found
                        ? figure.noting(List.of(
                                "It weighs more when dried: the balance, or what it was weighed in, is in doubt."))
                        : figure);
    }
}
