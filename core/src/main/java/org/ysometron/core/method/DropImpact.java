package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * One blow of a falling mass on a part: W = m·g·h. A part that survives bears at least so much, one that breaks at most: what a blow
 * says of a single part is a bound, and steps up and down over several parts close in on it (the idea of ISO 6603-1's staircase). A
 * part is struck once; a second blow is loaded before.
 */
@AutoService(Method.class)
public final class DropImpact extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double mass = readings.number("mass");
        double height = readings.number("height");
        // g·mm is 10⁻⁶ kg·m.
        double energy = weight(mass) * height / 1000;
        Working working = Working.of(
                step("falling mass", "m", "as read", mass, "g", ""),
                step("height of the fall", "h", "as read", height, "mm", ""),
                step("energy of the blow", "W", "m·g·h", energy, "J", "g = 9.80665 m/s²", mass, height));
        return Map.of("drop-energy", Figure.of(energy, working));
    }
}
