package org.ysometron.bench;

import java.util.OptionalDouble;
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
import org.ysometron.core.curve.Analysis;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Trace;

/** What the analysis of a record of 20,000 points costs, beside one bare pass over its arrays. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class CurveBenchmark {

    private static final int POINTS = 20_000;

    private final double[] force = new double[POINTS];
    private final double[] extension = new double[POINTS];
    private final Trace trace;
    private final Piece piece =
            new Piece(40, 50, Piece.By.EXTENSOMETER, OptionalDouble.empty(), OptionalDouble.of(2000));

    /** Yields, draws and breaks, with noise. */
    public CurveBenchmark() {
        Random chance = new Random(7);
        for (int i = 0; i < POINTS; i++) {
            double strain = 0.5 * i / POINTS;
            double stress = strain < 0.03
                    ? 42 * (1 - Math.pow(1 - strain / 0.03, 2))
                    : 36 + 6 * Math.exp(-(strain - 0.03) / 0.02);
            extension[i] = 50 * strain;
            force[i] = i > POINTS - 200 ? 1 : 40 * stress + 0.3 * chance.nextGaussian();
        }
        trace = Trace.of(new double[0], force, extension);
    }

    @Benchmark
    public Analysis analysisOfTwentyThousandPoints() {
        return Analysis.of(trace, piece);
    }

    @Benchmark
    public double barePassOverTheArrays() {
        double sum = 0;
        for (int i = 0; i < POINTS; i++) {
            sum += force[i] * extension[i];
        }
        return sum;
    }
}
