package org.ysometron.core.claim;

import java.util.OptionalDouble;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * What a claim promises about a mean or a ratio, in working units.
 *
 * @param lower promised at least; empty when there is no lower edge
 * @param upper promised at most; empty when there is no upper edge
 * @param unit symbol of the working unit; empty for a ratio
 * @param minimumN specimens below which the claim is never called supported, at least 1
 * @param confidence one-sided, above 0.5 and below 1; 0.95 unless the claim says otherwise
 * @param guard how far inside an edge the estimate must lie: by the bounds of that confidence, or not at all
 */
public record Requirement(
        OptionalDouble lower, OptionalDouble upper, String unit, int minimumN, double confidence, GuardBand guard) {

    /** By the bounds of a confidence. */
    public Requirement(OptionalDouble lower, OptionalDouble upper, String unit, int minimumN, double confidence) {
        this(lower, upper, unit, minimumN, confidence, GuardBand.ONE_SIDED);
    }

    /** Checks that there is an edge, and that two edges leave room between them. */
    public Requirement {
        if (lower.isEmpty() && upper.isEmpty()) {
            throw new IllegalArgumentException("a claim needs a lower edge, an upper edge, or both");
        }
        if (lower.isPresent() && upper.isPresent() && !(lower.getAsDouble() < upper.getAsDouble())) {
            throw new IllegalArgumentException("the lower edge must lie below the upper one");
        }
        if (minimumN < 1 || !(confidence > 0.5 && confidence < 1)) {
            throw new IllegalArgumentException("needs a minimum n of at least 1 and a confidence above 0.5, below 1");
        }
    }

    /** At least {@code edge}. */
    public static Requirement atLeast(double edge, String unit, int minimumN) {
        return new Requirement(OptionalDouble.of(edge), OptionalDouble.empty(), unit, minimumN, 0.95);
    }

    /** At most {@code edge}. */
    public static Requirement atMost(double edge, String unit, int minimumN) {
        return new Requirement(OptionalDouble.empty(), OptionalDouble.of(edge), unit, minimumN, 0.95);
    }

    /** Between two edges. */
    public static Requirement between(double lower, double upper, String unit, int minimumN) {
        return new Requirement(OptionalDouble.of(lower), OptionalDouble.of(upper), unit, minimumN, 0.95);
    }

    /** Whether a value lies inside the claim, edges included. */
    public boolean holds(double value) {
        return bears(value, value);
    }

    /** Whether bounds of the true value lie inside the claim, each on the edge that it faces, edges included. */
    boolean bears(double least, double greatest) {
        return (lower.isEmpty() || !Rounding.below(least, lower.getAsDouble()))
                && (upper.isEmpty() || !Rounding.above(greatest, upper.getAsDouble()));
    }

    /** Whether bounds of the true value lie outside the claim, each beyond the edge that it faces away from. */
    boolean denies(double least, double greatest) {
        return (lower.isPresent() && Rounding.below(greatest, lower.getAsDouble()))
                || (upper.isPresent() && Rounding.above(least, upper.getAsDouble()));
    }

    /** Whether bounds and estimate bear the claim, by its guard band. */
    boolean isBorne(double least, double estimate, double greatest) {
        return guard == GuardBand.NONE ? holds(estimate) : bears(least, greatest);
    }

    /** Whether they contradict it. */
    boolean isDenied(double least, double estimate, double greatest) {
        return guard == GuardBand.NONE ? !holds(estimate) : denies(least, greatest);
    }

    /** The same promise at another one-sided confidence. */
    Requirement at(double otherConfidence) {
        return new Requirement(lower, upper, unit, minimumN, otherConfidence, guard);
    }

    /** The same promise with another least number of specimens. */
    Requirement withLeast(int n) {
        return new Requirement(lower, upper, unit, n, confidence, guard);
    }

    /** The same promise, accepted with another guard band. */
    public Requirement guarded(GuardBand band) {
        return new Requirement(lower, upper, unit, minimumN, band.confidence(), band);
    }

    /** The promise in words: "at least 45 MPa". */
    public String words() {
        String suffix = Figures.unit(unit);
        if (lower.isPresent() && upper.isPresent()) {
            return "between " + edge(lower.getAsDouble()) + " and " + edge(upper.getAsDouble()) + suffix;
        }
        return lower.isPresent()
                ? "at least " + edge(lower.getAsDouble()) + suffix
                : "at most " + edge(upper.getAsDouble()) + suffix;
    }

    private static String edge(double value) {
        return Figures.plain(value, 5);
    }
}
