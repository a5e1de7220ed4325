package org.ysometron.app.make;

import java.util.Collection;
import org.ysometron.core.working.Figures;

/** Values in five steps from low to high, for maps that read without colour: each step has its own hatching. */
record Shades(double low, double high) {

    private static final int STEPS = 5;

    static Shades of(Collection<Double> values) {
        return new Shades(
                values.stream().mapToDouble(Double::doubleValue).min().orElse(0),
                values.stream().mapToDouble(Double::doubleValue).max().orElse(1));
    }

    /** The step, from 0 to 4. */
    int of(double value) {
        return high > low ? (int) Math.min(STEPS - 1, Math.floor(STEPS * (value - low) / (high - low))) : 0;
    }

    /** A value as maps show it. */
    static String words(double value) {
        return Figures.significant(value, 3);
    }
}
