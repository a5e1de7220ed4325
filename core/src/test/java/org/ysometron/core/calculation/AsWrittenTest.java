package org.ysometron.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.StringJoiner;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What people read of an answer: its outcome, figures and working, word for word, as they were once read and found right. The
 * figures themselves are held to other sources by {@link OracleTest}; here it is the words beside them, which formula is named for
 * which habit, and that no step is lost.
 *
 * <p>After a change of words: {@code -Das.written=FILE} writes what is answered now, to be read before it replaces the resource.
 */
class AsWrittenTest {

    private static final String RESOURCE = "/as-written.txt";
    private static final String HEAD = "# ";

    /** A case of the file: its head names the calculation and what differs from its example. */
    record Written(String head, String text) {

        @Override
        public String toString() {
            return head;
        }
    }

    static List<Written> all() {
        try (var in = Objects.requireNonNull(AsWrittenTest.class.getResourceAsStream(RESOURCE))) {
            String whole = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            List<Written> found = new ArrayList<>();
            for (String block : whole.split("(?m)^" + HEAD)) {
                if (!block.isBlank()) {
                    String[] parts = block.split("\n", 2);
                    found.add(new Written(parts[0].strip(), parts[1].strip()));
                }
            }
            return found;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void itReadsAsItWasFoundRight(Written written) {
        assertThat(render(written.head)).isEqualTo(written.text);
    }

    @Test
    void noCalculationIsUnread() throws IOException {
        String wanted = System.getProperty("as.written", "");
        if (!wanted.isEmpty()) {
            Files.writeString(
                    Path.of(wanted),
                    all().stream()
                            .map(written -> HEAD + written.head + "\n" + render(written.head) + "\n")
                            .collect(Collectors.joining("\n")));
        }
        assertThat(all().stream().map(written -> name(written.head)))
                .containsAll(Calculations.all().stream().map(Calculation::name).toList());
    }

    private static String name(String head) {
        return head.split("\\|")[0].strip();
    }

    private static String render(String head) {
        Calculation calculation = Calculations.named(name(head)).orElseThrow();
        Map<String, Object> given = new LinkedHashMap<>(calculation.example());
        if (head.contains("|")) {
            for (String change : head.split("\\|", 2)[1].split(";")) {
                String[] pair = change.strip().split("=", 2);
                if (pair[1].isEmpty()) {
                    given.remove(pair[0]);
                } else {
                    given.put(pair[0], value(calculation, pair[0], pair[1]));
                }
            }
        }
        Answer answer;
        try {
            answer = calculation.compute(given);
        } catch (CaseProblem refused) {
            return "refused: " + refused.problem().text();
        }
        StringJoiner text = new StringJoiner("\n");
        text.add(answer.outcome()
                + (answer.value().isPresent() ? ": " + shown(answer.value().getAsDouble()) : "") + " " + answer.unit());
        answer.results().forEach((key, result) -> text.add(key + " = " + shown(result)));
        answer.working()
                .steps()
                .forEach(step -> text.add(Stream.of(
                                step.meaning(),
                                step.symbol(),
                                step.formula(),
                                step.numbers(),
                                step.hasValue() ? "= " + shown(step.value()) + " " + step.unit() : "",
                                step.source())
                        .map(String::strip)
                        .filter(part -> !part.isEmpty())
                        .collect(Collectors.joining(" | ", "  ", ""))));
        return text.toString().lines().map(String::stripTrailing).collect(Collectors.joining("\n"));
    }

    private static Object value(Calculation calculation, String name, String text) {
        Input input = calculation.inputs().stream()
                .filter(known -> known.name().equals(name))
                .findFirst()
                .orElseThrow();
        if (!input.kind().isList()) {
            return input.kind().isNumeric() ? Double.valueOf(text) : text;
        }
        return input.kind().isNumeric()
                ? Arrays.stream(text.split(",")).map(Double::valueOf).toList()
                : List.of(text.split(","));
    }

    /** Eight digits: enough to tell figures apart, too few to hang on the last bits of a machine. */
    private static String shown(Object value) {
        if (value instanceof Double number) {
            double rounded = number == 0 ? 0 : Double.parseDouble(String.format(java.util.Locale.ROOT, "%.7e", number));
            return Math.abs(rounded) < 1e-12 ? "0" : String.valueOf(rounded);
        }
        if (value instanceof List<?> list) {
            return list.stream().map(AsWrittenTest::shown).collect(Collectors.joining(", ", "[", "]"));
        }
        if (value instanceof Map<?, ?> map) {
            return map.entrySet().stream()
                    .map(entry -> entry.getKey() + ": " + shown(entry.getValue()))
                    .collect(Collectors.joining(", ", "{", "}"));
        }
        return String.valueOf(value);
    }
}
