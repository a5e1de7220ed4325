package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Working;

/**
 * Growth of a bar's deflection under one load from 1 s to 60 s, (d60 − d1)/d1. Where the first deflection, or the growth itself, is no
 * larger than what the dial can show, the ratio says nothing and is not given, nor where the last reading was not taken at the minute (common practice, no source).
 */
@AutoService(Method.class)
public final class TimedHold extends Method {

    private static final double MINUTE = 60;

    /** Seconds that the last reading may be early or late before it is no longer that of a minute (common practice, no source). */
    private static final double MAY_BE_OFF = 6;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double first = readings.number("at-1-s");
        double last = readings.number("at-60-s");
        double resolution = pinned.value("resolution");
        Working read = Working.of(
                step("deflection at 1 s", "d₁", "as read", first, "mm", ""),
                step("deflection at 60 s", "d₆₀", "as read", last, "mm", ""),
                step("what the dial can show", "r", "pinned", resolution, "mm", ""));
        double at = readings.mean("true-at-60-s").orElse(MINUTE);
        if (Math.abs(at - MINUTE) > MAY_BE_OFF) {
            return Map.of(
                    "hold-growth",
                    Figure.none(
                            "the last deflection was read at " + Figures.plain(at, 3)
                                    + " s, and the growth is that of a minute",
                            read));
        }
        if (last < first) {
            throw new IllegalArgumentException(
                    "a bar under load does not come back: " + last + " after " + first + " mm");
        }
        if (first <= resolution) {
            return Map.of("hold-growth", Figure.none("the first deflection is no larger than the dial can show", read));
        }
        double growth = (last - first) / first;
        return Map.of(
                "hold-growth",
                Figure.of(
                        growth,
                        read.then(step(
                                "growth from 1 to 60 s",
                                "",
                                "(d₆₀ − d₁)/d₁",
                                growth,
                                "",
                                "common practice, no source",
                                last,
                                first))));
    }
}
