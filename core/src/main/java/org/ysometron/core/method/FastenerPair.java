package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * A printed bolt or nut pulled against a metal partner: the load when the printed part fails, and over the stress area that is pinned
 * the nominal stress in the thread (tension on the stress area, M6: 20.1 mm², ISO 898-1). Where the partner or the fixture fails
 * first, the printed part bore at least so much.
 */
@AutoService(Method.class)
public final class FastenerPair extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double force = readings.number("force");
        double area = pinned.value("area");
        double stress = force / area;
        Working loaded = Working.of(step("largest load", "F", "as read", force, "N", ""));
        return Map.of(
                "fastener-load",
                Figure.of(force, loaded),
                "fastener-stress",
                Figure.of(
                        stress,
                        loaded.then(step("stress area", "A_s", "pinned", area, "mm²", "ISO 898-1"))
                                .then(step("nominal stress", "σ", "F/A_s", stress, "MPa", "", force, area))));
    }
}
