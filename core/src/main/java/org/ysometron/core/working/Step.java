package org.ysometron.core.working;

/**
 * One line of a working.
 *
 * @param meaning what is being worked out, in words
 * @param symbol the source's letter for it; empty where it has none
 * @param formula the formula with its letters; empty for a bare reading
 * @param numbers the formula with the numbers in it, or the reading as typed
 * @param value the value at full precision; NaN for a line of words, which has none
 * @param unit symbol of the value's unit; empty when it has none
 * @param source the document and clause the formula is from; empty for a reading
 */
public record Step(
        String meaning, String symbol, String formula, String numbers, double value, String unit, String source) {

    /** A step of a figure that has no unit, its numbers not shown and its formula nobody's in particular. */
    public static Step of(String meaning, String symbol, String formula, double value) {
        return of(meaning, symbol, formula, value, "");
    }

    /** The same with the source of the formula. */
    public static Step of(String meaning, String symbol, String formula, double value, String source) {
        return new Step(meaning, symbol, formula, "", value, "", source);
    }

    /** A line of words only. */
    public static Step note(String meaning, String words) {
        return new Step(meaning, "", "", words, Double.NaN, "", "");
    }

    /** Whether the line carries a number. */
    public boolean hasValue() {
        return !Double.isNaN(value);
    }

    /** The value for people, five significant digits with its unit; empty for a line of words. */
    public String shown() {
        if (!hasValue()) {
            return "";
        }
        String figure = Math.rint(value) == value && Math.abs(value) < 1e6
                ? Figures.decimals(value, 0)
                : Figures.significant(value, 5);
        return unit.isEmpty() ? figure : figure + " " + unit;
    }
}
