package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;

/**
 * A specimen as it is drawn at the bench, its label to the left: where its sizes are read, and in which part of it it broke.
 *
 * @param outline of the design, in a box of 150 by 44
 * @param places from the left, where sizes are read
 * @param zones parts that it may break in, from the label on
 */
public record Sketch(String outline, List<Integer> places, List<Zone> zones) {

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
        return new Sketch(outline(record.specimen().design()), places, zones);
    }

    private static String outline(SpecimenDesign design) {
        return switch (design) {
            case TENSION_BAR_4, TENSION_BAR_3 ->
                "M5 8H35C45 8 45 16 55 16H95C105 16 105 8 115 8H145V36H115C105 36 105 28 95 28H55C45 28 45 36 35 36H5Z";
            case BENDING_BAR -> "M5 14H145V30H5Z";
            case IMPACT_BAR_NOTCHED -> "M5 14H70L75 20L80 14H145V30H5Z";
            case SHEAR_PIN, TORSION_ROD -> "M10 14H140A5 8 0 0 1 140 30H10A5 8 0 0 1 10 14ZM140 14A5 8 0 0 0 140 30";
            case HOOK ->
                "M5 16H90C110 16 118 4 132 8C150 14 146 40 122 38V30C136 32 138 16 128 15C118 14 112 28 90 28H5Z";
            case THREAD_BLOCK -> "M35 6H115V38H35ZM35 17H115M35 27H115";
        };
    }
}
