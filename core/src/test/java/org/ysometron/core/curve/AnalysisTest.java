package org.ysometron.core.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.ysometron.core.curve.Analysis.Point.Kind;

/** Points found on records whose truth was put in. Tolerances: modulus by regression 1 %, by chord 1.5 %, stress 0.3 %, strain at break 0.6 %. */
class AnalysisTest {

    private static final double NOISE = 0.0003;

    private static Analysis of(Synthetic made) {
        return Analysis.of(made.trace(), Synthetic.PIECE);
    }

    static Stream<Synthetic> brittleOnes() {
        return IntStream.range(0, 12)
                .boxed()
                .flatMap(seed -> Stream.of(
                        Synthetic.brittle(2000).noisy(NOISE, seed).broken(150),
                        Synthetic.brittle(6000).withToe(0.04).noisy(NOISE, seed).broken(150),
                        Synthetic.brittle(4000)
                                .withPreload(40)
                                .noisy(NOISE, seed)
                                .broken(20),
                        Synthetic.brittle(4000).noisy(NOISE, seed).uneven(seed).broken(40),
                        Synthetic.brittle(4000).noisy(NOISE, seed).quantised(1).broken(40),
                        Synthetic.brittle(400).quantised(0.5).broken(3),
                        Synthetic.brittle(4000).noisy(NOISE, seed).broken(40).withWildPoint(1500 + seed, 5000),
                        Synthetic.brittle(4000)
                                .withSlip(1200, 0.05)
                                .noisy(NOISE, seed)
                                .broken(40)));
    }

    @ParameterizedTest
    @MethodSource("brittleOnes")
    void aBrittleBreakIsFoundWithItsModulus(Synthetic made) {
        Analysis found = of(made);
        // One straight line in a hundred is refused by a runs test at 1 %: how many, the level test says.
        if (!found.slope().refused().contains("runs test")) {
            assertThat(found.slope().refused()).isEmpty();
            assertThat(found.slope().modulus().orElseThrow()).isCloseTo(2000, Percentage.withPercentage(1));
            assertThat(found.slope().chord().orElseThrow()).isCloseTo(2000, Percentage.withPercentage(1.5));
        }
        assertThat(found.strength()).isCloseTo(50, Percentage.withPercentage(0.3));
        assertThat(found.strainAtBreak().orElseThrow()).isCloseTo(0.025, Percentage.withPercentage(0.6));
        assertThat(found.density()).isCloseTo(0.5 * 50 * 0.025, Percentage.withPercentage(1));
        assertThat(found.yieldStress()).isEmpty();
        assertThat(found.whyNoYield()).containsAnyOf("it broke before it had yielded by 0.2 %", "without a slope");
        assertThat(found.bounded()).isFalse();
    }

