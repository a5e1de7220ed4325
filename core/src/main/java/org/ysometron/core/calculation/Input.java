package org.ysometron.core.calculation;

/**
 * One input of a calculation.
 *
 * @param name its key in a case
 * @param kind what may be given
 * @param unit working unit that a bare number is in; empty when it has none
 * @param required whether a case without it is refused
 * @param meaning what it is, with its default when it may be left out
 */
public record Input(String name, Kind kind, String unit, boolean required, String meaning) {

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
    }

    static Input required(String name, Kind kind, String unit, String meaning) {
        return new Input(name, kind, unit, true, meaning);
    }

    static Input optional(String name, Kind kind, String unit, String meaning) {
        return new Input(name, kind, unit, false, meaning);
    }
}
