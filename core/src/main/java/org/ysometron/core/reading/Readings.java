package org.ysometron.core.reading;

import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.Narrowest;
import org.ysometron.core.dimension.Section;

/** Readings of one specimen by field, in working units. */
public final class Readings {

    private final Map<String, double[]> numbers;
    private final Map<String, String> choices;
    private final Optional<Narrowest> narrowest;

    /**
     * Copies.
     *
     * @param numbers by key of the field, at least one each
     * @param choices by key of the field
     */
    public Readings(Map<String, double[]> numbers, Map<String, String> choices) {
        this(numbers, choices, Optional.empty());
    }

    /**
     * The same of a specimen whose narrowest section follows from its sizes.
     *
     * @param narrowest the design's formula; empty where the sizes are those of the narrowest section
     */
    public Readings(Map<String, double[]> numbers, Map<String, String> choices, Optional<Narrowest> narrowest) {
        Map<String, double[]> copied = new LinkedHashMap<>();
        numbers.forEach((key, values) -> copied.put(key, values.clone()));
        this.numbers = Collections.unmodifiableMap(copied);
        this.choices = Collections.unmodifiableMap(new LinkedHashMap<>(choices));
        this.narrowest = narrowest;
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
        return new Readings(other, choices, narrowest);
    }

    /**
     * The section that a stress is of, from 'width' and 'thickness'.
     *
     * @throws IllegalArgumentException where one of them was not read, or the design's formula comes to nothing
     */
    public Section section() {
        Section measured = Section.rectangle(all("width"), all("thickness"));
        return narrowest.map(measured::narrowed).orElse(measured);
    }
}
