package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.ysometron.core.drift.ChartSignal.Lots;
import org.ysometron.core.drift.LotDifferences.Pair;
import org.ysometron.core.drift.LotDifferences.Rank;
import org.ysometron.core.drift.LotDifferences.Repeatability;

class LotDifferencesTest {

    private static Lots simulated(int count, int n, SplittableRandom chance) {
        double[] means = new double[count];
        double[] deviations = new double[count];
        int[] sizes = new int[count];
        Arrays.fill(sizes, n);
        for (int i = 0; i < count; i++) {
            // Every other lot scatters three times as far.
            double scatter = i % 2 == 0 ? 1 : 3;
            double[] one = new double[n];
            Arrays.setAll(one, j -> scatter * chance.nextGaussian());
            double mean = Arrays.stream(one).average().orElseThrow();
            means[i] = mean;
            deviations[i] = Math.sqrt(
                    Arrays.stream(one).map(v -> (v - mean) * (v - mean)).sum() / (n - 1));
        }
        return new Lots(means, deviations, sizes);
    }

    /**
     * At n = 5, with lots that do not scatter alike, at most some 6 % of comparisons of like lots say that any two differ (the method is known to be a
     * little liberal with few specimens).
     */
    @Test
    void lotsThatAreAlikeAreSeldomCalledApart() {
        for (int count : new int[] {2, 3}) {
            SplittableRandom chance = new SplittableRandom(1976);
            int wrong = 0;
            int series = count == 2 ? 4000 : 200;
            for (int s = 0; s < series; s++) {
                wrong += LotDifferences.of(simulated(count, 5, chance), Optional.empty(), 0.95).pairs().stream()
                                .anyMatch(Pair::isApart)
                        ? 1
                        : 0;
            }
            assertThat(wrong / (double) series).as(count + " lots").isBetween(0.015, 0.09);
        }
    }

    /** M15: 44.81 to 47.19, one specimen each, is inside a repeatability of 3; 11.23 to 17.09 is not. */
    @Test
    void m15TwoSingleValuesAreSetAgainstTheMethodsRepeatability() {
        Optional<Repeatability> known = Optional.of(new Repeatability(1.5, 60));
        Lots near = new Lots(new double[] {44.81, 47.19}, new double[] {Double.NaN, Double.NaN}, new int[] {1, 1});
        Lots far = new Lots(new double[] {11.23, 17.09}, new double[] {Double.NaN, Double.NaN}, new int[] {1, 1});

        Pair same = LotDifferences.of(near, known, 0.95).pairs().get(0);
        assertThat(same.isWithinRepeatability()).isTrue();
        assertThat(same.isApart()).isFalse();
        // 1.96·√2·1.5, the limit of ISO 5725-6 for two single values: 2.77 s_r.
        assertThat(same.limit().orElseThrow()).isCloseTo(2.772 * 1.5, within(1e-3));
        Pair other = LotDifferences.of(far, known, 0.95).pairs().get(0);
        assertThat(other.isWithinRepeatability()).isFalse();
        assertThat(other.isApart()).isTrue();
        Pair unknown = LotDifferences.of(far, Optional.empty(), 0.95).pairs().get(0);
        assertThat(unknown.isApart()).isFalse();
        assertThat(unknown.high()).isInfinite();
    }

    /** Ranks only where lots are apart; else they share their places. */
    @Test
    void tiesAreTies() {
        Lots lots = new Lots(new double[] {10, 10.1, 20, 20.1}, new double[] {1, 1, 1, 1}, new int[] {6, 6, 6, 6});

        assertThat(LotDifferences.of(lots, Optional.empty(), 0.95).ranks())
                .extracting(Rank::lot, Rank::best, Rank::worst)
                .containsExactly(tuple(0, 3, 4), tuple(1, 3, 4), tuple(2, 1, 2), tuple(3, 1, 2));
    }

    /** Other units, another zero: the same lots are apart. */
    @Test
    void unitsAndAConstantChangeNothing() {
        Lots lots = simulated(4, 6, new SplittableRandom(3));
        Lots other = new Lots(
                Arrays.stream(lots.means()).map(v -> 145.038 * v + 7).toArray(),
                Arrays.stream(lots.deviations()).map(v -> 145.038 * v).toArray(),
                lots.sizes());
        LotDifferences one = LotDifferences.of(lots, Optional.empty(), 0.9);
        LotDifferences two = LotDifferences.of(other, Optional.empty(), 0.9);

        for (int i = 0; i < one.pairs().size(); i++) {
            assertThat(two.pairs().get(i).low())
                    .isCloseTo(145.038 * one.pairs().get(i).low(), within(1e-6));
        }
        assertThat(two.ranks()).isEqualTo(one.ranks());
    }

    @Test
    void oneLotHasNothingToBeSetAgainst() {
        Lots one = new Lots(new double[] {1}, new double[] {1}, new int[] {5});
        assertThatThrownBy(() -> LotDifferences.of(one, Optional.empty(), 0.95)).hasMessageContaining("2 to 8");
        assertThatThrownBy(() -> new Repeatability(0, 5)).hasMessageContaining("one degree of freedom");
    }
}
