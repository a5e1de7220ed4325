package org.ysometron.compute;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
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
                .containsEntry("outcome", "value");
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

    /** An editor's mark before the text, nothing, the same input twice, what is no number: each is said, and the last is answered. */
    @Test
    void whatAnEditorOrAHurryPutsInIsSaid() throws Exception {
        int code = run(
                "\uFEFF{\"n\":5}\nnull\n{\"n\":5,\"n\":6}\n{\"n\":\"many\"}\n{\"n\":1e7}\n{\"n\":5,\"sides\":[1]}\n{\"n\":10}",
                "tolerance-factor");

        assertThat(code).isEqualTo(1);
        assertThat(answers())
                .extracting(answer -> answer.get("outcome"))
                .containsExactly("computed", "refused", "refused", "refused", "refused", "refused", "computed");
        assertThat(answers())
                .extracting(answer -> String.valueOf(answer.get("error")))
                .satisfies(errors -> {
                    assertThat(errors.get(1)).contains("'null' is not a JSON object");
                    assertThat(errors.get(2)).contains("given twice");
                    assertThat(errors.get(3)).contains("'many' is not a number");
                    assertThat(errors.get(4)).contains("out of range", "at most 1000000");
                    assertThat(errors.get(5)).contains("a list is given");
                });
    }

    /** A folder is no file. */
    @Test
    void aFolderIsNoLog(@TempDir Path folder) throws Exception {
        assertThat(run("", "diameter-log", folder.toString())).isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("cannot be read as a file");
    }

    @Test
    void theListNamesInputsUnitsAndSources() throws Exception {
        assertThat(run("", "--list")).isZero();
        assertThat(out.toString(StandardCharsets.UTF_8))
                .contains("\"tension-strength\"", "\"individuals-limits\"", "\"average-run-length\"", "ISO 527-1");
    }

    /** Every calculation answers its own example, and each answer can be put again as it was listed. */
    @Test
    void everyExampleIsAnswered() throws Exception {
        assertThat(run("", "--examples")).isZero();
        assertThat(answers())
                .hasSizeGreaterThan(60)
                .allSatisfy(answer -> assertThat(answer).containsKeys("value", "working"))
                .extracting(answer -> answer.get("calculation"))
                .doesNotHaveDuplicates();
    }

    @Test
    void anUnknownNameSaysWhereTheNamesAre() throws Exception {
        assertThat(run("{}", "tensoin")).isEqualTo(2);
        assertThat(err.toString(StandardCharsets.UTF_8)).contains("'tensoin'", "--list");
        assertThat(run("", "chart-constants")).isEqualTo(1);
    }

    /** The log as a file: the same answer whole and packed, and the same as from a case of arrays. */
    @Test
    void aDiameterLogIsReadFromAFile(@TempDir Path folder) throws Exception {
        StringBuilder text = new StringBuilder("position [mm];x [mm];y [mm]\n");
        StringBuilder z = new StringBuilder();
        StringBuilder x = new StringBuilder();
        StringBuilder y = new StringBuilder();
        for (int i = 0; i < 600; i++) {
            double d = 1.75 + (i > 400 ? 0.08 : 0.001 * (i % 7));
            text.append(i).append(';').append(d).append(';').append(d - 0.01).append('\n');
            z.append(i == 0 ? "" : ",").append(i);
            x.append(i == 0 ? "" : ",").append(d);
            y.append(i == 0 ? "" : ",").append(d - 0.01);
        }
        Path plain =
                Files.writeString(folder.resolve("log.csv"), text.toString().replace('.', ','));
        Path packed = folder.resolve("log.csv.gz");
        try (GZIPOutputStream gzip = new GZIPOutputStream(Files.newOutputStream(packed))) {
            gzip.write(text.toString().replace('.', ',').getBytes(StandardCharsets.UTF_8));
        }

        assertThat(run("", "diameter-log", plain.toString(), "1.75", "0.05")).isZero();
        Map<String, Object> fromFile = answers().get(0);
        assertThat(run("", "diameter-log", packed.toString())).isZero();
        assertThat(answers().get(0)).isEqualTo(fromFile);
        String arrays = "{\"position\":[" + z + "],\"x\":[" + x + "],\"y\":[" + y + "]}";
        assertThat(run(arrays, "diameter-log")).isZero();
        assertThat(answers().get(0)).isEqualTo(fromFile);

        assertThat(fromFile).containsEntry("rows", 600).containsEntry("unit", "mm");
        assertThat((Double) fromFile.get("shareOutside")).isBetween(0.33, 0.34);
        assertThat((Double) fromFile.get("diameterStep")).isBetween(0.07, 0.08);
    }

    /** Records of a file, in kgf and percent and with a decimal comma, give what the same numbers give as a case. */
    @Test
    void recordsOfAFileAreWorkedOutALineEach(@TempDir Path folder) throws Exception {
        StringBuilder text = new StringBuilder("specimen;force [kgf];strain [%]\n");
        StringBuilder force = new StringBuilder();
        StringBuilder extension = new StringBuilder();
        for (String specimen : new String[] {"XY1", "XY2"}) {
            for (int i = 0; i <= 250; i++) {
                text.append(specimen)
                        .append(';')
                        .append(i / 9.80665 * 8)
                        .append(';')
                        .append(0.01 * i)
                        .append('\n');
            }
            text.append(specimen).append(";0.3;2.52\n");
        }
        for (int i = 0; i <= 250; i++) {
            force.append(8.0 * i).append(',');
            extension.append(0.005 * i).append(',');
        }
        Path file =
                Files.writeString(folder.resolve("pull.csv"), text.toString().replace('.', ','));
        assertThat(run("", "curve", file.toString(), "--area", "40", "--gauge-length", "50"))
                .isZero();
        assertThat(answers()).hasSize(2);
        Map<String, Object> first = answers().get(0);
        assertThat(first).containsEntry("specimen", "XY1").containsEntry("unit", "MPa");
        assertThat((Double) first.get("value")).isCloseTo(50, within(1e-6));
        assertThat((Double) first.get("modulus")).isCloseTo(2000, within(1e-3));
        String asCase =
                "{\"force\":[" + force + "2.94],\"extension\":[" + extension + "1.26],\"area\":40,\"length\":50}";
        assertThat(run(asCase, "curve")).isZero();
        assertThat((Double) answers().get(0).get("strainAtBreak"))
                .isCloseTo((Double) first.get("strainAtBreak"), within(1e-9));
        assertThat(run("", "curve", file.toString(), "--area", "40", "--gauge-length", "50", "--by", "crosshead"))
                .isZero();
        assertThat(answers().get(0)).doesNotContainKey("modulus").containsKey("apparentModulus");
        assertThat(run(
                        "",
                        "curve",
                        file.toString(),
                        "--area",
                        "40",
                        "--gauge-length",
                        "50",
                        "--break",
                        "100",
                        "--yield",
                        "none"))
                .isZero();
        assertThat((Double) answers().get(0).get("strainAtBreak")).isCloseTo(0.01, within(1e-9));
    }

    @Test
    void aRecordThatCannotBeWorkedOutIsAnsweredWithWhatToDo(@TempDir Path folder) throws Exception {
        Path file = Files.writeString(folder.resolve("pull.csv"), "force [N],extension [mm]\n1,1\n2,kN\n");
        assertThat(run("", "curve", file.toString())).isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("--area in mm²");
        assertThat(run("", "curve", file.toString(), "--area", "40", "--gauge-length", "50"))
                .isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("row 3, extension", "'kN'");
        assertThat(run("", "curve", file.toString(), "--width", "4")).isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("is no flag");
        assertThat(run("", "curve", folder.resolve("none.csv").toString(), "--area", "40", "--gauge-length", "50"))
                .isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("no such file");
    }

    @Test
    void aFileThatCannotBeReadIsAnsweredWithItsRow(@TempDir Path folder) throws Exception {
        Path bad = Files.writeString(folder.resolve("bad.csv"), "position [mm],x [mm],y [mm]\n1,1.75,1.75\n2,x,1.75\n");

        assertThat(run("", "diameter-log", bad.toString())).isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("Row 3, x", "'x' is not a number");
        assertThat(run("", "diameter-log", folder.resolve("none.csv").toString()))
                .isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("no such file");
        assertThat(run("", "diameter-log", bad.toString(), "thick")).isEqualTo(1);
        assertThat(answers().get(0)).containsEntry("outcome", "refused");
    }

    @Test
    void publicationsAreCheckedFromCases() throws Exception {
        String label =
                "{\"publication\":\"label\",\"topic\":\"diameter\",\"value\":\"1.75 mm\",\"low\":\"1.72 mm\",\"high\":\"1.78 mm\"}";
        String sheet =
                "{\"publication\":\"datasheet\",\"topic\":\"diameter\",\"value\":\"1750 µm\",\"low\":\"1.70 mm\",\"high\":\"1.80 mm\"}";

        assertThat(run("{\"statements\":[" + label + "," + sheet + "]}", "publication-conflicts"))
                .isZero();
        assertThat(answers().get(0)).containsEntry("outcome", "conflict").containsEntry("value", 1.0);
        assertThat(answers().get(0).get("conflicts").toString())
                .contains("range")
                .doesNotContain("value");
        assertThat(run("{\"statements\":[" + label + "]}", "publication-conflicts"))
                .isZero();
        assertThat(answers().get(0)).containsEntry("outcome", "agree");
        assertThat(run("{\"statements\":[{\"topic\":\"thickness of the plot\"}]}", "publication-conflicts"))
                .isEqualTo(1);
        assertThat(run(
                        "{\"family\":\"filament\",\"statements\":[{\"topic\":\"fan\",\"value\":\"5 N\"}]}",
                        "completeness"))
                .isEqualTo(1);
        assertThat(answers().get(0).get("error")).asString().contains("is a force, not a ratio");
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
