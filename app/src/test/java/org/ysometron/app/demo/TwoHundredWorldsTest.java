package org.ysometron.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.drift.AverageChart;
import org.ysometron.core.drift.ChangePoint;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.ChartSignal;
import org.ysometron.core.drift.ChartTrial;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.drift.SumsChart;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.surprise.OddResults;
import org.ysometron.core.surprise.SetOfResults;
import org.ysometron.core.surprise.TwoStreams;

/**
 * The demo made two hundred times over by other chance, with nothing the matter and with its stories: what is found without stories is no more than the run
 * length of the charts and the levels of the looks predict, and with them the slide is found.
 */
class TwoHundredWorldsTest {

    private static final int WORLDS = 200;
    private static final int LOTS = 30;
    private static final int WATCHED = LOTS - SkerryTruth.BASELINE_LOTS;

    /** Strengths of a lot's bars as the application reads them from what was typed. */
    private static double[] strengths(SkerryTruth truth, int lot) {
        return truth.bars(lot, Orientation.ZX).stream()
                .filter(bar -> !bar.atGrip())
                .mapToDouble(bar -> force(bar.force()) / (mean(bar.widths()) * mean(bar.thicknesses())))
                .toArray();
    }

    private static double force(String typed) {
        return typed.endsWith("kgf")
                ? Double.parseDouble(typed.substring(0, typed.length() - 4)) * 9.80665
                : Double.parseDouble(typed);
    }

    private static double mean(List<String> typed) {
        return typed.stream().mapToDouble(Double::parseDouble).average().orElseThrow();
    }

    private static ChartSignal.Lots lots(SkerryTruth truth) {
        double[] means = new double[LOTS];
        double[] deviations = new double[LOTS];
        int[] sizes = new int[LOTS];
        for (int lot = 0; lot < LOTS; lot++) {
            Summary set = Summary.of(strengths(truth, lot));
            means[lot] = set.mean();
            deviations[lot] = set.sd().orElseThrow();
            sizes[lot] = set.n();
        }
        return new ChartSignal.Lots(means, deviations, sizes);
    }

    private static LotLimits limits(ChartSignal.Lots all) {
        int first = SkerryTruth.BASELINE_LOTS;
        return LotLimits.of(new ChartSignal.Lots(
                Arrays.copyOf(all.means(), first),
                Arrays.copyOf(all.deviations(), first),
                Arrays.copyOf(all.sizes(), first)));
    }

    /** Whether the charts speak at one of the lots behind the baseline, these lots alone being watched. */
    private static boolean speaks(ChartSignal.Lots all, ChartRules rules) {
        int first = SkerryTruth.BASELINE_LOTS;
        return !ChartSignal.of(
                        new ChartSignal.Lots(
                                Arrays.copyOfRange(all.means(), first, all.means().length),
                                Arrays.copyOfRange(all.deviations(), first, all.means().length),
                                Arrays.copyOfRange(all.sizes(), first, all.means().length)),
                        limits(all),
                        rules)
                .isEmpty();
    }

    private static ChartSignal.Lots withoutTheBadOne(ChartSignal.Lots all, int bad) {
        int[] others = IntStream.range(0, LOTS).filter(lot -> lot != bad).toArray();
        return new ChartSignal.Lots(
                Arrays.stream(others).mapToDouble(lot -> all.means()[lot]).toArray(),
                Arrays.stream(others).mapToDouble(lot -> all.deviations()[lot]).toArray(),
                Arrays.stream(others).map(lot -> all.sizes()[lot]).toArray());
    }

    private static double predicted(ChartRules rules) {
        // A lot mean scatters by 0.45 from lot to lot and 0.75/√5 from within.
        double within = 0.75 * 0.75 / 5 / (0.75 * 0.75 / 5 + 0.45 * 0.45);
        ChartTrial.Setting setting = new ChartTrial.Setting(SkerryTruth.BASELINE_LOTS, 5, 5, within);
        return ChartTrial.of(
                        ChartTrial.byRules(rules),
                        setting,
                        ChartTrial.Change.NONE,
                        new ChartTrial.Extent(4000, WATCHED, 5))
                .share(WATCHED);
    }

    @Test
    void withoutStoriesTheChartsCryAsOftenAsTheyAreSaidTo() {
        for (ChartRules rules :
                List.of(ChartRules.USUAL, ChartRules.of(SumsChart.USUAL), ChartRules.of(AverageChart.USUAL))) {
            long cried = IntStream.range(0, WORLDS)
                    .filter(world -> speaks(lots(new SkerryTruth(LOTS, 1000 + world, false)), rules))
                    .count();
            double expected = predicted(rules);
            double margin = 3.5 * Math.sqrt(expected * (1 - expected) / WORLDS);
            assertThat(cried / (double) WORLDS).as(rules.words()).isBetween(expected - margin, expected + margin);
        }
    }

    @Test
    void withoutStoriesNothingElseIsFoundBeyondItsLevel() {
        int changed = 0;
        int streams = 0;
        int outliers = 0;
        int sets = 0;
        for (int world = 0; world < WORLDS; world++) {
            SkerryTruth sound = new SkerryTruth(LOTS, 5000 + world, false);
            double[] means = lots(sound).means();
            changed += ChangePoint.of(means).orElseThrow().chance() <= 0.05 ? 1 : 0;
            streams += TwoStreams.of(means).orElseThrow().isSpoken() ? 1 : 0;
            for (int lot = 0; lot < LOTS; lot++) {
                sets++;
                outliers += OddResults.of(SetOfResults.of(strengths(sound, lot))).odd().stream()
                                .anyMatch(OddResults.Odd::isOutlier)
                        ? 1
                        : 0;
            }
        }
        assertThat(changed / (double) WORLDS).isLessThan(0.05 + 3 * Math.sqrt(0.05 * 0.95 / WORLDS));
        assertThat(streams / (double) WORLDS).isLessThan(0.01 + 3 * Math.sqrt(0.01 * 0.99 / WORLDS));
        assertThat(outliers / (double) sets).isLessThan(0.01 + 3 * Math.sqrt(0.01 * 0.99 / sets));
    }

    /** The slide of 0.3 MPa a lot is found by the charts in nearly every world, by the sums as well, and it is told where it began. */
    @Test
    void withStoriesTheSlideIsFound() {
        int found = 0;
        int summed = 0;
        int held = 0;
        for (int world = 0; world < WORLDS; world++) {
            SkerryTruth truth = new SkerryTruth(LOTS, 9000 + world, true);
            ChartSignal.Lots all = withoutTheBadOne(lots(truth), truth.badLot());
            found += speaks(all, ChartRules.USUAL) ? 1 : 0;
            summed += speaks(all, ChartRules.of(SumsChart.USUAL)) ? 1 : 0;
            ChangePoint change = ChangePoint.of(all.means()).orElseThrow();
            held += change.chance() <= 0.05
                            && change.earliest() <= truth.slideFrom()
                            && change.latest() >= truth.slideFrom()
                    ? 1
                    : 0;
        }
        assertThat(found).isGreaterThan(196);
        assertThat(summed).isGreaterThan(196);
        assertThat(held).isGreaterThan(170);
    }
}
