package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
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

    private static final ChartRules AVERAGE = ChartRules.of(AverageChart.USUAL);
    private static final ChartRules SUMS = ChartRules.of(SumsChart.USUAL);

    /** A step of 1.2σ: no mean is beyond its limits, and there are not eight on one side yet. */
    private static final double[] STEP = {100.2, 99.6, 99.1, 100.3, 101.2, 101.4, 100.9, 101.3, 101.2};

    @Test
    void aSmallLastingChangeIsFoundByTheAverageAndByTheSums() {
        Lots step = lots(10, STEP);

        assertThat(ChartSignal.of(step, LIMITS, ChartRules.USUAL)).isEmpty();
        // By hand: z = 0.2x + 0.8z from 0 at the first lot, limit 2.962·√(0.2/1.8·(1 − 0.64⁸)) = 0.973; z₈ = 0.797, z₉
        // = 0.877.
        assertThat(ChartSignal.of(step, LIMITS, AVERAGE)).isEmpty();
        assertThat(ChartSignal.of(lots(10, 100, 102.2, 101.8, 101.9), LIMITS, AVERAGE))
                .extracting(ChartSignal::rule, ChartSignal::first, ChartSignal::last, ChartSignal::words)
                .containsExactly(tuple("EWMA", 3, 3, "the weighted average of the lots above its limit"));
        // By hand: from 2.5, C⁺ = 2.2, 1.3, 0, 0, 0.7, 1.6, 2.0, 2.8, 3.5.
        assertThat(ChartSignal.of(step, LIMITS, SUMS)).isEmpty();
        assertThat(ChartSignal.of(lots(10, 99, 98, 101.7, 102, 101.9, 102.4, 101.2, 101.1, 100.8), LIMITS, SUMS))
                .extracting(ChartSignal::rule, ChartSignal::first, ChartSignal::last, ChartSignal::side)
                .containsExactly(tuple("CUSUM", 2, 5, Signal.Side.ABOVE));
    }

    /** Asked once, and anew only where it lasts: behind a lot at which they speak, they begin anew. */
    @Test
    void whatAddsUpBeginsAnewBehindASignal() {
        double[] spike = {100, 100, 105, 100, 100, 100, 100, 100};
        assertThat(ChartSignal.of(lots(10, spike), LIMITS, AVERAGE))
                .extracting(ChartSignal::last)
                .containsExactly(2);
        assertThat(ChartSignal.of(lots(10, spike), LIMITS, SUMS))
                .extracting(ChartSignal::last)
                .containsExactly(2);
        double[] lasting = new double[20];
        Arrays.fill(lasting, 98);
        // By hand: 2.5 + 1.5 a lot is beyond 5 at the second; −0.4·2 … of the average after five lots: 1.2 > 2.962·√(…)
        assertThat(ChartSignal.of(lots(10, lasting), LIMITS, SUMS))
                .extracting(ChartSignal::last)
                .containsExactly(1, 3, 5, 7, 9, 11, 13, 15, 17, 19);
        assertThat(ChartSignal.of(lots(10, lasting), LIMITS, AVERAGE))
                .hasSizeBetween(4, 10)
                .allSatisfy(signal -> assertThat(signal.side()).isEqualTo(Signal.Side.BELOW));
    }

    /** Six hundred lots back nothing is left: forty lots look alike whether the chart began there or two thousand lots before, shifts among them. */
    @Test
    void whatLiesFarBackIsForgotten() {
        for (int run = 0; run < 100; run++) {
            SplittableRandom chance = new SplittableRandom(600 + run);
            double[] means = new double[2640];
            double level = 100;
            for (int i = 0; i < means.length; i++) {
                level = chance.nextInt(300) == 0 ? 100 + 0.7 * chance.nextGaussian() : level;
                means[i] = level + chance.nextGaussian();
            }
            double[] late = Arrays.copyOfRange(means, 2000, 2640);
            for (LotChart chart : List.of(new AverageChart(0.05, 3), SumsChart.USUAL, new SumsChart(0.25, 8, 0))) {
                LotChart.Course whole = chart.over(lots(10, means), LIMITS);
                LotChart.Course part = chart.over(lots(10, late), LIMITS);
                for (int trace = 0; trace < whole.traces().size(); trace++) {
                    assertThat(Arrays.copyOfRange(part.traces().get(trace), 600, 640))
                            .as("%s, series %s", chart.words(), run)
                            .containsExactly(Arrays.copyOfRange(whole.traces().get(trace), 2600, 2640), within(1e-9));
                }
            }
        }
    }

    /** A mean of two specimens weighs as much as its own limits let it. */
    @Test
    void whatAddsUpReadsEachMeanInItsOwnMeasure() {
        double[] means = {101.7, 102, 101.9};
        assertThat(ChartSignal.of(lots(10, means), LIMITS, SUMS)).isNotEmpty();
        assertThat(ChartSignal.of(lots(2, means), LIMITS, SUMS)).isEmpty();
        double[] averaged = {100, 102.2, 101.8, 101.9};
        assertThat(ChartSignal.of(lots(10, averaged), LIMITS, AVERAGE)).isNotEmpty();
        assertThat(ChartSignal.of(lots(2, averaged), LIMITS, AVERAGE)).isEmpty();
    }

    @Test
    void chartsWithNumbersAreNamedWithThem() {
        ChartRules both = ChartRules.USUAL.with(
                Optional.of(new AverageChart(0.1, 2.814)), Optional.of(new SumsChart(0.75, 4.5, 0)));

        assertThat(both.names()).contains("EWMA:0.1:2.814", "CUSUM:0.75:4.5:0.0");
        assertThat(ChartRules.named(both.names())).isEqualTo(both);
        assertThat(both.words())
                .endsWith(
                        "an average that forgets (EWMA, λ 0.1, L 2.814) beyond its limits; sums of what lies off the centre "
                                + "(CUSUM, k 0.75, h 4.5, head start 0) beyond h");
        for (String wrong : List.of(
                "EWMA",
                "EWMA:0.2",
                "EWMA:0.01:3",
                "EWMA:0.2:9",
                "EWMA:0.2:NaN",
                "CUSUM:0.5:5",
                "CUSUM:0.5:5:3",
                "CUSUM:0.1:5:0",
                "CUSUM:0.5:1:0",
                "CUSUM:0.5:5:-1")) {
            assertThatThrownBy(() -> ChartRules.named(List.of(wrong)))
                    .as(wrong)
                    .isInstanceOf(IllegalArgumentException.class);
        }
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
        ChartRules all = ChartRules.USUAL.with(Optional.of(AverageChart.USUAL), Optional.of(new SumsChart(0.5, 2, 1)));
        List<ChartSignal> more = ChartSignal.of(lots(4, means), LIMITS, all);
        assertThat(more).hasSizeGreaterThan(found.size());
        assertThat(ChartSignal.of(shifted, other, all)).isEqualTo(more);
    }
}
