package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.drift.IndividualsLimits.Constants;
import org.ysometron.core.drift.IndividualsLimits.Habits;
import org.ysometron.core.statistics.Summary;

class ChartsAgainstPublishedNumbersTest {

    /** Factors for control charts; ASTM STP 15D / ISO 7870-2, three or four decimals as printed (quoted from memory). */
    @ParameterizedTest
    @CsvSource({
        // n, d2, c4, A2, A3, B3, B4, D3, D4
        "2, 1.128, 0.7979, 1.880, 2.659, 0, 3.267, 0, 3.267",
        "3, 1.693, 0.8862, 1.023, 1.954, 0, 2.568, 0, 2.575",
        "5, 2.326, 0.9400, 0.577, 1.427, 0, 2.089, 0, 2.114",
        "7, 2.704, 0.9594, 0.419, 1.182, 0.118, 1.882, 0.076, 1.924",
        "10, 3.078, 0.9727, 0.308, 0.975, 0.284, 1.716, 0.223, 1.777",
        "25, 3.931, 0.9896, 0.153, 0.606, 0.565, 1.435, 0.459, 1.541"
    })
    void constantsAgreeWithTheTables(
            int n, double d2, double c4, double a2, double a3, double b3, double b4, double lower, double upper) {
        ChartConstants constants = ChartConstants.of(n);

        assertThat(constants.d2()).isCloseTo(d2, within(0.0006));
        assertThat(constants.c4()).isCloseTo(c4, within(0.00006));
        assertThat(constants.a2()).isCloseTo(a2, within(0.0006));
        assertThat(constants.a3()).isCloseTo(a3, within(0.0006));
        assertThat(constants.b3()).isCloseTo(b3, within(0.0011));
        assertThat(constants.b4()).isCloseTo(b4, within(0.0011));
        assertThat(constants.d3Factor()).isCloseTo(lower, within(0.0011));
        assertThat(constants.d4Factor()).isCloseTo(upper, within(0.0011));
    }

    /** Closed forms: d₂(2) = 2/√π, d₃(2) = √(2 − 4/π); E₂ = 2.660. */
    @Test
    void constantsForTwoAgreeWithTheirClosedForms() {
        ChartConstants two = ChartConstants.of(2);

        assertThat(two.d2()).isCloseTo(2 / Math.sqrt(Math.PI), within(1e-10));
        assertThat(two.d3()).isCloseTo(Math.sqrt(2 - 4 / Math.PI), within(1e-8));
        assertThat(two.e2()).isCloseTo(2.660, within(0.002));
        assertThatThrownBy(() -> ChartConstants.of(1)).hasMessageContaining("2 to 100");
    }

    /**
     * NIST/SEMATECH e-Handbook 6.3.2.2, individuals chart of flow rates: mean 50.81, mean moving range 1.8778, limits
     * 45.8159 and 55.8041 with d₂ printed as 1.128 (quoted from memory).
     */
    @Test
    void individualsLimitsAgreeWithTheHandbooksFlowRates() {
        double[] flow = {49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1};

        IndividualsLimits limits = IndividualsLimits.of(
                flow, new Habits(Constants.PRINTED, Habits.USUAL.sigma(), Habits.USUAL.centre()), "");

        assertThat(limits.centre()).isCloseTo(50.81, within(1e-9));
        assertThat(limits.meanRange()).isCloseTo(1.8778, within(0.00005));
        assertThat(limits.lower()).isCloseTo(45.8159, within(0.00006));
        assertThat(limits.upper()).isCloseTo(55.8041, within(0.00006));
        assertThat(IndividualsLimits.of(flow, "").upper()).isCloseTo(limits.upper(), within(0.002));
    }

