package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.statistics.formula.NoncentralT;
import org.ysometron.core.statistics.formula.NormalRange;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.statistics.formula.StudentT;

/** Every range is taken up to its ends and not a step beyond: what is said of an input is what is done with it. */
class RangesTest {

    private static final Summary FIVE = Summary.of(55.1, 54.2, 56.0, 55.5, 54.9);
    private static final double[] THREE = {1, 2, 4};

    static Stream<Arguments> refused() {
        return Stream.of(
                no("confidence ½", () -> MeanBounds.of(FIVE, 0, 0.5, "")),
                no("confidence 1", () -> MeanBounds.of(FIVE, 0, 1, "")),
                no("calibration below 0", () -> MeanBounds.of(FIVE, -1e-9, 0.95, "")),
                no("sd below 0", () -> MeanBounds.of(5, 3, -1e-9, 2, 0, 0.95, "")),
                no("no degrees of freedom", () -> MeanBounds.of(5, 3, 1, 0, 0, 0.95, "")),
                no("none of them", () -> MeanBounds.of(5, 0, 1, 2, 0, 0.95, "")),
                no("ratio of nothing", () -> RatioBounds.of(Summary.of(-1, 1), FIVE, 0.95)),
                no("ratio over nothing", () -> RatioBounds.of(FIVE, Summary.of(-1, 1), 0.95)),
                no("ratio at ½", () -> RatioBounds.of(FIVE, FIVE, 0.5)),
                no("ratio at 1", () -> RatioBounds.of(FIVE, FIVE, 1)),
                no("one a side", () -> RatioBounds.of(FIVE, Summary.of(5), 0.95)),
                no("calibration of a ratio", () -> RatioBounds.of(FIVE, FIVE, 0.95, -1e-9)),
                no("share 0", () -> ToleranceFactor.oneSided(5, 0.99e-4, 0.95)),
                no("share 1", () -> ToleranceFactor.oneSided(5, 1, 0.95)),
                no("confidence 0", () -> ToleranceFactor.twoSided(5, 0.95, 0.99e-4)),
                no("one specimen", () -> ToleranceFactor.twoSided(1, 0.95, 0.95)),
                no("a million and one", () -> ToleranceFactor.oneSided(1_000_001, 0.95, 0.95)),
                no("four looks", () -> LooksSpending.constant(4, 0.05)),
                no("no look", () -> LooksSpending.constant(0, 0.05)),
                no("a level of nothing", () -> LooksSpending.constant(2, 4.99e-4)),
                no("a level above ½", () -> LooksSpending.constant(2, 0.5001)),
                no("looks that do not grow", () -> LooksSpending.last(3, 0.05, 5, 5)),
                no("more looks than planned", () -> LooksSpending.last(2, 0.05, 3, 4, 5)),
                no("predicted from one", () -> Prediction.ofValues(1, 1, 0.95, true)),
                no("nothing predicted", () -> Prediction.ofMean(5, 0, 0.95, true)),
                no("predicted at ½", () -> Prediction.ofValues(5, 1, 0.5, true)),
                no("predicted beyond", () -> Prediction.ofValues(5, 1, 0.99991, true)),
                no("too many predicted", () -> Prediction.ofMean(5, 10_001, 0.95, true)),
                no("sd below 0", () -> ScatterBounds.ofDeviation(-1e-9, 4, 0.95)),
                no("sd of none", () -> ScatterBounds.ofDeviation(1, 0, 0.95)),
                no("probability 0", () -> ScatterBounds.ofDeviation(1, 4, 0)),
                no("probability 1", () -> ScatterBounds.ofDeviation(1, 4, 1)),
                no("variation about zero", () -> ScatterBounds.ofVariation(Summary.of(-1, 1), 0.95)),
                no("variation of nothing", () -> ScatterBounds.ofVariation(Summary.of(2, 2), 0.95)),
                no("outlier of two", () -> Outliers.search(new double[] {1, 2}, 1, 0.05)),
                no("no suspect", () -> Outliers.search(THREE, 0, 0.05)),
                no("all but one suspect", () -> Outliers.search(THREE, 2, 0.05)),
                no("level 0", () -> Outliers.search(THREE, 1, 0)),
                no("level 1", () -> Outliers.search(THREE, 1, 1)),
                no("quantile of none", () -> Quantiles.of(0.5)),
                no("quantile below 0", () -> Quantiles.of(-1e-9, THREE)),
                no("quantile above 1", () -> Quantiles.of(1 + 1e-9, THREE)),
                no("definition 3", () -> Quantiles.of(0.5, 3, THREE)),
                no("definition 10", () -> Quantiles.of(0.5, 10, THREE)),
                no("one group", () -> new OneWay(List.of(THREE))),
                no("a group of one", () -> new OneWay(List.of(THREE, new double[] {1}))),
                no("groups without scatter", () -> new OneWay(List.of(new double[] {1, 1}, new double[] {2, 2}))),
                no("a line through two", () -> Trend.of(new double[] {1, 2}, new double[] {1, 2})),
                no("sizes that differ", () -> Trend.of(THREE, new double[] {1, 2})),
                no("z of 0", () -> StandardNormal.quantile(0)),
                no("z of 1", () -> StandardNormal.quantile(1)),
                no("t of 0", () -> StudentT.quantile(0, 5)),
                no("t of 1", () -> StudentT.quantile(1, 5)),
                no("t of none", () -> StudentT.cumulative(1, 0)),
                no("no group", () -> VarianceComponents.of(List.of(THREE))),
                no("groups of one", () -> VarianceComponents.of(List.of(new double[] {1}, new double[] {2}))),
                no("one failure", () -> Weibull.fit(new double[] {1}, 2)),
                no("failures alike", () -> Weibull.fit(new double[] {2, 2})),
                no("a failure at zero", () -> Weibull.fit(new double[] {0, 2})),
                no("nothing failed", () -> KaplanMeier.of(new double[0], 2)),
                no("reference of one", () -> new Dunnett(new double[] {1}, List.of(THREE), true)),
                no("no group beside", () -> new Dunnett(THREE, List.of(), true)),
                no("gap among two", () -> Dixon.of(new double[] {1, 2}, Dixon.Ratio.R10)),
                no("r22 of five", () -> Dixon.of(new double[] {1, 2, 3, 4, 9}, Dixon.Ratio.R22)),
                no("values alike", () -> Dixon.of(new double[] {2, 2, 2}, Dixon.Ratio.R10)),
                no("one that broke", () -> CensoredNormal.fit(new double[] {5}, THREE)),
                no("broken alike", () -> CensoredNormal.fit(new double[] {5, 5}, THREE)),
                no("share ½", () -> inside(0.5)),
                no("share 1", () -> inside(1)),
                no("no edge", () -> new ShareInside(FIVE, OptionalDouble.empty(), OptionalDouble.empty(), 0)),
                no(
                        "no scatter",
                        () -> new ShareInside(Summary.of(2, 2), OptionalDouble.of(1), OptionalDouble.empty(), 0)));
    }

