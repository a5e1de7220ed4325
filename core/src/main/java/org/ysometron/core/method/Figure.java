package org.ysometron.core.method;

import java.util.List;
import java.util.OptionalDouble;
import org.ysometron.core.working.Working;

/**
 * What a method's arithmetic makes of a specimen's readings, before it is asked how the test ended.
 *
 * @param value in the characteristic's unit; empty where there is none
 * @param upper where all that is known is that it lies between the value and this, which is above it; else empty
 * @param reason why there is none, or only one side is known; else empty
 * @param notes what a reader must know
 * @param working the steps that lead to it
 */
public record Figure(OptionalDouble value, OptionalDouble upper, String reason, List<String> notes, Working working) {

    /** Copies the notes. */
    public Figure {
        notes = List.copyOf(notes);
    }

    /** A figure. */
    public static Figure of(double value, Working working) {
        return Double.isFinite(value)
                ? new Figure(OptionalDouble.of(value), OptionalDouble.empty(), "", List.of(), working)
                : none("these readings lead to no finite figure", working);
    }

    /**
     * All that is known: above the one and not above the other.
     *
     * @throws IllegalArgumentException when the upper does not lie above the lower
     */
    public static Figure between(double lower, double upper, Working working) {
        if (!(upper > lower)) {
            throw new IllegalArgumentException("what held lies below what did not, got " + lower + " and " + upper);
        }
        return new Figure(OptionalDouble.of(lower), OptionalDouble.of(upper), "", List.of(), working);
    }

    /** All that is known: above this; what would end it was not read, whatever is said of how it ended. */
    public static Figure above(double lower, Working working) {
        return between(lower, Double.POSITIVE_INFINITY, working);
    }

    /** The same, for a reason of its own: what could have ended it is not there. */
    static Figure above(double lower, String because, Working working) {
        return new Figure(
                OptionalDouble.of(lower), OptionalDouble.of(Double.POSITIVE_INFINITY), because, List.of(), working);
    }

    /** All that is known: not above this, and why nothing is known of where it begins. */
    static Figure under(double upper, String because, Working working) {
        return new Figure(
                OptionalDouble.of(Double.NEGATIVE_INFINITY), OptionalDouble.of(upper), because, List.of(), working);
    }

    /**
     * What lies between the last look at which one thing held and the first at which it did not.
     *
     * @param low above this; empty where nothing was found below
     * @param high not above this; empty where nothing was found above
     * @param first why nothing is known below
     * @param last why nothing is known above
     * @throws IllegalArgumentException when neither is known, or they stand in the wrong order
     */
    static Figure bracketed(OptionalDouble low, OptionalDouble high, String first, String last, Working working) {
        if (high.isEmpty()) {
            return above(
                    low.orElseThrow(() -> new IllegalArgumentException("neither of the two looks was read")),
                    last,
                    working);
        }
        return low.isEmpty()
                ? under(high.getAsDouble(), first, working)
                : between(low.getAsDouble(), high.getAsDouble(), working);
    }

    /** Whether nothing is known of where it begins. */
    boolean isUnder() {
        return value.isPresent() && Double.isInfinite(value.getAsDouble());
    }

    /** Whether nothing is known of where it ends. */
    boolean isOpen() {
        return upper.isPresent() && Double.isInfinite(upper.getAsDouble());
    }

    /** None, and why. */
    public static Figure none(String reason, Working working) {
        return new Figure(OptionalDouble.empty(), OptionalDouble.empty(), reason, List.of(), working);
    }

    /** The same with these notes. */
    Figure noting(List<String> more) {
        return new Figure(value, upper, reason, more, working);
    }
}