    /**
     * M63: of lots that differ of themselves by more than specimens scatter, limits from the change between lots leave all but a few
     * in a thousand inside; limits from the scatter within call half of them out of control (simulated, seed fixed).
     */
    @Test
    void limitsOfMeansIgnoreScatterWithinLots() {
        java.util.Random random = new java.util.Random(11);
        int beyond = 0;
        int beyondFromWithin = 0;
        int lots = 0;
        for (int series = 0; series < 200; series++) {
            List<double[]> groups = new java.util.ArrayList<>();
            for (int lot = 0; lot < 30; lot++) {
                double level = 50 + random.nextGaussian();
                groups.add(random.doubles(5).map(p -> level + 0.7 * (p - 0.5)).toArray());
            }
            double[] means = groups.stream()
                    .mapToDouble(group -> Summary.of(group).mean())
                    .toArray();
            IndividualsLimits between = IndividualsLimits.of(means, "MPa");
            SubgroupLimits within = SubgroupLimits.of(groups, SubgroupLimits.Sigma.POOLED);
            for (double mean : means) {
                lots++;
                beyond += mean < between.lower() || mean > between.upper() ? 1 : 0;
                beyondFromWithin += within.means().isBeyond(mean) ? 1 : 0;
            }
        }
        assertThat(beyond).isLessThan(lots / 100);
        assertThat(beyondFromWithin).isGreaterThan(lots / 2);
    }

    /** For equal n the s chart is c₄σ̂ = s̄ with B₃, B₄ (ISO 7870-2). */
    @Test
    void spreadLimitsReduceToTheBFactors() {
        SpreadLimits limits = SpreadLimits.of(new double[] {0.9, 1.1, 0.7, 1.3}, new int[] {5, 5, 5, 5}, "MPa");
        SpreadLimits.Line line = limits.forSize(5);

        assertThat(line.centre()).isCloseTo(1.0, within(1e-12));
        assertThat(line.upper()).isCloseTo(ChartConstants.of(5).b4(), within(1e-12));
        assertThat(line.lower()).isZero();
        assertThat(limits.forSize(10).lower()).isGreaterThan(0);
        assertThatThrownBy(() -> SpreadLimits.of(new double[] {1}, new int[] {1}, ""))
                .hasMessageContaining("lot 1");
    }

    /** Average run lengths: 370.4 and 43.9 (Montgomery); 152.73 with eight in a row (Champ and Woodall 1987, from memory). */
    @ParameterizedTest
    @CsvSource({"0, 370.4, 0.05", "1, 43.89, 0.01", "3, 2.0, 0.01"})
    void runLengthOfThreeSigmaLimits(double shift, double expected, double tolerance) {
        assertThat(AverageRunLength.beyondLimits(3, shift)).isCloseTo(expected, within(tolerance));
    }

    @Test
    void runLengthWithEightOnOneSide() {
        assertThat(AverageRunLength.beyondLimitsOrRun(3, 8, 0)).isCloseTo(152.73, within(0.01));
        assertThat(AverageRunLength.beyondLimitsOrRun(3, 500, 0)).isCloseTo(370.4, within(0.05));
        // With limits out of reach only the run is left: 2^8 − 1 flips of a fair coin (textbook identity).
        assertThat(AverageRunLength.beyondLimitsOrRun(8, 8, 0)).isCloseTo(255, within(0.01));
    }

    /** EWMA λ 0.2, L 2.962: 500 (Lucas and Saccucci 1990); CUSUM k 0.5: h 5 465 and 10.4, h 4 168 and 8.38 (Montgomery). */
    @Test
    void runLengthOfSmallDriftCharts() {
        assertThat(AverageRunLength.ewma(0.2, 2.962, 0)).isCloseTo(500, within(2.0));
        assertThat(AverageRunLength.ewma(1, 3, 0)).isCloseTo(370.4, within(0.1));
        assertThat(AverageRunLength.cusum(0.5, 5, 0)).isCloseTo(465, within(1.0));
        assertThat(AverageRunLength.cusum(0.5, 5, 1)).isCloseTo(10.4, within(0.05));
        assertThat(AverageRunLength.cusum(0.5, 4, 0)).isCloseTo(168, within(0.5));
        assertThat(AverageRunLength.cusum(0.5, 4, 1)).isCloseTo(8.38, within(0.01));
    }
}
