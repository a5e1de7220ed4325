package org.ysometron.app.chart;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.working.Figures;

/**
 * A linear scale between values and places on paper, with rounded ticks.
 *
 * @param low value at {@code from}
 * @param high value at {@code to}
 * @param from place of the low end
 * @param to place of the high end; may be smaller than {@code from} for an axis that runs upwards
 */
public record Scale(double low, double high, double from, double to) {

    /** Share of the larger value below which two are equal. */
    private static final double SAME = 1e-9;

    /** Ticks at the most, whatever was asked for. */
    private static final int MOST = 200;

    /** One tick: where it is and what stands at it. */
    public record Tick(double at, String label) {}

    /** A scale that holds all values with a little room at both ends; equal values get room around them. */
    public static Scale holding(List<Double> values, double from, double to) {
        double low = values.stream().mapToDouble(Double::doubleValue).min().orElse(0);
        double high = values.stream().mapToDouble(Double::doubleValue).max().orElse(1);
        double span = high - low;
        // What differs in its last bits alone is equal: between such values there is no place for a tick.
        double room = span > SAME * Math.max(Math.abs(low), Math.abs(high))
                ? span * 0.06
                : Math.max(Math.abs(high) * 0.05, 0.5);
        return new Scale(low - room, high + room, from, to);
    }

    /** Place of a value, to a hundredth. */
    public double at(double value) {
        double place = from + (value - low) / (high - low) * (to - from);
        return Math.rint(place * 100) / 100;
    }

    /** Ticks at steps of 1, 2 or 5 times a power of ten, about {@code wanted} of them. */
    public List<Tick> ticks(int wanted) {
        double raw = (high - low) / Math.max(wanted, 1);
        double power = Math.pow(10, Math.floor(Math.log10(raw)));
        double step = power * 10;
        for (double factor : new double[] {1, 2, 5}) {
            if (factor * power >= raw) {
                step = factor * power;
                break;
            }
        }
        int decimals = (int) Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
        List<Tick> ticks = new ArrayList<>();
        double first = Math.ceil(low / step - 1e-9);
        // Counted, and not added up: a step that is lost in the value would never come to the end.
        for (int n = 0; n < MOST && (first + n) * step <= high + step * 1e-9; n++) {
            ticks.add(new Tick(at((first + n) * step), Figures.decimals((first + n) * step, decimals)));
        }
        return ticks;
    }
}
