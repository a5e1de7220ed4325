package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.Function;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.statistics.CensoredNormal;
import org.ysometron.core.statistics.LooksSpending;
import org.ysometron.core.statistics.MeanBounds;
import org.ysometron.core.statistics.ShareInside;
import org.ysometron.core.statistics.Summary;

/**
 * What each rule really does at five specimens, by simulation with a fixed seed: on the edge of a claim no verdict is wrong more
 * often than one in twenty, within three standard errors of the number of runs.
 */
@Timeout(120)
class LevelsTest {

    /** Runs of thousands, which mutation testing leaves out. */
    private static final String SIMULATED = "simulated";

    private static final int RUNS = Integer.getInteger("levels.runs", 4000);
    private static final double ALLOWED = 0.05 + 3 * Math.sqrt(0.05 * 0.95 / RUNS);
    private static final NormalDistribution NORMAL = new NormalDistribution();

    private static double[] draw(Random random, int n, double mean, double sd) {
        return random.doubles(n)
                .map(p -> mean + sd * NORMAL.inverseCumulativeProbability(Math.max(1e-12, p)))
                .toArray();
    }

    private static double share(long seed, Function<Random, Boolean> run) {
        Random random = new Random(seed);
        int hits = 0;
        for (int i = 0; i < RUNS; i++) {
            hits += run.apply(random) ? 1 : 0;
        }
        return hits / (double) RUNS;
    }

    // ---- every part ----------------------------------------------------------------------------------------------

    /**
     * A population of which just 95 % lie inside two edges, split over them in several ways: neither supported nor contradicted
     * in more than its share. Two one-sided 95/95 bounds would support one in ten of the first.
     */
    @Tag(SIMULATED)
    @ParameterizedTest
    @CsvSource({"5, 0.025", "5, 0.01", "5, 0.0001", "20, 0.025", "20, 0.01", "3, 0.025"})
    void aPopulationOnTheEdgeOfBoth(int n, double below) {
        double low = NORMAL.inverseCumulativeProbability(below);
        double high = -NORMAL.inverseCumulativeProbability(0.05 - below);
        Requirement claim = Requirement.between(low, high, "", 2);
        settlesNoMoreThanItMay(n, random -> PartsVerdict.of(claim, Evidence.of(draw(random, n, 0, 1))));
    }

    /** With one edge the pivot is the noncentral t test: as often as was asked for, neither more nor less. */
    @Tag(SIMULATED)
    @Test
    void withOneEdgeTheShareIsExact() {
        double edge = NORMAL.inverseCumulativeProbability(0.05);
        double wrong = share(3, random -> {
            Summary summary = Summary.of(draw(random, 5, 0, 1));
            return new ShareInside(summary, OptionalDouble.of(edge), OptionalDouble.empty(), 0).confidence(0.95)
                    <= 0.05;
        });
        assertThat(wrong).isCloseTo(0.05, within(ALLOWED - 0.05));
    }

    /** A common error of the gauge as large as the scatter is carried: without it one in four would be supported wrongly. */
    @Tag(SIMULATED)
    @Test
    void theGaugesErrorIsCarried() {
        Requirement claim = Requirement.atLeast(NORMAL.inverseCumulativeProbability(0.05), "", 2);
        settlesNoMoreThanItMay(4, random -> {
            double error = random.nextGaussian();
            double[] values =
                    Arrays.stream(draw(random, 5, 0, 1)).map(x -> x + error).toArray();
            return PartsVerdict.of(claim, new Evidence(values, new double[0], 0, 1, Optional.empty()));
        });
    }

    private static void settlesNoMoreThanItMay(long seed, Function<Random, Judgement> run) {
        int[] counts = new int[2];
        share(seed, random -> {
            Verdict verdict = run.apply(random).verdict();
            counts[0] += verdict == Verdict.SUPPORTED ? 1 : 0;
            counts[1] += verdict == Verdict.CONTRADICTED ? 1 : 0;
            return true;
        });
        assertThat(counts[0] / (double) RUNS).as("supported").isLessThanOrEqualTo(ALLOWED);
        assertThat(counts[1] / (double) RUNS).as("contradicted").isLessThanOrEqualTo(ALLOWED);
    }

