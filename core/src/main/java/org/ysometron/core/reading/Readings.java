package org.ysometron.core.reading;

import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Readings of one specimen by field, in working units. */
public final class Readings {

    private final Map<String, double[]> numbers;
    private final Map<String, String> choices;

    /**
     * Copies.
     *
     * @param numbers by key of the field, at least one each
     * @param choices by key of the field
     */
    public Readings(Map<String, double[]> numbers, Map<String, String> choices) {
        Map<String, double[]> copied = new LinkedHashMap<>();
        numbers.forEach((key, values) -> copied.put(key, values.clone()));
        this.numbers = Collections.unmodifiableMap(copied);
        this.choices = Collections.unmodifiableMap(new LinkedHashMap<>(choices));
    }

    /** Whether there is a reading of this field. */
    public boolean has(String key) {
        return numbers.containsKey(key) || choices.containsKey(key);
    }

    /** All numbers of a field in order of place; none where it was not read. */
    public double[] all(String key) {
        double[] values = numbers.get(key);
        return values == null ? new double[0] : values.clone();
    }

    /** Mean of a field's numbers; empty where it was not read. */
    public OptionalDouble mean(String key) {
        return Arrays.stream(all(key)).average();
    }

    /**
     * Mean of a field's numbers.
     *
     * @throws IllegalArgumentException where it was not read
     */
    public double number(String key) {
        return mean(key).orElseThrow(() -> new IllegalArgumentException("'" + key + "' was not read"));
    }

    /** The word chosen in a field. */
    public Optional<String> choice(String key) {
        return Optional.ofNullable(choices.get(key));
    }

    /** The same with one number in the place of those of a field. */
    public Readings with(String key, double number) {
        Map<String, double[]> other = new LinkedHashMap<>(numbers);
        other.put(key, new double[] {number});
        return new Readings(other, choices);
    }
}
