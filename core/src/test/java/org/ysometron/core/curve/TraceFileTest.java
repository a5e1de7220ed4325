package org.ysometron.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TraceFileTest {

    private static final String SEMICOLON = written(";", "time [s];force [N];extension [mm]", "%.3f;%.2f;%.4f", 1, 1);

    private static String written(
            String delimiter, String head, String row, double forceFactor, double extensionFactor) {
        Trace trace = Synthetic.brittle(400).broken(5).trace();
        StringBuilder text = new StringBuilder(head).append('\n');
        double[] time = trace.times().orElseThrow();
        for (int i = 0; i < trace.size(); i++) {
            text.append(String.format(
                            delimiter.equals("de") ? Locale.GERMANY : Locale.ROOT,
                            row,
                            time[i],
                            trace.force(i) * forceFactor,
                            trace.extension(i) * extensionFactor))
                    .append('\n');
        }
        return text.toString();
    }

    private static double modulus(String text) {
        List<TraceFile.Read> read = TraceFile.read(text, TraceFile.look(text));
        assertThat(read).hasSize(1);
        return Analysis.of(read.get(0).trace(Synthetic.LENGTH), Synthetic.PIECE)
                .slope()
                .modulus()
                .orElseThrow();
    }

    /** The same record in other units and other hands gives the same answer. */
    @Test
    void howeverItIsWrittenItIsTheSame() {
        double usual = modulus(SEMICOLON);
        assertThat(usual).isCloseTo(2000, Percentage.withPercentage(0.2));
        List<String> others = List.of(
                written("de", "time [s];force [N];extension [mm]", "%.3f;%.2f;%.4f", 1, 1),
                written(",", "time (s),load (kN),displacement (mm)", "%.3f,%.6f,%.5f", 1e-3, 1),
                written(
                        "\t",
                        "Time\tForce\tStrain\ns\tkgf\t%",
                        "%.3f\t%.5f\t%.6f",
                        1 / 9.80665,
                        100 / Synthetic.LENGTH),
                written("|", "time_[s]|force_[N]|crosshead_[in]", "%.3f|%.2f|%.7f", 1, 1 / 25.4),
                "\uFEFFfrom the frame\noperator;7\n" + SEMICOLON,
                SEMICOLON.replace("\n", "\r\n"));
        for (String other : others) {
            assertThat(modulus(other)).as(other.substring(0, 60)).isCloseTo(usual, Percentage.withPercentage(0.1));
        }
        assertThat(TraceFile.look(others.get(0)).words())
                .isEqualTo(
                        "cells between ';', decimal comma, 1 row of head; time: column 1 'time [s]' in s; force: column 2"
                                + " 'force [N]' in N; extension: column 3 'extension [mm]' in mm");
        assertThat(TraceFile.look(others.get(2)).headRows()).isEqualTo(2);
    }

    @Test
    void manySpecimensStandInOneFile() {
        StringBuilder text = new StringBuilder("specimen,force [N],extension [mm],extension 2 [mm]\n");
        for (String one : List.of("XY1", "XY2", "ZX1")) {
            for (int i = 0; i < 30; i++) {
                text.append(one)
                        .append(',')
                        .append(i * 10)
                        .append(',')
                        .append(i * 0.01)
                        .append(',')
                        .append(i * 0.009)
                        .append('\n');
            }
        }
        List<TraceFile.Read> read = TraceFile.read(text.toString(), TraceFile.look(text.toString()));
        assertThat(read).extracting(TraceFile.Read::specimen).containsExactly("XY1", "XY2", "ZX1");
        assertThat(read.get(1).force()).hasSize(30);
        assertThat(read.get(1).second()[29]).isCloseTo(0.261, within(1e-12));
        assertThat(read.get(0).trace(50).times()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {
                "'' # nothing is in it",
                "'just words' # one cell each",
                "'a;b\nc;d' # no row of figures",
                "'force;extension [mm]\n1;2\n2;3' # its head has no unit",
                "'force [mm];extension [mm]\n1;2\n2;3' # is no unit of it",
                "'time [s];force [N]\n1;2\n2;3' # no column is named for the extension",
                "'1;2\n2;3' # no column is named for the force",
                "'force [N];extension [mm]\n1;2\n4.1 kN;3' # row 3, force: '4.1 kN'",
                "'force [N];extension [mm]\n1;2\n1e300;3' # row 3, force: '1e300'",
                "'force [N];extension [mm]\n1;2\nNaN;3' # row 3, force: 'NaN'",
                "'force [N];extension [mm]\n1,5;2,5\n12.5;3,5' # row 3, force: '12.5'",
                "'force [N];extension [mm]\n1.5;2.5\n12,5;3.5' # row 3, force: '12,5'",
                "'force [N];extension [mm]\n1;2\n2;' # row 3, extension: ''",
                "'force [N];extension [mm]\n1;2\n2' # row 3: it ends after 1 cells"
            })
    void whatIsNoneIsRefusedWithItsPlace(String text, String said) {
        assertThatThrownBy(() -> TraceFile.read(text, TraceFile.look(text)))
                .isInstanceOf(TraceFile.Unreadable.class)
                .hasMessageContaining(said);
    }

    /** Ten thousand broken files: each is read as the record that it is, or refused in words. */
    @Test
    void tenThousandBrokenFilesGiveAMessageEach() {
        Random chance = new Random(12);
        int refused = 0;
        for (int i = 0; i < 10_000; i++) {
            String broken = broken(chance);
            try {
                for (TraceFile.Read read : TraceFile.read(broken, TraceFile.look(broken))) {
                    Analysis.of(read.trace(50), Synthetic.PIECE);
                }
            } catch (TraceFile.Unreadable | IllegalArgumentException said) {
                assertThat(said.getMessage())
                        .isNotBlank()
                        .doesNotContain("Exception")
                        .doesNotContain("null");
                refused++;
            }
        }
        assertThat(refused).isGreaterThan(5000);
    }

    private static String broken(Random chance) {
        StringBuilder text = new StringBuilder(SEMICOLON.substring(0, 3000 + chance.nextInt(2000)));
        String[] wrong = {
            "NaN", "1e300", "-", "\u0000", "4 kN", "\"", ";", "\n", "∞", "1,5", "", "\t", "0x1F", "-9e9", "\uFFFD"
        };
        for (int k = chance.nextInt(6); k >= 0; k--) {
            int at = chance.nextInt(text.length());
            switch (chance.nextInt(4)) {
                case 0 -> text.setLength(Math.max(1, at));
                case 1 -> text.insert(at, wrong[chance.nextInt(wrong.length)]);
                case 2 -> text.deleteCharAt(at);
                default -> text.replace(at, Math.min(text.length(), at + 8), wrong[chance.nextInt(wrong.length)]);
            }
            if (text.isEmpty()) {
                text.append(' ');
            }
        }
        return text.toString();
    }
}
