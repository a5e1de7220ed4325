package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.colour.Lab;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * What light, heat or a liquid did to a colour: ΔE00 between the same places before and after (ISO/CIE 11664-6), and the share of the gloss that is left
 * (ISO 2813). No master is needed; the treatment stands in the terms.
 */
@AutoService(Method.class)
public final class ColourChange extends Method {

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Lab before = ColourOfPlaque.lab(readings, "l", "a", "b").orElseThrow(ColourChange::uneven);
        Lab after =
                ColourOfPlaque.lab(readings, "l-after", "a-after", "b-after").orElseThrow(ColourChange::uneven);
        double change = before.difference(after);
        double yellower = after.b() - before.b();
        Working read = read(before, after);
        return Map.of(
                "colour-change",
                Figure.of(
                        change,
                        read.then(
                                step("change", "ΔE00", "CIEDE2000, all factors 1", change, "ΔE00", "ISO/CIE 11664-6"))),
                "yellowing",
                Figure.of(
                        yellower,
                        read.then(step(
                                "yellower by",
                                "Δb*",
                                "after − before",
                                yellower,
                                "CIELAB",
                                "",
                                after.b(),
                                before.b()))),
                "gloss-left",
                gloss(readings));
    }

    private static Working read(Lab before, Lab after) {
        return Working.of(seen("L*, a*, b* before", before), seen("L*, a*, b* after", after));
    }

    private static Step seen(String meaning, Lab lab) {
        return step(meaning, "", "mean", lab.lightness(), "CIELAB", "", lab.lightness(), lab.a(), lab.b());
    }

    private static IllegalArgumentException uneven() {
        return new IllegalArgumentException("L*, a* and b* are read at the same places, before and after");
    }

    private static Figure gloss(Readings readings) {
        OptionalDouble before = readings.mean("gloss");
        OptionalDouble after = readings.mean("gloss-after");
        if (before.isEmpty() || after.isEmpty()) {
            return Figure.none("no gloss was read before and after", Working.NONE);
        }
        double left = after.getAsDouble() / before.getAsDouble();
        return Figure.of(
                left,
                Working.of(step(
                        "gloss left",
                        "G₁/G₀",
                        "after/before",
                        left,
                        "",
                        "ISO 2813",
                        after.getAsDouble(),
                        before.getAsDouble())));
    }
}
