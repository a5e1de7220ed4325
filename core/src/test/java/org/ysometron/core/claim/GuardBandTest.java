package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class GuardBandTest {

    /** Mean 50, s = 2, n = 5: u = 0.8944. */
    private static final Evidence FIVE = Evidence.of(47.17157287525381, 50, 50, 50, 52.82842712474619);

    private static Judgement judged(double edge, GuardBand band) {
        return MeanVerdict.of(Requirement.atLeast(edge, "MPa", 5).guarded(band), FIVE);
    }

    /** Where each band begins to support: 50 − t·u with t of 4 degrees of freedom, 2.1318 (printed tables) and 2.8693 (R: qt(0.97725, 4)); and the mean itself. */
    @Test
    void eachSupportsFromItsOwnDistanceOn() {
        double u = 2 / Math.sqrt(5);
        double[] from = {50 - 2.1318 * u, 50 - 2.8693 * u, 50};
        for (int i = 0; i < from.length; i++) {
            GuardBand band = GuardBand.values()[i];
            assertThat(judged(from[i] - 0.001, band).verdict()).as(band.words()).isEqualTo(Verdict.SUPPORTED);
            assertThat(judged(from[i] + 0.001, band).verdict())
                    .as(band.words())
                    .isEqualTo(band == GuardBand.NONE ? Verdict.CONTRADICTED : Verdict.OPEN);
        }
        assertThat(judged(50, GuardBand.NONE).verdict())
                .as("on the edge it is met")
                .isEqualTo(Verdict.SUPPORTED);
        assertThat(judged(50 + 2.8693 * u + 0.001, GuardBand.EXPANDED).verdict())
                .isEqualTo(Verdict.CONTRADICTED);
    }

    /** Told beside a verdict by its probability alone, each band says what judging with it says; a wider one never accepts more. */
    @Test
    void whatIsToldBesideIsWhatJudgingSays() {
        SplittableRandom chance = new SplittableRandom(141);
        int apart = 0;
        for (int run = 0; run < 400; run++) {
            double[] values = chance.doubles(3 + run % 6, 40, 60).toArray();
            double edge = 44 + 12 * chance.nextDouble();
            Requirement claim = run % 2 == 0 ? Requirement.atLeast(edge, "", 3) : Requirement.atMost(edge, "", 3);
            Judgement once = MeanVerdict.of(claim, Evidence.of(values));
            int accepted = 0;
            for (GuardBand band : GuardBand.values()) {
                Verdict said =
                        MeanVerdict.of(claim.guarded(band), Evidence.of(values)).verdict();
                assertThat(band.verdict(claim, once))
                        .as(Arrays.toString(values))
                        .contains(said);
                accepted += said == Verdict.SUPPORTED ? 1 : 0;
            }
            apart += accepted == 1 || accepted == 2 ? 1 : 0;
            boolean strict = GuardBand.EXPANDED.verdict(claim, once).orElseThrow() == Verdict.SUPPORTED;
            assertThat(!strict || accepted == 3).isTrue();
        }
        assertThat(apart).as("cases in which the bands differ").isGreaterThan(50);
    }

    /** None makes no verdict of too few, of a look that nobody planned, or of values without a mean. */
    @Test
    void noBandIsNoLicence() {
        Requirement claim = Requirement.atLeast(45, "MPa", 6).guarded(GuardBand.NONE);
        assertThat(MeanVerdict.of(claim, FIVE).verdict()).as("five of six").isEqualTo(Verdict.OPEN);
        assertThat(GuardBand.NONE.verdict(claim, MeanVerdict.of(claim, FIVE))).isEmpty();
        Requirement five = Requirement.atLeast(45, "MPa", 5).guarded(GuardBand.NONE);
        assertThat(MeanVerdict.of(five, FIVE, new Looks(1, 3)).verdict()).isEqualTo(Verdict.OPEN);
        Evidence survivors =
                new Evidence(new double[0], new double[] {50, 50, 50, 50}, 0, 0, java.util.Optional.empty());
        Judgement few = MeanVerdict.of(Requirement.atLeast(45, "MPa", 4).guarded(GuardBand.NONE), survivors);
        assertThat(few.verdict()).as("1 − ½⁴ is below 95 %").isEqualTo(Verdict.OPEN);
        assertThat(GuardBand.beside(claim, few)).isEmpty();
    }

    /** What is open for another reason than its band is not told as if the bands had said so. */
    @Test
    void whatElseIsInTheWayIsToldApart() {
        Requirement claim = Requirement.atLeast(45, "MPa", 5);
        Judgement judged = MeanVerdict.of(claim, FIVE);
        assertThat(GuardBand.beside(claim, judged).orElseThrow())
                .endsWith("Guard band here: 1.645 u; by any other the verdict is the same.");
        assertThat(GuardBand.beside(claim, Verification.provisional(judged, java.util.List.of("wet")))
                        .orElseThrow())
                .endsWith(
                        "judged once, and with nothing else in the way: 1.645 u: supported; U, which is 2 u: supported;"
                                + " none, as measured: supported.");
    }

    /** Two edges: each band keeps both; the margin is that of what decides. */
    @Test
    void theMarginIsThatOfWhatDecides() {
        Requirement between = Requirement.between(49.5, 60, "MPa", 5);
        assertThat(MeanVerdict.of(between.guarded(GuardBand.ONE_SIDED), FIVE).verdict())
                .isEqualTo(Verdict.OPEN);
        Judgement asMeasured = MeanVerdict.of(between.guarded(GuardBand.NONE), FIVE);
        assertThat(asMeasured.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(asMeasured.reason()).startsWith("As measured, without a guard band, the mean is 50");
        assertThat(asMeasured.lower()).as("the bounds are shown all the same").hasValueCloseTo(48.093, within(0.001));
        assertThat(Margin.of(between.guarded(GuardBand.NONE), asMeasured)
                        .orElseThrow()
                        .distance())
                .isCloseTo(0.5, within(1e-9));
        assertThat(Margin.of(between, asMeasured).orElseThrow().distance()).isNegative();
        assertThat(GuardBand.beside(between.guarded(GuardBand.NONE), asMeasured).orElseThrow())
                .startsWith("Accepted, it would be wrong with a probability of 30.")
                .endsWith("judged once: 1.645 u: open; U, which is 2 u: open.");
        assertThat(between.upper()).isEqualTo(OptionalDouble.of(60));
    }
}
