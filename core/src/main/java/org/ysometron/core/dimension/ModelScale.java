package org.ysometron.core.dimension;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * Whether a set of specimens is off size because the model was scaled: the same relative error in every axis. A wrong flow
 * or exposure moves every edge by the same amount instead, so its relative error differs from axis to axis. Where the axes are
 * of one size, as on a square bar, both look the same, and then both are said.
 *
 * @param factor k, mean of measured over nominal
 * @param edge how far each edge would lie outside its place, in mm, where that explains the sizes as well; empty where it does not
 */
public record ModelScale(double factor, OptionalDouble edge) {

    /** Error over nominal from which a specimen is stopped until an engineer accepts it (common practice, no source). */
    public static final double GROSS = 0.10;

    /** Mean error below which a set is not called scaled: prints scatter by that much. */
    private static final double LEAST = 0.02;

    /** Largest difference between the axes' errors for them to count as equal. */
    private static final double EQUAL = 0.012;

    /**
     * Looks at measured against nominal, axis by axis.
     *
     * @param measured one an axis, at least two, in mm, each above 0
     * @param nominal the same axes, in mm, each above 0
     * @return empty when the errors are small or differ between axes
     * @throws IllegalArgumentException for axes that do not match or are not above 0
     */
    public static Optional<ModelScale> of(double[] measured, double[] nominal) {
        if (measured.length != nominal.length) {
            throw new IllegalArgumentException("measured and nominal need the same axes");
        }
        if (measured.length < 2 || !isAboveZero(measured) || !isAboveZero(nominal)) {
            throw new IllegalArgumentException("two axes at least are needed, each above zero");
        }
        double[] ratios = IntStream.range(0, measured.length)
                .mapToDouble(i -> measured[i] / nominal[i])
                .toArray();
        double[] differences = IntStream.range(0, measured.length)
                .mapToDouble(i -> measured[i] - nominal[i])
                .toArray();
        double mean = Arrays.stream(ratios).average().orElseThrow();
        if (spread(ratios) > EQUAL || Math.abs(mean - 1) < LEAST) {
            return Optional.empty();
        }
        double smallest = Arrays.stream(nominal).min().orElseThrow();
        boolean alike = spread(differences) <= EQUAL * smallest;
        return Optional.of(new ModelScale(
                mean,
                alike
                        ? OptionalDouble.of(Arrays.stream(differences).average().orElseThrow() / 2)
                        : OptionalDouble.empty()));
    }

    private static boolean isAboveZero(double[] sizes) {
        return Arrays.stream(sizes).allMatch(size -> size > 0 && size < Double.POSITIVE_INFINITY);
    }

    private static double spread(double[] values) {
        return Arrays.stream(values).max().orElseThrow()
                - Arrays.stream(values).min().orElseThrow();
    }

    /** Whether a size is so far off nominal that the specimen waits for an engineer's word. */
    public static boolean isGross(double measured, double nominal) {
        return !(nominal > 0 && measured > 0) || Rounding.beyond(measured, nominal, GROSS * nominal);
    }

    /** The finding as a sentence. */
    public String sentence() {
        return "Every axis is " + Figures.decimals(100 * Math.abs(factor - 1), 1) + " % too "
                + (factor < 1 ? "small" : "large") + ": the model was scaled by " + Figures.decimals(factor, 3)
                + (edge.isPresent()
                        ? ", or every edge lies " + Figures.decimals(Math.abs(edge.getAsDouble()), 3) + " mm too far "
                                + (edge.getAsDouble() < 0 ? "in" : "out")
                                + "; axes of one size cannot tell which."
                        : ".")
                + " Its stress may be compared by its own area, its load with no other.";
    }
}
