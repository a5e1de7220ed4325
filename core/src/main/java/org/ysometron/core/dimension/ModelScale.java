package org.ysometron.core.dimension;

import java.util.Arrays;
import java.util.Optional;
import org.ysometron.core.working.Figures;

/**
 * Whether a set of specimens is off size because the model was scaled: the same relative error in every axis. A wrong flow
 * or exposure errs by the same amount instead, so its relative error differs from axis to axis.
 *
 * @param factor k, mean of measured over nominal
 */
public record ModelScale(double factor) {

    /** Error over nominal from which a specimen is stopped until an engineer accepts it (common practice, no source). */
    public static final double GROSS = 0.10;

    /** Mean error below which a set is not called scaled: prints scatter by that much. */
    private static final double LEAST = 0.02;

    /** Largest difference between the axes' errors for them to count as equal. */
    private static final double EQUAL = 0.012;

    /**
     * Looks at measured over nominal, axis by axis.
     *
     * @param ratios one an axis, at least two, each above 0
     * @return empty when the errors are small or differ between axes
     */
    public static Optional<ModelScale> of(double... ratios) {
        if (ratios.length < 2 || Arrays.stream(ratios).anyMatch(ratio -> !(ratio > 0))) {
            throw new IllegalArgumentException("two axes at least are needed, each measured above zero");
        }
        double least = Arrays.stream(ratios).min().orElseThrow();
        double most = Arrays.stream(ratios).max().orElseThrow();
        double mean = Arrays.stream(ratios).average().orElseThrow();
        return most - least <= EQUAL && Math.abs(mean - 1) >= LEAST
                ? Optional.of(new ModelScale(mean))
                : Optional.empty();
    }

    /** Whether a size is so far off nominal that the specimen waits for an engineer's word. */
    public static boolean isGross(double measured, double nominal) {
        return !(Math.abs(measured / nominal - 1) <= GROSS);
    }

    /** The finding as a sentence. */
    public String sentence() {
        return "Every axis is " + Figures.decimals(100 * Math.abs(factor - 1), 1) + " % too "
                + (factor < 1 ? "small" : "large") + ": the model was scaled by " + Figures.decimals(factor, 3)
                + ". Its stress may be compared by its own area, its load with no other.";
    }
}
