package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.ysometron.core.drift.ChartTrial.Change;
import org.ysometron.core.drift.ChartTrial.Extent;
import org.ysometron.core.drift.ChartTrial.Runs;
import org.ysometron.core.drift.ChartTrial.Setting;
import org.ysometron.core.drift.ChartTrial.Watch;

class ChartTrialTest {

    private static final int SERIES = 4000;
    private static final Setting KNOWN = new Setting(0, 5, 5, 0.5);
    private static final ChartRules LIMITS = new ChartRules(EnumSet.of(RunRule.BEYOND_LIMITS), false, false);
    private static final ChartTrial.Watch AVERAGE = ChartTrial.byRules(ChartRules.of(AverageChart.USUAL));
    private static final ChartTrial.Watch SUMS = ChartTrial.byRules(ChartRules.of(new SumsChart(0.5, 5, 0)));
    private static final ChartTrial.Watch SUMS_WITH_START = ChartTrial.byRules(ChartRules.of(SumsChart.USUAL));
    private static final ChartRules LIMITS_AND_RUN = new ChartRules(RunRule.USUAL, false, false);

    private static Runs quiet(Watch watch, Setting setting) {
        return ChartTrial.of(watch, setting, Change.NONE, new Extent(SERIES, 4000, 1));
    }

    private static void isMean(Runs runs, double published) {
        // Four standard errors of a mean of run lengths, which scatter about as far as they are long.
        assertThat(runs.mean()).isCloseTo(published, within(4 * published / Math.sqrt(SERIES)));
    }

    /** Limits known: 370.4 and, one standard deviation off, 43.9 (any textbook; worked out as 1/2Φ(−3) and the like). */
    @Test
    void limitsAloneRunAsLongAsPublished() {
        isMean(quiet(ChartTrial.byRules(LIMITS), KNOWN), AverageRunLength.beyondLimits(3, 0));
        isMean(
                ChartTrial.of(ChartTrial.byRules(LIMITS), KNOWN, new Change(1, 0, 1), new Extent(SERIES, 4000, 2)),
                AverageRunLength.beyondLimits(3, 1));
        assertThat(AverageRunLength.beyondLimits(3, 1)).isCloseTo(43.9, within(0.05));
    }

    /** C. W. Champ and W. H. Woodall, Technometrics 29, 1987: with eight in a row on one side 152.7, and the four classical rules together 91.7. */
    @Test
    void rulesTogetherRunAsLongAsPublished() {
        isMean(quiet(ChartTrial.byRules(LIMITS_AND_RUN), KNOWN), 152.7);
        ChartRules four = new ChartRules(
                EnumSet.of(
                        RunRule.BEYOND_LIMITS,
                        RunRule.TWO_OF_THREE_BEYOND_TWO,
                        RunRule.FOUR_OF_FIVE_BEYOND_ONE,
                        RunRule.EIGHT_ON_ONE_SIDE),
                false,
                false);
        isMean(quiet(ChartTrial.byRules(four), KNOWN), 91.75);
    }

    /** E. S. Page 1954 as worked out to its last figure: k 0.5, h 5, both sides: 465 without a shift, 10.4 at one standard deviation. */
    @Test
    void sumsRunAsLongAsPublished() {
        isMean(quiet(SUMS, KNOWN), 465);
        isMean(ChartTrial.of(SUMS, KNOWN, new Change(1, 0, 1), new Extent(SERIES, 4000, 2)), 10.4);
    }

    /** J. M. Lucas and R. B. Crosier 1982, head start h/2 (h 5): 430 without a shift and 6.35 at one standard deviation, quoted from memory. */
    @Test
    void sumsWithAHeadStartRunAsLongAsPublished() {
        isMean(quiet(SUMS_WITH_START, KNOWN), 430);
        isMean(ChartTrial.of(SUMS_WITH_START, KNOWN, new Change(1, 0, 1), new Extent(SERIES, 4000, 2)), 6.35);
    }

    /** The exact chain, with limits that widen. */
    @Test
    void averagesThatForgetRunAsLongAsTheChainSays() {
        isMean(quiet(AVERAGE, KNOWN), AverageRunLength.ewmaWidening(0.2, 2.962, 0, 0));
        isMean(
                ChartTrial.of(AVERAGE, KNOWN, new Change(1, 0, 1), new Extent(SERIES, 4000, 2)),
                AverageRunLength.ewmaWidening(0.2, 2.962, 1, 0));
    }

