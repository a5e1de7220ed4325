package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * What a dry piece takes up, in water (ISO 62, method 1) or in open air: (m(t) − m₀)/m₀ at a day and at the last weighing, and the time until a limit
 * is passed, which lies between two weighings: how long a spool may stand open.
 */
@AutoService(Method.class)
public final class WaterUptake extends Method {

    private static final double DAY = 86_400;

    /** Share by which a weighing may be off its day (common practice, no source). */
    private static final double OFF = 0.1;

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double dry = readings.number("dry");
        double[] times = times(readings, "mass", "masses");
        double[] masses = readings.all("mass");
        int last = masses.length - 1;
        Figure none = Figure.none("nothing was weighed a day after it began", Working.NONE);
        Figure day = none;
        for (int i = 0; i <= last; i++) {
            if (Math.abs(times[i] - DAY) <= OFF * DAY) {
                day = uptake("a day", dry, masses[i], times[i]);
            }
        }
        return Map.of(
                "uptake-day",
                day,
                "uptake-last",
                uptake("the last weighing", dry, masses[last], times[last]),
                "uptake-limit-time",
                limit(dry, times, masses, pinned.value("limit")));
    }

    private static Figure uptake(String when, double dry, double mass, double time) {
        double share = (mass - dry) / dry;
        return Figure.of(
                share,
                Working.of(
                        step("mass, dry", "m₀", "as read", dry, "g", ""),
                        step("mass at " + when, "m", "as read", mass, "g", ""),
                        step("time of it", "t", "as read", time, "s", ""),
                        step("uptake", "c", "(m − m₀)/m₀", share, "", "ISO 62", mass, dry)));
    }

    private static Figure limit(double dry, double[] times, double[] masses, double limit) {
        double below = 0;
        for (int i = 0; i < times.length; i++) {
            double share = (masses[i] - dry) / dry;
            Working working = Working.of(
                    step("limit", "c₀", "pinned", limit, "", ""),
                    step("last weighing below it", "t₁", "as read", below, "s", ""));
            if (share > limit) {
                Working passed =
                        working.then(step("first weighing above it", "t₂", "as read", times[i], "s", "", masses[i]));
                return below == 0
                        ? Figure.under(times[i], "the limit was passed at the first weighing", passed)
                        : Figure.between(below, times[i], passed);
            }
            below = times[i];
        }
        return Figure.above(
                below,
                "the limit was not passed at the last weighing",
                Working.of(step("last weighing, below the limit", "t", "as read", below, "s", "", limit)));
    }
}
