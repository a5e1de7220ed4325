package org.ysometron.app.intake;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.quantity.Dimension;

/**
 * One field of a record.
 *
 * @param dimension of a quantity; null for everything else
 * @param example what could be typed
 */
record Field(
        String name,
        String label,
        Kind kind,
        @Nullable Dimension dimension,
        boolean required,
        List<Option> options,
        String example) {

    /** What may be typed. */
    enum Kind {
        QUANTITY,
        WORDS,
        CHOICE,
        MOMENT,
        LINES
    }

    /** One of several things to choose. */
    record Option(String value, String words) {}

    static Field quantity(String name, String label, Dimension dimension, boolean required) {
        return new Field(name, label, Kind.QUANTITY, dimension, required, List.of(), dimension.example());
    }

    static Field quantity(String name, String label, Dimension dimension, boolean required, String example) {
        return new Field(name, label, Kind.QUANTITY, dimension, required, List.of(), example);
    }

    static Field words(String name, String label, boolean required, String example) {
        return new Field(name, label, Kind.WORDS, null, required, List.of(), example);
    }

    static Field choice(String name, String label, List<Option> options) {
        return new Field(name, label, Kind.CHOICE, null, true, options, "");
    }

    static Field moment(String name, String label) {
        return new Field(name, label, Kind.MOMENT, null, true, List.of(), "2026-03-14 09:30");
    }

    static Field lines(String name, String label, boolean required, String example) {
        return new Field(name, label, Kind.LINES, null, required, List.of(), example);
    }
}
