package org.ysometron.bench;

import java.util.EnumSet;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.MeanVerdict;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.drift.AverageRunLength;
import org.ysometron.core.drift.ChartConstants;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.RunRule;
import org.ysometron.core.drift.Signal;
import org.ysometron.core.plan.Power;
import org.ysometron.core.statistics.ToleranceFactor;

/** What the kernels behind a page cost. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class CoreBenchmark {

    private final double[] lots = new Random(1).doubles(5000, 27, 30).toArray();
    private final double[] million = java.util.stream.DoubleStream.generate(new Random(2)::nextGaussian)
            .limit(1_000_000)
            .toArray();
    private long asked;
    private final Evidence five = Evidence.of(26.1, 25.4, 26.8, 25.9, 26.2);
    private final Requirement claim = Requirement.atLeast(24, "MPa", 5);

    @Benchmark
    public Judgement verdictOfFive() {
        return MeanVerdict.of(claim, five);
    }

    @Benchmark
    public java.util.List<Signal> rulesOnFiveThousandLots() {
        return RunRule.signals(lots, 28.5, 0.5, RunRule.USUAL);
    }

    @Benchmark
    public IndividualsLimits limitsOfFiveThousandLots() {
        return IndividualsLimits.of(lots, "MPa");
    }

    @Benchmark
    public ChartConstants constantsOfTen() {
        return ChartConstants.of(10);
    }

    /** Another share each time, so that none is remembered. */
    @Benchmark
    public double toleranceFactorOfFive() {
        asked++;
        return ToleranceFactor.oneSided(5, 0.95 + asked * 1e-12, 0.95);
    }

    @Benchmark
    public double toleranceFactorOfFiveTwoSided() {
        asked++;
        return ToleranceFactor.twoSided(5, 0.95 + asked * 1e-12, 0.95);
    }

    @Benchmark
    public java.util.OptionalInt specimensNeeded() {
        return Power.specimens(1, 0.8, 0.8, 0.95);
    }

    @Benchmark
    public java.util.List<Signal> everyRuleOnAMillionPoints() {
        return RunRule.signals(million, 0, 1, EnumSet.allOf(RunRule.class));
    }

    /** Beside it: no more than the mean and the mean moving range of the same points. */
    @Benchmark
    public double barePassOverAMillionPoints() {
        double sum = 0;
        double ranges = 0;
        for (int i = 0; i < million.length; i++) {
            sum += million[i];
            ranges += i == 0 ? 0 : Math.abs(million[i] - million[i - 1]);
        }
        return sum / million.length + ranges / (million.length - 1);
    }

    @Benchmark
    public double runLengthOfAnEwma() {
        return AverageRunLength.ewma(0.2, 2.962, 0);
    }
}
