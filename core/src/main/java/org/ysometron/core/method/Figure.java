package org.ysometron.core.method;

import java.util.OptionalDouble;
import org.ysometron.core.working.Working;

/**
 * What a method's arithmetic makes of a specimen's readings, before it is asked how the test ended.
 *
 * @param value in the characteristic's unit; empty where there is none
 * @param reason why there is none; empty where there is one
 * @param working the steps that lead to it
 */
public record Figure(OptionalDouble value, String reason, Working working) {

    /** A figure. */
    public static Figure of(double value, Working working) {
        return Double.isFinite(value)
                ? new Figure(OptionalDouble.of(value), "", working)
                : none("these readings lead to no finite figure", working);
    }

    /** None, and why. */
    public static Figure none(String reason, Working working) {
        return new Figure(OptionalDouble.empty(), reason, working);
    }
}
