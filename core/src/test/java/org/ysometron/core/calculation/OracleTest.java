package org.ysometron.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicNode;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;

/** Every case of {@code src/test/resources/cases} and of each method's own file, whose values come from tables or from a statistics language. */
class OracleTest {

    @TestFactory
    Stream<DynamicNode> casesWorkedOutElsewhere() throws IOException, URISyntaxException {
        List<Path> files = new ArrayList<>();
        // As resources: from wherever the tests are run. Those of a method lie where the method does.
        for (String folder : List.of("/cases", "/org/ysometron/core/method")) {
            Path cases = Path.of(
                    Objects.requireNonNull(OracleTest.class.getResource(folder)).toURI());
            try (Stream<Path> found = Files.list(cases)) {
                found.filter(file -> file.toString().endsWith(".txt")).sorted().forEach(files::add);
            }
        }
        assertThat(files).isNotEmpty();
        List<DynamicNode> tests = new ArrayList<>();
        for (Path file : files) {
            String source = "";
            for (String line : Files.readAllLines(file)) {
                if (line.startsWith("#")) {
                    source = line.substring(1).strip();
                } else if (!line.isBlank()) {
                    String from = source;
                    tests.add(DynamicTest.dynamicTest(file.getFileName() + ": " + line, () -> put(line, from)));
                }
            }
        }
        return tests.stream();
    }

    private static void put(String line, String source) {
        String[] parts = Arrays.stream(line.split("\\|")).map(String::strip).toArray(String[]::new);
        Calculation calculation = Calculations.named(parts[0]).orElseThrow();
        Map<String, Object> given = new HashMap<>();
        for (String input : parts[1].split(";")) {
            String[] pair = input.strip().split("=", 2);
            given.put(pair[0], value(calculation, pair[0], pair[1]));
        }
        Answer answer = calculation.compute(given);
        double expected = Double.parseDouble(parts[3]);
        double by = parts[4].startsWith("r")
                ? Math.abs(expected) * Double.parseDouble(parts[4].substring(1))
                : Double.parseDouble(parts[4]);
        assertThat(result(answer, parts[2])).as("%s, by %s", line, source).isCloseTo(expected, within(by));
    }

    private static Object value(Calculation calculation, String name, String text) {
        Input input = calculation.inputs().stream()
                .filter(known -> known.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(calculation.name() + " has no input " + name));
        if (!input.kind().isNumeric()) {
            return input.kind().isList() ? List.of(text.split(",")) : text;
        }
        return input.kind().isList()
                ? Arrays.stream(text.split(",")).map(Double::valueOf).toList()
                : (Object) Double.valueOf(text);
    }

    /** A figure by its name; of a list, by its place from 0 behind a colon. */
    private static double result(Answer answer, String name) {
        if (name.equals("value")) {
            return answer.value().orElseThrow();
        }
        String[] parts = name.split(":");
        Object found = answer.results().get(parts[0]);
        if (found instanceof List<?> list) {
            found = list.get(Integer.parseInt(parts[1]));
        }
        if (found instanceof Map<?, ?> map) {
            found = map.get(parts[parts.length - 1]);
        }
        assertThat(found).as("%s of %s", name, answer.results()).isInstanceOf(Number.class);
        return ((Number) java.util.Objects.requireNonNull(found)).doubleValue();
    }
}
