package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Evidence.PooledScatter;

class VerificationTest {

    private static final Requirement AT_LEAST_45 = Requirement.atLeast(45, "MPa", 5);

    /** Mean 10, s = √2.5, n = 5: lower bound 8.4925, upper 11.5075 (t(0.95; 4) = 2.1318, worked by hand). */
    private static final Evidence FIVE = Evidence.of(8, 9, 10, 11, 12);

    @Test
    void theBoundNotTheMeanDecides() {
        assertThat(verdict(Requirement.atLeast(8.49, "", 5), FIVE)).isEqualTo(Verdict.SUPPORTED);
        assertThat(verdict(Requirement.atLeast(8.50, "", 5), FIVE)).isEqualTo(Verdict.OPEN);
        assertThat(verdict(Requirement.atLeast(11.50, "", 5), FIVE)).isEqualTo(Verdict.OPEN);
        assertThat(verdict(Requirement.atLeast(11.51, "", 5), FIVE)).isEqualTo(Verdict.CONTRADICTED);
        assertThat(verdict(Requirement.atMost(11.51, "", 5), FIVE)).isEqualTo(Verdict.SUPPORTED);
        assertThat(verdict(Requirement.atMost(8.49, "", 5), FIVE)).isEqualTo(Verdict.CONTRADICTED);
        assertThat(verdict(Requirement.between(8.49, 11.51, "", 5), FIVE)).isEqualTo(Verdict.SUPPORTED);
        assertThat(verdict(Requirement.between(8.49, 11.50, "", 5), FIVE)).isEqualTo(Verdict.OPEN);
        assertThat(verdict(Requirement.between(12, 13, "", 5), FIVE)).isEqualTo(Verdict.CONTRADICTED);
    }

