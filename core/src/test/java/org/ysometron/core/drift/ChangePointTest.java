package org.ysometron.core.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.function.IntToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ChangePointTest {

    /** Annual flow of a river at a gauge, 1871 to 1970, 10⁸ m³: open data, as R's package 'datasets' has them under the name Nile. */
    private static final double[] FLOW = {
        1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958, 1140,
        1100, 1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020, 1050, 969,
        831, 726, 456, 824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040, 759, 781, 865,
        845, 944, 984, 897, 822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890, 744, 749, 838, 1050,
        918, 986, 797, 923, 975, 815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740
    };

    private static double[] series(int n, long seed, IntToDoubleFunction level) {
        Random chance = new Random(seed);
        double[] y = new double[n];
        Arrays.setAll(y, i -> level.applyAsDouble(i) + chance.nextGaussian());
        return y;
    }

    /** The textbook step (Cobb 1978, Biometrika 65): after 1898, from a mean of 1097.75 to one of 849.97. */
    @Test
    void theFlowStepsDownAfter1898() {
        ChangePoint change = ChangePoint.of(FLOW).orElseThrow();

        assertThat(change.shape()).isEqualTo(ChangePoint.Shape.STEP);
        assertThat(1871 + change.at()).isEqualTo(1899);
        assertThat(change.before()).isCloseTo(1097.75, within(0.005));
        assertThat(change.before() + change.size()).isCloseTo(849.97, within(0.005));
        assertThat(1871 + change.earliest()).isBetween(1892, 1899);
        assertThat(1871 + change.latest()).isBetween(1899, 1904);
        assertThat(change.chance()).isLessThan(0.001);
    }

    /** Looked at at every place and in every shape, a series without a change is called changed as often as it says. */
    @ParameterizedTest
    @ValueSource(ints = {8, 12, 30})
    void aSeriesWithoutAChangeIsCalledChangedAsOftenAsItSays(int n) {
        int called = 0;
        for (int s = 0; s < 600; s++) {
            called +=
                    ChangePoint.of(series(n, 77_000 + s, i -> 0)).orElseThrow().chance() <= 0.05 ? 1 : 0;
        }
        // 30 of 600 expected, with a standard deviation of 5.3.
        assertThat(called).isBetween(14, 47);
    }

    @ParameterizedTest
    @CsvSource({"8, 4, 2.0", "12, 6, 1.5", "16, 8, 1.0", "16, 8, 3.0", "30, 20, 1.0", "30, 20, 2.0", "60, 40, 1.5"})
    void theIntervalHoldsTheTruePlaceOfAStep(int n, int at, double size) {
        holds(n, at, ChangePoint.Shape.STEP, i -> i < at ? 0 : size, i -> 1);
    }

    /** A slide begins softly: its place is known least, and its interval is the same rule's. */
    @ParameterizedTest
    @CsvSource({"16, 8, 0.5", "30, 20, 0.3", "30, 14, 0.4", "60, 40, 0.15"})
    void theIntervalHoldsTheTruePlaceOfASlide(int n, int at, double slope) {
        holds(n, at, ChangePoint.Shape.RAMP, i -> i < at ? 0 : slope * (i - at + 1), i -> 1);
    }

    @ParameterizedTest
    @CsvSource({"20, 10, 4", "40, 25, 3", "60, 30, 2.5"})
    void theIntervalHoldsTheTruePlaceOfAnotherScatter(int n, int at, double ratio) {
        holds(n, at, ChangePoint.Shape.SPREAD, i -> 0, i -> i < at ? 1 : ratio);
    }

    private static void holds(
            int n, int at, ChangePoint.Shape shape, IntToDoubleFunction level, IntToDoubleFunction scatter) {
        int held = 0;
        int found = 0;
        for (int s = 0; s < 2000; s++) {
            Random chance = new Random(31_000 + s);
            double[] y = new double[n];
            Arrays.setAll(y, i -> level.applyAsDouble(i) + scatter.applyAsDouble(i) * chance.nextGaussian());
            ChangePoint change = ChangePoint.of(y).orElseThrow();
            // As the page has it: what is not spoken of has no interval either.
            if (change.shape() == shape && change.chance() <= 0.05) {
                found++;
                held += change.earliest() <= at && change.latest() >= at ? 1 : 0;
            }
        }
        assertThat(found).isGreaterThan(200);
        assertThat(held / (double) found).isGreaterThanOrEqualTo(0.94);
    }

    @Test
    void shapesAreToldApart() {
        assertThat(most(i -> i == 22 ? -6 : 0)).isEqualTo(ChangePoint.Shape.SPIKE);
        assertThat(most(i -> i < 20 ? 0 : 3)).isEqualTo(ChangePoint.Shape.STEP);
        assertThat(most(i -> i < 14 ? 0 : -0.4 * (i - 13))).isEqualTo(ChangePoint.Shape.RAMP);
    }

    private static ChangePoint.Shape most(IntToDoubleFunction level) {
        int[] counts = new int[ChangePoint.Shape.values().length];
        for (int s = 0; s < 100; s++) {
            ChangePoint.Shape shape =
                    ChangePoint.of(series(30, 4000 + s, level)).orElseThrow().shape();
            counts[Arrays.asList(ChangePoint.Shape.values()).indexOf(shape)]++;
        }
        int best = 0;
        for (int i = 1; i < counts.length; i++) {
            best = counts[i] > counts[best] ? i : best;
        }
        assertThat(counts[best]).isGreaterThanOrEqualTo(85);
        return ChangePoint.Shape.values()[best];
    }

    @Test
    void anotherScatterAtTheSameLevelIsNoStep() {
        int called = 0;
        for (int s = 0; s < 100; s++) {
            Random chance = new Random(s);
            double[] y = new double[40];
            Arrays.setAll(y, i -> (i < 25 ? 1 : 5) * chance.nextGaussian());
            ChangePoint change = ChangePoint.of(y).orElseThrow();
            called += change.shape() == ChangePoint.Shape.SPREAD && change.size() > 2 ? 1 : 0;
        }
        assertThat(called).isGreaterThanOrEqualTo(80);
    }

    @Test
    void anotherUnitAndAnotherZeroChangeNothing() {
        double[] other = Arrays.stream(FLOW).map(y -> 0.001 * y - 40).toArray();
        ChangePoint change = ChangePoint.of(FLOW).orElseThrow();
        ChangePoint same = ChangePoint.of(other).orElseThrow();

        assertThat(same.at()).isEqualTo(change.at());
        assertThat(same.earliest()).isEqualTo(change.earliest());
        assertThat(same.latest()).isEqualTo(change.latest());
        assertThat(same.chance()).isEqualTo(change.chance());
        assertThat(same.size()).isCloseTo(0.001 * change.size(), within(1e-9));
    }

    @Test
    void tooFewAllAlikeAndNoNumberAreNoSeries() {
        assertThat(ChangePoint.of(new double[] {1, 2, 3, 4, 5, 6, 7})).isEmpty();
        assertThat(ChangePoint.of(new double[12])).isEmpty();
        double[] broken = FLOW.clone();
        broken[50] = Double.NaN;
        assertThatThrownBy(() -> ChangePoint.of(broken)).hasMessageContaining("finite");
    }

    /** 40 − 0.5 a lot: at 35.5 after ten lots, and 28 is 15 lots further. */
    @Test
    void lotsAreLeftUntilTheEdgeAtThePresentSlope() {
        double[] y = new double[10];
        Arrays.setAll(y, i -> 40 - 0.5 * i);
        LotsLeft left = LotsLeft.of(y, 28);

        assertThat(left.slope()).isCloseTo(-0.5, within(1e-12));
        assertThat(left.lots().orElseThrow()).isCloseTo(15, within(1e-9));
        assertThat(LotsLeft.of(y, 45).lots()).isEmpty();
        assertThat(LotsLeft.of(series(10, 5, i -> 40), 28).lots()).isEmpty();
        assertThatThrownBy(() -> LotsLeft.of(new double[] {1, 2, 3, 4}, 0)).hasMessageContaining("5 figures");
    }

    @Test
    void theIntervalOfTheLotsLeftHoldsTheTruth() {
        int held = 0;
        int said = 0;
        for (int s = 0; s < 400; s++) {
            LotsLeft left = LotsLeft.of(series(12, 600 + s, i -> 40 - 0.6 * i), 40 - 0.6 * 25);
            if (left.lots().isPresent()) {
                said++;
                held += left.fewest().orElseThrow() <= 14 && left.most().orElse(1e9) >= 14 ? 1 : 0;
            }
        }
        assertThat(said).isGreaterThan(350);
        assertThat(held / (double) said).isGreaterThanOrEqualTo(0.9);
    }
}
