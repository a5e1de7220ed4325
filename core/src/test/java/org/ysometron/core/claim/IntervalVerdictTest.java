package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.claim.Evidence.Interval;

/** Results of which only a step that held and a step that did not is known (sign test; n = 5 keeps 1 − ½⁵ = 0.96875). */
class IntervalVerdictTest {

    private static Evidence evidence(double... ends) {
        List<Interval> intervals = new ArrayList<>();
        for (int i = 0; i < ends.length; i += 2) {
            intervals.add(new Interval(ends[i], ends[i + 1]));
        }
        return new Evidence(new double[0], new double[0], 0, 0, Optional.empty(), intervals);
    }

    private static Requirement atLeast(double edge) {
        return new Requirement(OptionalDouble.of(edge), OptionalDouble.empty(), "N·m", 5, 0.95);
    }

    /** Held at 1.6, failed at 1.8: at least 1.6 is borne by five, at least 1.7 is not known, at least 1.9 is denied. */
    @ParameterizedTest
    @CsvSource({"1.6, SUPPORTED", "1.5, SUPPORTED", "1.7, OPEN", "1.61, OPEN", "1.8, OPEN", "1.81, CONTRADICTED"})
    void fiveThreadsAlike(double claimed, Verdict verdict) {
        Judgement judged = MeanVerdict.of(atLeast(claimed), evidence(1.6, 1.8, 1.6, 1.8, 1.6, 1.8, 1.6, 1.8, 1.6, 1.8));

        assertThat(judged.verdict()).isEqualTo(verdict);
    }

    /** The least of all lows and the most of all highs are what is known; four are too few, and one more would do. */
    @Test
    void bothEndsAreUsed() {
        Evidence five = evidence(1.6, 1.8, 1.8, 2.0, 1.4, 1.6, 1.6, 1.8, 1.6, 1.8);
        Judgement judged = MeanVerdict.of(atLeast(1.4), five);

        assertThat(judged.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(judged.lower()).hasValue(1.4);
        assertThat(judged.upper()).hasValue(2.0);
        assertThat(judged.n()).isEqualTo(5);
        assertThat(judged.bounds()).isEqualTo(5);
        assertThat(judged.reason()).contains("5 of 5 results are known between two steps", "1.400 N·m and 2.000 N·m");
        assertThat(judged.working().steps())
                .anySatisfy(step -> assertThat(step.numbers()).startsWith("1.600 to 1.800; 1.800 to 2.000"));
        Judgement four = MeanVerdict.of(atLeast(1.4), evidence(1.6, 1.8, 1.8, 2.0, 1.4, 1.6, 1.6, 1.8));
        assertThat(four.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(four.moreSpecimens()).hasValue(1);
        assertThat(four.lower()).isEmpty();
    }

    /** Moved at the first step already: below it, and nobody knows how far; held to the end: above it. */
    @Test
    void whatEndsOnOneSideOnlyBoundsThatSide() {
        double none = Double.NEGATIVE_INFINITY;
        Evidence below = evidence(none, 60, none, 60, 55, 60, 55, 60, 50, 55);
        assertThat(MeanVerdict.of(atLeast(45), below).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(MeanVerdict.of(atLeast(65), below).verdict()).isEqualTo(Verdict.CONTRADICTED);
        Judgement judged = MeanVerdict.of(atLeast(45), below);
        assertThat(judged.lower()).isEmpty();
        assertThat(judged.upper()).hasValue(60);
        assertThat(judged.reason()).contains("nothing known");
        Evidence mixed = new Evidence(
                new double[] {62},
                new double[] {70, 70},
                0,
                0,
                Optional.empty(),
                below.intervals().subList(2, 4));
        assertThat(MeanVerdict.of(atLeast(55), mixed).verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(MeanVerdict.of(atLeast(65), mixed).verdict()).isEqualTo(Verdict.OPEN);
        assertThat(MeanVerdict.of(atLeast(55), mixed).upper()).isEmpty();
    }

    /** The calibration that all share moves both ends by z·u, z = 1.645 for 95 % (any table of the normal). */
    @Test
    void calibrationMovesBothEnds() {
        Evidence uncertain = new Evidence(
                new double[0],
                new double[0],
                0,
                0.1,
                Optional.empty(),
                evidence(1.6, 1.8, 1.6, 1.8, 1.6, 1.8, 1.6, 1.8, 1.6, 1.8).intervals());
        Judgement judged = MeanVerdict.of(atLeast(1.4), uncertain);

        assertThat(judged.lower().getAsDouble()).isCloseTo(1.6 - 0.1645, within(1e-4));
        assertThat(judged.upper().getAsDouble()).isCloseTo(1.8 + 0.1645, within(1e-4));
        assertThat(judged.verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(MeanVerdict.of(atLeast(1.5), uncertain).verdict()).isEqualTo(Verdict.OPEN);
    }

    @Test
    void anIntervalEndsAboveWhereItBegins() {
        for (double[] ends : new double[][] {{2, 2}, {2, 1}, {1, Double.POSITIVE_INFINITY}, {Double.NaN, 1}}) {
            assertThatThrownBy(() -> new Interval(ends[0], ends[1])).hasMessageContaining("an interval ends above");
        }
        assertThat(RatioVerdict.of(atLeast(0.5), evidence(1, 2, 1, 2), evidence(1, 2, 1, 2), 0, Looks.ONCE)
                        .verdict())
                .isEqualTo(Verdict.OPEN);
    }

    /** At n = 5 a claim at the true mean is supported, and one just beside it contradicted, in no more than one of twenty. */
    @Test
    @Tag("simulated")
    void itsLevelIsKeptAtFive() {
        Random chance = new Random(1980);
        double truth = 1.7;
        int supported = 0;
        int contradicted = 0;
        int runs = 20_000;
        for (int run = 0; run < runs; run++) {
            double[] ends = new double[10];
            for (int i = 0; i < 5; i++) {
                double fails = truth + 0.1 * chance.nextGaussian();
                ends[2 * i] = Math.floor(fails / 0.02) * 0.02;
                ends[2 * i + 1] = ends[2 * i] + 0.02;
            }
            supported += MeanVerdict.of(atLeast(truth), evidence(ends)).verdict() == Verdict.SUPPORTED ? 1 : 0;
            contradicted += MeanVerdict.of(atLeast(truth), evidence(ends)).verdict() == Verdict.CONTRADICTED ? 1 : 0;
        }
        assertThat(supported / (double) runs).isBetween(0.01, 0.05);
        assertThat(contradicted / (double) runs).isBetween(0.01, 0.05);
    }
}
