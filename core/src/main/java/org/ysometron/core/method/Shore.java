package org.ysometron.core.method;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * Hardness by a durometer (ISO 868): the mean of readings at different places, each taken so many seconds after contact, and their range.
 * The two durometers have methods of their own: A and D are never in one figure.
 */
abstract class Shore extends Method {

    private final String scale;

    /** Of one durometer: a or d. */
    Shore(String scale) {
        this.scale = scale;
    }

    @Override
    protected final Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        double[] read = readings.all("hardness");
        String unit = data().main().unit();
        Working places = Working.of(
                step("readings", "H", "as read", readings.number("hardness"), unit, "ISO 868", read),
                step("seconds after contact", "t", "pinned", pinned.value("after"), "s", "ISO 868"));
        if (Arrays.stream(read).anyMatch(one -> one > 100)) {
            throw new IllegalArgumentException("a durometer's scale ends at 100");
        }
        double mean = readings.number("hardness");
        double spread = Arrays.stream(read).max().orElse(mean)
                - Arrays.stream(read).min().orElse(mean);
        Working means = places.then(step("hardness", "H̄", "mean", mean, unit, "ISO 868"));
        return Map.of(
                "shore-" + scale,
                Figure.of(mean, means).noting(notes(mean)),
                "shore-" + scale + "-spread",
                read.length < 2
                        ? Figure.none("one reading has no spread", places)
                        : Figure.of(spread, places.then(step("spread", "R", "largest − smallest", spread, unit, ""))));
    }

    /** Near the ends of its scale a durometer tells little (ISO 868, from memory): the other one is meant for it. */
    private static List<String> notes(double mean) {
        if (mean < 20) {
            return List.of("Below 20 the scale tells little: a softer durometer is meant for it.");
        }
        return mean > 90 ? List.of("Above 90 the scale tells little: a harder durometer is meant for it.") : List.of();
    }
}
