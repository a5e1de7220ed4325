package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.claim.Conformity;
import org.ysometron.core.claim.Verdict;

/** Identities between estimates of a population: closed forms, special cases that a simpler test settles, changes of unit. */
class PopulationPropertiesTest {

    private static double[] strengths(long seed, int n) {
        Random random = new Random(seed);
        return random.doubles(n).map(p -> 50 + 2 * random.nextGaussian()).toArray();
    }

    /** One group beside the reference is Student's pooled t test, two-sided and one-sided. */
    @Property(tries = 8)
    void dunnettOfOneGroupIsATTest(@ForAll @IntRange(min = 0, max = 100_000) int seed) {
        double[] reference = strengths(seed, 5);
        double[] group = strengths(seed + 1, 4);
        TTest test = TTest.pooled(Summary.of(group), Summary.of(reference));
        Dunnett both = new Dunnett(reference, List.of(group), true);
        Dunnett above = new Dunnett(reference, List.of(group), false);
        Dunnett.Comparison found = both.comparisons(both.critical(0.95)).get(0);
        assertThat(found.t()).isCloseTo(test.t(), within(1e-9));
        assertThat(found.p()).isCloseTo(test.twoSided(), within(1e-8));
        assertThat(found.upper() - found.difference()).isCloseTo(test.half(0.95), within(1e-6));
        assertThat(above.comparisons(2).get(0).p()).isCloseTo(test.greater(), within(1e-8));
        assertThat(above.comparisons(2).get(0).lower())
                .isCloseTo(test.difference() - 2 * test.standardError(), within(1e-9));
    }

    @Test
    void dunnettRefusesWhatCannotBeCompared() {
        assertThatThrownBy(() -> new Dunnett(new double[] {1}, List.of(new double[] {2}), true))
                .hasMessageContaining("two values at least of the reference");
        assertThatThrownBy(() -> new Dunnett(new double[] {1, 1}, List.of(new double[] {2, 2}), true))
                .hasMessageContaining("alike");
        assertThatThrownBy(() -> new Dunnett(new double[] {1, 2}, List.of(new double[] {2}), true).critical(0.4))
                .hasMessageContaining("0.5 to 0.9999");
    }

