package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Logs, sections and artefacts at the edges of what they take, and logs made of known parts. */
class EdgesTest {

    private static DiameterLog filled(int rows) {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        for (int z = 0; z < rows; z++) {
            log.accept(z, 1.75 + (z % 3 - 1) * 0.001, 1.75);
        }
        return log;
    }

    private static long read(String text) throws IOException {
        return DiameterLogFile.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)), (z, x, y) -> {});
    }

    @ParameterizedTest
    @CsvSource({"0, 0.05", "1.75, 0", "1.75, 1.75", "-1, -2"})
    void aNominalIsLargerThanItsTolerance(double nominal, double tolerance) {
        assertThatThrownBy(() -> new DiameterLog(nominal, tolerance)).hasMessageContaining("smaller tolerance");
    }

    /** Each reading is held to what a filament can be, with its value in words. */
    @Test
    void whatCannotBeAReading() {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        for (double wrong : new double[] {0, -1, 1e9, Double.NaN}) {
            assertThatThrownBy(() -> log.accept(0, wrong, 1.75)).hasMessageContaining("a diameter above zero");
            assertThatThrownBy(() -> log.accept(0, 1.75, wrong)).hasMessageContaining("a diameter above zero");
        }
        assertThatThrownBy(() -> log.accept(1.1e10, 1.75, 1.75)).hasMessageContaining("within 10,000 km");
        assertThat(log.rows()).isZero();
        log.accept(-1e10, 1.75, 1.75);
        log.accept(1e10, 1.75, 1.75);
        assertThat(log.rows()).isEqualTo(2);
        assertThat(log.finish().length()).isEqualTo(2e10);
    }

    /** Below 256 readings no shape is looked for, and the page says so; from 256 on it is. */
    @Test
    void shapeNeedsEnoughReadings() {
        assertThat(filled(255).finish().leftOut())
                .isEqualTo("Steps and wobble are not looked for in fewer than 256 readings.");
        assertThat(filled(255).finish().lines()).isEmpty();
        assertThat(filled(256).finish().leftOut()).isEmpty();
        assertThat(filled(256).finish().lines()).isNotEmpty();
    }

    /** The first reading counts as the greatest ovality until another is larger, also where it is zero. */
    @Test
    void extremesAreTheFirstOfTheirKind() {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        log.accept(5, 1.75, 1.75);
        log.accept(6, 1.74, 1.74);
        log.accept(7, 1.76, 1.76);
        log.accept(8, 1.74, 1.74);
        log.accept(9, 1.76, 1.76);
        DiameterLog.Result result = log.finish();

        assertThat(result.ovalityGreatest().at()).isEqualTo(5);
        assertThat(result.least().at()).isEqualTo(6);
        assertThat(result.greatest().at()).isEqualTo(7);
    }

    /** A run that the log's end cuts off counts up to the end, and of two as long the first is named. */
    @Test
    void aRunMayReachTheEnd() {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        for (int z = 0; z <= 100; z++) {
            double d = z > 10 && z <= 20 || z > 90 ? 1.9 : 1.75;
            log.accept(z, d, d);
        }
        DiameterLog.Result result = log.finish();

        assertThat(result.longestRun().value()).isEqualTo(10);
        assertThat(result.longestRun().at()).isEqualTo(10);
        assertThat(result.shareOutside()).isCloseTo(0.2, within(1e-12));

        DiameterLog cut = new DiameterLog(1.75, 0.05);
        for (int z = 0; z <= 100; z++) {
            double d = z > 10 && z <= 20 || z > 80 ? 1.9 : 1.75;
            cut.accept(z, d, d);
        }
        assertThat(cut.finish().longestRun().value()).isEqualTo(20);
        assertThat(cut.finish().longestRun().at()).isEqualTo(80);
    }

    /**
     * A step of 0.02 mm in noise of 0.002 mm, in logs so long that blocks have joined several times: its place, its size and its
     * F are those of the means on either side.
     */
    @ParameterizedTest
    @ValueSource(ints = {300, 5000, 9000, 20_000})
    void aStepIsTheDifferenceOfTwoMeans(int rows) {
        Random chance = new Random(rows);
        DiameterLog log = new DiameterLog(1.75, 0.05);
        int at = rows / 3;
        double[] sums = new double[2];
        for (int z = 0; z < rows; z++) {
            double d = 1.75 + (z < at ? 0 : 0.02) + 0.002 * chance.nextGaussian();
            sums[z < at ? 0 : 1] += d;
            log.accept(z, d, d);
        }
        double difference = sums[1] / (rows - at) - sums[0] / at;

        assertThat(log.finish().diameterStep()).hasValueSatisfying(step -> {
            assertThat(step.change()).isCloseTo(difference, within(0.05 * difference));
            assertThat(step.at()).isCloseTo(at, within(Math.max(2, rows / 4096.0 * 2)));
        });
        assertThat(log.finish().ovalityStep()).isEmpty();
    }

    /** A step of less than a tenth of the tolerance is not worth a word, one just above it is (common practice, no source). */
    @Test
    void aStepBelowATenthOfTheToleranceIsNone() {
        for (double change : new double[] {0.0045, -0.0045, 0.0055, -0.0055}) {
            DiameterLog log = new DiameterLog(1.75, 0.05);
            Random chance = new Random(1);
            for (int z = 0; z < 8000; z++) {
                double d = 1.75 + (z < 4000 ? 0 : change) + 0.0005 * chance.nextGaussian();
                log.accept(z, d, d);
            }
            assertThat(log.finish().diameterStep().isPresent()).as("%s", change).isEqualTo(Math.abs(change) > 0.005);
        }
    }

    /** A slow wave and a fast one: each line is drawn once, from long to short, and the higher wave is named. */
    @Test
    void aSlowAndAFastWave() {
        for (boolean slowIsHigher : new boolean[] {true, false}) {
            DiameterLog log = new DiameterLog(1.75, 0.05);
            Random chance = new Random(2);
            for (int z = 0; z < 300_000; z++) {
                double d = 1.75
                        + (slowIsHigher ? 0.01 : 0.004) * Math.sin(2 * Math.PI * z / 15_000)
                        + (slowIsHigher ? 0.004 : 0.01) * Math.sin(2 * Math.PI * z / 41.5)
                        + 0.001 * chance.nextGaussian();
                log.accept(z, d, d);
            }
            DiameterLog.Result result = log.finish();

            assertThat(result.wobble().orElseThrow().wavelength())
                    .isCloseTo(slowIsHigher ? 15_000 : 41.5, within(slowIsHigher ? 300.0 : 0.2));
            assertThat(result.wobble().orElseThrow().amplitude()).isCloseTo(0.01, within(0.0005));
            assertThat(result.lines())
                    .extracting(DiameterLog.Line::wavelength)
                    .isSortedAccordingTo((a, b) -> Double.compare(b, a))
                    .doesNotHaveDuplicates();
            assertThat(result.lines()).hasSizeLessThan(1300);
            // The line drawn at either wave has its height, but for what leaks to its neighbours.
            assertThat(highest(result, 30, 60)).isCloseTo(slowIsHigher ? 0.004 : 0.01, within(0.0015));
            assertThat(highest(result, 10_000, 20_000)).isCloseTo(slowIsHigher ? 0.01 : 0.004, within(0.0015));
        }
    }

    private static double highest(DiameterLog.Result result, double from, double to) {
        return result.lines().stream()
                .filter(line -> line.wavelength() > from && line.wavelength() < to)
                .mapToDouble(DiameterLog.Line::amplitude)
                .max()
                .orElse(0);
    }

    // ---- the file ------------------------------------------------------------------------------------------------

    /** The count of readings comes back; numbers are those that people write, not all that a parser takes. */
    @Test
    void onlyWhatPeopleWriteIsANumber() throws IOException {
        String head = "position [mm],x [mm],y [mm]\n";
        assertThat(read(head + "1,1.75,1.75\n2,1.75e0,+1.75\n3,.175e1,1.75\n")).isEqualTo(3);
        for (String wrong : List.of("1.75d", "1.75f", "0x1p1", "1_000", "Infinity", "1..7")) {
            assertThatThrownBy(() -> read(head + "1," + wrong + ",1.75\n"))
                    .as(wrong)
                    .hasMessageContaining("'" + wrong + "' is not a number")
                    .isInstanceOfSatisfying(DiameterLogFile.Unreadable.class, unreadable -> {
                        assertThat(unreadable.problem().where()).isEqualTo("Row 2, x");
                        assertThat(unreadable.problem().expected()).contains("1.748");
                    });
        }
        assertThatThrownBy(() -> read(head + "1," + "7".repeat(41) + "x,1.75\n"))
                .hasMessageContaining("7".repeat(40) + "…' is not");
        assertThatThrownBy(() -> read(head + "1," + "7".repeat(39) + "x,1.75\n"))
                .hasMessageContaining("7".repeat(39) + "x' is not");
    }

    /** Units stand in brackets that close behind their opening. */
    @ParameterizedTest
    @ValueSource(strings = {"position,x [mm],y [mm]", "position [mm,x [mm],y [mm]"})
    void aHeadWithoutItsUnit(String head) {
        assertThatThrownBy(() -> read(head + "\n1,1.75,1.75\n")).hasMessageContaining("names no unit");
    }

    /** A sender that goes away is no damaged file: what failed is passed on as it is. */
    @Test
    void aSenderThatGoesAwayIsNotTheFilesFault() {
        byte[] head = "position [mm],x [mm],y [mm]\n1,1.75,1.75\n".getBytes(StandardCharsets.UTF_8);
        IOException gone = new IOException("connection reset");
        assertThatThrownBy(() -> DiameterLogFile.read(failing(head, gone), (z, x, y) -> {}))
                .isSameAs(gone);
        assertThatThrownBy(() -> DiameterLogFile.read(failing(head, new EOFException("short")), (z, x, y) -> {}))
                .isInstanceOf(DiameterLogFile.Unreadable.class)
                .hasMessageContaining("ends too early");
    }

    private static InputStream failing(byte[] first, IOException then) {
        return new InputStream() {
            private int at;

            @Override
            public int read() throws IOException {
                if (at < first.length) {
                    return first[at++];
                }
                throw then;
            }
        };
    }

    // ---- sections and models -------------------------------------------------------------------------------------

    @Test
    void aSectionSaysWhatItWasMadeOf() {
        Section one = Section.rectangle(new double[] {4}, new double[] {4.0, 4.1, 4.2});

        assertThat(one.notes()).containsExactly("One reading of the width; three are wanted.");
        assertThat(one.working().steps())
                .extracting(step -> step.numbers())
                .contains("4.0000", "(4.0000 + 4.1000 + 4.2000)/3");
        for (double wrong : new double[] {0, -4, Double.POSITIVE_INFINITY, Double.NaN}) {
            assertThatThrownBy(() -> Section.rectangle(new double[] {4, wrong}, new double[] {4}))
                    .hasMessageContaining("width");
        }
    }

    /** From half a percent on a size is another model's, when all axes agree (common practice, no source). */
    @ParameterizedTest
    @CsvSource({"4.1, 6.15, true", "3.9, 5.85, true", "4.04, 6.06, false", "4.1, 6.1, true", "4.1, 6.3, false"})
    void aScaledModelIsScaledInEveryAxis(double first, double second, boolean scaled) {
        assertThat(ModelScale.of(new double[] {first, second}, new double[] {4, 6})
                        .isPresent())
                .isEqualTo(scaled);
    }

    /** What the other printer's estimate lies on the edge of is not differed from. */
    @Test
    void anEstimateDiffersFromWhatLiesOutside() {
        Artefact.Estimate estimate = new Artefact.Estimate(1, 0.1, 0.8, 1.2);

        assertThat(estimate.differsFrom(0.8)).isFalse();
        assertThat(estimate.differsFrom(1.2)).isFalse();
        assertThat(estimate.differsFrom(0.79)).isTrue();
        assertThat(estimate.differsFrom(1.21)).isTrue();
        assertThat(Artefact.Kind.values())
                .extracting(Artefact.Kind::words)
                .doesNotHaveDuplicates()
                .doesNotContain("");
    }
}
