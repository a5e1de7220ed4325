package org.ysometron.core.method;

import com.google.auto.service.AutoService;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.colour.Lab;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Working;

/**
 * The colour of a plaque over white, against the master that is signed: ΔE00 of the mean of its places (ISO/CIE 11664-6), its coordinates, gloss at
 * 60° (ISO 2813), and the contrast ratio Y over black to Y over white, which says how far light goes through (common practice, no source).
 */
@AutoService(Method.class)
public final class ColourOfPlaque extends Method {

    private static final String SOURCE = "ISO/CIE 11664-6";

    @Override
    protected Map<String, Figure> reduce(Readings readings, Pinned pinned) {
        Lab white = lab(readings, "l", "a", "b")
                .orElseThrow(() -> new IllegalArgumentException("L*, a* and b* are read at the same places"));
        Working read = read(readings, white);
        Map<String, Figure> figures = new LinkedHashMap<>();
        figures.put("colour-difference", difference(readings, white, read));
        figures.put("colour-lightness", Figure.of(white.lightness(), read));
        figures.put("colour-red", Figure.of(white.a(), read));
        figures.put("colour-yellow", Figure.of(white.b(), read));
        OptionalDouble gloss = readings.mean("gloss");
        figures.put(
                "gloss",
                gloss.isEmpty()
                        ? Figure.none("no gloss was read", Working.NONE)
                        : Figure.of(
                                gloss.getAsDouble(),
                                Working.of(step(
                                        "gloss at 60°",
                                        "G",
                                        "mean",
                                        gloss.getAsDouble(),
                                        "GU",
                                        "ISO 2813",
                                        readings.all("gloss")))));
        figures.put("contrast-ratio", contrast(readings, white));
        return figures;
    }

    private static Working read(Readings readings, Lab white) {
        return Working.of(
                step("L*, over white", "L*", "mean", white.lightness(), "CIELAB", "", readings.all("l")),
                step("a*, over white", "a*", "mean", white.a(), "CIELAB", "", readings.all("a")),
                step("b*, over white", "b*", "mean", white.b(), "CIELAB", "", readings.all("b")));
    }

    /** The mean colour of the places; empty where the three were not all read, and as often. */
    static Optional<Lab> lab(Readings readings, String l, String a, String b) {
        int places = readings.all(l).length;
        boolean whole = places > 0 && readings.all(a).length == places && readings.all(b).length == places;
        return whole
                ? Optional.of(new Lab(readings.number(l), readings.number(a), readings.number(b)))
                : Optional.empty();
    }

    private static Figure difference(Readings readings, Lab white, Working read) {
        Optional<Lab> master = lab(readings, "master-l", "master-a", "master-b");
        if (master.isEmpty()) {
            return Figure.none("no master of this colour is signed", read);
        }
        Lab signed = master.get();
        double difference = white.difference(signed);
        return Figure.of(
                difference,
                read.then(step(
                                "signed master",
                                "L*, a*, b*",
                                "as signed",
                                signed.lightness(),
                                "CIELAB",
                                "",
                                signed.lightness(),
                                signed.a(),
                                signed.b()))
                        .then(step(
                                "difference to it", "ΔE00", "CIEDE2000, all factors 1", difference, "ΔE00", SOURCE)));
    }

    private static Figure contrast(Readings readings, Lab white) {
        Optional<Lab> black = lab(readings, "l-black", "a-black", "b-black");
        if (black.isEmpty()) {
            return Figure.none("it was not read over black", Working.NONE);
        }
        double over = black.get().luminance();
        if (!(white.luminance() > 0)) {
            return Figure.none("over white it sends no light back", Working.NONE);
        }
        double ratio = over / white.luminance();
        return Figure.of(
                ratio,
                Working.of(
                        step(
                                "luminance over black",
                                "Y_b",
                                "of L*",
                                over,
                                "",
                                "ISO/CIE 11664-4",
                                black.get().lightness()),
                        step(
                                "luminance over white",
                                "Y_w",
                                "of L*",
                                white.luminance(),
                                "",
                                "ISO/CIE 11664-4",
                                white.lightness()),
                        step(
                                "contrast ratio",
                                "C",
                                "Y_b/Y_w",
                                ratio,
                                "",
                                "common practice, no source",
                                over,
                                white.luminance())));
    }
}