    /** 1000 parts of which 7.5 % lie outside are not supported; 100 of which 62 % do are contradicted. */
    @Tag(SIMULATED)
    @Test
    void manyPartsSayItPlainly() {
        double[] thousand = new double[1000];
        double[] hundred = new double[100];
        for (int i = 0; i < 1000; i++) {
            thousand[i] = NORMAL.inverseCumulativeProbability((i + 0.5) / 1000);
        }
        for (int i = 0; i < 100; i++) {
            hundred[i] = NORMAL.inverseCumulativeProbability((i + 0.5) / 100);
        }
        double wide = -NORMAL.inverseCumulativeProbability(0.0375);
        double narrow = -NORMAL.inverseCumulativeProbability(0.31);

        assertThat(PartsVerdict.of(Requirement.between(-wide, wide, "", 5), Evidence.of(thousand))
                        .verdict())
                .isEqualTo(Verdict.CONTRADICTED);
        assertThat(PartsVerdict.of(Requirement.between(-narrow, narrow, "", 5), Evidence.of(hundred)))
                .satisfies(judgement -> {
                    assertThat(judgement.verdict()).isEqualTo(Verdict.CONTRADICTED);
                    assertThat(judgement.reason()).contains("more than 5 % of all lie outside");
                });
        assertThat(PartsVerdict.of(Requirement.between(-3, 3, "", 5), Evidence.of(thousand))
                        .verdict())
                .isEqualTo(Verdict.SUPPORTED);
    }

    // ---- specimens that did not break ----------------------------------------------------------------------------

    /** Bounds of the mean of five of which those above a gauge's capacity are only known to be above it. */
    @Tag(SIMULATED)
    @ParameterizedTest
    @CsvSource({"5, 1.5", "5, 0.8", "5, 0.2", "5, -0.3", "10, 0", "10, 1", "3, 0.5"})
    void boundsKeepTheirLevelWhereSomeDidNotBreak(int n, double capacity) {
        int[] counts = new int[2];
        share(n, random -> {
            double[] all = draw(random, n, 0, 1);
            double[] values = Arrays.stream(all).filter(x -> x < capacity).toArray();
            double[] bounds = Arrays.stream(all)
                    .filter(x -> x >= capacity)
                    .map(x -> capacity)
                    .toArray();
            if (values.length < 2) {
                return true;
            }
            CensoredNormal fit = CensoredNormal.fit(values, bounds);
            counts[0] += fit.lower(0.95) > 0 ? 1 : 0;
            counts[1] += fit.upper(0.95) < 0 ? 1 : 0;
            return true;
        });
        // Where fewer than two broke there is no such bound, and nothing can be wrong with it.
        assertThat(counts[0] / (double) RUNS).as("lower").isLessThanOrEqualTo(ALLOWED);
        assertThat(counts[1] / (double) RUNS).as("upper").isLessThanOrEqualTo(ALLOWED);
    }

    /** With nothing censored the bounds are those of Student's t, and the fit that of the textbook. */
    @Test
    void withoutBoundsItIsStudentsT() {
        double[] values = {51, 52, 53, 54, 55};
        CensoredNormal fit = CensoredNormal.fit(values, new double[0]);
        MeanBounds plain = MeanBounds.of(Summary.of(values), 0, 0.95, "");

        assertThat(fit.mean()).isCloseTo(53, within(1e-9));
        assertThat(fit.sd()).isCloseTo(Math.sqrt(2), within(1e-9));
        assertThat(fit.lower(0.95)).isCloseTo(plain.lower(), within(1e-7));
        assertThat(fit.upper(0.95)).isCloseTo(plain.upper(), within(1e-7));
        assertThat(fit.above(plain.lower())).isCloseTo(0.95, within(1e-7));
        assertThat(fit.above(53.7)).isCloseTo(1 - fit.above(52.3), within(1e-9));
    }

