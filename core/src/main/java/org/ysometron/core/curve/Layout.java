package org.ysometron.core.curve;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * How a file of records is written, as it was found and as a person confirms it before anything is stored.
 *
 * @param delimiter between cells
 * @param decimalComma whether decimals stand behind a comma
 * @param headRows rows before the first figures
 * @param columns of what is taken
 */
public record Layout(char delimiter, boolean decimalComma, int headRows, List<Column> columns) {

    /** Copies the columns. */
    public Layout {
        columns = List.copyOf(columns);
    }

    /** What stands in a column. */
    public enum Role {
        TIME("time"),
        FORCE("force"),
        EXTENSION("extension"),
        SECOND("second extension"),
        SPECIMEN("specimen");

        private final String words;

        Role(String words) {
            this.words = words;
        }

        /** Its name in words. */
        public String words() {
            return words;
        }

        /** Its name where a torque or an angle may stand in it. */
        public String words(Loading loading) {
            return switch (this) {
                case FORCE -> loading.loadWords();
                case EXTENSION -> loading.wayWords();
                default -> words;
            };
        }

        /** Those that a record of such a loading can have. */
        public static List<Role> of(Loading loading) {
            return Stream.of(values())
                    .filter(role -> !loading.isHeld() || (role != TIME && role != SECOND))
                    .toList();
        }

        /** What stands in it; a ratio for a specimen's name. */
        public Dimension dimension(Loading loading) {
            return switch (this) {
                case TIME -> Dimension.TIME;
                case FORCE -> loading.load();
                case EXTENSION, SECOND -> loading.way();
                case SPECIMEN -> Dimension.RATIO;
            };
        }
    }

    /**
     * A column.
     *
     * @param index from 0
     * @param title as the file has it
     * @param unit empty for a specimen, and for a strain in parts of one
     * @param share whether an extension is a share of the length: in percent where {@code percent}
     */
    public record Column(
            int index, String title, Role role, Optional<UnitOfMeasure> unit, boolean share, boolean percent) {

        /** A figure of the column in N, mm, s, or as a part of one. */
        double working(double typed) {
            double value = unit.map(known -> known.toWorking(typed)).orElse(typed);
            return percent ? typed / 100 : value;
        }

        /** What stands in it, by its unit where that tells: a length in the place of the load is an extension. */
        String what() {
            return switch (unit.map(UnitOfMeasure::dimension).orElse(Dimension.RATIO)) {
                case LENGTH -> role == Role.FORCE ? "extension" : role.words();
                case TIME -> role == Role.EXTENSION ? "time under load" : role.words();
                case TORQUE -> "torque";
                case ANGLE -> "angle";
                default -> role.words();
            };
        }

        /** Title and unit, for whoever confirms them. */
        public String words() {
            String known = percent ? "%" : unit.map(UnitOfMeasure::symbol).orElse(share ? "mm/mm" : "");
            return what() + ": column " + (index + 1) + " '" + title + "'" + (known.isEmpty() ? "" : " in " + known);
        }
    }

    /** The column of this role. */
    public Optional<Column> column(Role role) {
        return columns.stream().filter(column -> column.role() == role).findFirst();
    }

    /** The same with another column in a role; the unit is that of its head, or the one that is given. */
    public Layout with(Column column) {
        List<Column> others = columns.stream()
                .filter(one -> one.role() != column.role() && one.index() != column.index())
                .toList();
        return new Layout(
                delimiter,
                decimalComma,
                headRows,
                Stream.concat(others.stream(), Stream.of(column)).toList());
    }

    /** What was found, in one line. */
    public String words() {
        String cells = delimiter == '\t' ? "tabs" : "'" + delimiter + "'";
        return "cells between " + cells + ", decimal " + (decimalComma ? "comma" : "point") + ", " + headRows
                + (headRows == 1 ? " row" : " rows") + " of head; "
                + String.join("; ", columns.stream().map(Column::words).toList());
    }
}
