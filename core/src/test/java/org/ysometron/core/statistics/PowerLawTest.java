package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.hipparchus.analysis.ParametricUnivariateFunction;
import org.hipparchus.fitting.SimpleCurveFitter;
import org.hipparchus.fitting.WeightedObservedPoints;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The power law beside a library's least squares in all three parameters at once (Hipparchus, Levenberg and Marquardt). */
class PowerLawTest {

    private static final double[] TIMES = {1, 24, 48, 72, 168, 240, 336};

    private static double[] curve(double a, double m, double n, double noise, long seed) {
        Random chance = new Random(seed);
        double[] y = new double[TIMES.length];
        for (int i = 0; i < y.length; i++) {
            y[i] = a + m * Math.pow(TIMES[i], n) + noise * chance.nextGaussian();
        }
        return y;
    }

    @ParameterizedTest
    @CsvSource({"0.5, 0.1, 0.3", "1, 0.02, 0.7", "0, 1, 0.1", "3, -0.2, 0.4", "2, 0.001, 1.5"})
    void pointsOnACurveGiveTheCurve(double a, double m, double n) {
        PowerLaw fit = PowerLaw.fit(TIMES, curve(a, m, n, 0, 1), 0.95);

        assertThat(fit.exponent()).isCloseTo(n, within(1e-5));
        assertThat(fit.offset()).isCloseTo(a, within(1e-3));
        assertThat(fit.factor()).isCloseTo(m, within(1e-3));
        assertThat(fit.residual()).isLessThan(1e-6);
        assertThat(fit.lower()).isCloseTo(n, within(1e-3));
        assertThat(fit.upper()).isCloseTo(n, within(1e-3));
    }

    @Test
    void noisyPointsGiveWhatALibraryFinds() {
        double[] y = curve(0.5, 0.1, 0.35, 0.004, 7);
        PowerLaw fit = PowerLaw.fit(TIMES, y, 0.95);
        WeightedObservedPoints points = new WeightedObservedPoints();
        for (int i = 0; i < y.length; i++) {
            points.add(TIMES[i], y[i]);
        }
        double[] found = SimpleCurveFitter.create(
                        new ParametricUnivariateFunction() {
                            @Override
                            public double value(double t, double... p) {
                                return p[0] + p[1] * Math.pow(t, p[2]);
                            }

                            @Override
                            public double[] gradient(double t, double... p) {
                                double power = Math.pow(t, p[2]);
                                return new double[] {1, power, p[1] * power * Math.log(t)};
                            }
                        },
                        new double[] {0.4, 0.1, 0.3})
                .fit(points.toList());

        assertThat(fit.offset()).isCloseTo(found[0], within(1e-5));
        assertThat(fit.factor()).isCloseTo(found[1], within(1e-5));
        assertThat(fit.exponent()).isCloseTo(found[2], within(1e-5));
        assertThat(fit.lower()).isLessThan(fit.exponent());
        assertThat(fit.upper()).isGreaterThan(fit.exponent());
    }

    /** 95 % intervals hold the exponent in 95 % of runs, within three standard errors of a thousand runs. */
    @Test
    void theIntervalKeepsItsLevel() {
        int inside = 0;
        for (int run = 0; run < 1000; run++) {
            PowerLaw fit = PowerLaw.fit(TIMES, curve(0.5, 0.1, 0.35, 0.004, run), 0.95);
            inside += fit.lower() <= 0.35 && 0.35 <= fit.upper() ? 1 : 0;
        }
        assertThat(inside).isBetween(929, 971);
    }

    @Test
    void whatIsNoCurveIsRefused() {
        assertThatThrownBy(() -> PowerLaw.fit(new double[] {1, 2, 3}, new double[] {1, 2, 3}, 0.95))
                .hasMessageContaining("four times");
        assertThatThrownBy(() -> PowerLaw.fit(new double[] {0, 1, 2, 3}, new double[] {1, 2, 3, 4}, 0.95))
                .hasMessageContaining("above zero");
        assertThatThrownBy(() -> PowerLaw.fit(new double[] {1, 1, 2, 3}, new double[] {1, 2, 3, 4}, 0.95))
                .hasMessageContaining("different times");
        assertThatThrownBy(() -> PowerLaw.fit(TIMES, new double[] {1, 1, 1, 1, 1, 1, 1}, 0.95))
                .hasMessageContaining("change");
        assertThatThrownBy(() -> PowerLaw.fit(TIMES, curve(1, 1, 1, 0, 1), 1)).hasMessageContaining("confidence");
    }
}
