package org.ysometron.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class PackedTest {

    /** As a frame writes it: time by the hundredth, force by the tenth of a newton, extension by the micrometre. */
    private static Trace asWritten(int n) {
        Trace real = Synthetic.drawing(n).noisy(0.0005, 3).broken(100).trace();
        double[] time = real.times().orElseThrow();
        double[] force = real.forces();
        double[] extension = real.extensions();
        Arrays.setAll(time, i -> Math.round(time[i] * 100) / 100.0);
        Arrays.setAll(force, i -> Math.round(force[i] * 10) / 10.0);
        Arrays.setAll(extension, i -> Math.round(extension[i] * 1000) / 1000.0);
        return Trace.of(time, force, extension);
    }

    @Test
    void twentyThousandPointsTakeAThirdOfTheirCsv() {
        Trace trace = asWritten(20_000);
        StringBuilder csv = new StringBuilder("time [s];force [N];extension [mm]\n");
        double[] time = trace.times().orElseThrow();
        for (int i = 0; i < trace.size(); i++) {
            csv.append(String.format(Locale.ROOT, "%.2f;%.1f;%.3f%n", time[i], trace.force(i), trace.extension(i)));
        }
        byte[] packed = Packed.of(trace);
        assertThat(packed.length).isLessThan(csv.length() / 3);
        assertThat(Packed.read(packed)).isEqualTo(trace);
    }

    @Property
    void whateverWasReadComesBackToTheBit(
            @ForAll @Size(min = 20, max = 60) List<@DoubleRange(min = -1e6, max = 1e6) Double> forces,
            @ForAll boolean timed) {
        double[] force = forces.stream().mapToDouble(Double::doubleValue).toArray();
        double[] time = new double[timed ? force.length : 0];
        Arrays.setAll(time, i -> i / 3.0);
        double[] extension = new double[force.length];
        Arrays.setAll(extension, i -> i * 0.1);
        Trace trace = Trace.of(time, force, extension);
        assertThat(Packed.read(Packed.of(trace))).isEqualTo(trace);
    }

    @Test
    void aBitThatChangedIsSaid() {
        byte[] packed = Packed.of(asWritten(500));
        Random chance = new Random(8);
        for (int i = 0; i < 500; i++) {
            byte[] broken = packed.clone();
            broken[chance.nextInt(broken.length)] ^= (byte) (1 << chance.nextInt(8));
            assertThatThrownBy(() -> Packed.read(broken)).isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> Packed.read(Arrays.copyOf(packed, packed.length / 2)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Packed.read(new byte[0])).isInstanceOf(IllegalArgumentException.class);
    }

    /** No extreme is lost: the largest and smallest force of every stretch are among the points that are drawn. */
    @Property
    void thinnedItKeepsEveryExtreme(
            @ForAll @IntRange(min = 8, max = 2000) int most, @ForAll @IntRange(min = 1, max = 30) int seed) {
        Trace trace = Synthetic.drawing(3000)
                .noisy(0.001, seed)
                .broken(50)
                .withWildPoint(100 * seed % 2900, 5000)
                .trace();
        int[] kept = Thinned.of(trace, most);
        assertThat(kept).isSorted().doesNotHaveDuplicates().hasSizeLessThanOrEqualTo(Math.max(most, 8));
        assertThat(kept[0]).isZero();
        assertThat(kept[kept.length - 1]).isEqualTo(trace.size() - 1);
        double[] forces = trace.forces();
        assertThat(Arrays.stream(kept).mapToDouble(i -> forces[i]).max())
                .hasValue(Arrays.stream(forces).max().orElseThrow());
        assertThat(Arrays.stream(kept).mapToDouble(i -> forces[i]).min())
                .hasValue(Arrays.stream(forces).min().orElseThrow());
    }

    @Test
    void fewPointsAreAllDrawn() {
        assertThat(Thinned.of(asWritten(40), 2000)).hasSize(141);
        assertThatThrownBy(() -> Thinned.of(asWritten(40), 3)).hasMessageContaining("at least 8");
    }
}
