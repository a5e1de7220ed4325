package org.ysometron.core.method;

import java.util.LinkedHashMap;
import java.util.Map;
import org.ysometron.core.quantity.Dimension;

/** The free parameters of a method, pinned, in working units. */
public final class Pinned {

    /**
     * A parameter as a method's file has it.
     *
     * @param words what it is
     * @param dimension what kind of quantity
     * @param value in its working unit, above 0
     * @param typed as it stands in the file
     */
    public record Parameter(String words, Dimension dimension, double value, String typed) {}

    private final Map<String, Double> values;

    Pinned(Map<String, Double> values) {
        this.values = Map.copyOf(values);
    }

    /** The value of a parameter; there is none that its method's file does not name. */
    public double value(String key) {
        Double value = values.get(key);
        if (value == null) {
            throw new IllegalArgumentException("the method's file names no parameter '" + key + "'");
        }
        return value;
    }

    /** The same with one pinned otherwise. */
    public Pinned with(String key, double value) {
        Map<String, Double> other = new LinkedHashMap<>(values);
        value(key);
        other.put(key, value);
        return new Pinned(other);
    }
}
