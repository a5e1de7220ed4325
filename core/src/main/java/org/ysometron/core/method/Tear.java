package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/** Tear strength of a notched strip (ISO 34-1): T_s = F/d, the largest force over the thickness. */
@AutoService(Method.class)
public final class Tear extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double thickness = readings.number("thickness");
        double force = readings.number("force");
        double tear = force / thickness;
        return Map.of(
                "tear-strength",
                Figure.of(
                        tear,
                        Working.of(
                                step(
                                        "mean thickness",
                                        "d",
                                        "mean of the readings",
                                        thickness,
                                        "mm",
                                        "",
                                        readings.all("thickness")),
                                step("largest force", "F", "", force, "N", ""),
                                step("tear strength", "T_s", "F/d", tear, "N/mm", "ISO 34-1", force, thickness))));
    }
}
