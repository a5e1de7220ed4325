package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Working;

/**
 * Share of a filler that does not burn: (m₂ − m₀)/(m₁ − m₀) of an empty crucible, the crucible with the sample, and after ignition (ISO 3451-1,
 * method A; its temperature and time are the site’s, within the furnace’s manual).
 */
@AutoService(Method.class)
public final class FillerContent extends Method {

    @Override
    public void check(Readings soFar) {
        if (soFar.has("crucible")
                && soFar.has("with-sample")
                && !(soFar.number("with-sample") > soFar.number("crucible"))) {
            throw new IllegalArgumentException("with the sample the crucible weighs no more than empty: "
                    + Figures.plain(soFar.number("with-sample"), 6) + " and "
                    + Figures.plain(soFar.number("crucible"), 6) + " g");
        }
    }

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        check(readings);
        double empty = readings.number("crucible");
        double full = readings.number("with-sample");
        double after = readings.number("after-ignition");
        if (after > full || after < empty) {
            throw new IllegalArgumentException("after ignition it weighs between empty and full, got " + after
                    + " beside " + empty + " and " + full + " g");
        }
        double share = (after - empty) / (full - empty);
        return Map.of(
                "filler-content",
                Figure.of(
                        share,
                        Working.of(
                                step("crucible, empty", "m₀", "as read", empty, "g", ""),
                                step("with the sample", "m₁", "as read", full, "g", ""),
                                step("after ignition", "m₂", "as read", after, "g", ""),
                                step(
                                        "filler",
                                        "w",
                                        "(m₂ − m₀)/(m₁ − m₀)",
                                        share,
                                        "",
                                        "ISO 3451-1",
                                        after,
                                        full,
                                        empty))));
    }
}