    /** M14: an n below the claim's minimum is never called supported, however tight the values. */
    @Test
    void tooFewSpecimensNeverSupport() {
        Judgement one = MeanVerdict.of(AT_LEAST_45, Evidence.of(80));
        Judgement four = MeanVerdict.of(AT_LEAST_45, Evidence.of(80, 80.1, 79.9, 80));

        assertThat(one.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(one.sd()).isEmpty();
        assertThat(one.lower()).isEmpty();
        assertThat(one.moreSpecimens()).hasValue(4);
        assertThat(four.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(four.reason()).contains("n = 4", "minimum of 5", "1 more specimen.");
        assertThat(four.moreSpecimens()).hasValue(1);
    }

    /** Four alike and one a hair above, read by a gauge with u = 1: the gauge's bound stays, P(Z < 0.20002) = 0.579. */
    @Test
    void valuesThatHardlyScatterAreNoBetterThanTheirGauge() {
        Evidence alike =
                new Evidence(new double[] {50.2, 50.2, 50.2, 50.2, 50.2001}, new double[0], 0, 1, Optional.empty());
        Judgement judgement = MeanVerdict.of(Requirement.atLeast(50, "MPa", 5), alike);

        assertThat(judgement.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(judgement.lower().getAsDouble()).isCloseTo(48.555, within(0.001));
        assertThat(judgement.probability().getAsDouble()).isCloseTo(0.579, within(0.001));
    }

    /** No scatter, and no uncertainty that anybody stated: a reason to ask, not a proof, whatever the last digits are. */
    @Test
    void valuesThatAreAlikeProveNothingByThemselves() {
        for (Evidence alike : java.util.List.of(
                Evidence.of(50.2, 50.2, 50.2, 50.2, 50.2), Evidence.of(50.2, 50.2, 50.2, 50.2, Math.nextUp(50.2)))) {
            Judgement judgement = MeanVerdict.of(Requirement.atLeast(50, "MPa", 5), alike);
            Judgement against = MeanVerdict.of(Requirement.atLeast(60, "MPa", 5), alike);

            assertThat(judgement.verdict()).isEqualTo(Verdict.OPEN);
            assertThat(judgement.reason()).contains("All values are alike", "would be supported");
            assertThat(against.verdict()).isEqualTo(Verdict.OPEN);
        }
        assertThat(RatioVerdict.of(Requirement.atLeast(0.4, "", 3), Evidence.of(24, 24, 24), Evidence.of(50, 50, 50))
                        .verdict())
                .isEqualTo(Verdict.OPEN);
    }

    /** M14: pooled history speaks beside a small n, marked indicative, without deciding. */
    @Test
    void pooledHistoryIsIndicativeOnly() {
        PooledScatter history = new PooledScatter(1.0, 100, 25);
        Evidence one = new Evidence(new double[] {80}, new double[0], 0, 0, Optional.of(history));

        Judgement judgement = MeanVerdict.of(AT_LEAST_45, one);

        assertThat(judgement.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(judgement.working().steps()).anyMatch(step -> step.meaning().contains("25 earlier lots"));
    }

    /** M14: where a site lets it, the scatter of earlier lots carries two specimens, and the verdict says so; one it does not. */
    @Test
    void pooledHistoryCarriesAFewWhereTheSiteLetsIt() {
        PooledScatter history = new PooledScatter(1.0, 100, 25).carrying();
        Judgement two = MeanVerdict.of(
                AT_LEAST_45, new Evidence(new double[] {48.2, 47.1}, new double[0], 0, 0, Optional.of(history)));
        Judgement one =
                MeanVerdict.of(AT_LEAST_45, new Evidence(new double[] {80}, new double[0], 0, 0, Optional.of(history)));
        Judgement wide = MeanVerdict.of(
                AT_LEAST_45, new Evidence(new double[] {53, 47.1}, new double[0], 0, 0, Optional.of(history)));

        assertThat(two.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(two.reason())
                .startsWith("n = 2 is below the claim's least of 5; carried by the scatter within 25 earlier lots");
        Judgement beside = MeanVerdict.of(
                AT_LEAST_45,
                new Evidence(
                        new double[] {48.2, 47.1}, new double[0], 0, 0, Optional.of(new PooledScatter(1.0, 100, 25))));
        assertThat(beside.verdict()).as("where the site does not let it").isEqualTo(Verdict.OPEN);
        assertThat(one.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(wide.verdict()).as("scatters more than the lots before").isEqualTo(Verdict.OPEN);
        assertThat(new PooledScatter(1, 9, 3).carrying().carries()).isFalse();
    }

    /** A lot on the claim's edge is supported wrongly in no more than one of twenty, with two, three or four specimens and an estimated history. */
    @Test
    void whatIsCarriedKeepsItsLevel() {
        java.util.SplittableRandom random = new java.util.SplittableRandom(14);
        for (int n : new int[] {2, 3, 4}) {
            int lots = 6000;
            int wrong = 0;
            for (int lot = 0; lot < lots; lot++) {
                double squares = 0;
                for (int i = 0; i < 12; i++) {
                    double z = random.nextGaussian();
                    squares += z * z;
                }
                double[] values = java.util.stream.IntStream.range(0, n)
                        .mapToDouble(i -> 45 + random.nextGaussian())
                        .toArray();
                PooledScatter history = new PooledScatter(Math.sqrt(squares / 12), 12, 3).carrying();
                wrong += verdict(AT_LEAST_45, new Evidence(values, new double[0], 0, 0, Optional.of(history)))
                                == Verdict.SUPPORTED
                        ? 1
                        : 0;
            }
            assertThat((double) wrong / lots).as("n = " + n).isBetween(0.03, 0.05 + 3 * Math.sqrt(0.05 * 0.95 / lots));
        }
    }

    @Test
    void tooFewMayStillContradict() {
        assertThat(verdict(AT_LEAST_45, Evidence.of(20, 20.1, 19.9))).isEqualTo(Verdict.CONTRADICTED);
    }

    @Test
    void nothingTestedIsItsOwnVerdict() {
        assertThat(verdict(AT_LEAST_45, Evidence.of())).isEqualTo(Verdict.NOT_TESTED);
        Evidence slipped = new Evidence(new double[0], new double[0], 3, 0, Optional.empty());
        assertThat(MeanVerdict.of(AT_LEAST_45, slipped).reason()).contains("3 tested, all excluded");
    }

    /** Open says how many more should settle it: the first N whose bound, at the same mean and s, clears the edge. */
    @Test
    void openTellsHowManyMore() {
        Judgement open = MeanVerdict.of(Requirement.atLeast(9, "", 5), FIVE);

        assertThat(open.verdict()).isEqualTo(Verdict.OPEN);
        // mean − edge = 1, s = 1.5811: t(N−1)·s/√N ≤ 1 first at N = 9 (t(8) = 1.8595 → 0.980); N = 8 gives 1.059.
        assertThat(open.moreSpecimens()).hasValue(4);
        assertThat(open.reason()).contains("4 more specimens should settle it");
    }

    @Test
    void whenTheGaugesOwnUncertaintyHidesTheEdgeNoNumberSettlesIt() {
        Evidence coarse = new Evidence(FIVE.values(), new double[0], 0, 2.0, Optional.empty());

        Judgement open = MeanVerdict.of(Requirement.atLeast(9, "", 5), coarse);

        assertThat(open.moreSpecimens()).isEmpty();
        assertThat(open.reason()).contains("not expected to settle");
    }

    /** M2, M4: specimens that never broke support a minimum claim; 1 − ½⁵ = 96.9 % by order statistics. */
    @Test
    void survivorsSupportAMinimumClaim() {
        Evidence five = new Evidence(new double[0], new double[] {50, 50, 50, 50, 50}, 0, 0, Optional.empty());
        Evidence four = new Evidence(new double[0], new double[] {50, 50, 50, 50}, 0, 0, Optional.empty());

        assertThat(verdict(AT_LEAST_45, five)).isEqualTo(Verdict.SUPPORTED);
        assertThat(verdict(Requirement.atLeast(45, "MPa", 3), four)).isEqualTo(Verdict.OPEN);
        assertThat(MeanVerdict.of(Requirement.atLeast(45, "MPa", 3), four).moreSpecimens())
                .hasValue(1);
        // They contradict a maximum by the same reasoning.
        assertThat(verdict(Requirement.atMost(45, "MPa", 5), five)).isEqualTo(Verdict.CONTRADICTED);
        assertThat(verdict(Requirement.atMost(45, "MPa", 5), four)).isEqualTo(Verdict.OPEN);
        assertThat(verdict(Requirement.atLeast(51, "MPa", 5), five)).isEqualTo(Verdict.OPEN);
    }

    /** M2: a bound is never averaged as if it were a value. The mean: R survival, survreg of a normal population. */
    @Test
    void boundsAreNotAveraged() {
        Evidence mixed = new Evidence(new double[] {48, 49, 50}, new double[] {50.5, 50.5}, 0, 0, Optional.empty());

        Judgement judgement = MeanVerdict.of(AT_LEAST_45, mixed);

        assertThat(judgement.bounds()).isEqualTo(2);
        assertThat(judgement.mean().getAsDouble()).isCloseTo(50.0056449251, within(1e-8));
        assertThat(judgement.verdict()).isEqualTo(Verdict.SUPPORTED);
        // Taken for values the bounds would contradict a claim of 52; that they were not reached leaves it open.
        Requirement claim = Requirement.atLeast(52, "MPa", 5);
        assertThat(MeanVerdict.of(claim, Evidence.of(48, 49, 50, 50.5, 50.5)).verdict())
                .isEqualTo(Verdict.CONTRADICTED);
        assertThat(MeanVerdict.of(claim, mixed).verdict()).isEqualTo(Verdict.OPEN);
    }

    @Test
    void ratioIsJudgedOnItsOwnBounds() {
        Evidence upright = Evidence.of(28.1, 29.0, 27.5, 28.8, 28.2);
        Evidence flat = Evidence.of(55.1, 54.2, 56.0, 55.5, 54.9);

        assertThat(RatioVerdict.of(Requirement.atLeast(0.45, "", 5), upright, flat)
                        .verdict())
                .isEqualTo(Verdict.SUPPORTED);
        assertThat(RatioVerdict.of(Requirement.atLeast(0.51, "", 5), upright, flat)
                        .verdict())
                .isEqualTo(Verdict.OPEN);
        assertThat(RatioVerdict.of(Requirement.atLeast(0.60, "", 5), upright, flat)
                        .verdict())
                .isEqualTo(Verdict.CONTRADICTED);
        assertThat(RatioVerdict.of(Requirement.atLeast(0.45, "", 5), upright, Evidence.of())
                        .verdict())
                .isEqualTo(Verdict.NOT_TESTED);
        assertThat(RatioVerdict.of(Requirement.atLeast(0.45, "", 6), upright, flat)
                        .verdict())
                .isEqualTo(Verdict.OPEN);
    }

    @Test
    void conditionsThatDifferAreNamed() {
        Conditions claimed =
                new Conditions("tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, 5, "bar 4×4 rev 1");
        Conditions tested =
                new Conditions("tension", Basis.AS_PRINTED, Orientation.ZX, Conditioning.DRY, 50, "bar 4×4 rev 1");

        assertThat(claimed.compare(claimed)).isEmpty();
        assertThat(claimed.compare(tested))
                .extracting(Conditions.Mismatch::condition, Conditions.Mismatch::blocking)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("basis", true),
                        org.assertj.core.groups.Tuple.tuple("orientation", true),
                        org.assertj.core.groups.Tuple.tuple("rate", false));
        assertThat(Verification.notComparable(claimed.compare(tested), 0).reason())
                .contains("claimed XY flat, tested ZX upright");
    }

    @Property(tries = 200)
    void aLowerClaimIsNeverHarderToBear(@ForAll @DoubleRange(min = 5, max = 15) double edge) {
        Verdict here = verdict(Requirement.atLeast(edge, "", 5), FIVE);
        Verdict lower = verdict(Requirement.atLeast(edge - 0.5, "", 5), FIVE);

        assertThat(lower.ordinal()).isLessThanOrEqualTo(here.ordinal());
    }

    @Test
    void probabilityOfConformityIsOneHalfOnTheEdge() {
        Judgement onEdge = MeanVerdict.of(Requirement.atLeast(10, "", 5), FIVE);

        assertThat(onEdge.probability().getAsDouble()).isCloseTo(0.5, within(1e-9));
    }

    private static Verdict verdict(Requirement claim, Evidence evidence) {
        return MeanVerdict.of(claim, evidence).verdict();
    }

    /** Another rate is a lesser mismatch: the evidence points somewhere and settles nothing. */
    @Test
    void evidenceAtAnotherRateIsIndicative() {
        Conditions claimed = new Conditions("tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, 5, "bar");
        Conditions tested = new Conditions("tension", Basis.SOLID, Orientation.XY, Conditioning.DRY, 50, "bar");
        Judgement plain = MeanVerdict.of(AT_LEAST_45, Evidence.of(80, 80.1, 79.9, 80, 80.2));

        Judgement judgement = Verification.indicative(plain, claimed.compare(tested));

        assertThat(plain.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(judgement.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(judgement.reason()).contains("Indicative only", "5 mm/min", "50 mm/min", "would be supported");
        assertThat(judgement.moreSpecimens()).isEmpty();
        assertThat(Verification.indicative(plain, claimed.compare(claimed))).isEqualTo(plain);
    }

    /** A gauge's error cancels in a ratio only where both sides were measured with it: u² = u_r² + u_cal². */
    @Test
    void aRatioAcrossTwoGaugesCarriesTheirCalibration() {
        Evidence above = Evidence.of(28, 28.4, 27.6, 28.2, 27.8);
        Evidence below = Evidence.of(55, 55.4, 54.6, 55.2, 54.8);
        Requirement claim = Requirement.atLeast(0.5, "", 5);

        Judgement same = RatioVerdict.of(claim, above, below);
        Judgement apart = RatioVerdict.of(claim, above, below, 0.02, Looks.ONCE);

        assertThat(same.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(apart.verdict()).isEqualTo(Verdict.OPEN);
        // With ν large the one-sided 95 % factor is close to 1.645: r·exp(−1.645·√(0.00567² + 0.02²)) = 0.4919,
        // worked by hand.
        assertThat(apart.lower().getAsDouble()).isCloseTo(0.4919, within(0.0002));
    }

    /** Every part: x̄ − k·s with k = 4.203 for n = 5 at 95 %/95 % (ISO 16269-6, printed tables); x̄ 55.14, s 0.67305. */
    @Test
    void everyPartIsJudgedByTheToleranceBound() {
        double[] values = {55.1, 54.2, 56.0, 55.5, 54.9};

        Judgement near = PartsVerdict.of(Requirement.atLeast(53, "MPa", 5), Evidence.of(values));
        Judgement far = PartsVerdict.of(Requirement.atLeast(52, "MPa", 5), Evidence.of(values));
        Judgement out = PartsVerdict.of(Requirement.atLeast(58, "MPa", 5), Evidence.of(values));

        assertThat(near.lower().getAsDouble()).isCloseTo(55.14 - 4.203 * 0.67305, within(0.002));
        assertThat(near.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(far.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(out.verdict()).isEqualTo(Verdict.CONTRADICTED);
        assertThat(PartsVerdict.of(Requirement.atLeast(52, "MPa", 5), Evidence.of())
                        .verdict())
                .isEqualTo(Verdict.NOT_TESTED);
    }

    /**
     * Where parts contradict a claim, to the millionth: edges from R, qt with a noncentrality for one (1.7475 and, with a gauge
     * uncertain by 0.003, 1.7499), the two-sided factor by integrate and uniroot for two that lie alike about the mean of 1.752.
     */
    @ParameterizedTest
    @CsvSource({
        "0, -1, 1.74753952115",
        "0.003, -1, 1.74991909147",
        "0, 1, 1.75646047885",
        "0, 0, 0.00687795924",
        "0.003, 0, 0.00415789047"
    })
    void partsContradictJustWhereTheyShould(double calibration, int side, double edge) {
        Evidence parts = new Evidence(
                new double[] {1.748, 1.752, 1.751, 1.749, 1.75, 1.762},
                new double[0],
                0,
                calibration,
                Optional.empty());
        double grain = 1e-6;
        Requirement outside;
        Requirement inside;
        if (side < 0) {
            outside = Requirement.atLeast(edge + grain, "mm", 2);
            inside = Requirement.atLeast(edge - grain, "mm", 2);
        } else if (side > 0) {
            outside = Requirement.atMost(edge - grain, "mm", 2);
            inside = Requirement.atMost(edge + grain, "mm", 2);
        } else {
            outside = Requirement.between(1.752 - edge + grain, 1.752 + edge - grain, "mm", 2);
            inside = Requirement.between(1.752 - edge - grain, 1.752 + edge + grain, "mm", 2);
        }
        assertThat(PartsVerdict.of(outside, parts).verdict()).isEqualTo(Verdict.CONTRADICTED);
        assertThat(PartsVerdict.of(inside, parts).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(PartsVerdict.of(outside, parts).reason()).contains("more than 5 % of all lie outside");
    }

    /** M58: a length is judged by the share of it outside, and one spool is said to be one. */
    @Test
    void aLengthIsJudgedByItsShareOutside() {
        Requirement claim = Requirement.between(1.70, 1.80, "mm", 1);

        // One part in a thousand is the most: with it supported, with the next contradicted, by its own figure.
        assertThat(LengthVerdict.ofLog(claim, new double[] {1.751}, 0.001, "1 spool, 1000000 readings"))
                .satisfies(judgement -> {
                    assertThat(judgement.verdict()).isEqualTo(Verdict.SUPPORTED);
                    assertThat(judgement.reason()).contains("0.1 % of the length", "One spool only");
                });
        assertThat(LengthVerdict.ofLog(claim, new double[] {1.751, 1.752}, 0.00101, "2 spools"))
                .satisfies(judgement -> {
                    assertThat(judgement.verdict()).isEqualTo(Verdict.CONTRADICTED);
                    assertThat(judgement.reason()).doesNotContain("One spool only");
                });
        // A spool whose mean lies outside contradicts, whatever share is said of it; a claim of two spools is not met
        // by one.
        assertThat(LengthVerdict.ofLog(claim, new double[] {1.751, 1.801}, 0, "2 spools")
                        .verdict())
                .isEqualTo(Verdict.CONTRADICTED);
        assertThat(LengthVerdict.ofLog(Requirement.between(1.70, 1.80, "mm", 2), new double[] {1.751}, 0, "1 spool")
                        .verdict())
                .isEqualTo(Verdict.OPEN);
    }

    /** M8: what was made of wet material settles nothing, and says what it would be. */
    @Test
    void provisionalEvidenceSettlesNothing() {
        Judgement plain = MeanVerdict.of(AT_LEAST_45, Evidence.of(80, 80.1, 79.9, 80, 80.2));
        Judgement wet = Verification.provisional(plain, java.util.List.of("material wet or unknown"));

        assertThat(wet.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(wet.reason()).startsWith("Provisional (material wet or unknown): would be supported.");
    }
}