    private static double inside(double share) {
        return new ShareInside(FIVE, OptionalDouble.of(50), OptionalDouble.empty(), 0).confidence(share);
    }

    private static Arguments no(String what, ThrowingCallable asked) {
        return Arguments.of(what, asked);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("refused")
    void beyondItsRangeNothingIsWorkedOut(String what, ThrowingCallable asked) {
        assertThatThrownBy(asked)
                .as(what)
                .isInstanceOf(IllegalArgumentException.class)
                .message()
                .isNotBlank();
    }

    static Stream<Arguments> taken() {
        return Stream.of(
                no("least n", () -> ToleranceFactor.oneSided(2, 0.0001, 0.0001)),
                no("most of both", () -> ToleranceFactor.oneSided(2, 0.9999, 0.9999)),
                no("most of two", () -> ToleranceFactor.twoSided(2, 0.9999, 0.9999)),
                no("a million", () -> ToleranceFactor.oneSided(1_000_000, 0.95, 0.95)),
                no("one look", () -> LooksSpending.constant(1, 0.05)),
                no("least level", () -> LooksSpending.constant(2, 5e-4)),
                no("most level", () -> LooksSpending.constant(2, 0.5)),
                no("two values", () -> Prediction.ofValues(2, 1, 0.9999, true)),
                no("most values", () -> Prediction.ofMean(100_000, 10_000, 0.95, true)),
                no("sd of nothing", () -> ScatterBounds.ofDeviation(0, 1e-3, 0.95)),
                no("three values", () -> Outliers.search(THREE, 1, 0.05)),
                no("least quantile", () -> Quantiles.of(0, 4, THREE)),
                no("greatest quantile", () -> Quantiles.of(1, 9, THREE)),
                no("a line through three", () -> Trend.of(THREE, new double[] {1, 2, 2})),
                no("two failures", () -> Weibull.fit(new double[] {1, 2})),
                no("six for r22", () -> Dixon.of(new double[] {1, 2, 3, 4, 5, 9}, Dixon.Ratio.R22)),
                no("two groups of two", () -> new OneWay(List.of(new double[] {1, 2}, new double[] {3, 5}))),
                no("half confidence", () -> new Dunnett(THREE, List.of(THREE), true).critical(0.5)),
                no("no scatter, mean only", () -> MeanBounds.of(5, 3, 0, 2, 0, 0.95, "")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("taken")
    void upToItsEndsItIs(String what, ThrowingCallable asked) {
        assertThatCode(asked).as(what).doesNotThrowAnyException();
    }

    /** Judged once, nothing is spent; the first of equal looks spends what all are worth together, shared. */
    @Test
    void oneLookSpendsNothing() {
        assertThat(LooksSpending.constant(1, 0.05)).isEqualTo(0.05);
        assertThat(LooksSpending.last(1, 0.05, 7)).isEqualTo(0.05);
    }

    /** Least and greatest are the quantiles 0 and 1 in every definition (Hyndman and Fan 1996). */
    @Test
    void theEndsAreQuantilesToo() {
        for (int definition = 4; definition <= 9; definition++) {
            assertThat(Quantiles.of(0, definition, 4, 1, 2)).isEqualTo(1);
            assertThat(Quantiles.of(1, definition, 4, 1, 2)).isEqualTo(4);
        }
        // (n + 1)p is whole by rounding alone: 0.3 of nine values is the third.
        assertThat(Quantiles.of(0.3, 6, 1, 2, 3, 4, 5, 6, 7, 8, 9)).isEqualTo(3);
    }

    /** A perfect line is sure, a level one has no slope; a slope's p is that of the correlation (any textbook). */
    @Test
    void perfectAndLevelLines() {
        double[] x = {1, 2, 3, 4};

        assertThat(Trend.of(x, new double[] {2, 4, 6, 8}).p()).isZero();
        Trend level = Trend.of(x, new double[] {5, 5, 5, 5});
        assertThat(level.slope()).isZero();
        assertThat(level.p()).isEqualTo(1);
        assertThat(level.s()).isZero();
        Trend falling = Trend.of(x, new double[] {8, 6, 5, 1});
        Trend rising = Trend.of(x, new double[] {1, 5, 6, 8});
        assertThat(falling.p()).isCloseTo(rising.p(), within(1e-12));
        assertThat(falling.s()).isEqualTo(-rising.s()).isEqualTo(-6);
        assertThat(falling.orderP()).isEqualTo(rising.orderP());
    }

    /** Figures far from zero keep their digits: the scatter of numbers that differ in the tenth digit (NIST's NumAcc idea). */
    @Test
    void aLargeMeanTakesNoDigitsFromTheScatter() {
        double[] far = {1_000_000_000.2, 1_000_000_000.4, 1_000_000_000.3};
        Summary summary = Summary.of(far);

        assertThat(summary.mean() - 1e9).isCloseTo(0.3, within(1e-6));
        assertThat(summary.sd().orElseThrow()).isCloseTo(0.1, within(1e-6));
        assertThat(summary.isAlike()).isFalse();
        assertThat(Summary.of(0.1 + 0.2, 0.3).isAlike()).isTrue();
        assertThat(Summary.of(-5, -5, -5.0000001).isAlike()).isFalse();
        assertThat(Summary.of(0, 0).isAlike()).isTrue();
        double[] many = new double[1000];
        Arrays.fill(many, 0.1);
        assertThat(Summary.of(many).sd().orElseThrow()).isLessThan(1e-16);
    }

    /** The range of two is |difference| of two normals: P(W ≤ w) = 2Φ(w/√2) − 1; its median 2^½·z(¾) (closed forms). */
    @Test
    void theRangeOfTwoHasAClosedForm() {
        for (double w : new double[] {0.1, 1, 2.5, 6}) {
            assertThat(NormalRange.below(w, 2))
                    .isCloseTo(2 * StandardNormal.below(w / Math.sqrt(2)) - 1, within(1e-12));
        }
        assertThat(NormalRange.median(2)).isCloseTo(Math.sqrt(2) * StandardNormal.quantile(0.75), within(1e-10));
        assertThat(NormalRange.below(0, 5)).isZero();
    }

    /** Noncentral t turned over: P(T ≤ t; δ) = 1 − P(T ≤ −t; −δ), and its quantiles lead back (definition). */
    @Test
    void noncentralTTurnedOver() {
        for (double delta : new double[] {-3, 0, 0.5, 4, 30}) {
            for (double nu : new double[] {1, 4, 60}) {
                for (double p : new double[] {0.01, 0.4, 0.5, 0.6, 0.99}) {
                    double t = NoncentralT.quantile(p, nu, delta);
                    assertThat(NoncentralT.cumulative(t, nu, delta))
                            .as("p %s, ν %s, δ %s", p, nu, delta)
                            .isCloseTo(p, within(1e-10));
                    assertThat(NoncentralT.quantile(1 - p, nu, -delta))
                            .isCloseTo(-t, within(1e-8 * Math.max(1, Math.abs(t))));
                }
            }
            assertThat(NoncentralT.cumulative(0, 4, delta)).isCloseTo(StandardNormal.below(-delta), within(1e-12));
        }
    }
}
