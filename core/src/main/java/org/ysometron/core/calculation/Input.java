package org.ysometron.core.calculation;

import java.util.Locale;
import org.ysometron.core.working.Figures;

/**
 * One input of a calculation.
 *
 * @param name its key in a case
 * @param kind what may be given
 * @param unit working unit that a bare number is in; empty when it has none
 * @param required whether a case without it is refused
 * @param meaning what it is, with its default when it may be left out
 * @param range which numbers and how many
 */
public record Input(String name, Kind kind, String unit, boolean required, String meaning, Range range) {

    /** Numbers beyond this are no measurement's; within it nothing overflows on the way to an answer. */
    static final double FAR = 1e12;

    /** Items of a list at the most. */
    static final int MANY = 100_000;

    private static final Range ANY = new Range(-FAR, false, FAR, false, 0, MANY);

    /** What may be given for an input. */
    public enum Kind {
        /** A number, or a text with a number and its unit. */
        NUMBER("number"),
        /** A list of numbers, or of texts with units. */
        NUMBERS("list of numbers"),
        /** A whole number. */
        WHOLE("whole number"),
        /** A list of whole numbers. */
        WHOLES("list of whole numbers"),
        /** A word out of those named in the meaning. */
        WORD("word"),
        /** A list of such words. */
        WORDS("list of words"),
        /** A list of objects, whose keys the meaning names. */
        RECORDS("list of objects");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The kind in words. */
        public String words() {
            return words;
        }

        /** Whether it is made of numbers, which are checked against the range. */
        boolean isNumeric() {
            return this == NUMBER || this == NUMBERS || isWhole();
        }

        /** Whether its numbers are whole. */
        boolean isWhole() {
            return this == WHOLE || this == WHOLES;
        }

        /** Whether it is a list. */
        boolean isList() {
            return this == NUMBERS || this == WHOLES || this == WORDS || this == RECORDS;
        }
    }

    /**
     * Which numbers are taken, and how many of them in a list.
     *
     * @param least the least number
     * @param aboveLeast whether the least itself is refused
     * @param most the greatest number
     * @param belowMost whether the greatest itself is refused
     * @param fewest items of a list at the least
     * @param many items of a list at the most
     */
    public record Range(double least, boolean aboveLeast, double most, boolean belowMost, int fewest, int many) {

        /** Whether a number lies in it. */
        public boolean holds(double number) {
            boolean low = aboveLeast ? number > least : number >= least;
            return low && (belowMost ? number < most : number <= most);
        }

        /** The range in words, such as "above 0, at most 1e12". */
        String words() {
            return (aboveLeast ? "above " : "at least ") + text(least) + ", " + (belowMost ? "below " : "at most ")
                    + text(most);
        }

        private static String text(double number) {
            boolean plain = number == 0 || (Math.abs(number) >= 1e-4 && Math.abs(number) < 1e7);
            return plain
                    ? Figures.plain(number, 6)
                    : String.format(Locale.ROOT, "%.0e", number).replace("e+", "e");
        }
    }

    static Input required(String name, Kind kind, String unit, String meaning) {
        return new Input(name, kind, unit, true, meaning, ANY);
    }

    static Input optional(String name, Kind kind, String unit, String meaning) {
        return new Input(name, kind, unit, false, meaning, ANY);
    }

    /** The same with its numbers from {@code least} to {@code most}, both taken. */
    Input in(double least, double most) {
        return with(new Range(least, false, most, false, range.fewest, range.many));
    }

    /** The same with its numbers between two that are not taken themselves. */
    Input inside(double least, double most) {
        return with(new Range(least, true, most, true, range.fewest, range.many));
    }

    /** The same with its numbers above one that is not taken itself, up to {@code most}. */
    Input above(double least, double most) {
        return with(new Range(least, true, most, false, range.fewest, range.many));
    }

    /** The same with its numbers above zero; the least that is told from it is 1e-9. */
    Input positive() {
        return in(1e-9, FAR);
    }

    /** The same with so many items. */
    Input items(int fewest, int many) {
        return with(new Range(range.least, range.aboveLeast, range.most, range.belowMost, fewest, many));
    }

    /** What may be given, in words. */
    public String rangeWords() {
        String numbers = kind.isNumeric() ? range.words() : "";
        String count = kind.isList() ? range.fewest + " to " + range.many + " of them" : "";
        return numbers + (numbers.isEmpty() || count.isEmpty() ? "" : "; ") + count;
    }

    private Input with(Range other) {
        return new Input(name, kind, unit, required, meaning, other);
    }
}
