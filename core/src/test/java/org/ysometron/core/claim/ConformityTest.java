package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A value with its uncertainty against edges (JCGM 106), and what verdicts on ratios and survivors take into account. */
class ConformityTest {

    private static final Conformity BOTH = new Conformity(OptionalDouble.of(9.7), OptionalDouble.of(10.3));

    /** On the guard band's own edge it is kept, as typed: 9.8 is 9.7 + 0.1 though its double is less. */
    @ParameterizedTest
    @CsvSource({
        "9.8, SUPPORTED",
        "9.79, OPEN",
        "9.6, OPEN",
        "9.59, CONTRADICTED",
        "10.2, SUPPORTED",
        "10.21, OPEN",
        "10.4, OPEN",
        "10.41, CONTRADICTED"
    })
    void theGuardBandsEdgesAreKept(double value, Verdict verdict) {
        assertThat(BOTH.verdict(value, 0.1)).isEqualTo(verdict);
    }

    /**
     * A process far inside its edges risks nothing, one measured without error accepts what it should: the limits of both risks.
     * In between they add up: accepted and wrong + refused and right + accepted and right + refused and wrong = 1.
     */
    @Test
    void risksAtTheirLimits() {
        Conformity.Risks exact = BOTH.risks(10, 0.2, 1e-6, 0);
        assertThat(exact.consumer()).isCloseTo(0, within(1e-5));
        assertThat(exact.producer()).isCloseTo(0, within(1e-5));
        Conformity.Risks inside = BOTH.risks(10, 0.001, 0.01, 0);
        assertThat(inside.consumer() + inside.producer() + inside.nonconforming())
                .isCloseTo(0, within(1e-12));
        Conformity.Risks outside = BOTH.risks(20, 0.1, 0.01, 0);
        assertThat(outside.nonconforming()).isEqualTo(1);
        assertThat(outside.consumer()).isCloseTo(0, within(1e-12));
        // Symmetric edges about a centred process: both sides alike, so half of it with one edge.
        Conformity.Risks two = BOTH.risks(10, 0.15, 0.05, 0.03);
        Conformity.Risks one =
                new Conformity(OptionalDouble.of(9.7), OptionalDouble.empty()).risks(10, 0.15, 0.05, 0.03);
        assertThat(two.consumer()).isCloseTo(2 * one.consumer(), within(1e-6));
        assertThat(two.nonconforming()).isCloseTo(2 * one.nonconforming(), within(1e-9));
        for (double wrong : new double[] {0, -1, Double.NaN}) {
            assertThatThrownBy(() -> BOTH.risks(10, wrong, 0.1, 0)).hasMessageContaining("above 0");
            assertThatThrownBy(() -> BOTH.risks(10, 0.1, wrong, 0)).hasMessageContaining("above 0");
            assertThatThrownBy(() -> BOTH.probability(10, wrong)).hasMessageContaining("above 0");
        }
    }

    /** The share beyond an edge of a normal distribution known by u: 2.2750 % beyond two (any table). */
    @Test
    void probabilityOfKeepingAnEdge() {
        Conformity least = new Conformity(OptionalDouble.of(50), OptionalDouble.empty());

        assertThat(least.probability(50.6, 0.3)).isCloseTo(0.97725, within(1e-5));
        assertThat(BOTH.probability(10, 0.3)).isCloseTo(0.682689, within(1e-6));
        assertThat(BOTH.probability(1000, 0.3)).isZero();
    }

    // ---- ratios and survivors ------------------------------------------------------------------------------------

    private static Evidence with(double[] values, double[] bounds, int excluded) {
        return new Evidence(values, bounds, excluded, 0, Optional.empty());
    }

