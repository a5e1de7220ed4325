package org.ysometron.compute;

import java.io.BufferedReader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.calculation.Answer;
import org.ysometron.core.calculation.Calculation;
import org.ysometron.core.calculation.CaseProblem;
import org.ysometron.core.calculation.Input;
import org.ysometron.core.working.Step;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Between JSON and the core's cases and answers. */
final class Json {

    private static final JsonMapper MAPPER = JsonMapper.builder(JsonFactory.builder()
                    .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                    .build())
            .build();
    private static final TypeReference<Map<String, Object>> OBJECT = new TypeReference<>() {};

    private Json() {}

    /**
     * One case as read: its values, or why it could not be read.
     *
     * @param values by input name; null when the text was not a JSON object
     * @param error empty when it was read
     */
    record Read(@Nullable Map<String, Object> values, String error) {}

    /**
     * An answer, ready to print.
     *
     * @param line one line of JSON
     * @param computed whether the case was answered
     */
    record Answered(String line, boolean computed) {}

    /** A whole input that is one JSON object is one case; otherwise every line that is not blank is one. */
    static List<Read> cases(BufferedReader in) {
        // A byte-order mark is a sign of the editor's, not of the case.
        List<String> lines = in.lines()
                .map(line -> line.startsWith("\uFEFF") ? line.substring(1) : line)
                .filter(line -> !line.isBlank())
                .toList();
        if (lines.isEmpty()) {
            return List.of(new Read(null, "Nothing came in; give a JSON object, or one a line."));
        }
        if (lines.size() > 1) {
            Read whole = read(String.join("\n", lines));
            if (whole.values() != null) {
                return List.of(whole);
            }
        }
        return lines.stream().map(Json::read).toList();
    }

    static Answered answer(Calculation calculation, Read read) {
        if (read.values() == null) {
            return new Answered(refused(calculation, read.error()), false);
        }
        try {
            return new Answered(line(calculation, calculation.compute(read.values())), true);
        } catch (CaseProblem refused) {
            return new Answered(refused(calculation, refused.problem().text()), false);
        } catch (RuntimeException | StackOverflowError fault) {
            // One case that cannot be answered stops no other.
            return new Answered(
                    refused(
                            calculation,
                            "This case could not be worked out ("
                                    + fault.getClass().getSimpleName()
                                    + "): that is a fault of the program, not of the case."),
                    false);
        }
    }

    /** An answer as one line. */
    static String line(Calculation calculation, Answer answer) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("calculation", calculation.name());
        answer.value().ifPresent(value -> line.put("value", value));
        line.put("unit", answer.unit());
        line.put("outcome", answer.outcome());
        line.putAll(answer.results());
        line.put("working", answer.working().steps().stream().map(Json::step).toList());
        return MAPPER.writeValueAsString(line);
    }

    /** The reason why there is no answer as one line. */
    static String refused(Calculation calculation, String error) {
        Map<String, Object> line = new LinkedHashMap<>();
        line.put("calculation", calculation.name());
        line.put("outcome", "refused");
        line.put("error", error);
        return MAPPER.writeValueAsString(line);
    }

    static String list(List<Calculation> calculations) {
        return calculations.stream()
                .map(calculation -> MAPPER.writeValueAsString(described(calculation)))
                .collect(Collectors.joining(",\n", "[\n", "\n]"));
    }

    private static Read read(String text) {
        String shown = text.strip();
        String found = shown.length() > 60 ? shown.substring(0, 60) + "…" : shown;
        try {
            Map<String, Object> values = MAPPER.readValue(text, OBJECT);
            return values == null
                    ? new Read(null, "'" + found + "' is not a JSON object; expected {\"input\": value, ...}.")
                    : new Read(values, "");
        } catch (JacksonException notJson) {
            boolean twice = String.valueOf(notJson.getOriginalMessage()).startsWith("Duplicate");
            return new Read(
                    null,
                    twice
                            ? "One input is given twice in '" + found + "'; give it once."
                            : "'" + found + "' is not a JSON object; expected {\"input\": value, ...}.");
        }
    }

    private static Map<String, Object> described(Calculation calculation) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("name", calculation.name());
        row.put("title", calculation.title());
        List<Object> inputs = new ArrayList<>();
        for (Input input : calculation.inputs()) {
            Map<String, Object> column = new LinkedHashMap<>();
            column.put("name", input.name());
            column.put("kind", input.kind().words());
            column.put("unit", input.unit());
            column.put("required", input.required());
            column.put("range", input.rangeWords());
            column.put("meaning", input.meaning());
            inputs.add(column);
        }
        row.put("inputs", inputs);
        row.put("unit", calculation.unit());
        row.put("source", calculation.source());
        row.put("example", calculation.example());
        return row;
    }

    private static Map<String, Object> step(Step step) {
        Map<String, Object> row = new LinkedHashMap<>();
        row.put("meaning", step.meaning());
        row.put("symbol", step.symbol());
        row.put("formula", step.formula());
        row.put("numbers", step.numbers());
        if (step.hasValue()) {
            row.put("value", step.value());
        }
        row.put("unit", step.unit());
        row.put("source", step.source());
        return row;
    }
}
