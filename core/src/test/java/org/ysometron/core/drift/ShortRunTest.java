package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.ysometron.core.drift.ShortRun.Family;

class ShortRunTest {

    private static double[] lots(int count, double level, double share, SplittableRandom chance) {
        double[] lots = new double[count];
        Arrays.setAll(lots, i -> level * (1 + share * chance.nextGaussian()));
        return lots;
    }

    /** Five lots each of a product and of its family: a sound lot lies beyond its limits as often as the level says, however few lots and products there are. */
    @Test
    void theLevelIsKeptAtFiveLots() {
        for (int products : new int[] {2, 4, 12}) {
            SplittableRandom chance = new SplittableRandom(7870 + products);
            int looked = 0;
            int cried = 0;
            for (int run = 0; run < 40_000; run++) {
                List<double[]> family = new ArrayList<>();
                for (int i = 0; i < products; i++) {
                    family.add(lots(5, 10 * (i + 1), 0.04, chance));
                }
                List<ShortRun.Point> points = ShortRun.of(lots(5, 300, 0.04, chance), Family.of(family))
                        .points();
                looked += points.size() - 1;
                cried += (int) points.stream().filter(ShortRun.Point::signal).count();
            }
            double share = cried / (double) looked;
            assertThat(share).as("%d products", products).isBetween(0.5 * ShortRun.LEVEL, 1.35 * ShortRun.LEVEL);
        }
    }

    /** Worked by hand: neighbours 100, 104, 98 differ by 4 and 6, half the mean square is 13, over the square of the mean 100.667; two of such differences have 1.6 degrees of freedom. */
    @Test
    void theFigureIsThatWorkedByHand() {
        Family one = Family.of(List.of(new double[] {100, 104, 98}));
        assertThat(one.sd()).isCloseTo(Math.sqrt(13) / (302 / 3.0), within(1e-12));
        assertThat(one.freedom()).isCloseTo(1.6, within(1e-12));

        Family known = new Family(0.04, 10);
        List<ShortRun.Point> points =
                ShortRun.of(new double[] {50, 52, 70, 51}, known).points();
        assertThat(points.get(0).over()).isNaN();
        assertThat(points.get(1).deviation()).isCloseTo(0.04, within(1e-12));
        assertThat(points.get(1).over()).isCloseTo(1 / Math.sqrt(2), within(1e-12));
        // R: qt(1 - 0.00135, 10)
        assertThat(points.get(1).limit()).isCloseTo(3.956890, within(1e-5));
        assertThat(points.get(2).over()).isCloseTo((70 / 51.0 - 1) / (0.04 * Math.sqrt(1.5)), within(1e-9));
        assertThat(points.get(2).signal()).isTrue();
        assertThat(points.get(3).before()).as("what lay beyond is no target").isEqualTo(2);
        assertThat(points.get(3).deviation()).isCloseTo(0, within(1e-12));
    }

    /** Another unit changes nothing; a slide of the family hardly widens its scatter; a step of a quarter is found. */
    @Test
    void itIsFreeOfUnitsAndOfSlides() {
        SplittableRandom chance = new SplittableRandom(12);
        double[] own = lots(6, 30, 0.03, chance);
        List<double[]> family = List.of(lots(8, 40, 0.03, chance), lots(7, 90, 0.03, chance));
        double[] kilo = Arrays.stream(own).map(mean -> mean / 1000).toArray();
        List<double[]> kilos = family.stream()
                .map(lots -> Arrays.stream(lots).map(mean -> mean / 1000).toArray())
                .toList();
        assertThat(ShortRun.of(kilo, Family.of(kilos)).points().get(5).over())
                .isCloseTo(ShortRun.of(own, Family.of(family)).points().get(5).over(), within(1e-9));
        double[] sliding = family.get(0).clone();
        Arrays.setAll(sliding, i -> sliding[i] * (1 - 0.01 * i));
        assertThat(Family.of(List.of(sliding)).sd())
                .isCloseTo(Family.of(List.of(family.get(0))).sd(), within(0.006));
        own[5] *= 1.25;
        assertThat(ShortRun.of(own, Family.of(family)).points().get(5).signal()).isTrue();
    }

    @Test
    void whatItCannotTellItRefuses() {
        assertThatThrownBy(() -> Family.of(List.of(new double[] {5}))).hasMessageContaining("two lots");
        assertThatThrownBy(() -> Family.of(List.of(new double[] {5, 5}))).hasMessageContaining("above 0");
        assertThatThrownBy(() -> Family.of(List.of(new double[] {5, -1}))).hasMessageContaining("above 0");
        assertThatThrownBy(() -> ShortRun.of(new double[] {0, 1}, new Family(0.1, 9)))
                .hasMessageContaining("above 0");
        assertThat(ShortRun.of(new double[0], new Family(0.1, 9)).points()).isEmpty();
    }
}
