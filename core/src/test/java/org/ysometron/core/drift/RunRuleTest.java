package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

class RunRuleTest {

    /** One row a case; the file's head says how the expected points were found. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvFileSource(resources = "/org/ysometron/core/run-rules.csv", delimiter = '|', numLinesToSkip = 3)
    void flagsThePointThatCompletesAPatternAndEachThatProlongsIt(RunRule rule, String series, String flagged) {
        double[] values = Arrays.stream(series.strip().split("\\s+"))
                .mapToDouble(Double::parseDouble)
                .toArray();
        List<Integer> expected = flagged == null
                ? List.of()
                : Arrays.stream(flagged.strip().split("\\s+"))
                        .map(Integer::valueOf)
                        .toList();

        assertThat(RunRule.signals(values, 0, 1, Set.of(rule)))
                .extracting(Signal::last)
                .isEqualTo(expected);
    }

    @Test
    void aSignalIsNamedInWords() {
        double[] falling = {0.5, 0.4, 0.3, 0.2, 0.1, -0.1, -0.2};
        double[] low = {-1, -1, -1, -1, -1, -1, -1, -1, -1, 4};

        assertThat(RunRule.signals(falling, 0, 1, Set.of(RunRule.SIX_CLIMBING_OR_FALLING)))
                .extracting(Signal::words)
                .containsExactly("six lots falling", "seven lots falling");
        assertThat(RunRule.signals(low, 0, 1, RunRule.USUAL))
                .extracting(Signal::words)
                .containsExactly(
                        "eight lots in a row below the centre",
                        "nine lots in a row below the centre",
                        "beyond the upper limit");
    }

    @Test
    void noSpreadNoRules() {
        assertThatThrownBy(() -> RunRule.signals(new double[] {1}, 0, 0, RunRule.USUAL))
                .hasMessageContaining("above zero");
        assertThatThrownBy(() -> RunRule.signals(new double[] {Double.NaN}, 0, 1, RunRule.USUAL))
                .hasMessageContaining("not finite");
    }

    @Property
    void mirroredSeriesGiveMirroredSignals(
            @ForAll @Size(min = 1, max = 40) List<@DoubleRange(min = -4, max = 4) Double> series) {
        double[] values = series.stream().mapToDouble(Double::doubleValue).toArray();
        double[] mirrored = Arrays.stream(values).map(value -> -value).toArray();
        Set<RunRule> all = EnumSet.allOf(RunRule.class);

        assertThat(RunRule.signals(mirrored, 0, 1, all))
                .extracting(Signal::rule, Signal::last)
                .isEqualTo(RunRule.signals(values, 0, 1, all).stream()
                        .map(signal -> org.assertj.core.groups.Tuple.tuple(signal.rule(), signal.last()))
                        .toList());
    }

    /** M62's other half: with the baseline fixed, a later point never changes what was said of an earlier one. */
    @Property
    void laterPointsDoNotRewriteEarlierSignals(
            @ForAll @Size(min = 2, max = 40) List<@DoubleRange(min = -4, max = 4) Double> series) {
        double[] values = series.stream().mapToDouble(Double::doubleValue).toArray();
        double[] before = Arrays.copyOf(values, values.length - 1);
        Set<RunRule> all = EnumSet.allOf(RunRule.class);

        assertThat(RunRule.signals(values, 0, 1, all))
                .filteredOn(signal -> signal.last() < before.length)
                .isEqualTo(RunRule.signals(before, 0, 1, all));
    }

    /** A point on a line is on it, however the double of it was reached: 10.3 with centre 10 and sigma 0.1. */
    @Test
    void aPointOnTheLimitIsNotBeyondIt() {
        assertThat(RunRule.signals(new double[] {10.3, 9.7}, 10, 0.1, Set.of(RunRule.BEYOND_LIMITS)))
                .isEmpty();
        assertThat(RunRule.signals(new double[] {10.300001}, 10, 0.1, Set.of(RunRule.BEYOND_LIMITS)))
                .hasSize(1);
        double[] risingByRoundingAlone = new double[10];
        for (int i = 0; i < 10; i++) {
            risingByRoundingAlone[i] = i == 0 ? 0.3 : Math.nextUp(risingByRoundingAlone[i - 1]);
        }
        assertThat(RunRule.signals(risingByRoundingAlone, 0, 1, Set.of(RunRule.SIX_CLIMBING_OR_FALLING)))
                .isEmpty();
    }

    /** Every rule beside a reading of its own words point by point, on random series, every other one with ties and points on lines. */
    @Test
    void onePassFindsWhatLookingBackFinds() {
        java.util.Random random = new java.util.Random(5);
        for (int series = 0; series < 300; series++) {
            double[] z = new double[60];
            double level = 0;
            for (int i = 0; i < z.length; i++) {
                level = random.nextInt(10) == 0 ? random.nextInt(5) - 2 : level;
                double scattered = (level + random.nextGaussian()) * (series % 3 == 0 ? 0.3 : 1)
                        + (i % 2) * (series % 5 == 0 ? 2 : 0);
                z[i] = series % 2 == 0 ? Math.rint(2 * scattered) / 2 : scattered;
            }
            java.util.List<String> found = RunRule.signals(z, 0, 1, java.util.EnumSet.allOf(RunRule.class)).stream()
                    .map(signal -> signal.rule() + " " + signal.last() + " " + (signal.last() - signal.first() + 1))
                    .toList();
            java.util.List<String> expected = new java.util.ArrayList<>();
            for (int last = 0; last < z.length; last++) {
                for (RunRule rule : RunRule.values()) {
                    int length = lookedBack(rule, z, last);
                    if (length > 0) {
                        expected.add(rule + " " + last + " " + length);
                    }
                }
            }
            assertThat(found).isEqualTo(expected);
            double[] moved = Arrays.stream(z).map(value -> 230 + 0.125 * value).toArray();
            assertThat(RunRule.signals(moved, 230, 0.125, EnumSet.allOf(RunRule.class)))
                    .isEqualTo(RunRule.signals(z, 0, 1, EnumSet.allOf(RunRule.class)));
        }
    }

