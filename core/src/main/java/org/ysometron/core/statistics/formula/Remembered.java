package org.ysometron.core.statistics.formula;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;

/**
 * Figures that depend on nothing but a few settings and are asked for again and again, such as a factor for n = 5: worked out
 * once. Only so many are kept, so that strange ones do not pile up.
 *
 * @param <K> the settings, with equality by value
 */
public final class Remembered<K> {

    private static final int MOST = 5000;

    /** Off while tests are tried on changed code, where a figure of the code before would hide the change. */
    private static final boolean KEEPS = !Boolean.getBoolean("figures.forgotten");

    private final Map<K, Double> known = new ConcurrentHashMap<>();
    private final ToDoubleFunction<K> work;

    /** Nothing yet. */
    public Remembered(ToDoubleFunction<K> work) {
        this.work = work;
    }

    /** The figure for these settings. */
    public double of(K settings) {
        Double found = known.get(settings);
        if (found != null) {
            return found;
        }
        double worked = work.applyAsDouble(settings);
        if (known.size() >= MOST) {
            known.clear();
        }
        if (KEEPS) {
            known.put(settings, worked);
        }
        return worked;
    }
}
