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

    /** Whether every figure in it, those of the working too, is a number that can be told. */
    boolean isFinite() {
        boolean told = value.isEmpty() || Double.isFinite(value.getAsDouble());
        return told
                && results.values().stream().allMatch(Answer::isFinite)
                && working.steps().stream().allMatch(step -> !step.hasValue() || Double.isFinite(step.value()));
    }

    private static boolean isFinite(Object result) {
        if (result instanceof Double number) {
            return Double.isFinite(number);
        }
        if (result instanceof Iterable<?> items) {
            for (Object item : items) {
                if (!isFinite(item)) {
                    return false;
                }
            }
        }
        return !(result instanceof Map<?, ?> map) || map.values().stream().allMatch(Answer::isFinite);
    }

    /** Names and their figures by turns, in the order in which they are to be read. */
    static Map<String, Object> inOrder(Object... namesAndFigures) {
        Map<String, Object> figures = new LinkedHashMap<>();
        for (int i = 0; i < namesAndFigures.length; i += 2) {
            figures.put((String) namesAndFigures[i], namesAndFigures[i + 1]);
        }
        return figures;
    }

    static Answer of(double value, String unit, Working working) {
        return new Answer(OptionalDouble.of(value), unit, "computed", Map.of(), working);
    }

    /** The same with a further figure. */
    public Answer with(String name, Object result) {
        Map<String, Object> more = new LinkedHashMap<>(results);
        more.put(name, result);
        return new Answer(value, unit, outcome, more, working);
    }

    Answer withIfPresent(String name, OptionalDouble result) {
        return result.isPresent() ? with(name, result.getAsDouble()) : this;
    }
}
