package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class LotCapabilityTest {

    private static final OptionalDouble NONE = OptionalDouble.empty();

    /** Where lots do not differ, σ is that of all specimens: sum of squares between and within over their degrees of freedom. */
    @Test
    void theScatterIsThatOfSpecimensOfAnyLot() {
        double[] means = {10, 12, 11, 13};
        double[] deviations = {1, 1, 1, 1};
        int[] sizes = {5, 5, 5, 5};
        LotCapability found =
                LotCapability.of(new ChartSignal.Lots(means, deviations, sizes), OptionalDouble.of(5), NONE);

        // S² = 5/3, σ_w² = 1: σ² = 5/3 + 4/5, worked out by hand.
        assertThat(found.overall().sigma()).isCloseTo(Math.sqrt(5.0 / 3 + 0.8), within(1e-12));
        assertThat(found.overall().freedom())
                .isCloseTo(Math.pow(5.0 / 3 + 0.8, 2) / (25.0 / 9 / 3 + 0.64 / 16), within(1e-12));
        assertThat(found.overall().least(0.95).value())
                .isCloseTo(6.5 / 3 / found.overall().sigma(), within(1e-12));
        assertThat(found.within().orElseThrow().sigma()).isCloseTo(1, within(1e-12));
    }

    /** Its interval holds the truth in about 95 of 100 series, n = 5, whether lots differ much or hardly. */
    @Test
    void theIntervalKeepsItsLevel() {
        for (double between : new double[] {0.1, 0.7, 2}) {
            SplittableRandom chance = new SplittableRandom(1946);
            double truth = 10 / (3 * Math.hypot(between, 1));
            int held = 0;
            int series = 300;
            for (int s = 0; s < series; s++) {
                Capability.Index index = LotCapability.of(lots(20, 5, between, chance), OptionalDouble.of(-10), NONE)
                        .overall()
                        .least(0.95);
                held += index.low() <= truth && truth <= index.high() ? 1 : 0;
            }
            assertThat(held / (double) series).as("between " + between).isBetween(0.92, 0.985);
        }
    }

    private static ChartSignal.Lots lots(int count, int n, double between, SplittableRandom chance) {
        double[] means = new double[count];
        double[] deviations = new double[count];
        int[] sizes = new int[count];
        Arrays.fill(sizes, n);
        for (int i = 0; i < count; i++) {
            double level = between * chance.nextGaussian();
            double[] one = new double[n];
            Arrays.setAll(one, j -> level + chance.nextGaussian());
            double mean = Arrays.stream(one).average().orElseThrow();
            means[i] = mean;
            deviations[i] = Math.sqrt(
                    Arrays.stream(one).map(v -> (v - mean) * (v - mean)).sum() / (n - 1));
        }
        return new ChartSignal.Lots(means, deviations, sizes);
    }

    @Test
    void whatHasNoScatterOrNoEdgeIsRefused() {
        ChartSignal.Lots two = new ChartSignal.Lots(new double[] {1, 2}, new double[] {1, 1}, new int[] {5, 5});
        assertThatThrownBy(() -> LotCapability.of(two, OptionalDouble.of(0), NONE))
                .hasMessageContaining("3 lots");
        ChartSignal.Lots alike =
                new ChartSignal.Lots(new double[] {1, 1, 1}, new double[] {0, 0, 0}, new int[] {5, 5, 5});
        assertThatThrownBy(() -> LotCapability.of(alike, OptionalDouble.of(0), NONE))
                .hasMessageContaining("scatter");
        ChartSignal.Lots three =
                new ChartSignal.Lots(new double[] {1, 2, 3}, new double[] {1, 1, 1}, new int[] {5, 5, 5});
        assertThatThrownBy(() -> LotCapability.of(three, NONE, NONE)).hasMessageContaining("allowed");
    }
}
