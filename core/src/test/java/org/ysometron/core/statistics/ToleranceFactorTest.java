package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.special.Beta;
import org.hipparchus.special.Gamma;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.statistics.formula.NoncentralT;

/** One-sided tolerance factors beside another way to the noncentral t distribution, and beside tables. */
class ToleranceFactorTest {

    private static final NormalDistribution NORMAL = new NormalDistribution();

    /** ISO 16269-6, one-sided factors for unknown mean and standard deviation; quoted from memory, as many digits as known. */
    @ParameterizedTest
    @CsvSource({
        "2, 0.95, 0.95, 26.260, 0.0005",
        "2, 0.99, 0.99, 185.617, 0.0005",
        "2, 0.90, 0.999, 1030.3, 0.05",
        "3, 0.95, 0.95, 7.656, 0.0005",
        "4, 0.95, 0.95, 5.144, 0.0005"
    })
    void fewSpecimensHaveTheFactorsOfTheTables(int n, double share, double confidence, double table, double by) {
        assertThat(ToleranceFactor.oneSided(n, share, confidence)).isCloseTo(table, within(by));
    }

    /**
     * P(T ≤ t) for t above 0 as a sum of incomplete beta functions under Poisson weights (R. V. Lenth, Algorithm AS 243, Applied
     * Statistics 38, 1989).
     */
    private static double bySeries(double t, double nu, double delta) {
        // Far out x = t²/(ν + t²) has no digits left; what is wanting to one has.
        double wanting = nu / (nu + t * t);
        double half = delta * delta / 2;
        double sum = 0;
        int around = (int) half;
        for (int j = 0; j < around + 400; j++) {
            double p = Math.exp(-half + j * Math.log(half) - Gamma.logGamma(j + 1.0));
            double q = delta / Math.sqrt(2) * Math.exp(-half + j * Math.log(half) - Gamma.logGamma(j + 1.5));
            sum += p * (1 - Beta.regularizedBeta(wanting, nu / 2, j + 0.5))
                    + q * (1 - Beta.regularizedBeta(wanting, nu / 2, j + 1.0));
        }
        return NORMAL.cumulativeProbability(-delta) + sum / 2;
    }

    @ParameterizedTest
    @CsvSource({
        "2, 0.9, 0.9", "2, 0.99, 0.99", "2, 0.9999, 0.9999", "2, 0.6, 0.9999", "3, 0.9999, 0.99", "4, 0.99, 0.9999",
        "5, 0.95, 0.95", "8, 0.9999, 0.95", "10, 0.99, 0.99", "30, 0.95, 0.999", "100, 0.95, 0.95", "100, 0.99, 0.5"
    })
    void factorsAreExactByAnotherWay(int n, double share, double confidence) {
        double delta = NORMAL.inverseCumulativeProbability(share) * Math.sqrt(n);
        double factor = ToleranceFactor.oneSided(n, share, confidence);
        double beside = new BrentSolver(1e-13, 1e-13, 1e-16)
                        .solve(
                                1000,
                                t -> bySeries(t, n - 1.0, delta) - confidence,
                                factor * Math.sqrt(n) * 0.9,
                                factor * Math.sqrt(n) * 1.1)
                / Math.sqrt(n);

        assertThat(factor / beside - 1).isCloseTo(0, within(1e-9));
    }

    /** The distribution itself, where its integrand rises within a thousandth of the range and where it does not. */
    @ParameterizedTest
    @CsvSource({"262.5, 1, 3.29", "1457, 1, 1.8124", "0.5, 1, 2", "3, 2, 0.5", "12, 4, 5", "40, 60, 35"})
    void probabilitiesAreThoseOfTheSeries(double t, double nu, double delta) {
        assertThat(NoncentralT.cumulative(t, nu, delta)).isCloseTo(bySeries(t, nu, delta), within(1e-12));
    }
}
