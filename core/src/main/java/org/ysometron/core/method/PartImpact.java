package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;

/**
 * Impact by a pendulum on a part: the energy of its {@link Swing} and nothing else, for a part has no section that the energy could be
 * divided by (common practice, no source). It compares with the same part at the same scale only.
 */
@AutoService(Method.class)
public final class PartImpact extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        return Map.of("part-impact-energy", Swing.of(readings, pinned).energy());
    }
}
