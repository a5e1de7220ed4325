package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Evidence.Interval;
import org.ysometron.core.statistics.Staircase;

/** Parts that bore a drop or did not: the mean of steps up and down, and what it says of a claim. */
class StaircaseTest {

    private static final double[] HELD = {400, 400, 450, 400, 350, 400, 450, 400, 400, 350};
    private static final double[] FAILED = {450, 500, 450, 450, 400, 500, 450, 450, 400, 450};

    private static Evidence evidence(double[] held, double[] failed) {
        List<Interval> intervals = Arrays.stream(failed)
                .mapToObj(level -> new Interval(Double.NEGATIVE_INFINITY, level))
                .toList();
        return new Evidence(new double[0], held, 0, 0, Optional.empty(), intervals);
    }

    private static Requirement atLeast(double edge) {
        return new Requirement(OptionalDouble.of(edge), OptionalDouble.empty(), "J", 5, 0.95);
    }

    /**
     * Dixon and Mood 1948, from memory: m = y' + d·(A/N ± 1/2), of the rarer answer, its levels counted from the lowest y'. Ten held
     * here at 350, 350, 400 six times and 450 twice: A = 0·2 + 1·6 + 2·2 = 10, so 350 + 50·(10/10 + 1/2) = 425.
     */
    @Test
    void theMeanIsThatOfDixonAndMoodWhereTheStaircaseIsEven() {
        assertThat(Staircase.find(HELD, FAILED).orElseThrow().mean()).isCloseTo(425, within(1e-3));
    }

    @ParameterizedTest
    @CsvSource({"320, SUPPORTED", "340, OPEN", "425, OPEN", "530, CONTRADICTED"})
    void aClaimIsJudgedByTheBoundsOfTheMean(double claimed, Verdict verdict) {
        Judgement judged = MeanVerdict.of(atLeast(claimed), evidence(HELD, FAILED));

        assertThat(judged.verdict()).isEqualTo(verdict);
        assertThat(judged.n()).isEqualTo(20);
        assertThat(judged.bounds()).isEqualTo(20);
        assertThat(judged.lower().getAsDouble()).isBetween(325.0, 335.0);
        assertThat(judged.mean()).isPresent();
        assertThat(judged.working().steps())
                .anySatisfy(step -> assertThat(step.numbers()).startsWith("350.0; 350.0; 400.0"));
    }

    /** Without the staircase half of the parts are "at most", the sign test has nothing to say, and every claim stays open. */
    @Test
    void boundsOfOneKindAreNoStaircase() {
        double[] none = {};
        assertThat(Staircase.find(HELD, none)).isEmpty();
        assertThat(Staircase.find(none, FAILED)).isEmpty();
        assertThat(Staircase.find(new double[] {1, 1}, new double[] {2, 2})).isEmpty();
        assertThat(Staircase.find(new double[] {1, 1, 1}, new double[] {1, 1, 1}))
                .isEmpty();
        // What held lies above what failed: no mean among them is the likeliest.
        assertThat(Staircase.find(new double[] {9, 9, 9}, new double[] {5, 5, 5}))
                .isEmpty();
        assertThat(MeanVerdict.of(atLeast(380), evidence(HELD, none)).upper()).isEmpty();
        Evidence withValue = new Evidence(
                new double[] {420},
                HELD,
                0,
                0,
                Optional.empty(),
                evidence(HELD, FAILED).intervals());
        assertThat(withValue.staircase()).isEmpty();
    }