    /** What was left out on either side is counted, and a bound on either side bars a ratio. */
    @Test
    void aRatioCountsBothSides() {
        Requirement claim = Requirement.atLeast(0.4, "", 5);
        double[] upright = {28.1, 29, 27.5, 28.8, 28.2};
        double[] flat = {55.1, 54.2, 56, 55.5, 54.9};

        Judgement judged = RatioVerdict.of(claim, with(upright, new double[0], 1), with(flat, new double[0], 2));
        assertThat(judged.excluded()).isEqualTo(3);
        assertThat(judged.verdict()).isEqualTo(Verdict.SUPPORTED);
        Judgement bound =
                RatioVerdict.of(claim, with(upright, new double[] {30}, 0), with(flat, new double[] {60, 60}, 0));
        assertThat(bound.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(bound.bounds()).isEqualTo(3);
        Judgement two = RatioVerdict.of(
                Requirement.atLeast(0.4, "", 2),
                with(new double[] {28.1, 28.2}, new double[0], 0),
                with(new double[] {55.1, 55.2}, new double[0], 0));
        assertThat(two.verdict()).isEqualTo(Verdict.SUPPORTED);
    }

    /** An edge at zero is met by every ratio from below, by none from above. */
    @Test
    void aRatioIsAboveZero() {
        double[] upright = {28.1, 29, 27.5, 28.8, 28.2};
        double[] flat = {55.1, 54.2, 56, 55.5, 54.9};

        assertThat(RatioVerdict.of(Requirement.atLeast(0, "", 5), Evidence.of(upright), Evidence.of(flat))
                        .probability()
                        .orElseThrow())
                .isEqualTo(1);
        assertThat(RatioVerdict.of(Requirement.atMost(0, "", 5), Evidence.of(upright), Evidence.of(flat))
                        .probability()
                        .orElseThrow())
                .isZero();
    }

    /** Five of five above the edge: 1 − ½⁵ = 0.969 is sure enough, four of four, 0.9375, is not (sign test). */
    @Test
    void survivorsByTheirOrder() {
        Requirement claim = Requirement.atLeast(50, "MPa", 4);
        Judgement four = MeanVerdict.of(claim, with(new double[0], new double[] {52, 53, 54, 55}, 0));
        Judgement five = MeanVerdict.of(claim, with(new double[0], new double[] {52, 53, 54, 55, 56}, 0));

        assertThat(four.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(four.lower()).isEmpty();
        assertThat(four.confidence()).isZero();
        assertThat(four.moreSpecimens()).hasValue(1);
        assertThat(five.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(five.lower()).hasValue(52);
        assertThat(five.confidence()).isEqualTo(0.95);
        // The gauge's own uncertainty moves the least of them: z(0.95) = 1.6449 (any table).
        Judgement read = MeanVerdict.of(
                claim, new Evidence(new double[0], new double[] {52, 53, 54, 55, 56}, 0, 1, Optional.empty()));
        assertThat(read.lower().orElseThrow()).isCloseTo(52 - 1.6449, within(1e-4));
        Judgement doubtful = MeanVerdict.of(
                claim, new Evidence(new double[0], new double[] {52, 53, 54, 55, 56}, 0, 2, Optional.empty()));
        assertThat(doubtful.verdict()).isEqualTo(Verdict.OPEN);
    }

    /** A claim kept at its own other confidence, and values alike just at the edge of what their gauge is uncertain by. */
    @Test
    void aClaimMayBeHeldToAnotherConfidence() {
        assertThat(Requirement.atLeast(50, "MPa", 5).at(0.99).confidence()).isEqualTo(0.99);
        assertThat(Requirement.atLeast(50, "MPa", 5).at(0.99).minimumN()).isEqualTo(5);
        // u of 1 on an edge 1.6449 away is just sure enough for every part alike; a little nearer it is not.
        Requirement every = Requirement.atLeast(50, "MPa", 2);
        assertThat(PartsVerdict.of(every, alike(51.7)).verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(PartsVerdict.of(every, alike(51.6)).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(PartsVerdict.of(every, alike(48.4)).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(PartsVerdict.of(every, alike(48.3)).verdict()).isEqualTo(Verdict.CONTRADICTED);
    }

    private static Evidence alike(double value) {
        return new Evidence(new double[] {value, value, value}, new double[0], 0, 1, Optional.empty());
    }
}
