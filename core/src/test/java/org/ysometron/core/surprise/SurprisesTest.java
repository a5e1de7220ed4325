package org.ysometron.core.surprise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.surprise.SetOfResults.Grouping;
import org.ysometron.core.surprise.Surprises.Lot;

/** What is looked for in a lot is found where it was put, and sound lots are left in peace as often as is said. */
class SurprisesTest {

    private static final int LOTS = 1500;

    /** A level of 5 % simulated with so many lots is not exceeded by more than three of its standard errors. */
    private static final double MOST = 0.05 + 3 * Math.sqrt(0.05 * 0.95 / LOTS);

    private static final ToDoubleFunction<SplittableRandom> NORMAL = random -> 50 + 2 * random.nextGaussian();

    /** Weibull of modulus 15, as brittle breaks have: a tail towards the weak side. */
    private static final ToDoubleFunction<SplittableRandom> BRITTLE =
            random -> 50 * Math.pow(-Math.log(1 - random.nextDouble()), 1 / 15.0);

    @ParameterizedTest
    @ValueSource(ints = {5, 10})
    void soundLotsAreCalledSurprisingInOneOfTwentyAtMost(int n) {
        assertThat(share(n, NORMAL, 2)).isLessThan(MOST);
    }

    @Test
    void lotsThatBreakFromTheirWeakestPlaceToo() {
        // Standard deviation of that Weibull: 50·√(Γ(1 + 2/15) − Γ(1 + 1/15)²).
        assertThat(share(5, BRITTLE, 4.0083)).isLessThan(MOST);
    }

    private static double share(int n, ToDoubleFunction<SplittableRandom> chance, double scatter) {
        SplittableRandom random = new SplittableRandom(20 + n);
        int surprising = 0;
        for (int lot = 0; lot < LOTS; lot++) {
            List<SetOfResults> sets = new ArrayList<>();
            for (int set = 0; set < 6; set++) {
                double[] values = values(random, n, chance);
                // What is known of the scatter is an estimate too.
                double known = 0;
                for (int i = 0; i < 80; i++) {
                    double z = random.nextGaussian();
                    known += z * z / 80;
                }
                sets.add(new SetOfResults(
                        values,
                        List.of(
                                new Grouping("sample", halves(n)),
                                new Grouping(
                                        "row",
                                        IntStream.range(0, n).map(i -> i % 2).toArray())),
                        Optional.of(new History(scatter * Math.sqrt(known), 80))));
            }
            long[] readings = Arrays.stream(values(random, 6 * n, NORMAL))
                    .mapToLong(value -> Math.round(value * 100))
                    .toArray();
            Surprises found = Surprises.of(new Lot(
                    sets, List.of(new Surprises.Pair(0, 1)), List.of(new Surprises.Display("force", readings))));
            surprising += found.seen().isEmpty() ? 0 : 1;
        }
        return (double) surprising / LOTS;
    }

    private static int[] halves(int n) {
        return IntStream.range(0, n).map(i -> i < n / 2 ? 0 : 1).toArray();
    }

