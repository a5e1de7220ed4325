package org.ysometron.compute;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class MainTest {

    private final ByteArrayOutputStream out = new ByteArrayOutputStream();
    private final ByteArrayOutputStream err = new ByteArrayOutputStream();

    @Test
    void oneCaseOverSeveralLinesIsAnsweredAtFullPrecision() throws Exception {
        int code = run("{\n \"width\": [3],\n \"thickness\": 1,\n \"force\": 1 }", "tension-strength");

        assertThat(code).isZero();
        assertThat(answers().get(0))
                .containsEntry("value", 1.0 / 3)
                .containsEntry("unit", "MPa")
                .containsEntry("outcome", "measured");
        assertThat((List<?>) answers().get(0).get("working")).hasSize(5);
    }

    @Test
    void manyCasesAreAnsweredLineByLineAndABadOneStopsNothing() throws Exception {
        int code = run("{\"n\":5}\n{\"n\":1}\nnonsense\n\n{\"n\":10}\n", "chart-constants");

        assertThat(code).isEqualTo(1);
        assertThat(answers())
                .extracting(answer -> answer.get("outcome"))
                .containsExactly("computed", "refused", "refused", "computed");
        assertThat(answers().get(1).get("error")).asString().contains("2 to 100");
        assertThat(answers().get(2).get("error")).asString().contains("not a JSON object");
    }

    @Test
    void theListNamesInputsUnitsAndSources() throws Exception {
        assertThat(run("", "--list")).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8))
                .contains("\"tension-strength\"", "\"individuals-limits\"", "\"average-run-length\"", "ISO 527-1");
    }

    @Test
    void anUnknownNameSaysWhereTheNamesAre() throws Exception {
        assertThat(run("{}", "tensoin")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("'tensoin'", "--list");
        assertThat(run("", "chart-constants")).isEqualTo(1);
    }

    private int run(String input, String... arguments) throws Exception {
        out.reset();
        try (PrintStream printed = new PrintStream(out, true, StandardCharsets.UTF_8);
                PrintStream errors = new PrintStream(err, true, StandardCharsets.UTF_8)) {
            return Main.run(
                    arguments, new ByteArrayInputStream(input.getBytes(StandardCharsets.UTF_8)), printed, errors);
        }
    }

    @SuppressWarnings("unchecked")
    private List<Map<String, Object>> answers() {
        return out.toString(StandardCharsets.UTF_8)
                .lines()
                .map(line -> (Map<String, Object>) new JsonMapper().readValue(line, Map.class))
                .toList();
    }
}
