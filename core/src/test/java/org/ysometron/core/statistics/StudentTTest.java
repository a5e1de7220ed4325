package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
import org.hipparchus.util.FastMath;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.statistics.formula.StudentT;

/** Student's t from few to any number of degrees of freedom, beside the integral of its density. */
class StudentTTest {

    /** Quantiles of the standard normal distribution, to which t comes without limit (Abramowitz and Stegun, table 26.6). */
    @ParameterizedTest
    @CsvSource({
        "0.95, 1.6448536269514722",
        "0.975, 1.959963984540054",
        "0.999, 3.090232306167813",
        "0.05, -1.6448536269514722"
    })
    void withoutLimitItIsTheNormal(double p, double z) {
        for (double nu : new double[] {1e15, 1e18, 1e300, Double.MAX_VALUE, Double.POSITIVE_INFINITY}) {
            assertThat(StudentT.quantile(p, nu)).as("ν = %s", nu).isCloseTo(z, within(2e-14));
            assertThat(StudentT.cumulative(z, nu)).as("ν = %s", nu).isCloseTo(p, within(1e-14));
        }
    }

    /** The density, integrated and made to one by its own integral, so that no gamma function loses digits in it. */
    private static double byQuadrature(double t, double nu) {
        double below = integral(-40, t, nu);
        return below / (below + integral(t, 40, nu));
    }

    private static double integral(double from, double to, double nu) {
        double sum = 0;
        int parts = 400;
        double width = (to - from) / parts;
        for (int i = 0; i < parts; i++) {
            sum += new GaussIntegratorFactory()
                    .legendre(12, from + i * width, from + (i + 1) * width)
                    .integrate(x -> Math.exp(-(nu + 1) / 2 * FastMath.log1p(x * x / nu)));
        }
        return sum;
    }

    @ParameterizedTest
    @ValueSource(doubles = {1e4, 9.9e5, 1.1e6, 1e8, 1e12})
    void probabilitiesAreThoseOfTheDensity(double nu) {
        for (double t : new double[] {-6, -2.5, -0.3, 0, 0.7, 1.645, 3.3, 7}) {
            double probability = StudentT.cumulative(t, nu);

            assertThat(probability).as("t = %s", t).isCloseTo(byQuadrature(t, nu), within(2e-10));
            if (t != 0 && Math.abs(t) < 6) {
                assertThat(StudentT.quantile(probability, nu))
                        .as("back to t = %s", t)
                        .isCloseTo(t, within(1e-7));
            }
        }
    }

    /** Both ways of working it out meet where one takes over from the other. */
    @Test
    void nothingJumpsWhereTheExpansionBegins() {
        for (double p : new double[] {0.001, 0.05, 0.5, 0.8, 0.95, 0.99, 0.9999}) {
            assertThat(StudentT.quantile(p, 1e6 * (1 - 1e-9))).isCloseTo(StudentT.quantile(p, 1e6), within(1e-8));
        }
        for (double t = -6; t <= 6; t += 0.25) {
            assertThat(StudentT.cumulative(t, 1e6 * (1 - 1e-9))).isCloseTo(StudentT.cumulative(t, 1e6), within(1e-9));
        }
    }

    @Test
    void whatIsOutOfRangeIsRefused() {
        assertThatThrownBy(() -> StudentT.quantile(1, 4)).hasMessageContaining("below 1");
        assertThatThrownBy(() -> StudentT.quantile(0.95, 0)).hasMessageContaining("above 0");
        assertThatThrownBy(() -> StudentT.quantile(0.95, Double.NaN)).hasMessageContaining("above 0");
        assertThatThrownBy(() -> StudentT.cumulative(Double.NaN, 4)).hasMessageContaining("a number");
        assertThat(StudentT.cumulative(Double.POSITIVE_INFINITY, 3)).isEqualTo(1);
        assertThat(StudentT.cumulative(-1e200, 1e9)).isZero();
    }

    /** Four alike and one that differs in the sixth digit, with a standard uncertainty of 1 from calibration: worked by hand. */
    @Test
    void scatterThatIsNearlyNoneLeavesTheCalibrationsBound() {
        MeanBounds bounds = MeanBounds.of(Summary.of(50.2, 50.2, 50.2, 50.2, 50.2001), 1, 0.95, "MPa");

        assertThat(bounds.lower()).isCloseTo(50.20002 - 1.6448536269514722, within(1e-6));
        assertThat(StudentT.cumulative(0.20002 / bounds.standardUncertainty(), bounds.degreesOfFreedom()))
                .isCloseTo(0.57927, within(1e-4));
    }

    /** The bound goes to its limit as the scatter goes to nothing; at nothing it is there, and nowhere does it jump. */
    @Test
    void nothingJumpsAsTheScatterGoesToNothing() {
        double before = Double.NEGATIVE_INFINITY;
        for (double sd = 1; sd > 1e-200; sd /= 3) {
            double lower = MeanBounds.of(50, 5, sd, 4, 1, 0.95, "").lower();
            assertThat(lower).as("scatter %s", sd).isGreaterThanOrEqualTo(before);
            before = lower;
        }
        assertThat(MeanBounds.of(50, 5, 0, 4, 1, 0.95, "").lower()).isCloseTo(before, within(1e-12));
        assertThat(before).isCloseTo(50 - 1.6448536269514722, within(1e-12));
    }

    @Test
    void aRatioGoesTheSameWay() {
        double before = 0;
        for (double step = 1e-2; step > 1e-14; step /= 4) {
            double lower = RatioBounds.of(Summary.of(24, 24 + step), Summary.of(50, 50 + step), 0.95, 0.02)
                            .lower()
                    / ((24 + step / 2) / (50 + step / 2));
            assertThat(lower).as("step %s", step).isGreaterThanOrEqualTo(before - 1e-12);
            before = lower;
        }
        double atNothing = RatioBounds.of(Summary.of(24, 24), Summary.of(50, 50), 0.95, 0.02)
                        .lower()
                / 0.48;
        assertThat(atNothing)
                .isCloseTo(before, within(1e-12))
                .isCloseTo(Math.exp(-1.6448536269514722 * 0.02), within(1e-12));
    }
}