    /**
     * Limits from twenty lots: half of the charts have cried wolf within some 55 lots, where half of those with exact limits run 106 (a mean of
     * 153). The scatter's rule and that of the change from lot to lot cost on top of it. (The 55 by the product's own design; the half of a run
     * of nearly geometric length is 153·ln 2.)
     */
    @Test
    void limitsFromTwentyLotsCryWolfSooner() {
        Setting twenty = new Setting(20, 5, 5, 0.5);
        int exact = quiet(ChartTrial.byRules(LIMITS_AND_RUN), KNOWN).median();
        int estimated = quiet(ChartTrial.byRules(LIMITS_AND_RUN), twenty).median();
        int withScatter = quiet(ChartTrial.byRules(new ChartRules(RunRule.USUAL, false, true)), twenty)
                .median();
        int usual = quiet(ChartTrial.byRules(ChartRules.USUAL), twenty).median();

        assertThat((double) exact).isCloseTo(152.7 * Math.log(2), within(8.0));
        assertThat(estimated).isBetween(50, 62);
        assertThat(withScatter).isBetween(32, 44);
        assertThat(usual).isBetween(22, 31);
    }

    /**
     * n 10 in the baseline and 3 afterwards: limits that do not follow n cry wolf at 6.6 % of the lots, those that do at the 0.27 % they
     * are drawn for.
     */
    @Test
    void limitsFollowN() {
        Setting fewer = new Setting(0, 10, 3, 0.7);
        Watch follow = ChartTrial.byRules(LIMITS);
        Watch stay = (lots, limits) -> follow.first(lots, limits.ofOneSize());
        double following = 1 / quiet(follow, fewer).mean();
        double staying = 1 / quiet(stay, fewer).mean();
        assertThat(following).isCloseTo(0.0027, within(0.0003));
        assertThat(staying).isCloseTo(0.066, within(0.006));
    }

    @Test
    void theSameQuestionHasTheSameAnswer() {
        Setting twenty = new Setting(20, 5, 3, 0.4);
        Runs once = ChartTrial.of(
                ChartTrial.byRules(ChartRules.USUAL), twenty, new Change(0, 0.1, 1), new Extent(200, 4000, 7));
        assertThat(ChartTrial.of(
                                ChartTrial.byRules(ChartRules.USUAL),
                                twenty,
                                new Change(0, 0.1, 1),
                                new Extent(200, 4000, 7))
                        .lengths())
                .isEqualTo(once.lengths());
    }

    @Test
    void whatIsOutOfRangeIsRefused() {
        assertThatThrownBy(() -> new Setting(2, 5, 5, 0.5)).hasMessageContaining("3 to 500");
        assertThatThrownBy(() -> new Setting(20, 5, 5, Double.NaN)).hasMessageContaining("share");
        assertThatThrownBy(() -> new Change(Double.NaN, 0, 1)).hasMessageContaining("30");
        assertThatThrownBy(() -> new Extent(0, 10, 1)).hasMessageContaining("100,000");
    }

    @Test
    void limitsAreThoseOfTheIndividualsChart() {
        double[] means = {49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6};
        double[] deviations = {1, 2, 1, 3, 1, 2, Double.NaN};
        int[] sizes = {5, 5, 5, 5, 5, 5, 1};
        LotLimits limits = LotLimits.of(new ChartSignal.Lots(means, deviations, sizes));
        IndividualsLimits individuals = IndividualsLimits.of(means, "");

        assertThat(limits.centre()).isCloseTo(individuals.centre(), within(1e-12));
        assertThat(limits.sigma()).isCloseTo(individuals.sigma(), within(1e-12));
        assertThat(limits.rangeUpper()).isCloseTo(individuals.rangeUpper(), within(1e-12));
        assertThat(limits.within())
                .hasValue(SpreadLimits.of(new double[] {1, 2, 1, 3, 1, 2}, new int[] {5, 5, 5, 5, 5, 5}, "")
                        .sigma());
    }

    /** At the baseline's own n the limits are those of before; of more specimens narrower, of fewer wider; a mean on a limit stays on it. */
    @Test
    void ofItsOwnNTheLimitsAreAsTheyWere() {
        double[] means = {10.1, 9.9, 10.2, 9.8, 10.0, 10.1, 9.9};
        double[] deviations = {0.3, 0.3, 0.2, 0.4, 0.3, 0.3, 0.3};
        int[] sizes = {10, 10, 10, 10, 10, 10, 10};
        LotLimits limits = LotLimits.of(new ChartSignal.Lots(means, deviations, sizes));

        assertThat(limits.upper(10)).isCloseTo(IndividualsLimits.of(means, "").upper(), within(1e-12));
        assertThat(limits.sigma(3)).isGreaterThan(limits.sigma(10)).isGreaterThan(limits.sigma(20));
        assertThat(limits.range(10, 10)).isCloseTo(limits.rangeUpper(), within(1e-12));
        ChartSignal.Lots onIt =
                new ChartSignal.Lots(new double[] {limits.upper(3)}, new double[] {Double.NaN}, new int[] {3});
        assertThat(ChartSignal.of(onIt, limits, ChartRules.named(Set.of("BEYOND_LIMITS"))))
                .isEmpty();
    }
}