    private static double[] values(SplittableRandom random, int n, ToDoubleFunction<SplittableRandom> chance) {
        return IntStream.range(0, n)
                .mapToDouble(i -> chance.applyAsDouble(random))
                .toArray();
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 5, 8, 10, 20})
    void soundSetsHaveAnOutlierInOneOfAHundred(int n) {
        SplittableRandom random = new SplittableRandom(n);
        int sets = 20_000;
        int stragglers = 0;
        int outliers = 0;
        for (int i = 0; i < sets; i++) {
            OddResults found = OddResults.of(SetOfResults.of(values(random, n, NORMAL)));
            stragglers += found.odd().isEmpty() ? 0 : 1;
            outliers += found.outliers().isEmpty() ? 0 : 1;
        }
        assertThat((double) stragglers / sets).isBetween(0.03, 0.0545);
        assertThat((double) outliers / sets).isBetween(0.006, 0.012);
    }

    /** The scatter of twenty earlier lots of five, one of ten wild, is no measure that calls a like lot wide or alike more often than it says. */
    @Test
    void theMedianOfEarlierScatterIsAMeasure() {
        SplittableRandom random = new SplittableRandom(3);
        int[] sizes = new int[20];
        Arrays.fill(sizes, 5);
        int sets = 2000;
        int wide = 0;
        int alike = 0;
        for (int i = 0; i < sets; i++) {
            double[] deviations = new double[20];
            for (int lot = 0; lot < 20; lot++) {
                deviations[lot] = (lot % 10 == 0 ? 12 : 1)
                        * Summary.of(values(random, 5, NORMAL)).sd().orElseThrow();
            }
            SetOfResults set = SetOfResults.of(values(random, 5, NORMAL))
                    .with(History.of(deviations, sizes).orElseThrow());
            for (Surprises.Tried one :
                    Surprises.of(new Lot(List.of(set), List.of(), List.of())).tried()) {
                wide += one.look() == Look.WIDE && one.p() < 0.05 ? 1 : 0;
                alike += one.look() == Look.ALIKE && one.p() < 0.05 ? 1 : 0;
            }
        }
        assertThat((double) wide / sets).isBetween(0.02, 0.065);
        assertThat((double) alike / sets).isBetween(0.03, 0.08);
    }

    @Test
    void fewEarlierLotsAreNoMeasure() {
        assertThat(History.of(new double[] {1, 2, 0}, new int[] {5, 5, 5})).isEmpty();
        assertThat(History.of(new double[] {1, 1, 1, 1, 90}, new int[] {5, 5, 5, 5, 5})
                        .orElseThrow()
                        .sd())
                .isCloseTo(1 / Math.sqrt(3.356694 / 4), within(1e-6));
    }

    // ---- what is put in is found ---------------------------------------------------------------------------------

    private static final History KNOWN = new History(1, 80);

    private static List<Look> found(SetOfResults... sets) {
        return Surprises.of(new Lot(List.of(sets), List.of(), List.of())).seen().stream()
                .map(Surprises.Tried::look)
                .toList();
    }

    @Test
    void oneFarBelowFourIsFlaggedByTheScatterOfEarlierLots() {
        double[] values = {52.1, 51.4, 52.9, 52.3, 47.2};
        assertThat(OddResults.of(SetOfResults.of(values)).outliers())
                .as("five by themselves")
                .isEmpty();
        OddResults measured = OddResults.of(SetOfResults.of(values).with(KNOWN));
        assertThat(measured.outliers()).extracting(OddResults.Odd::index).containsExactly(4);
        assertThat(measured.outliers().get(0).others()).isCloseTo(52.175, within(1e-9));
    }

    @Test
    void twoThatHideOneAnotherAreBothFlagged() {
        double[] values = {50.2, 49.7, 50.4, 50.1, 49.9, 50.3, 41.0, 41.3};
        assertThat(OddResults.of(SetOfResults.of(values)).outliers())
                .extracting(OddResults.Odd::index)
                .containsExactlyInAnyOrder(6, 7);
    }

    @Test
    void whereTheOthersAreAlikeToTheDisplaysStepNothingIsFlaggedUnlessTheScatterIsKnown() {
        double[] values = {52, 52, 52, 52, 53};
        assertThat(OddResults.of(SetOfResults.of(values)).steps()).isEmpty();
        assertThat(OddResults.of(SetOfResults.of(50.2, Math.nextUp(50.2), 50.2, Math.nextDown(50.2), 53))
                        .steps())
                .as("alike but for their last digits")
                .isEmpty();
        assertThat(OddResults.of(SetOfResults.of(values).with(KNOWN)).odd()).isEmpty();
        assertThat(OddResults.of(SetOfResults.of(52, 53)).steps()).isEmpty();
        assertThat(OddResults.of(SetOfResults.of()).steps()).isEmpty();
    }

    @Test
    void twoCuresInOneSetAreTwoGroups() {
        SetOfResults set = SetOfResults.of(48.0, 55.1, 47.8, 55.3, 48.3, 55.0, 48.1, 54.8);
        Surprises found = Surprises.of(new Lot(List.of(set), List.of(), List.of()));
        assertThat(found.seen()).extracting(Surprises.Tried::look).containsExactly(Look.TWO_GROUPS);
        assertThat(found.seen().get(0).members()).containsExactlyInAnyOrder(0, 2, 4, 6);
    }

    @Test
    void whatGoesWithSomethingRecordedIsNamedByIt() {
        double[] values = {50.1, 50.4, 49.8, 54.9, 55.3, 55.2};
        int[] spools = {1, 1, 1, 2, 2, 2};
        int[] hands = {7, 7, 7, 4, 4, 4};
        SetOfResults set = new SetOfResults(
                values, List.of(new Grouping("sample", spools), new Grouping("hand", hands)), Optional.empty());
        Surprises found = Surprises.of(new Lot(List.of(set), List.of(), List.of()));
        assertThat(found.tried().stream().filter(one -> one.look() == Look.BY_FACTOR))
                .as("two names of one division are one look")
                .hasSize(1)
                .allSatisfy(one -> assertThat(one.within()).isEqualTo("sample or hand"))
                .allSatisfy(one -> assertThat(one.adjusted()).isLessThan(0.05));
    }

    @Test
    void aGaugeThatWarmsUpIsSeenInTheOrderOfTheTests() {
        assertThat(found(SetOfResults.of(50.0, 50.6, 50.9, 51.6, 52.0, 52.4, 53.1, 53.4)))
                .contains(Look.IN_ORDER);
        assertThat(found(SetOfResults.of(52.0, 50.6, 53.1, 51.6, 50.0, 52.4, 50.9, 53.4)))
                .doesNotContain(Look.IN_ORDER);
    }

    @Test
    void aRowOnAStraightLineIsTheMostSurprisingOrder() {
        assertThat(Surprises.of(new Lot(List.of(SetOfResults.of(50, 51, 52, 53, 54)), List.of(), List.of()))
                        .seen())
                .singleElement()
                .satisfies(one -> {
                    assertThat(one.look()).isEqualTo(Look.IN_ORDER);
                    assertThat(one.statistic()).isCloseTo(1, within(1e-12));
                    assertThat(one.p()).isZero();
                });
    }

    /** What a display rounds to its step is not made two groups, or a leaning mean, by that: whatever the scatter is in steps. */
    @ParameterizedTest
    @ValueSource(doubles = {0.3, 0.6, 1, 2, 4})
    void aCoarseDisplayIsNoSurprise(double scatter) {
        SplittableRandom random = new SplittableRandom(77);
        int lots = 4000;
        int surprising = 0;
        for (int lot = 0; lot < lots; lot++) {
            SetOfResults set =
                    SetOfResults.of(values(random, 10, any -> Math.rint(20.3 + scatter * any.nextGaussian())));
            surprising += found(set).isEmpty() ? 0 : 1;
        }
        assertThat((double) surprising / lots).isLessThan(0.05 + 3 * Math.sqrt(0.05 * 0.95 / lots));
    }

    @Test
    void scatterIsMeasuredByTheEarlierLots() {
        assertThat(found(SetOfResults.of(44.0, 58.1, 51.2, 47.0, 55.5).with(KNOWN)))
                .contains(Look.WIDE);
        assertThat(found(SetOfResults.of(51.00, 51.01, 51.00, 51.02, 51.01).with(KNOWN)))
                .contains(Look.ALIKE);
    }

    /** M19: orientations swapped when they were written down. */
    @Test
    void m19UprightAboveFlatIsASurprise() {
        List<SetOfResults> sets =
                List.of(SetOfResults.of(50.2, 51.0, 49.6, 50.4, 50.1), SetOfResults.of(24.4, 25.1, 23.9, 24.8, 24.0));
        assertThat(Surprises.of(new Lot(sets, List.of(new Surprises.Pair(0, 1)), List.of()))
                        .seen())
                .extracting(Surprises.Tried::look)
                .containsExactly(Look.UPRIGHT);
        assertThat(Surprises.of(new Lot(sets, List.of(new Surprises.Pair(1, 0)), List.of()))
                        .seen())
                .isEmpty();
    }

    @Test
    void readingsThatAllEndInNoughtWereRounded() {
        long[] rounded = IntStream.range(0, 24).mapToLong(i -> 5000 + 130L * i).toArray();
        long[] read = IntStream.range(0, 24).mapToLong(i -> 5000 + 137L * i).toArray();
        assertThat(Surprises.of(new Lot(List.of(), List.of(), List.of(new Surprises.Display("force", rounded))))
                        .seen())
                .extracting(Surprises.Tried::within)
                .containsExactly("force");
        assertThat(Surprises.of(new Lot(List.of(), List.of(), List.of(new Surprises.Display("force", read))))
                        .seen())
                .isEmpty();
    }

    @Test
    void belowItsLeastNumberNothingIsLookedFor() {
        Surprises found = Surprises.of(new Lot(
                List.of(SetOfResults.of(50, 51, 54), SetOfResults.of(), SetOfResults.of(3)),
                List.of(new Surprises.Pair(0, 2)),
                List.of(new Surprises.Display("force", new long[] {1, 2}))));
        assertThat(found.tried()).isEmpty();
        assertThat(found.tooFew())
                .extracting(Surprises.TooFew::look)
                .contains(Look.TWO_GROUPS, Look.LEANS, Look.IN_ORDER, Look.UPRIGHT, Look.DIGITS);
    }

    @Test
    void anOutlierIsNotCalledTwoGroupsOrALeaningMeanAsWell() {
        SetOfResults set = SetOfResults.of(50.2, 49.7, 50.4, 50.1, 49.9, 50.3, 49.8, 50.0, 50.2, 38.0);
        assertThat(OddResults.of(set).outliers()).hasSize(1);
        assertThat(found(set)).isEmpty();
    }

    /** Another unit, or a constant on top, changes nothing of what is found. */
    @Test
    void aSurpriseDoesNotHangOnTheUnit() {
        double[] values = {50.1, 50.4, 49.8, 54.9, 55.3, 55.2, 50.0, 42.2};
        List<Double> in = probabilities(SetOfResults.of(values).with(KNOWN));
        double[] other = Arrays.stream(values).map(value -> 145.038 * value).toArray();
        assertThat(probabilities(SetOfResults.of(other).with(new History(145.038, 80))))
                .usingElementComparator((a, b) -> Math.abs(a - b) < 1e-9 ? 0 : 1)
                .isEqualTo(in);
        double[] shifted = Arrays.stream(values).map(value -> 1000 + value).toArray();
        assertThat(probabilities(SetOfResults.of(shifted).with(KNOWN)))
                .usingElementComparator((a, b) -> Math.abs(a - b) < 1e-6 ? 0 : 1)
                .isEqualTo(in);
    }

    private static List<Double> probabilities(SetOfResults set) {
        List<Double> all = new ArrayList<>(
                OddResults.of(set).steps().stream().map(OddResults.Odd::p).toList());
        Surprises.of(new Lot(List.of(set), List.of(), List.of())).tried().forEach(one -> all.add(one.p()));
        return all;
    }

    @Test
    void whatCannotBeLookedAtIsRefusedByName() {
        assertThatThrownBy(() -> SetOfResults.of(1, Double.NaN)).hasMessageContaining("finite");
        assertThatThrownBy(() -> new SetOfResults(
                        new double[] {1, 2}, List.of(new Grouping("sample", new int[] {1})), Optional.empty()))
                .hasMessageContaining("every value");
        assertThatThrownBy(() -> new History(1, 3)).hasMessageContaining("degrees of freedom");
        assertThatThrownBy(() -> new History(0, 30)).hasMessageContaining("above 0");
        assertThatThrownBy(() -> Surprises.of(new Lot(List.of(), List.of(), List.of()), 1))
                .hasMessageContaining("level");
    }
}
