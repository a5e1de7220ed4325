package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.statistics.formula.StandardNormal;

/** Run lengths up to the ends of their ranges, where closed forms hold them, and none beyond. */
class RunLengthRangesTest {

    static Stream<Arguments> refused() {
        return Stream.of(
                no("limit 0", () -> AverageRunLength.beyondLimits(0, 1)),
                no("limit 8.1", () -> AverageRunLength.beyondLimits(8.1, 1)),
                no("shift 30.1", () -> AverageRunLength.beyondLimits(3, -30.1)),
                no("run of 1", () -> AverageRunLength.beyondLimitsOrRun(3, 1, 1)),
                no("run of 1001", () -> AverageRunLength.beyondLimitsOrRun(3, 1001, 1)),
                no("limit of a run", () -> AverageRunLength.beyondLimitsOrRun(0, 8, 1)),
                no("limit of a run, far", () -> AverageRunLength.beyondLimitsOrRun(8.1, 8, 1)),
                no("shift of a run", () -> AverageRunLength.beyondLimitsOrRun(3, 8, 30.1)),
                no("weight below", () -> AverageRunLength.ewma(0.00099, 1, 1)),
                no("weight above", () -> AverageRunLength.ewma(1.01, 1, 1)),
                no("L of 0", () -> AverageRunLength.ewma(0.2, 0, 1)),
                no("L of 8.1", () -> AverageRunLength.ewma(0.2, 8.1, 1)),
                no("start outside", () -> AverageRunLength.ewma(0.2, 3, 0, 3.1, true)),
                no("one-sided start below", () -> AverageRunLength.ewma(0.2, 3, 0, -0.1, false)),
                no("widening weight", () -> AverageRunLength.ewmaWidening(0.0099, 3, 1, 0)),
                no("widening start", () -> AverageRunLength.ewmaWidening(0.2, 3, 1, 3.1)),
                no("allowance below 0", () -> AverageRunLength.cusum(-0.01, 5, 1)),
                no("allowance above 10", () -> AverageRunLength.cusum(10.01, 5, 1)),
                no("interval of 0", () -> AverageRunLength.cusum(0.5, 0, 1)),
                no("interval of 211", () -> AverageRunLength.cusum(0.5, 210.1, 1)),
                no("head start beyond", () -> AverageRunLength.cusum(0.5, 5, 1, 5.1, true)),
                no("head start below", () -> AverageRunLength.cusum(0.5, 5, 1, -0.1, true)),
                no("never", () -> AverageRunLength.cusum(10, 200, 0)));
    }

