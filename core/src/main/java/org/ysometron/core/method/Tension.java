package org.ysometron.core.method;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Tensile strength of one specimen: σ = F/A₀, the largest force over the section measured before the test.
 *
 * <p>Source: ISO 527-1, tensile strength, for a specimen that fails at its largest force. Deviation: the specimen is the
 * product's own bar with a rectangular section, not a type 1A bar. 1 N/mm² = 1 MPa.
 */
public final class Tension {

    /** Method and revision, as it stands on results. */
    public static final String REVISION = "tension, largest force over measured section, revision 1";

    private static final String SOURCE = "ISO 527-1, tensile strength";

    private Tension() {}

    /**
     * Reduces one test.
     *
     * <p>A force at or above the gauge's capacity is a bound at the capacity whatever the outcome typed, for what a gauge
     * shows beyond its capacity is not a reading.
     *
     * @param section measured section
     * @param force largest force in N, above 0
     * @param outcome how the test ended
     * @param capacity of the gauge in N; empty when it is not known
     * @throws IllegalArgumentException when the force is not above zero, or the outcome says over capacity and the force
     *     lies below it
     */
    public static Result strength(Section section, double force, Outcome outcome, OptionalDouble capacity) {
        if (!(force > 0) || Double.isInfinite(force)) {
            throw new IllegalArgumentException("a force above zero is needed, got " + force);
        }
        boolean atCapacity = capacity.isPresent() && force >= capacity.getAsDouble();
        if (outcome == Outcome.OVER_CAPACITY && capacity.isPresent() && !atCapacity) {
            throw new IllegalArgumentException("over capacity, but " + Figures.significant(force, 4)
                    + " N lies below the gauge's capacity of " + Figures.significant(capacity.getAsDouble(), 4) + " N");
        }
        Outcome judged = atCapacity && outcome.kind() != Result.Kind.EXCLUDED ? Outcome.OVER_CAPACITY : outcome;
        double used = atCapacity ? capacity.getAsDouble() : force;
        double stress = used / section.area();
        List<String> notes = new ArrayList<>(section.notes());
        if (judged != outcome) {
            notes.add("The force is at or above the gauge's capacity of "
                    + Figures.significant(capacity.getAsDouble(), 4) + " N: taken as a bound.");
        }
        Working working = section.working().then(forceStep(force, used, judged));
        working = working.then(new Step(
                judged.kind() == Result.Kind.AT_LEAST ? "tensile strength, at least" : "tensile strength",
                "σ",
                "σ = F/A₀",
                Figures.significant(used, 5) + " N / " + Figures.significant(section.area(), 5) + " mm²",
                stress,
                "MPa",
                SOURCE));
        if (!judged.reason().isEmpty()) {
            working = working.then(Step.note(judged.words(), judged.reason()));
        }
        return new Result(judged.kind(), stress, "MPa", judged.reason(), notes, working, REVISION);
    }

    /** The stress a force would mean on this section, in MPa; for showing while somebody types. */
    public static double stress(double force, double area) {
        return force / area;
    }

    private static Step forceStep(double force, double used, Outcome outcome) {
        String numbers = used == force
                ? Figures.significant(force, 5) + " N, " + outcome.words()
                : "display " + Figures.significant(force, 5) + " N, gauge ends at " + Figures.significant(used, 5)
                        + " N";
        return new Step("largest force", "F", "", numbers, used, "N", "");
    }
}