    /**
     * Three values: the ratio's density is 3√3/(2π(r² − r + 1)), so that P(r &gt; R) = ½ − (3/π)·atan((2R − 1)/√3) (Dixon 1951;
     * the integral by hand).
     */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.1, 0.5, 0.8, 0.941, 1})
    void dixonOfThreeHasAClosedForm(double r) {
        double expected = 0.5 - 3 / Math.PI * Math.atan((2 * r - 1) / Math.sqrt(3));
        assertThat(Dixon.beyond(r, 3, Dixon.Ratio.R10)).isCloseTo(expected, within(1e-10));
    }

    /** Which end stands out, and which ratio is customary. */
    @Test
    void dixonNamesTheEndThatStandsOut() {
        Dixon high = Dixon.of(new double[] {50, 51, 60, 50.5}, Dixon.Ratio.R10);
        Dixon low = Dixon.of(new double[] {-50, -51, -60, -50.5}, Dixon.Ratio.R10);
        assertThat(high.high()).isTrue();
        assertThat(low.high()).isFalse();
        assertThat(List.of(high.index(), low.index())).containsOnly(2);
        assertThat(high.ratio()).isEqualTo(0.9);
        assertThat(low.p()).isEqualTo(high.p());
        assertThat(List.of(3, 7, 8, 10, 11, 13, 14).stream().map(Dixon.Ratio::usual))
                .containsExactly(
                        Dixon.Ratio.R10,
                        Dixon.Ratio.R10,
                        Dixon.Ratio.R11,
                        Dixon.Ratio.R11,
                        Dixon.Ratio.R21,
                        Dixon.Ratio.R21,
                        Dixon.Ratio.R22);
        assertThatThrownBy(() -> Dixon.of(new double[] {1, 1, 1}, Dixon.Ratio.R10))
                .hasMessageContaining("alike");
        assertThatThrownBy(() -> Dixon.of(new double[] {1, 2, 3, 4, 5}, Dixon.Ratio.R22))
                .hasMessageContaining("6 at least");
    }

    /** More values to come need more room; a tolerance interval for nearly all of them needs more than one value does. */
    @Test
    void predictionGrowsWithWhatIsToCome() {
        double before = 0;
        for (int further : new int[] {1, 2, 5, 50, 1000}) {
            double k = Prediction.ofValues(6, further, 0.95, true);
            assertThat(k).isGreaterThan(before);
            assertThat(k).isGreaterThan(Prediction.ofValues(6, further, 0.95, false));
            before = k;
        }
        assertThat(ToleranceFactor.twoSided(6, 0.95, 0.95)).isGreaterThan(Prediction.ofValues(6, 1, 0.95, true));
        // The mean of very many is the population's own: the confidence interval of the mean.
        double interval = org.ysometron.core.statistics.formula.StudentT.quantile(0.975, 5) / Math.sqrt(6);
        assertThat(Prediction.ofMean(6, 10_000, 0.95, true)).isCloseTo(interval, within(1e-3));
        assertThatThrownBy(() -> Prediction.ofValues(1, 1, 0.95, true)).hasMessageContaining("n of 2");
        assertThatThrownBy(() -> Prediction.ofValues(5, 0, 0.95, true)).hasMessageContaining("further values");
        assertThatThrownBy(() -> Prediction.ofMean(5, 1, 0.5, true)).hasMessageContaining("above 0.5");
    }

    /** A bound of a scatter is right as often as it says: simulated at n = 5, four standard errors either way. */
    @Test
    void scatterBoundsKeepTheirLevel() {
        Random random = new Random(21);
        int runs = 1500;
        int above = 0;
        int variation = 0;
        for (int i = 0; i < runs; i++) {
            double[] five =
                    random.doubles(5).map(p -> 10 + 2 * random.nextGaussian()).toArray();
            Summary summary = Summary.of(five);
            above += ScatterBounds.ofDeviation(summary.sd().orElseThrow(), 4, 0.95) >= 2 ? 1 : 0;
            OptionalDouble bound =
                    summary.mean() > 0 ? ScatterBounds.ofVariation(summary, 0.95) : OptionalDouble.empty();
            variation += bound.isEmpty() || bound.getAsDouble() >= 0.2 ? 1 : 0;
        }
        double error = 4 * Math.sqrt(0.95 * 0.05 / runs);
        assertThat(above / (double) runs).isCloseTo(0.95, within(error));
        assertThat(variation / (double) runs).isCloseTo(0.95, within(error));
        assertThat(ScatterBounds.ofVariation(Summary.of(0.1, 30), 0.95)).isEmpty();
        assertThatThrownBy(() -> ScatterBounds.ofVariation(Summary.of(-1, -2), 0.95))
                .hasMessageContaining("above 0");
        assertThatThrownBy(() -> ScatterBounds.ofDeviation(-1, 4, 0.95)).hasMessageContaining("at least 0");
    }

    /** For groups of one size restricted likelihood and mean squares agree, wherever the mean squares give none below zero. */
    @Property(tries = 50)
    void componentsOfEqualGroupsAreThoseOfMeanSquares(
            @ForAll @IntRange(min = 0, max = 100_000) int seed, @ForAll @DoubleRange(min = 0, max = 4) double apart) {
        Random random = new Random(seed);
        List<double[]> groups = java.util.stream.IntStream.range(0, 5)
                .mapToObj(group -> {
                    double level = 50 + apart * random.nextGaussian();
                    return random.doubles(4)
                            .map(p -> level + random.nextGaussian())
                            .toArray();
                })
                .toList();
        OneWay squares = new OneWay(groups);
        VarianceComponents found = VarianceComponents.of(groups);
        if (squares.betweenVariance() > 0) {
            assertThat(found.between()).isCloseTo(squares.betweenVariance(), within(1e-6 * (1 + found.between())));
            assertThat(found.within()).isCloseTo(squares.withinVariance(), within(1e-6));
        } else {
            // All values as one sample.
            double all = Summary.of(
                            groups.stream().flatMapToDouble(Arrays::stream).toArray())
                    .sd()
                    .orElseThrow();
            assertThat(found.between()).isZero();
            assertThat(found.within()).isCloseTo(all * all, within(1e-9));
        }
        assertThat(found.intraclassCorrelation()).isBetween(0.0, 1.0);
    }

    /** x to c·x: the scale goes with it; x to xᵏ: the shape is divided by k. A share of 1 − 1/e fails below the scale itself. */
    @Property(tries = 50)
    void aWeibullPopulationInOtherUnits(
            @ForAll @IntRange(min = 0, max = 100_000) int seed,
            @ForAll @DoubleRange(min = 0.1, max = 20) double by,
            @ForAll @DoubleRange(min = 0.5, max = 3) double power) {
        Random random = new Random(seed);
        double[] failed = random.doubles(8)
                .map(p -> 40 * Math.pow(-Math.log1p(-p), 0.5))
                .filter(x -> x > 0.01)
                .toArray();
        double[] lasted = {60, 60};
        Weibull one = Weibull.fit(failed, lasted);
        Weibull scaled = Weibull.fit(times(failed, by), times(lasted, by));
        Weibull raised = Weibull.fit(raised(failed, power), raised(lasted, power));
        assertThat(scaled.shape()).isCloseTo(one.shape(), within(1e-8 * one.shape()));
        assertThat(scaled.scale()).isCloseTo(by * one.scale(), within(1e-8 * by * one.scale()));
        assertThat(raised.shape()).isCloseTo(one.shape() / power, within(1e-7 * one.shape()));
        assertThat(one.quantile(1 - Math.exp(-1), 0.9).value()).isCloseTo(one.scale(), within(1e-9 * one.scale()));
        assertThat(one.shape(0.99).low()).isLessThan(one.shape(0.9).low());
    }

    private static double[] times(double[] values, double by) {
        return Arrays.stream(values).map(x -> by * x).toArray();
    }

    private static double[] raised(double[] values, double power) {
        return Arrays.stream(values).map(x -> Math.pow(x, power)).toArray();
    }

    @Test
    void aWeibullNeedsFailuresThatDiffer() {
        assertThatThrownBy(() -> Weibull.fit(new double[] {5}, 6)).hasMessageContaining("two failures");
        assertThatThrownBy(() -> Weibull.fit(new double[] {5, 5}, 6)).hasMessageContaining("alike");
        assertThatThrownBy(() -> Weibull.fit(new double[] {5, 0})).hasMessageContaining("above 0");
    }

    /** With nobody watched only so far it is the share left, and Greenwood's error that of a binomial share. */
    @Property(tries = 30)
    void aCurveOfFailuresAloneIsTheShareLeft(@ForAll @IntRange(min = 2, max = 40) int n) {
        double[] failed = strengths(n, n);
        KaplanMeier curve = KaplanMeier.of(failed);
        for (int i = 0; i < n; i++) {
            KaplanMeier.Step step = curve.steps().get(i);
            double left = (n - i - 1) / (double) n;
            assertThat(step.survival()).isCloseTo(left, within(1e-12));
            assertThat(step.error()).isCloseTo(Math.sqrt(left * (1 - left) / n), within(1e-12));
            assertThat(step.atRisk()).isEqualTo(n - i);
            for (KaplanMeier.Scale scale : KaplanMeier.Scale.values()) {
                double[] ends = step.interval(0.95, scale);
                assertThat(ends[0]).isBetween(0.0, step.survival());
                assertThat(ends[1]).isBetween(step.survival(), 1.0);
            }
        }
        Arrays.sort(failed);
        assertThat(curve.median()).hasValue(failed[(n + 1) / 2 - 1]);
        assertThatThrownBy(() -> KaplanMeier.of(new double[0], 3)).hasMessageContaining("one failure");
    }

    /** A guard band moves risk from the consumer to the producer; a perfect measurement leaves none of either. */
    @Test
    void aGuardBandMovesTheRisk() {
        Conformity edges = new Conformity(OptionalDouble.of(9), OptionalDouble.of(11));
        Conformity.Risks plain = edges.risks(10, 0.5, 0.2, 0);
        Conformity.Risks guarded = edges.risks(10, 0.5, 0.2, 0.3);
        assertThat(guarded.consumer()).isLessThan(plain.consumer() / 5);
        assertThat(guarded.producer()).isGreaterThan(plain.producer());
        // All items not conforming are accepted or refused: what is accepted of them is at most all of them.
        assertThat(plain.consumer()).isLessThan(plain.nonconforming());
        assertThat(plain.nonconforming()).isCloseTo(0.0455, within(1e-4));
        Conformity.Risks perfect = edges.risks(10, 0.5, 1e-6, 0);
        assertThat(perfect.consumer()).isLessThan(1e-6);
        assertThat(perfect.producer()).isLessThan(1e-6);
        // Turned over about the middle nothing changes.
        assertThat(edges.risks(10.4, 0.5, 0.2, 0.1).consumer())
                .isCloseTo(edges.risks(9.6, 0.5, 0.2, 0.1).consumer(), within(1e-12));
    }

    /** Supported within the edges by the band, contradicted beyond by it, open between; on the line it is kept. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.2, 0.5})
    void theVerdictByAGuardBand(double band) {
        Conformity edges = new Conformity(OptionalDouble.of(9), OptionalDouble.of(11));
        assertThat(edges.verdict(9 + band, band)).isEqualTo(Verdict.SUPPORTED);
        assertThat(edges.verdict(11 - band, band)).isEqualTo(Verdict.SUPPORTED);
        assertThat(edges.verdict(11 + band + 1e-9, band)).isEqualTo(Verdict.CONTRADICTED);
        assertThat(edges.verdict(9 - band - 1e-9, band)).isEqualTo(Verdict.CONTRADICTED);
        if (band > 0) {
            assertThat(edges.verdict(9, band)).isEqualTo(Verdict.OPEN);
            assertThat(edges.verdict(11, band)).isEqualTo(Verdict.OPEN);
        }
        // One half on an edge with the other far away (JCGM 106:2012, 7.4).
        assertThat(new Conformity(OptionalDouble.of(9), OptionalDouble.empty()).probability(9, 0.3))
                .isCloseTo(0.5, within(1e-12));
        assertThatThrownBy(() -> new Conformity(OptionalDouble.empty(), OptionalDouble.empty()))
                .hasMessageContaining("an edge is needed");
        assertThatThrownBy(() -> edges.probability(10, 0)).hasMessageContaining("above 0");
    }
}
