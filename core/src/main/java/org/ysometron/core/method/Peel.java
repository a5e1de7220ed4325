package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/** Peel force of a bond per width: F/b, the mean force of the steady part over the width (common practice, no source). */
@AutoService(Method.class)
public final class Peel extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double width = readings.number("width");
        double force = readings.number("force");
        double peel = force / width;
        return Map.of(
                "peel-force",
                Figure.of(
                        peel,
                        Working.of(
                                step("mean width", "b", "mean of the readings", width, "mm", "", readings.all("width")),
                                step(
                                        "mean force",
                                        "F",
                                        "mean of the steady part",
                                        force,
                                        "N",
                                        "",
                                        readings.all("force")),
                                step(
                                        "peel force",
                                        "",
                                        "F/b",
                                        peel,
                                        "N/mm",
                                        "common practice, no source",
                                        force,
                                        width))));
    }
}