    /** Information taken away never tightens: 51 to 55 leaves 51.6 open, and so it does with the last only "at least 55". */
    @Test
    void takingInformationAwayNeverTightens() {
        Requirement claim = Requirement.atLeast(51.6, "", 5);
        Evidence known = Evidence.of(51, 52, 53, 54, 55);
        Evidence less = new Evidence(new double[] {51, 52, 53, 54}, new double[] {55}, 0, 0, Optional.empty());

        assertThat(MeanVerdict.of(claim, known).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(MeanVerdict.of(claim, less).verdict()).isEqualTo(Verdict.OPEN);
        Random random = new Random(11);
        for (int i = 0; i < 300; i++) {
            double[] all = draw(random, 3 + random.nextInt(6), 50, 3);
            Arrays.sort(all);
            int broke = 2 + random.nextInt(all.length - 2);
            CensoredNormal fit =
                    CensoredNormal.fit(Arrays.copyOf(all, broke), Arrays.copyOfRange(all, broke, all.length));
            MeanBounds plain = MeanBounds.of(Summary.of(all), 0, 0.95, "");
            assertThat(fit.lower(0.95)).isLessThanOrEqualTo(plain.lower() + 1e-9);
            assertThat(fit.upper(0.95)).isGreaterThanOrEqualTo(plain.upper() - 1e-9);
        }
    }

    /** Two that broke close together far below what the others carried: the likeliest mean lies far out, and is found. */
    @ParameterizedTest
    @CsvSource({"50, 50.1, 60, 3", "50, 50.001, 80, 3", "50, 50.1, 80, 30", "48, 50, 50.5, 2"})
    void theLikeliestMeanIsFoundHoweverFarItLies(double one, double other, double bound, int bounds) {
        double[] censored = new double[bounds];
        Arrays.fill(censored, bound);
        CensoredNormal fit = CensoredNormal.fit(new double[] {one, other}, censored);
        double best = logLikelihood(one, other, bound, bounds, fit.mean(), fit.sd());

        // Nothing around it is likelier: the equations of the maximum hold, checked by the likelihood itself.
        for (double mu : new double[] {0.99, 0.999, 1.001, 1.01}) {
            for (double sigma : new double[] {0.98, 1, 1.02}) {
                double mean = 50 + (fit.mean() - 50) * mu;
                assertThat(logLikelihood(one, other, bound, bounds, mean, fit.sd() * sigma))
                        .isLessThanOrEqualTo(best + 1e-9);
            }
        }
        assertThat(fit.lower(0.95)).isLessThan(fit.mean());
        assertThat(fit.upper(0.95)).isGreaterThan(fit.mean());
    }

    private static double logLikelihood(double one, double other, double bound, int bounds, double mu, double sigma) {
        double z = (bound - mu) / sigma;
        double tail = z < 30 ? Math.log(NORMAL.cumulativeProbability(-z)) : -z * z / 2 - Math.log(z);
        return -2 * Math.log(sigma)
                - ((one - mu) * (one - mu) + (other - mu) * (other - mu)) / (2 * sigma * sigma)
                + bounds * tail;
    }

    // ---- looking again -------------------------------------------------------------------------------------------

    /** Pocock's constants for one-sided 5 %: 1.875 for two looks, 1.992 for three (Jennison and Turnbull, table 2.1, memory). */
    @ParameterizedTest
    @CsvSource({"1, 1.645", "2, 1.875", "3, 1.992"})
    void theConstantsArePococks(int looks, double constant) {
        assertThat(-NORMAL.inverseCumulativeProbability(LooksSpending.constant(looks, 0.05)))
                .isCloseTo(constant, within(0.001));
    }

    /** A mean on the edge of its claim, looked at as planned whatever the steps: supported in one of twenty, not one of seven. */
    @Tag(SIMULATED)
    @ParameterizedTest
    @CsvSource({"5, 10, 0", "5, 6, 0", "5, 25, 0", "5, 10, 15", "5, 6, 7", "3, 6, 9", "2, 4, 0"})
    void plannedLooksTogetherKeepTheLevel(int first, int second, int third) {
        int planned = third > 0 ? 3 : 2;
        Requirement claim = Requirement.atLeast(0, "", 2);
        double wrong = share(first * 100L + second, random -> {
            double[] all = draw(random, Math.max(second, third), 0, 1);
            return supported(claim, all, first, new Looks(planned))
                    || supported(claim, all, second, new Looks(planned, first))
                    || (third > 0 && supported(claim, all, third, new Looks(planned, first, second)));
        });
        assertThat(wrong).isLessThanOrEqualTo(ALLOWED);
    }

    /** What it was: the same level at each of several looks supports far too much, so the test above can fail. */
    @Tag(SIMULATED)
    @Test
    void unplannedLooksWouldNot() {
        Requirement claim = Requirement.atLeast(0, "", 2);
        double wrong = share(9, random -> {
            double[] all = draw(random, 15, 0, 1);
            return supported(claim, all, 5, Looks.ONCE)
                    || supported(claim, all, 10, Looks.ONCE)
                    || supported(claim, all, 15, Looks.ONCE);
        });
        assertThat(wrong).isGreaterThan(0.08);
    }

    private static boolean supported(Requirement claim, double[] all, int n, Looks looks) {
        return MeanVerdict.of(claim, Evidence.of(Arrays.copyOf(all, n)), looks).verdict() == Verdict.SUPPORTED;
    }

    /** A third look where two were planned settles nothing in the claim's favour; what contradicts still does. */
    @Test
    void aLookThatNobodyPlannedSettlesNothing() {
        double[] values = {55, 56, 54, 55, 55, 56, 54, 55};
        Looks twice = new Looks(2, 4, 6);

        assertThat(MeanVerdict.of(Requirement.atLeast(50, "", 4), Evidence.of(values), twice))
                .satisfies(judgement -> {
                    assertThat(judgement.verdict()).isEqualTo(Verdict.OPEN);
                    assertThat(judgement.reason()).contains("more often than was planned: would be supported");
                });
        assertThat(MeanVerdict.of(Requirement.atLeast(60, "", 4), Evidence.of(values), twice)
                        .verdict())
                .isEqualTo(Verdict.CONTRADICTED);
        assertThat(MeanVerdict.of(Requirement.atLeast(55, "", 4), Evidence.of(values), new Looks(2, 4))
                        .reason())
                .contains("No further look was planned");
    }

    /** How likely it is that the specimens asked for settle it, beside a simulation of just that. */
    @Tag(SIMULATED)
    @ParameterizedTest
    @CsvSource({"9, 0", "8.6, 0", "9.3, 0.2"})
    void howLikelyMoreSettleIt(double edge, double calibration) {
        double[] five = {8, 9, 10, 11, 12};
        Requirement claim = Requirement.atLeast(edge, "", 5);
        Evidence evidence = new Evidence(five, new double[0], 0, calibration, Optional.empty());
        Judgement open = MeanVerdict.of(claim, evidence);
        int more = open.moreSpecimens().orElseThrow();
        double simulated = share(17, random -> {
            double[] all = Arrays.copyOf(five, 5 + more);
            System.arraycopy(draw(random, more, 10, Math.sqrt(2.5)), 0, all, 5, more);
            return MeanVerdict.of(claim, new Evidence(all, new double[0], 0, calibration, Optional.empty()))
                            .verdict()
                    != Verdict.OPEN;
        });
        String said = open.reason().replaceAll("(?s).*\\((\\d+) % likely.*", "$1");

        assertThat(Double.parseDouble(said) / 100).isCloseTo(simulated, within(0.035));
    }
}