    /** The level of the runs test, simulated: of 2000 straight lines with white noise about one in a hundred is refused. */
    @Test
    void aboutOneStraightLineInAHundredIsRefused() {
        long refused = IntStream.range(0, 2000)
                .filter(seed -> !of(Synthetic.brittle(1500).noisy(NOISE, 10_000L + seed))
                        .slope()
                        .refused()
                        .isEmpty())
                .count();
        assertThat(refused).isBetween(5L, 40L);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void coldDrawingYieldsAtItsFirstMaximum(long seed) {
        Analysis found = of(Synthetic.drawing(20_000).noisy(NOISE, seed).broken(500));
        assertThat(found.yieldStress().orElseThrow()).isCloseTo(42, Percentage.withPercentage(0.3));
        assertThat(found.yieldStrain().orElseThrow()).isCloseTo(0.04, Percentage.withPercentage(6));
        assertThat(found.strength()).isCloseTo(42, Percentage.withPercentage(0.3));
        assertThat(found.strainAtBreak().orElseThrow()).isCloseTo(0.7, Percentage.withPercentage(0.6));
        assertThat(found.slope().modulus().orElseThrow()).isCloseTo(2000, Percentage.withPercentage(1));
        assertThat(found.at(Kind.BREAK).orElseThrow().stress()).isCloseTo(33, Percentage.withPercentage(0.5));
        assertThat(found.at(Kind.YIELD).orElseThrow().how()).contains("first maximum");
    }

    /** The law of Ramberg and Osgood with an exponent of 12: the offset yield of 0.2 % is its own parameter, 30 MPa. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void withoutAMaximumAnOffsetIsFound(long seed) {
        Analysis found = of(Synthetic.hardening(5000).noisy(NOISE, seed).broken(60));
        assertThat(found.yieldStress().orElseThrow()).isCloseTo(30, Percentage.withPercentage(1.2));
        assertThat(found.at(Kind.YIELD).orElseThrow().how()).contains("offset of 0.2 %");
        assertThat(found.strength()).isCloseTo(36, Percentage.withPercentage(0.3));
    }

    @Test
    void aSlipIsSaidAndIsNoYieldAndNoBreak() {
        Analysis found = of(Synthetic.brittle(4000).withSlip(1200, 0.05).broken(40));
        assertThat(found.at(Kind.SLIP).orElseThrow().stress()).isCloseTo(30, within(0.1));
        assertThat(found.said()).anySatisfy(said -> assertThat(said).startsWith("A slip of 80 N at 1200 N"));
        assertThat(found.at(Kind.YIELD)).isEmpty();
    }

    /** M2: where the gauge ended nothing is a yield, and the strength is at least what it showed, whether or not its capacity is known. */
    @ParameterizedTest
    @ValueSource(doubles = {0, 1000})
    void m2WhereTheGaugeEndedThereIsNoYield(double capacity) {
        Piece piece = new Piece(
                Synthetic.AREA,
                Synthetic.LENGTH,
                Piece.By.EXTENSOMETER,
                OptionalDouble.empty(),
                capacity == 0 ? OptionalDouble.empty() : OptionalDouble.of(capacity));
        Analysis found = Analysis.of(
                Synthetic.drawing(20_000).noisy(NOISE, 3).cut(1000).broken(100).trace(), piece);
        assertThat(found.bounded()).isTrue();
        assertThat(found.yieldStress()).isEmpty();
        assertThat(found.whyNoYield()).contains("gauge ended");
        assertThat(found.at(Kind.STRENGTH)).isEmpty();
        assertThat(found.at(Kind.PLATEAU).orElseThrow().stress()).isCloseTo(25, within(0.01));
    }

    /** A soft maximum on a display of whole newtons stands still for long as well, and is a yield all the same. */
    @Test
    void aYieldOfWholeNewtonsIsNoPlateau() {
        Analysis found = of(Synthetic.drawing(20_000).quantised(1).broken(100));
        assertThat(found.bounded()).isFalse();
        assertThat(found.yieldStress().orElseThrow()).isCloseTo(42, Percentage.withPercentage(0.3));
    }

    /** M26: of a crosshead there is no modulus, only an apparent one, and an offset that says so. */
    @Test
    void m26ACrossheadGivesNoModulus() {
        Piece piece = new Piece(
                Synthetic.AREA, Synthetic.LENGTH, Piece.By.CROSSHEAD, OptionalDouble.empty(), OptionalDouble.empty());
        Analysis found = Analysis.of(Synthetic.hardening(5000).broken(10).trace(), piece);
        assertThat(found.slope().apparent()).isTrue();
        assertThat(found.slope().title()).isEqualTo("apparent modulus");
        assertThat(found.said()).anySatisfy(said -> assertThat(said).contains("never set against a claim of modulus"));
        assertThat(found.at(Kind.YIELD).orElseThrow().how()).contains("of the crosshead's travel");
    }

    /** A frame that gives way by a known compliance takes nothing from the slope. */
    @Test
    void aKnownComplianceIsSubtracted() {
        double compliance = 2e-4;
        Trace own = Synthetic.brittle(3000).broken(20).trace();
        double[] longer = own.extensions();
        for (int i = 0; i < longer.length; i++) {
            longer[i] += compliance * own.force(i);
        }
        Piece piece = new Piece(
                Synthetic.AREA,
                Synthetic.LENGTH,
                Piece.By.CROSSHEAD,
                OptionalDouble.of(compliance),
                OptionalDouble.empty());
        Analysis found = Analysis.of(Trace.of(own.times().orElseThrow(), own.forces(), longer), piece);
        assertThat(found.slope().modulus().orElseThrow()).isCloseTo(2000, Percentage.withPercentage(0.1));
        assertThat(found.said()).anySatisfy(said -> assertThat(said).contains("was subtracted"));
    }

    @Test
    void aSlopeThatIsNoneIsRefusedWithItsReason() {
        // A toe that reaches into the strains of the modulus.
        assertThat(of(Synthetic.brittle(6000).withToe(0.2).broken(40)).slope().refused())
                .isNotEmpty();
        assertThat(of(Synthetic.brittle(60).broken(3)).slope().refused())
                .contains("points lie between")
                .contains("ten are wanted");
        assertThat(of(Synthetic.brittle(4000).noisy(0.004, 5).broken(40))
                        .slope()
                        .refused())
                .contains("0.999 are wanted");
        Analysis bent = Analysis.of(
                Synthetic.hardening(5000).broken(10).trace(),
                Synthetic.PIECE,
                new Rules(0.0005, 0.0155, Rules.Yield.FOUND, OptionalInt.empty()));
        assertThat(bent.slope().refused()).isNotEmpty();
        assertThat(bent.slope().residuals()).hasSizeBetween(10, Analysis.Slope.SHOWN);
        assertThat(bent.yieldStress()).isEmpty();
        assertThat(bent.whyNoYield()).contains("no offset of 0.2 % without a slope");
    }

    @Test
    void thinnedOrWrittenBackwardsItIsTheSame() {
        Synthetic made = Synthetic.drawing(20_000).noisy(0.0001, 2).broken(200);
        Analysis whole = of(made);
        Analysis back = Analysis.of(made.backwards(), Synthetic.PIECE);
        assertThat(back).isEqualTo(whole);
        Analysis thin = of(made.thinned());
        assertThat(thin.slope().modulus().orElseThrow())
                .isCloseTo(whole.slope().modulus().orElseThrow(), Percentage.withPercentage(0.5));
        assertThat(thin.strength()).isCloseTo(whole.strength(), Percentage.withPercentage(0.1));
        assertThat(thin.energy()).isCloseTo(whole.energy(), Percentage.withPercentage(0.1));
    }

    @Test
    void aBreakThatWasMovedIsTheBreak() {
        Synthetic made = Synthetic.brittle(2000).broken(50);
        Analysis moved = Analysis.of(
                made.trace(), Synthetic.PIECE, new Rules(0.0005, 0.0025, Rules.Yield.NONE, OptionalInt.of(1000)));
        assertThat(moved.strainAtBreak().orElseThrow()).isCloseTo(0.0125, Percentage.withPercentage(0.2));
        assertThat(moved.at(Kind.BREAK).orElseThrow().how()).isEqualTo("moved there by hand");
        assertThat(moved.whyNoYield()).isEqualTo("not looked for");
        assertThatThrownBy(() -> Analysis.of(
                        made.trace(), Synthetic.PIECE, new Rules(0, 0.1, Rules.Yield.NONE, OptionalInt.of(9999))))
                .hasMessageContaining("the break is a point of the record");
    }

    @Test
    void aRecordWithoutABreakSaysSo() {
        Analysis found = of(Synthetic.brittle(2000));
        assertThat(found.strainAtBreak()).isEmpty();
        assertThat(found.said()).contains("It did not break within the record.");
    }

    @Test
    void nothingPulledIsRefused() {
        double[] flat = new double[500];
        double[] along = new double[500];
        java.util.Random chance = new java.util.Random(4);
        for (int i = 0; i < 500; i++) {
            flat[i] = 0.02 * chance.nextGaussian();
            along[i] = 0.01 * i;
        }
        assertThatThrownBy(() -> Analysis.of(Trace.of(new double[0], flat, along), Synthetic.PIECE))
                .hasMessageContaining("nothing was pulled");
        double[] still = new double[500];
        double[] rising = new double[500];
        for (int i = 0; i < 500; i++) {
            rising[i] = i;
        }
        assertThatThrownBy(() -> Analysis.of(Trace.of(new double[0], rising, still), Synthetic.PIECE))
                .hasMessageContaining("does not rise with the extension");
    }

    @Test
    void aTraceThatIsNoneIsRefused() {
        double[] some = new double[30];
        for (int i = 0; i < 30; i++) {
            some[i] = i;
        }
        assertThatThrownBy(() -> Trace.of(new double[0], new double[3], new double[3]))
                .hasMessageContaining("20 to");
        assertThatThrownBy(() -> Trace.of(new double[0], some, new double[29])).hasMessageContaining("29 extensions");
        double[] nan = some.clone();
        nan[7] = Double.NaN;
        assertThatThrownBy(() -> Trace.of(new double[0], nan, some)).hasMessageContaining("point 8");
        double[] huge = some.clone();
        huge[7] = 1e300;
        assertThatThrownBy(() -> Trace.of(new double[0], some, huge))
                .hasMessageContaining("beyond what can be measured");
        double[] standing = some.clone();
        standing[9] = standing[8];
        assertThatThrownBy(() -> Trace.of(standing, some, some)).hasMessageContaining("time stands still");
    }
}
