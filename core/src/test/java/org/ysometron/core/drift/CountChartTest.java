package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.ysometron.core.drift.CountChart.Kind;

class CountChartTest {

    /**
     * Lots of five of which some share breaks at the grip, each set against twenty before it: at no share does a sound lot cry wolf more often than the
     * level says, three standard errors allowed. Three standard deviations about the average, as mostly drawn, cry wolf ten times as often at one in twenty.
     */
    @Test
    void theLevelIsKeptAtFiveSpecimens() {
        for (double rate : new double[] {0.02, 0.05, 0.2, 0.5}) {
            SplittableRandom chance = new SplittableRandom(1940);
            int lots = 0;
            int cried = 0;
            int usual = 0;
            for (int series = 0; series < 2000; series++) {
                int[] counts = drawn(30, 5, rate, chance);
                int[] sizes = new int[30];
                Arrays.fill(sizes, 5);
                List<CountChart.Point> points =
                        CountChart.of(counts, sizes, Kind.SHARE, 20).points();
                for (int i = 20; i < 30; i++) {
                    lots++;
                    cried += points.get(i).signal() ? 1 : 0;
                    double p = points.get(i).before();
                    usual += points.get(i).share() > p + 3 * Math.sqrt(p * (1 - p) / 5) ? 1 : 0;
                }
            }
            double margin = 3 * Math.sqrt(CountChart.LEVEL / lots);
            assertThat(cried / (double) lots).as("at %s", rate).isLessThan(CountChart.LEVEL + margin);
            if (rate == 0.05) {
                assertThat(usual / (double) lots).isGreaterThan(10 * CountChart.LEVEL);
            }
        }
    }

    /** Faults are Poisson: the same for a rate. */
    @Test
    void theLevelIsKeptForFaults() {
        SplittableRandom chance = new SplittableRandom(7);
        int cried = 0;
        for (int series = 0; series < 4000; series++) {
            int[] counts = drawn(21, 1000, 0.002, chance);
            int[] sizes = new int[21];
            Arrays.fill(sizes, 1);
            cried +=
                    CountChart.of(counts, sizes, Kind.RATE, 20).points().get(20).signal() ? 1 : 0;
        }
        assertThat(cried / 4000.0).isLessThan(CountChart.LEVEL + 3 * Math.sqrt(CountChart.LEVEL / 4000));
    }

    private static int[] drawn(int lots, int size, double rate, SplittableRandom chance) {
        int[] counts = new int[lots];
        for (int i = 0; i < lots; i++) {
            for (int j = 0; j < size; j++) {
                counts[i] += chance.nextDouble() < rate ? 1 : 0;
            }
        }
        return counts;
    }

    /** R. A. Fisher's tasting of eight cups: four of four against none of four has 1 in 70, no signal; ten of ten against none of ten has 1 in 184,756. */
    @Test
    void fewSpecimensMayNotBeAbleToSpeak() {
        CountChart tea = CountChart.of(new int[] {0, 4}, new int[] {4, 4}, Kind.SHARE, 40);
        assertThat(tea.points().get(1).signal()).isFalse();
        assertThat(tea.points().get(1).limit()).isNaN();
        assertThat(tea.points().get(0).before()).isNaN();
        assertThat(CountChart.of(new int[] {0, 10}, new int[] {10, 10}, Kind.SHARE, 40)
                        .points()
                        .get(1)
                        .signal())
                .isTrue();
    }

    /** Every bar at the grip after twenty good lots is found at once; what lies farther back than asked is forgotten. */
    @Test
    void aNewTroubleIsFound() {
        int[] counts = new int[22];
        int[] sizes = new int[22];
        Arrays.fill(sizes, 5);
        counts[20] = 3;
        counts[21] = 3;
        List<CountChart.Point> points =
                CountChart.of(counts, sizes, Kind.SHARE, 20).points();
        assertThat(points.get(20).signal()).isTrue();
        assertThat(points.get(20).limit()).isEqualTo(0.4);
        assertThat(CountChart.of(new int[] {5, 0, 0}, new int[] {5, 5, 5}, Kind.SHARE, 1)
                        .points()
                        .get(2)
                        .before())
                .isEqualTo(0);
    }

    @Test
    void whatCannotBeCountedIsRefused() {
        for (int[][] wrong : new int[][][] {{{1}, {}}, {{-1}, {5}}, {{6}, {5}}, {{0}, {0}}, {{0}, {10_001}}}) {
            assertThatThrownBy(() -> CountChart.of(wrong[0], wrong[1], Kind.SHARE, 40))
                    .isInstanceOf(IllegalArgumentException.class);
        }
        assertThatThrownBy(() -> CountChart.of(new int[] {0}, new int[] {5}, Kind.SHARE, 0))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(CountChart.of(new int[] {6}, new int[] {5}, Kind.RATE, 40).points())
                .hasSize(1);
    }
}
