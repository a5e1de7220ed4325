package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.ysometron.core.drift.SupportableEdge.Edge;

class SupportableEdgeTest {

    private static ChartSignal.Lots lots(int count, SplittableRandom chance) {
        double[] means = new double[count];
        double[] deviations = new double[count];
        int[] sizes = new int[count];
        Arrays.fill(sizes, 5);
        for (int i = 0; i < count; i++) {
            double level = 0.6 * chance.nextGaussian();
            double[] one = new double[5];
            Arrays.setAll(one, j -> level + chance.nextGaussian());
            double mean = Arrays.stream(one).average().orElseThrow();
            means[i] = mean;
            deviations[i] = Math.sqrt(
                    Arrays.stream(one).map(v -> (v - mean) * (v - mean)).sum() / 4);
        }
        return new ChartSignal.Lots(means, deviations, sizes);
    }

    /** Worked out by hand: ten lots of n = 4, s = 2, t(0.95; 3) = 2.353363, K(10; 0.95; 0.95) = 2.911 (ISO 16269-6, table of one-sided factors). */
    @Test
    void theEdgeIsTheToleranceBoundOfTheBounds() {
        double[] means = {20, 21, 22, 23, 24, 20, 21, 22, 23, 24};
        double[] deviations = new double[10];
        int[] sizes = new int[10];
        Arrays.fill(deviations, 2);
        Arrays.fill(sizes, 4);
        double scatter = Math.sqrt(20.0 / 9);
        ChartSignal.Lots lots = new ChartSignal.Lots(means, deviations, sizes);

        assertThat(SupportableEdge.of(lots, Edge.LEAST).orElseThrow().edge())
                .isCloseTo(22 - 2.353363 - 2.911 * scatter, within(2e-3));
        assertThat(SupportableEdge.of(lots, Edge.MOST).orElseThrow().edge())
                .isCloseTo(22 + 2.353363 + 2.911 * scatter, within(2e-3));
    }

    /** Of new lots at least 95 % support the edge in 95 of 100 simulated series: the level is kept at n = 5 of twenty lots. */
    @Test
    void theEdgeIsCarriedByNewLots() {
        SplittableRandom chance = new SplittableRandom(16269);
        ChartSignal.Lots many = lots(40_000, chance);
        double[] bounds = new double[many.count()];
        // t(0.95; 4) = 2.131847, any table.
        Arrays.setAll(bounds, i -> many.means()[i] - 2.131847 * many.deviations()[i] / Math.sqrt(5));
        Arrays.sort(bounds);
        double truth = bounds[(int) (0.05 * bounds.length)];
        int kept = 0;
        int series = 2000;
        for (int s = 0; s < series; s++) {
            kept += SupportableEdge.of(lots(20, chance), Edge.LEAST)
                                    .orElseThrow()
                                    .edge()
                            <= truth
                    ? 1
                    : 0;
        }
        assertThat(kept / (double) series).isBetween(0.93, 0.99);
    }

    @Test
    void tooFewLotsCarryNothing() {
        assertThat(SupportableEdge.of(lots(9, new SplittableRandom(1)), Edge.LEAST))
                .isEmpty();
    }
}
