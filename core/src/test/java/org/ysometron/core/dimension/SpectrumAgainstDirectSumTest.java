package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.Random;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The log's spectrum beside sums written out by hand and a general library's transform of the whole record. */
class SpectrumAgainstDirectSumTest {

    private static final double NOMINAL = 1.75;

    private static double[] record(int rows, double wavelength, double amplitude, double noise) {
        Random chance = new Random(11);
        double[] diameters = new double[rows];
        for (int i = 0; i < rows; i++) {
            diameters[i] =
                    NOMINAL + amplitude * Math.sin(2 * Math.PI * i / wavelength + 0.7) + noise * chance.nextGaussian();
        }
        return diameters;
    }

    private static DiameterLog.Result log(double[] diameters) {
        DiameterLog log = new DiameterLog(NOMINAL, 0.05);
        for (int i = 0; i < diameters.length; i++) {
            log.accept(i, diameters[i], diameters[i]);
        }
        return log.finish();
    }

    /** Amplitude of a wave by the two sums of its definition, 2/N·|Σ x·exp(−2πi·z/λ)|, no window, no transform. */
    private static double direct(double[] diameters, double wavelength) {
        double mean = java.util.Arrays.stream(diameters).average().orElseThrow();
        double cosine = 0;
        double sine = 0;
        for (int i = 0; i < diameters.length; i++) {
            double phase = 2 * Math.PI * i / wavelength;
            cosine += (diameters[i] - mean) * Math.cos(phase);
            sine += (diameters[i] - mean) * Math.sin(phase);
        }
        return 2 * Math.hypot(cosine, sine) / diameters.length;
    }

    @ParameterizedTest
    @ValueSource(doubles = {11.3, 47, 160.5, 700, 3333})
    void theWobbleHasTheAmplitudeOfTheDirectSum(double wavelength) {
        double[] diameters = record(1 << 16, wavelength, 0.007, 0.003);
        DiameterLog.Wobble wobble = log(diameters).wobble().orElseThrow();

        assertThat(wobble.wavelength()).isCloseTo(wavelength, within(0.01 * wavelength));
        assertThat(wobble.amplitude()).isCloseTo(direct(diameters, wavelength), within(0.0004));
    }

    /** The highest line of a whole-record transform by Hipparchus lies at the same wavelength. */
    @ParameterizedTest
    @ValueSource(doubles = {16, 64, 512})
    void theWobbleIsTheHighestLineOfAWholeTransform(double wavelength) {
        double[] diameters = record(1 << 15, wavelength, 0.006, 0.004);
        double mean = java.util.Arrays.stream(diameters).average().orElseThrow();
        double[] centred = java.util.Arrays.stream(diameters).map(d -> d - mean).toArray();
        Complex[] lines =
                new FastFourierTransformer(DftNormalization.STANDARD).transform(centred, TransformType.FORWARD);
        int highest = 1;
        for (int k = 2; k < lines.length / 2; k++) {
            highest = lines[k].norm() > lines[highest].norm() ? k : highest;
        }

        assertThat(log(diameters).wobble().orElseThrow().wavelength())
                .isCloseTo((double) diameters.length / highest, within(0.01 * wavelength));
    }

    /** Of two waves the higher one is named, in either order of length. */
    @Test
    void theHigherOfTwoWavesIsNamed() {
        for (double[] pair : new double[][] {{40, 0.009, 900, 0.004}, {40, 0.004, 900, 0.009}}) {
            double[] one = record(60000, pair[0], pair[1], 0.002);
            double[] other = record(60000, pair[2], pair[3], 0);
            for (int i = 0; i < one.length; i++) {
                one[i] += other[i] - NOMINAL;
            }
            double expected = pair[1] > pair[3] ? pair[0] : pair[2];
            assertThat(log(one).wobble().orElseThrow().wavelength()).isCloseTo(expected, within(0.02 * expected));
        }
    }

    /** The lines for drawing run from the longest wave to the shortest and hold the peak. */
    @Test
    void theLinesHoldThePeak() {
        DiameterLog.Result result = log(record(40000, 250, 0.008, 0.002));

        assertThat(result.lines()).hasSizeLessThan(1400);
        assertThat(result.lines())
                .isSortedAccordingTo(
                        Comparator.comparingDouble(DiameterLog.Line::wavelength).reversed());
        DiameterLog.Line highest = result.lines().stream()
                .max(Comparator.comparingDouble(DiameterLog.Line::amplitude))
                .orElseThrow();
        assertThat(highest.wavelength()).isCloseTo(250, within(10.0));
        assertThat(highest.amplitude()).isBetween(0.006, 0.0085);
    }

    /** A constant filament has neither scatter nor wobble nor step, and no division by zero on the way. */
    @Test
    void aPerfectFilament() {
        double[] diameters = new double[5000];
        java.util.Arrays.fill(diameters, NOMINAL);
        DiameterLog.Result result = log(diameters);

        assertThat(result.sd()).isZero();
        assertThat(result.wobble()).isEmpty();
        assertThat(result.diameterStep()).isEmpty();
        assertThat(result.flowError()).isZero();
        assertThat(result.shareOutside()).isZero();
    }
}
