package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;

/**
 * A specimen as it is drawn at the bench, its label to the left: where its sizes are read, and in which part of it it broke.
 *
 * @param outline of the design, in a box of 150 by 44
 * @param places from the left, where sizes are read
 * @param zones parts that it may break in, from the label on
 * @param held how a design of the site is held; empty where the method says it
 */
public record Sketch(String outline, List<Integer> places, List<Zone> zones, Optional<String> held) {

    private static final int LEFT = 5;
    private static final int WIDE = 140;

    /** A part of the specimen, as a choice of what is noted. */
    public record Zone(String words, double from, double wide, boolean isBroken) {}

    /** The design's drawing, with as many places as the sheet reads sizes at. */
    static Sketch of(SpecimenRecord record) {
        int most = record.method().data().sheet().of(Field.Role.SIZE).stream()
                .mapToInt(Field::places)
                .max()
                .orElse(0);
        List<Integer> places = new ArrayList<>();
        for (int i = 1; i <= most; i++) {
            // In the middle two thirds, where the section is the narrowest.
            places.add(LEFT + WIDE / 6 + WIDE * 2 / 3 * i / (most + 1));
        }
        String broke = record.at(Noted.BROKE_AT, 1).map(ReadingView::typed).orElse("");
        double wide = WIDE / (double) Noted.PARTS.size();
        List<Zone> zones = new ArrayList<>();
        for (String part : Noted.PARTS) {
            zones.add(new Zone(part, LEFT + zones.size() * wide, wide, part.equals(broke)));
        }
        SpecimenDesign design = record.specimen().design();
        return new Sketch(design.outline(), places, zones, design.held());
    }
}
