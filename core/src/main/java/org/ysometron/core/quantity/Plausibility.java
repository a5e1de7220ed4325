package org.ysometron.core.quantity;

import java.util.Optional;
import org.ysometron.core.working.Figures;

/**
 * Says whether a value is far from the one expected, and whether a slipped decimal point explains it. A question put
 * back to the person, never a correction: the value stands if they say so.
 *
 * <p>The limits are common practice, no source: a value is doubted when it lies outside {@code lowest} to {@code
 * highest} times the expected one, and a slip is named when moving the point brings it back inside.
 */
public record Plausibility(double lowest, double highest) {

    /** For a dimension against its nominal: 0.6 to 1.6 times. */
    public static final Plausibility OF_A_DIMENSION = new Plausibility(0.6, 1.6);

    /** For a breaking force against the expected one: 0.3 to 3 times, for materials do surprise. */
    public static final Plausibility OF_A_FORCE = new Plausibility(0.3, 3.0);

    /** Checks that the range holds 1 and is narrower than a factor of ten, so that a slip can be told. */
    public Plausibility {
        if (!(lowest > 0 && lowest < 1 && highest > 1 && highest / lowest <= 10)) {
            throw new IllegalArgumentException(
                    "a range around 1 narrower than a factor of ten is needed: " + lowest + " to " + highest);
        }
    }

    /**
     * @param value the value given, working unit, above zero
     * @param expected the value expected, working unit, above zero
     * @param unit symbol of the working unit, for the message
     * @return what to ask the person, or empty when the value is plausible
     */
    public Optional<String> doubt(double value, double expected, String unit) {
        double ratio = value / expected;
        if (ratio >= lowest && ratio <= highest) {
            return Optional.empty();
        }
        String about = "about " + Figures.withUnit(expected, 3, unit) + " is expected here";
        int shift = (int) Math.round(-Math.log10(ratio));
        double shifted = value * Math.pow(10, shift);
        if (shift != 0 && shifted / expected >= lowest && shifted / expected <= highest) {
            return Optional.of("Has the decimal point slipped? " + Figures.withUnit(value, 4, unit) + " was read, "
                    + about + "; " + Figures.significant(shifted, 4) + " would fit.");
        }
        String direction = ratio > 1 ? "far above" : "far below";
        return Optional.of(Figures.withUnit(value, 4, unit) + " is " + direction + " anything seen: " + about + ".");
    }
}
