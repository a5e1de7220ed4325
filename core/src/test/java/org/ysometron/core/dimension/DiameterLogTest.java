package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.quantity.Rounding;

/** Synthetic logs whose truth is known, and a general statistics library beside the log's own sums. */
class DiameterLogTest {

    private static final double NOMINAL = 1.75;
    private static final double TOLERANCE = 0.05;

    private interface Shape {
        double at(double z);
    }

    private static DiameterLog.Result log(int rows, double spacing, double noise, Shape diameter, Shape ovality) {
        Random chance = new Random(7);
        DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
        for (int i = 0; i < rows; i++) {
            double z = i * spacing;
            double d = diameter.at(z) + noise * chance.nextGaussian();
            double o = ovality.at(z);
            log.accept(z, d + o / 2, d - o / 2);
        }
        return log.finish();
    }

    /** Hipparchus' descriptive statistics are the reference. */
    @Test
    void meanScatterAndExtremesAreThoseOfALibrary() {
        Random chance = new Random(3);
        DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
        DescriptiveStatistics diameters = new DescriptiveStatistics();
        DescriptiveStatistics ovalities = new DescriptiveStatistics();
        DescriptiveStatistics flows = new DescriptiveStatistics();
        for (int i = 0; i < 5000; i++) {
            double x = 1.75 + 0.02 * chance.nextGaussian();
            double y = 1.74 + 0.02 * chance.nextGaussian();
            log.accept(i * 0.5, x, y);
            diameters.addValue((x + y) / 2);
            ovalities.addValue(Math.abs(x - y));
            flows.addValue(DiameterLog.flowError((x + y) / 2, NOMINAL));
        }
        DiameterLog.Result result = log.finish();

        assertThat(result.rows()).isEqualTo(5000);
        assertThat(result.length()).isCloseTo(2499.5, within(1e-9));
        assertThat(result.mean()).isCloseTo(diameters.getMean(), within(1e-12));
        assertThat(result.sd()).isCloseTo(diameters.getStandardDeviation(), within(1e-12));
        assertThat(result.least().value()).isEqualTo(diameters.getMin());
        assertThat(result.greatest().value()).isEqualTo(diameters.getMax());
        assertThat(result.ovalityMean()).isCloseTo(ovalities.getMean(), within(1e-12));
        assertThat(result.ovalityGreatest().value()).isEqualTo(ovalities.getMax());
        assertThat(result.flowError()).isCloseTo(flows.getMean(), within(1e-12));
    }

    /** ±0.05 mm on 1.75 mm is −5.6 % to +5.8 % of volume: (1.70/1.75)² − 1 and (1.80/1.75)² − 1, worked by hand. */
    @Test
    void flowGoesWithTheSquareOfTheDiameter() {
        assertThat(DiameterLog.flowError(1.80, NOMINAL)).isCloseTo(0.057959, within(1e-6));
        assertThat(DiameterLog.flowError(1.70, NOMINAL)).isCloseTo(-0.056327, within(1e-6));
    }

    /** Wavelengths shorter and longer than a segment of the spectrum, in records of several lengths. */
    @ParameterizedTest
    @CsvSource({
        "4000,1,40,0.01",
        "100000,1,37.3,0.008",
        "100000,1,6.5,0.004",
        "100000,1,1234.5,0.01",
        "300000,1,20000,0.012",
        "20000,0.5,333,0.006",
    })
    void aWobbleIsFound(int rows, double spacing, double wavelength, double amplitude) {
        DiameterLog.Result result =
                log(rows, spacing, 0.004, z -> NOMINAL + amplitude * Math.sin(2 * Math.PI * z / wavelength), z -> 0.01);

        assertThat(result.wobble()).isPresent();
        assertThat(result.wobble().get().wavelength()).isCloseTo(wavelength, within(0.02 * wavelength));
        assertThat(result.wobble().get().amplitude()).isCloseTo(amplitude, within(0.06 * amplitude));
        assertThat(result.diameterStep()).isEmpty();
    }

    @Test
    void noiseAloneIsNeitherStepNorWobble() {
        for (int rows : new int[] {300, 5000, 60000}) {
            DiameterLog.Result result = log(rows, 1, 0.01, z -> NOMINAL, z -> 0.01);

            assertThat(result.wobble()).as(rows + " rows").isEmpty();
            assertThat(result.diameterStep()).as(rows + " rows").isEmpty();
            assertThat(result.ovalityStep()).as(rows + " rows").isEmpty();
        }
    }

    /** A slow wander, as every filament has, is neither a step nor a wobble: at most one of twenty logs may say so. */
    @Test
    void aSlowWanderIsNeitherStepNorWobble() {
        int steps = 0;
        int wobbles = 0;
        for (int seed = 0; seed < 20; seed++) {
            Random chance = new Random(seed);
            DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
            double wander = 0;
            for (int i = 0; i < 40000; i++) {
                wander = 0.9995 * wander + 0.0003 * chance.nextGaussian();
                double d = NOMINAL + wander + 0.003 * chance.nextGaussian();
                log.accept(i, d, d);
            }
            DiameterLog.Result result = log.finish();
            steps += result.diameterStep().isPresent() ? 1 : 0;
            wobbles += result.wobble().isPresent() ? 1 : 0;
        }
        assertThat(steps).isLessThanOrEqualTo(1);
        assertThat(wobbles).isLessThanOrEqualTo(1);
    }