    /** Points farther out than any zone, on either side: what comes behind them climbs or falls as it does. */
    @Test
    void farOutTheDirectionIsKnown() {
        for (double far : new double[] {5, 9, 5000, 1e7, 1e12}) {
            double[] values = {-far, -0.5, 0.2, 0.6, 0.9, 1.5, far, 3.9, 2.2, 1.4, 0.3, -0.2, -far, -0.1};
            assertThat(RunRule.signals(values, 0, 1, EnumSet.of(RunRule.SIX_CLIMBING_OR_FALLING)))
                    .as("%s", far)
                    .extracting(Signal::last, signal -> signal.last() - signal.first() + 1, Signal::side)
                    .containsExactly(
                            org.assertj.core.groups.Tuple.tuple(5, 6, Signal.Side.ABOVE),
                            org.assertj.core.groups.Tuple.tuple(6, 7, Signal.Side.ABOVE),
                            org.assertj.core.groups.Tuple.tuple(11, 6, Signal.Side.BELOW),
                            org.assertj.core.groups.Tuple.tuple(12, 7, Signal.Side.BELOW));
        }
    }

    /** A signal says the side it lies on or heads for, also right after a pattern on the other side. */
    @Test
    void aSignalSaysItsSide() {
        double[] both = {2.5, 2.6, -2.5, -2.7, 0, 3.5};

        assertThat(RunRule.signals(both, 0, 1, EnumSet.of(RunRule.BEYOND_LIMITS, RunRule.TWO_OF_THREE_BEYOND_TWO)))
                .extracting(Signal::last, Signal::first, Signal::side)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(1, 0, Signal.Side.ABOVE),
                        org.assertj.core.groups.Tuple.tuple(3, 2, Signal.Side.BELOW),
                        org.assertj.core.groups.Tuple.tuple(5, 5, Signal.Side.ABOVE));
    }

    /** Where sigma is so small beside the centre that rounding is as large as the zones, nothing is told apart. */
    @Test
    void belowRoundingThereIsNoSignal() {
        double[] values = new double[20];
        for (int i = 0; i < values.length; i++) {
            values[i] = 1e6 + i * 1e-7;
        }
        assertThat(RunRule.signals(
                        values, 1e6, 1e-8, EnumSet.of(RunRule.EIGHT_ON_ONE_SIDE, RunRule.SIX_CLIMBING_OR_FALLING)))
                .isEmpty();
    }

    private static int lookedBack(RunRule rule, double[] z, int last) {
        return switch (rule) {
            case BEYOND_LIMITS -> Math.abs(z[last]) > 3 ? 1 : 0;
            case TWO_OF_THREE_BEYOND_TWO -> some(z, last, 3, 2, 2);
            case FOUR_OF_FIVE_BEYOND_ONE -> some(z, last, 5, 4, 1);
            case EIGHT_ON_ONE_SIDE -> longest(last, 8, n -> all(z, last, n, i -> z[i] * z[last] > 0));
            case SIX_CLIMBING_OR_FALLING ->
                Math.max(
                        longest(last, 6, n -> all(z, last, n - 1, i -> i > 0 && z[i] > z[i - 1])),
                        longest(last, 6, n -> all(z, last, n - 1, i -> i > 0 && z[i] < z[i - 1])));
            case FOURTEEN_ALTERNATING ->
                longest(
                        last,
                        14,
                        n -> all(z, last, n - 2, i -> i > 1 && (z[i] - z[i - 1]) * (z[i - 1] - z[i - 2]) < 0));
            case FIFTEEN_WITHIN_ONE -> longest(last, 15, n -> all(z, last, n, i -> Math.abs(z[i]) < 1));
            case EIGHT_OUTSIDE_ONE_BOTH_SIDES ->
                all(z, last, 8, i -> z[i] * z[last] > 0)
                        ? 0
                        : longest(last, 8, n -> all(z, last, n, i -> Math.abs(z[i]) > 1));
        };
    }

    private static int some(double[] z, int last, int window, int wanted, double limit) {
        double side = Math.signum(z[last]);
        int first = last;
        int count = 0;
        for (int i = last; i >= Math.max(0, last - window + 1); i--) {
            if (z[i] * side > limit) {
                count++;
                first = i;
            }
        }
        return Math.abs(z[last]) > limit && count >= wanted ? last - first + 1 : 0;
    }

    private static int longest(int last, int least, java.util.function.IntPredicate holds) {
        int longest = 0;
        for (int n = least; n <= last + 1; n++) {
            longest = holds.test(n) ? n : longest;
        }
        return longest;
    }

    private static boolean all(double[] z, int last, int n, java.util.function.IntPredicate holds) {
        for (int i = last - n + 1; i <= last; i++) {
            if (i < 0 || !holds.test(i)) {
                return false;
            }
        }
        return true;
    }
}
