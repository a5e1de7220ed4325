package org.ysometron.core.publication;

import java.util.OptionalDouble;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * A setting in use beside the one that is published: both are kept, and how far apart they are. What lies within a published range does
 * not differ from it.
 *
 * @param difference used less the nearest that is published, in the working unit; 0 within
 * @param words the difference in words
 */
public record Recommended(double difference, String words) {

    /** What is said of a setting that does not differ. */
    public static final String WITHIN = "as published";

    /**
     * Compares.
     *
     * @param dimension of both
     * @param value that is published; empty where a range is
     * @param low lower end of the published range; empty where there is none
     * @param high upper end of the published range; empty where there is none
     * @param used in the working unit
     * @throws IllegalArgumentException when nothing is published, or the figure used is none
     */
    public static Recommended beside(
            Dimension dimension, OptionalDouble value, OptionalDouble low, OptionalDouble high, double used) {
        OptionalDouble least = low.isPresent() ? low : high.isPresent() ? OptionalDouble.empty() : value;
        OptionalDouble most = high.isPresent() ? high : low.isPresent() ? OptionalDouble.empty() : value;
        if ((least.isEmpty() && most.isEmpty()) || !Double.isFinite(used)) {
            throw new IllegalArgumentException(
                    "a published value or range and a setting in use are needed, got " + used);
        }
        if (least.isPresent() && Rounding.below(used, least.getAsDouble())) {
            return of(dimension, used - least.getAsDouble(), "below");
        }
        if (most.isPresent() && Rounding.above(used, most.getAsDouble())) {
            return of(dimension, used - most.getAsDouble(), "above");
        }
        return new Recommended(0, WITHIN);
    }

    /** Whether it differs at all. */
    public boolean differs() {
        return difference != 0;
    }

    private static Recommended of(Dimension dimension, double difference, String where) {
        double size = Math.abs(difference);
        String shown =
                switch (dimension) {
                    case TEMPERATURE -> Figures.plain(size, 4) + " K";
                    case RATIO -> Figures.plain(100 * size, 4) + " percentage points";
                    default -> Figures.withUnit(size, 3, dimension.workingUnit());
                };
        return new Recommended(difference, shown + " " + where + " what is published");
    }
}
