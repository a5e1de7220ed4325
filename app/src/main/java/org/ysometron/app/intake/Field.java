package org.ysometron.app.intake;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

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

    /** The unit that people mean by a bare number here: that of the field's example, else the working unit. */
    UnitOfMeasure bareUnit() {
        Dimension needed = Objects.requireNonNull(dimension);
        UnitOfMeasure working = UnitOfMeasure.working(needed);
        return !example.isEmpty() && Typed.read(label, example, working) instanceof Typed.Accepted accepted
                ? accepted.unit()
                : working;
    }

    /** What stands behind the label, so that nobody has to guess it. */
    public String bareUnitWords() {
        return kind == Kind.QUANTITY
                        && dimension != null
                        && !bareUnit().symbol().isEmpty()
                ? bareUnit().symbol()
                : "";
    }

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
