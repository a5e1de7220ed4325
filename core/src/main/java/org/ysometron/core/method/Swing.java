package org.ysometron.core.method;

import java.util.OptionalDouble;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * What a pendulum lost to what it struck: W = m·g·(h_free − h_after). Heights are read directly, or follow from the angles of the
 * swing: h = R·(1 − cos θ). The free swing is that of the day, so that air and bearings are in it. Source: ISO 13802; g = 9.80665 m/s²
 * by definition.
 *
 * @param work in J; empty where there is none
 * @param reason why there is none
 */
record Swing(OptionalDouble work, String reason, Working working) {

    private static final double MM_PER_M = 1000;
    private static final double G_PER_KG = 1000;

    /** Reads a swing by the fields free-height, after-height, free-angle and after-angle. */
    static Swing of(Readings readings, Pinned pinned) {
        OptionalDouble free = height(readings, "free", pinned);
        OptionalDouble after = height(readings, "after", pinned);
        if (free.isEmpty() || after.isEmpty()) {
            return none("both swings are needed, each by its height or by its angle", Working.NONE);
        }
        double fall = free.getAsDouble() - after.getAsDouble();
        double mass = pinned.value("mass");
        Working swings = Working.of(
                Method.step("height of the free swing", "h₀", how(readings, "free"), free.getAsDouble(), "mm", ""),
                Method.step("height after the blow", "h₁", how(readings, "after"), after.getAsDouble(), "mm", ""));
        if (!(fall > 0)) {
            return none("the hammer rose as high as in its free swing: there is no work", swings);
        }
        double work = mass / G_PER_KG * UnitOfMeasure.STANDARD_GRAVITY * fall / MM_PER_M;
        Step energy = Method.step("energy", "W", "m·g·(h₀ − h₁)", work, "J", "ISO 13802", mass, fall);
        return new Swing(OptionalDouble.of(work), "", swings.then(energy));
    }

    private static Swing none(String reason, Working working) {
        return new Swing(OptionalDouble.empty(), reason, working);
    }

    /** The energy as a figure. */
    Figure energy() {
        return work.isPresent() ? Figure.of(work.getAsDouble(), working) : Figure.none(reason, working);
    }

    private static String how(Readings readings, String swing) {
        return readings.has(swing + "-height") ? "as read" : "R·(1 − cos θ)";
    }

    private static OptionalDouble height(Readings readings, String swing, Pinned pinned) {
        OptionalDouble read = readings.mean(swing + "-height");
        OptionalDouble angle = readings.mean(swing + "-angle");
        return read.isPresent() || angle.isEmpty()
                ? read
                : OptionalDouble.of(pinned.value("radius") * (1 - Math.cos(Math.toRadians(angle.getAsDouble()))));
    }
}
