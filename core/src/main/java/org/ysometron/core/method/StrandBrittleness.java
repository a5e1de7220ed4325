package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Around which mandrels a strand can be bent by hand without a snap: mandrels fall in diameter, and the smallest that is borne lies between the last
 * that held and the first at which it snapped (common practice, no source).
 */
@AutoService(Method.class)
public final class StrandBrittleness extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        OptionalDouble held = readings.mean("held");
        OptionalDouble snapped = readings.mean("snapped");
        Working working = Working.NONE;
        if (held.isPresent()) {
            working = working.then(step("last that held", "d₂", "as read", held.getAsDouble(), "mm", ""));
        }
        if (snapped.isPresent()) {
            working = working.then(step("first at which it snapped", "d₁", "as read", snapped.getAsDouble(), "mm", ""));
        }
        Figure figure = Figure.bracketed(
                snapped, held, "the smallest mandrel did not snap it", "it snapped at the largest mandrel", working);
        return Map.of("bending-diameter", figure);
    }
}
