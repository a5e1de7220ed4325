package org.ysometron.core.drift;

/**
 * A pattern found on a chart, at the point that completes or prolongs it.
 *
 * @param rule which pattern
 * @param first index of the pattern's first point, from 0
 * @param last index of the flagged point, from 0
 * @param side where it lies, or where it is heading
 */
public record Signal(RunRule rule, int first, int last, Side side) {

    /** The signal as it is named at its point: "eight lots in a row below the centre". */
    public String words() {
        return rule.words(last - first + 1, side);
    }

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