    private static Arguments no(String what, ThrowingCallable asked) {
        return Arguments.of(what, asked);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("refused")
    void beyondItsRangeThereIsNone(String what, ThrowingCallable asked) {
        assertThatThrownBy(asked).as(what).isInstanceOf(IllegalArgumentException.class);
    }

    /** Points beyond ±L alone: 1/P(|z + shift| > L), the mean of a geometric distribution. */
    private static double geometric(double limit, double shift) {
        return 1 / (StandardNormal.below(-limit - shift) + StandardNormal.below(shift - limit));
    }

    /** An EWMA of weight one has no memory, a CUSUM whose interval or allowance swallows it neither. */
    @Test
    void withoutMemoryTheyAreGeometric() {
        for (double shift : new double[] {0, 0.7, 3, 30}) {
            for (double limit : new double[] {0.5, 3, 4.5}) {
                double expected = geometric(limit, shift);
                assertThat(AverageRunLength.beyondLimits(limit, shift)).isCloseTo(expected, within(1e-9 * expected));
                assertThat(AverageRunLength.ewma(1, limit, shift)).isCloseTo(expected, within(1e-6 * expected));
                assertThat(AverageRunLength.ewmaWidening(1, limit, shift, 0))
                        .isCloseTo(expected, within(1e-6 * expected));
            }
        }
        // One-sided with so short an interval that the sum begins anew at every point: P(z − k > h).
        double once = 1 / StandardNormal.above(2 + 1e-9);
        assertThat(AverageRunLength.cusum(2, 1e-9, 0, 0, false)).isCloseTo(once, within(1e-6 * once));
    }

    /** The same at the very ends of what is taken. */
    @Test
    void theEndsAreTaken() {
        assertThat(AverageRunLength.beyondLimits(8, 30)).isCloseTo(1, within(1e-9));
        assertThat(AverageRunLength.beyondLimits(8, -30)).isCloseTo(1, within(1e-9));
        assertThat(AverageRunLength.beyondLimitsOrRun(8, 1000, 30)).isCloseTo(1, within(1e-9));
        assertThat(AverageRunLength.beyondLimitsOrRun(3, 2, 0)).isBetween(2.0, 3.0);
        assertThat(AverageRunLength.ewma(0.001, 0.01, 30)).isCloseTo(1, within(1e-6));
        assertThat(AverageRunLength.ewma(0.2, 3, 0, 3, true)).isLessThan(AverageRunLength.ewma(0.2, 3, 0));
        assertThat(AverageRunLength.ewma(0.2, 3, 1, 0, false)).isPositive();
        assertThat(AverageRunLength.ewmaWidening(0.01, 1, 1, 1)).isPositive();
        assertThat(AverageRunLength.cusum(0, 210, 30)).isBetween(7.0, 8.1);
        assertThat(AverageRunLength.cusum(10, 5, 30)).isCloseTo(1, within(1e-6));
        assertThat(AverageRunLength.cusum(0.5, 5, 0, 5, true)).isLessThan(AverageRunLength.cusum(0.5, 5, 0));
    }

    /** Where one side never signals the other one's run length is that of both: a shift of 30 σ is there at the next points. */
    @Test
    void aSideThatNeverSignalsIsNoReasonForNone() {
        for (double h : new double[] {50, 100, 200}) {
            double upper = AverageRunLength.cusum(0, h, 30, 0, false);
            assertThat(AverageRunLength.cusum(0, h, 30)).isCloseTo(upper, within(1e-9));
            assertThat(AverageRunLength.cusum(0, h, -30)).isCloseTo(upper, within(1e-9));
            assertThat(upper).isBetween(h / 30, h / 30 + 1.01);
            assertThat(AverageRunLength.cusum(0, h, 30, h / 2, true))
                    .isCloseTo(AverageRunLength.cusum(0, h, 30, h / 2, false), within(1e-9));
            assertThatThrownBy(() -> AverageRunLength.cusum(0, h, -30, 0, false))
                    .hasMessageContaining("never");
        }
    }

    /** A shift either way is found as soon by a chart of both sides; a head start never makes it slower. */
    @Test
    void bothSidesAreAlike() {
        for (double shift : new double[] {0.3, 1, 2.5}) {
            double up = AverageRunLength.cusum(0.5, 4, shift);
            assertThat(AverageRunLength.cusum(0.5, 4, -shift)).isCloseTo(up, within(1e-9 * up));
            assertThat(AverageRunLength.cusum(0.5, 4, shift, 2, true)).isLessThan(up);
            assertThat(AverageRunLength.cusum(0.5, 4, shift, 0, false)).isGreaterThanOrEqualTo(up);
            double smooth = AverageRunLength.ewma(0.2, 2.8, shift);
            assertThat(AverageRunLength.ewma(0.2, 2.8, -shift)).isCloseTo(smooth, within(1e-6 * smooth));
            assertThat(AverageRunLength.ewmaWidening(0.2, 2.8, shift, 0)).isLessThan(smooth);
            // Started towards the shift it is there sooner than started away from it.
            assertThat(AverageRunLength.ewma(0.2, 2.8, shift, 1, true))
                    .isLessThan(smooth)
                    .isLessThan(AverageRunLength.ewma(0.2, 2.8, shift, -1, true));
            assertThat(AverageRunLength.ewmaWidening(0.2, 2.8, shift, 1))
                    .isLessThan(AverageRunLength.ewmaWidening(0.2, 2.8, shift, -1));
        }
    }
}
