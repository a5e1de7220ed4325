package org.ysometron.core.drift;

/**
 * A pattern found on a chart, at the point that completes or prolongs it.
 *
 * @param rule which pattern
 * @param first index of the pattern's first point, from 0
 * @param last index of the flagged point, from 0
 * @param side where it lies, or where it is heading
 * @param words the signal as it is named at its point
 */
public record Signal(RunRule rule, int first, int last, Side side, String words) {

    /** Which side of the centre. */
    public enum Side {
        ABOVE("above"),
        BELOW("below");

        private final String words;

        Side(String words) {
            this.words = words;
        }

        /** The side as a word: "above". */
        public String words() {
            return words;
        }
    }
}