    /** A step is found where it is, under a wobble too, and does not pass for a long wave. */
    @ParameterizedTest
    @CsvSource({"50000,31000,0.02", "50000,4000,-0.015", "1000000,777000,0.01"})
    void aStepIsFoundWhereItIs(int rows, double at, double change) {
        DiameterLog.Result result = log(
                rows,
                1,
                0.01,
                z -> NOMINAL + (z >= at ? change : 0) + 0.01 * Math.sin(2 * Math.PI * z / 50),
                z -> 0.01);

        assertThat(result.diameterStep()).isPresent();
        assertThat(result.diameterStep().get().change()).isCloseTo(change, within(0.1 * Math.abs(change)));
        assertThat(result.diameterStep().get().at()).isCloseTo(at, within(0.01 * rows));
        assertThat(result.wobble().orElseThrow().wavelength()).isCloseTo(50, within(1.0));
    }

    @Test
    void aStepOfTheOvalityIsFoundApart() {
        DiameterLog.Result result = log(50000, 1, 0.005, z -> NOMINAL, z -> z < 20000 ? 0.01 : 0.03);

        assertThat(result.ovalityStep().orElseThrow().change()).isCloseTo(0.02, within(0.001));
        assertThat(result.diameterStep()).isEmpty();
    }

    /** 100 mm of 1,000 mm outside, in one run of 60 mm and one of 40 mm. */
    @Test
    void shareAndLongestRunOutsideAreLengths() {
        DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
        for (int z = 0; z <= 1000; z++) {
            double d = (z > 200 && z <= 260) || (z > 600 && z <= 640) ? 1.82 : 1.75;
            log.accept(z, d, d);
        }
        DiameterLog.Result result = log.finish();

        assertThat(result.shareOutside()).isCloseTo(0.1, within(1e-12));
        assertThat(result.longestRun().value()).isEqualTo(60);
        assertThat(result.longestRun().at()).isEqualTo(200);
        assertThat(result.greatest().value()).isEqualTo(1.82);
    }

    /** Unevenly spaced readings have no spectrum over their count; the rest is said. */
    @Test
    void unevenSpacingGetsNoSpectrum() {
        DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
        for (int i = 0; i < 1000; i++) {
            log.accept(i + (i % 2) * 0.7, 1.75 + 0.01 * Math.sin(i), 1.75);
        }
        assertThat(log.finish().wobble()).isEmpty();
        assertThat(log.finish().lines()).isEmpty();
        assertThat(log.finish().leftOut())
                .contains("No wobble is looked for", "not evenly spaced, 0.300 to 1.70 mm apart");
    }

    /** A step lies where its reading was taken: 100 readings every 100 mm, then 900 every 2 mm, the jump at 10,400 mm. */
    @Test
    void aStepIsPlacedByPositionsNotByCount() {
        DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
        Random chance = new Random(4);
        double z = 0;
        for (int i = 0; i < 1000; i++) {
            z += i < 100 ? 100 : 2;
            double d = (z < 10_400 ? 1.74 : 1.77) + 0.002 * chance.nextGaussian();
            log.accept(z, d, d);
        }
        assertThat(log.finish().diameterStep()).hasValueSatisfying(step -> {
            assertThat(step.at()).isCloseTo(10_400, within(4.0));
            assertThat(step.change()).isCloseTo(0.03, within(0.002));
        });
    }

    /** 1.80 is on the edge of 1.75 ± 0.05, not beyond it, though the double of its distance is larger than that of 0.05. */
    @Test
    void theEdgeItselfIsInside() {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        for (int z = 0; z < 100; z++) {
            double d = z % 2 == 0 ? 1.80 : 1.70;
            log.accept(z, d, d);
        }
        assertThat(log.finish().shareOutside()).isZero();
        assertThat(Rounding.above(0.1 + 0.2, 0.3)).isFalse();
        assertThat(Rounding.above(0.3001, 0.3)).isTrue();
        assertThat(Requirement.atMost(0.3, "", 5).holds(0.1 + 0.2)).isTrue();
        assertThat(Requirement.between(1.7, 1.8, "mm", 5).holds(1.8000001)).isFalse();
    }

    @Test
    void impossibleReadingsAreRefused() {
        DiameterLog log = new DiameterLog(NOMINAL, TOLERANCE);
        assertThatThrownBy(log::finish).hasMessageContaining("at least two readings");
        log.accept(5, 1.75, 1.75);
        assertThatThrownBy(() -> log.accept(5, 1.75, 1.75)).hasMessageContaining("positions must rise: 5.0");
        assertThatThrownBy(() -> log.accept(6, -1.75, 1.75)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> log.accept(6, Double.NaN, 1.75)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> log.accept(Double.NaN, 1.75, 1.75)).hasMessageContaining("rise");
        assertThatThrownBy(() -> new DiameterLog(1.75, 1.75)).hasMessageContaining("smaller tolerance");
    }

    /** Moving the zero of the position or the unit of length changes nothing but the scale. */
    @Property(tries = 50)
    void theAnswerScalesWithTheUnit(
            @ForAll @DoubleRange(min = 0.1, max = 10) double factor, @ForAll @IntRange(min = 300, max = 900) int rows) {
        DiameterLog plain = new DiameterLog(1.75, 0.05);
        DiameterLog scaled = new DiameterLog(1.75 * factor, 0.05 * factor);
        Random chance = new Random(rows);
        for (int i = 0; i < rows; i++) {
            double x = 1.75 + 0.03 * chance.nextGaussian();
            plain.accept(i, x, 1.75);
            scaled.accept(1000 + i * factor, x * factor, 1.75 * factor);
        }
        DiameterLog.Result a = plain.finish();
        DiameterLog.Result b = scaled.finish();

        assertThat(b.mean()).isCloseTo(a.mean() * factor, within(1e-9));
        assertThat(b.sd()).isCloseTo(a.sd() * factor, within(1e-9));
        assertThat(b.shareOutside()).isCloseTo(a.shareOutside(), within(1e-9));
        assertThat(b.flowError()).isCloseTo(a.flowError(), within(1e-9));
    }
}
