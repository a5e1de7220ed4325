package org.ysometron.core.calculation;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.working.Working;

/**
 * What a calculation answers, at full precision.
 *
 * @param value the main figure; empty where the answer is not one number
 * @param unit its unit; empty when it has none
 * @param outcome what became of the case: computed, at least, excluded, or a verdict
 * @param results further figures by name: numbers, texts, lists and maps of these
 * @param working the steps
 */
public record Answer(OptionalDouble value, String unit, String outcome, Map<String, Object> results, Working working) {

    /** Copies the results, keeping their order. */
    public Answer {
        results = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(results));
    }

    static Answer of(double value, String unit, Working working) {
        return new Answer(OptionalDouble.of(value), unit, "computed", Map.of(), working);
    }

    Answer with(String name, Object result) {
        Map<String, Object> more = new LinkedHashMap<>(results);
        more.put(name, result);
        return new Answer(value, unit, outcome, more, working);
    }

    Answer withIfPresent(String name, OptionalDouble result) {
        return result.isPresent() ? with(name, result.getAsDouble()) : this;
    }
}