    /** z = 1.645 for 95 % (any table of the normal): what all share moves both bounds. */
    @Test
    void calibrationMovesBothBounds() {
        Evidence uncertain = new Evidence(
                new double[0],
                HELD,
                0,
                10,
                Optional.empty(),
                evidence(HELD, FAILED).intervals());
        Staircase plain = Staircase.find(HELD, FAILED).orElseThrow();
        Judgement judged = MeanVerdict.of(atLeast(380), uncertain);

        assertThat(judged.lower().getAsDouble()).isCloseTo(plain.lower(0.95) - 16.45, within(0.01));
        assertThat(judged.upper().getAsDouble()).isCloseTo(plain.upper(0.95) + 16.45, within(0.01));
        assertThat(judged.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(judged.moreSpecimens()).isPresent();
    }

    @Test
    void orderUnitAndSideDoNotMatter() {
        Random chance = new Random(7);
        int compared = 0;
        for (int run = 0; run < 100; run++) {
            double[][] answers = staircase(chance, 40, 20 * chance.nextDouble(), 1, 0);
            Optional<Staircase> found = Staircase.find(answers[0], answers[1]);
            if (found.isEmpty() || !found.get().isBounded(0.95)) {
                continue;
            }
            compared++;
            Staircase one = found.get();
            double[] turned = Arrays.stream(answers[0]).map(x -> 1000 - 7 * x).toArray();
            double[] over = Arrays.stream(answers[1]).map(x -> 1000 - 7 * x).toArray();
            Staircase other = Staircase.find(over, turned).orElseThrow();
            assertThat(other.mean()).isCloseTo(1000 - 7 * one.mean(), within(1e-4));
            assertThat(other.lower(0.95)).isCloseTo(1000 - 7 * one.upper(0.95), within(1e-4));
            assertThat(one.lower(0.95)).isLessThan(one.mean());
            assertThat(one.upper(0.99)).isGreaterThan(one.upper(0.95));
            assertThat(one.chanceBelow(one.mean())).isCloseTo(0.5, within(1e-3));
            assertThat(one.chanceBelow(one.lower(0.95))).isCloseTo(0.05, within(1e-3));
        }
        assertThat(compared).isGreaterThan(50);
    }

    /** Ten parts about one level: as likely as so many tosses of a coin, near enough; the mean is there, its bounds are not. */
    @Test
    void tooFewPartsHaveAMeanAndNoBounds() {
        double[] held = {350, 350, 400, 400, 400};
        double[] failed = {400, 400, 450, 450, 450};
        Judgement judged = MeanVerdict.of(atLeast(100), evidence(held, failed));

        assertThat(judged.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(judged.mean().getAsDouble()).isBetween(375.0, 425.0);
        assertThat(judged.lower()).isEmpty();
        assertThat(judged.upper()).isEmpty();
        assertThat(judged.reason()).contains("10 parts in steps have a mean of", "but no bounds yet", "more like them");
        assertThat(judged.moreSpecimens().getAsInt()).isBetween(2, 10);
    }

    /** Who steps by a hundredth of the scatter learns where the steps were, not where the mean is: nothing is supported by it. */
    @Test
    void stepsFarTooFineSayNothing() {
        Random chance = new Random(3);
        int bounded = 0;
        for (int run = 0; run < 300; run++) {
            double[][] answers = staircase(chance, 10, 500, 100, 0);
            Judgement judged = MeanVerdict.of(atLeast(500), evidence(answers[0], answers[1]));
            bounded += judged.verdict() == Verdict.OPEN ? 0 : 1;
        }
        assertThat(bounded / 300.0).isLessThan(0.1);
    }

    /**
     * A claim at the true mean is supported in no more than one of twenty, and contradicted likewise, from n = 5 on, whatever the
     * scatter is in steps, wherever they begin.
     */
    @ParameterizedTest
    @Tag("simulated")
    @CsvSource({"5, 1, -2", "5, 2, 0", "8, 16, -1", "10, 2, 2", "15, 64, -64", "15, 16, 16", "20, 1, 0", "20, 64, 64"})
    void itsLevelIsKept(int n, double scatter, int start) {
        Random chance = new Random(1948 + n);
        int runs = 1000;
        int supported = 0;
        int contradicted = 0;
        for (int run = 0; run < runs; run++) {
            double truth = 1000 + chance.nextDouble();
            double[][] answers = staircase(chance, n, truth, scatter, start);
            Verdict verdict = MeanVerdict.of(atLeast(truth), evidence(answers[0], answers[1]))
                    .verdict();
            supported += verdict == Verdict.SUPPORTED ? 1 : 0;
            contradicted += verdict == Verdict.CONTRADICTED ? 1 : 0;
        }
        // Three standard deviations of a share of 0.05 in 1000 are 0.021.
        assertThat(supported / (double) runs).isLessThan(0.071);
        assertThat(contradicted / (double) runs).isLessThan(0.071);
    }

    /** Held and failed levels of a staircase of whole steps. */
    private static double[][] staircase(Random chance, int n, double truth, double scatter, int start) {
        double[] held = new double[n];
        double[] failed = new double[n];
        int bore = 0;
        int level = (int) Math.round(truth + start);
        for (int i = 0; i < n; i++) {
            boolean holds = truth + scatter * chance.nextGaussian() > level;
            if (holds) {
                held[bore++] = level++;
            } else {
                failed[i - bore] = level--;
            }
        }
        return new double[][] {Arrays.copyOf(held, bore), Arrays.copyOf(failed, n - bore)};
    }
}
