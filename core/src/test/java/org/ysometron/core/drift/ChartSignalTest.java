package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.ysometron.core.drift.ChartSignal.Lots;

class ChartSignalTest {

    /** Means of ten specimens scatter by 1; within lots by √5, so that half of the variance of a mean is from within. */
    private static final LotLimits LIMITS =
            new LotLimits(100, 1, 3.686, OptionalDouble.of(10), OptionalDouble.of(Math.sqrt(5)));

    private static Lots lots(int n, double... means) {
        double[] deviations = new double[means.length];
        int[] sizes = new int[means.length];
        Arrays.fill(deviations, 1);
        Arrays.fill(sizes, n);
        return new Lots(means, deviations, sizes);
    }

    private static List<ChartSignal> of(Lots lots, String... rules) {
        return ChartSignal.of(lots, LIMITS, ChartRules.named(Set.of(rules)));
    }

    /** σ²(n) = ½ + ½·10/n, by hand: at 10 it is 1, at 2 it is 3. */
    @Test
    void aMeanOfFewSpecimensHasWiderLimits() {
        assertThat(LIMITS.sigma(10)).isEqualTo(1.0);
        assertThat(LIMITS.sigma(2)).isCloseTo(Math.sqrt(3), within(1e-12));
        assertThat(of(lots(10, 103.5), "BEYOND_LIMITS")).hasSize(1);
        assertThat(of(lots(2, 103.5), "BEYOND_LIMITS")).isEmpty();
        assertThat(of(lots(2, 105.3), "BEYOND_LIMITS")).hasSize(1);
        assertThat(ChartSignal.of(lots(2, 103.5), LIMITS.ofOneSize(), ChartRules.named(Set.of("BEYOND_LIMITS"))))
                .hasSize(1);
    }

    /** Two lots inside the limits may lie too far from one another; it is said of the later one. */
    @Test
    void aChangeBeyondItsLimitIsASignal() {
        List<ChartSignal> found = of(lots(10, 100, 98, 102, 101.9), ChartRules.RANGE);

        assertThat(found)
                .extracting(ChartSignal::first, ChartSignal::last, ChartSignal::side, ChartSignal::words)
                .containsExactly(tuple(1, 2, Signal.Side.ABOVE, "change from the lot before beyond its limit"));
        assertThat(of(lots(10, 100, 98, 102, 101.9), "BEYOND_LIMITS", "EIGHT_ON_ONE_SIDE"))
                .isEmpty();
        assertThat(of(lots(2, 100, 98, 102, 101.9), ChartRules.RANGE)).isEmpty();
        // On the limit to the last digit typed.
        LotLimits tenths = new LotLimits(10, 0.1, 0.3, OptionalDouble.empty(), OptionalDouble.empty());
        assertThat(ChartSignal.of(lots(5, 10.1, 10.4), tenths, ChartRules.named(Set.of(ChartRules.RANGE))))
                .isEmpty();
    }

    /** Which way the means go is read of the means, whatever stands behind each: six that climb, climb. */
    @Test
    void climbingIsReadOfTheMeans() {
        Lots climbing = new Lots(
                new double[] {100.1, 100.2, 100.3, 100.4, 100.5, 100.6},
                new double[] {1, 1, 1, 1, 1, 1},
                new int[] {10, 2, 10, 2, 10, 2});

        assertThat(of(climbing, "SIX_CLIMBING_OR_FALLING")).hasSize(1);
    }

    @Test
    void everyRuleHasANameAndWords() {
        assertThat(ChartRules.all()).hasSize(10).allSatisfy(rule -> {
            ChartRules alone = ChartRules.named(Set.of(rule.name()));
            assertThat(alone.names()).containsExactly(rule.name());
            assertThat(alone.words()).isEqualTo(rule.words());
        });
        assertThat(ChartRules.USUAL.names())
                .containsExactly("BEYOND_LIMITS", "EIGHT_ON_ONE_SIDE", ChartRules.RANGE, ChartRules.SCATTER);
        assertThat(ChartRules.named(List.of()).isNone()).isTrue();
        assertThatThrownBy(() -> ChartRules.named(List.of("NONE"))).isInstanceOf(IllegalArgumentException.class);
    }

    /** Of lots alike in n the rules say what they always said, metamorphic: a constant added, the unit changed. */
    @Test
    void aConstantAndAnotherUnitChangeNothing() {
        double[] means = {100.2, 99.1, 103.4, 98.7, 100.1, 96.2, 101.2};
        List<ChartSignal> found = ChartSignal.of(lots(4, means), LIMITS, ChartRules.USUAL);
        LotLimits other =
                new LotLimits(100 * 7 + 50, 7, 3.686 * 7, OptionalDouble.of(10), OptionalDouble.of(Math.sqrt(5) * 7));
        Lots shifted = new Lots(
                Arrays.stream(means).map(mean -> 7 * mean + 50).toArray(),
                new double[] {7, 7, 7, 7, 7, 7, 7},
                new int[] {4, 4, 4, 4, 4, 4, 4});

        assertThat(found).isNotEmpty();
        assertThat(ChartSignal.of(shifted, other, ChartRules.USUAL)).isEqualTo(found);
    }
}
