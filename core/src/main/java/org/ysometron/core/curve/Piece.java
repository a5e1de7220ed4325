package org.ysometron.core.curve;

import java.util.OptionalDouble;

/**
 * What a record was taken on.
 *
 * @param area of the section in mm², above 0
 * @param length in mm that the extension is of, above 0: the gauge length of an extensometer, or the grip distance of a crosshead
 * @param by what the extension was read by
 * @param compliance of frame and grips in mm/N, subtracted from what the crosshead travelled; empty where nobody knows, and for an
 *     extensometer
 * @param capacity of the gauge in N, or N·m; empty where nobody knows
 * @param loading how it is loaded
 */
public record Piece(
        double area, double length, By by, OptionalDouble compliance, OptionalDouble capacity, Loading loading) {

    /** A piece that is pulled. */
    public Piece(double area, double length, By by, OptionalDouble compliance, OptionalDouble capacity) {
        this(area, length, by, compliance, capacity, Loading.PULL);
    }

    /** A piece that is loaded otherwise. */
    public Piece(Loading.Form form, By by, OptionalDouble compliance, OptionalDouble capacity) {
        this(form.area(), form.length(), by, compliance, capacity, form.loading());
    }

    /** What read the extension. */
    public enum By {
        /** On the specimen itself: a strain. */
        EXTENSOMETER("extensometer"),
        /** The crosshead's travel, with grips and frame in it: never a strain of the specimen. */
        CROSSHEAD("crosshead");

        private final String words;

        By(String words) {
            this.words = words;
        }

        /** Its name in words. */
        public String words() {
            return words;
        }
    }

    /** Checks the ranges. */
    public Piece {
        if (!(area > 0 && area <= 1e6) || !(length > 0 && length <= 1e5)) {
            throw new IllegalArgumentException(
                    "a section lies above 0 mm² and a length above 0 mm, got " + area + " and " + length);
        }
        if (compliance.isPresent() && !(compliance.getAsDouble() >= 0 && compliance.getAsDouble() < 1)) {
            throw new IllegalArgumentException(
                    "a compliance lies from 0 up to 1 mm/N, got " + compliance.getAsDouble());
        }
        if (compliance.isPresent() && by == By.EXTENSOMETER) {
            throw new IllegalArgumentException("an extensometer does not read what the frame gives way");
        }
        if (capacity.isPresent() && !(capacity.getAsDouble() > 0)) {
            throw new IllegalArgumentException("a capacity lies above 0 N, got " + capacity.getAsDouble());
        }
    }
}
