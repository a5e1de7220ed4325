package org.ysometron.core.surprise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class TwoStreamsTest {

    private static double[] streams(int count, double apart, long seed) {
        SplittableRandom chance = new SplittableRandom(seed);
        double[] values = new double[count];
        Arrays.setAll(values, i -> 50 + (i % 2 == 0 ? apart / 2 : -apart / 2) + chance.nextGaussian());
        return values;
    }

    /** By turns 24 and 26: two streams of ten, parted between. */
    @Test
    void twoStreamsAreToldWithTheirLevels() {
        double[] values = new double[20];
        Arrays.setAll(values, i -> (i % 2 == 0 ? 24 : 26) + 0.1 * (i % 5));
        TwoStreams found = TwoStreams.of(values).orElseThrow();

        assertThat(found.isSpoken()).isTrue();
        assertThat(found.inLower()).isEqualTo(10);
        assertThat(found.lower()).isCloseTo(24.2, within(1e-12));
        assertThat(found.upper()).isCloseTo(26.2, within(1e-12));
        assertThat(found.edge()).isCloseTo(25.2, within(1e-12));
    }

    /** Of series of one population one in a hundred is named, whatever its length; within three standard errors of 4,000. */
    @Test
    void ofSoundSeriesOneInAHundredIsNamed() {
        for (int count : new int[] {12, 30}) {
            int named = 0;
            for (int run = 0; run < 4000; run++) {
                named += TwoStreams.of(streams(count, 0, 31L * run + count))
                                .orElseThrow()
                                .isSpoken()
                        ? 1
                        : 0;
            }
            assertThat(named / 4000.0).as("%s lots", count).isBetween(0.005, 0.0155);
        }
    }

    /** Five standard deviations apart, thirty lots show it nearly always. */
    @Test
    void streamsFarApartAreFound() {
        int found = 0;
        for (int run = 0; run < 200; run++) {
            found += TwoStreams.of(streams(30, 5, run)).orElseThrow().isSpoken() ? 1 : 0;
        }
        assertThat(found).isGreaterThan(180);
    }

    @Test
    void fewOrAlikeSayNothing() {
        assertThat(TwoStreams.of(streams(11, 9, 1))).isEmpty();
        double[] alike = new double[20];
        Arrays.fill(alike, 7);
        assertThat(TwoStreams.of(alike)).isEmpty();
        double[] one = streams(15, 6, 2);
        double[] other = Arrays.stream(one).map(value -> 1000 - 40 * value).toArray();
        assertThat(TwoStreams.of(other).orElseThrow().chance())
                .isEqualTo(TwoStreams.of(one).orElseThrow().chance());
    }
}
