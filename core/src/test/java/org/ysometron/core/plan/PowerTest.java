package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.MeanVerdict;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.drift.AverageRunLength;

class PowerTest {

    /** Against a general statistics environment; the file's head names it, its version and the call. */
    @ParameterizedTest
    @CsvFileSource(resources = "/org/ysometron/core/power.csv")
    void powerIsThatOfTheTTest(int n, double delta, double sd, double significance, double power) {
        assertThat(Power.supported(delta, sd, n, 1 - significance)).isCloseTo(power, within(1e-6));
    }

    /** n = 27 for half a standard deviation, 5 % one-sided, power 0.8 (tables of the one-sample t test; from memory). */
    @Test
    void specimensForHalfAStandardDeviation() {
        assertThat(Power.specimens(0.5, 1, 0.8, 0.95)).hasValue(27);
        assertThat(Power.specimens(0.001, 1, 0.8, 0.95)).isEmpty();
    }

    /** The number found is the least that will do, wherever it lies. */
    @ParameterizedTest
    @CsvSource({"0.2, 0.8", "0.35, 0.9", "0.5, 0.8", "1, 0.9", "1.5, 0.5", "3, 0.8", "6, 0.99", "-1, 0.001"})
    void noFewerSpecimensWouldDo(double margin, double power) {
        int found = Power.specimens(margin, 1, power, 0.95).orElseThrow();

        assertThat(Power.supported(margin, 1, found, 0.95)).isGreaterThanOrEqualTo(power);
        assertThat(Power.supported(margin, 1, found - 1, 0.95)).isLessThan(power);
    }

    /** What it says is what happens: of 4,000 invented lots as many are supported as was foretold. */
    @Test
    void theForetoldShareIsSupported() {
        Random chance = new Random(9);
        Requirement claim = Requirement.atLeast(50, "MPa", 5);
        int supported = 0;
        for (int i = 0; i < 4000; i++) {
            double[] values = new double[5];
            for (int k = 0; k < 5; k++) {
                values[k] = 51 + 0.8 * chance.nextGaussian();
            }
            supported += MeanVerdict.of(claim, Evidence.of(values)).verdict() == Verdict.SUPPORTED ? 1 : 0;
        }
        // Standard deviation of the share below 0.8 %; four of them.
        assertThat(supported / 4000.0).isCloseTo(Power.supported(1, 0.8, 5, 0.95), within(0.032));
    }

    /** M14: one specimen supports nothing, however far inside the claim. */
    @Test
    void oneSpecimenSupportsNothing() {
        assertThat(Power.supported(1000, 1, 1, 0.95)).isZero();
    }

    @Property(tries = 100)
    void moreSpecimensAndMoreMarginHelp(
            @ForAll @IntRange(min = 2, max = 60) int n, @ForAll @DoubleRange(min = 0.1, max = 3) double margin) {
        double power = Power.supported(margin, 1, n, 0.95);

        assertThat(Power.supported(margin, 1, n + 1, 0.95)).isGreaterThanOrEqualTo(power - 1e-9);
        assertThat(Power.supported(margin + 0.1, 1, n, 0.95)).isGreaterThanOrEqualTo(power - 1e-9);
        assertThat(Power.supported(0, 1, n, 0.95)).isCloseTo(0.05, within(1e-6));
        assertThat(Power.supported(Power.margin(1, n, 0.8, 0.95), 1, n, 0.95)).isCloseTo(0.8, within(1e-6));
    }

    @Test
    void theShiftThatAChartFinds() {
        double shift = Power.shiftFoundWithin(5);

        assertThat(AverageRunLength.beyondLimitsOrRun(3, 8, shift)).isCloseTo(5, within(1e-6));
        assertThat(shift).isBetween(1.5, 2.5);
        assertThat(Power.shiftFoundWithin(2)).isGreaterThan(shift);
        assertThatThrownBy(() -> Power.shiftFoundWithin(1)).hasMessageContaining("more than one lot");
        assertThatThrownBy(() -> Power.supported(1, 0, 5, 0.95)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> Power.margin(1, 1, 0.8, 0.95)).hasMessageContaining("two specimens");
    }
}
