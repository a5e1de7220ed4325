package org.ysometron.core.claim;

import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * A measured value with its uncertainty beside the edges it has to keep: the probability that the quantity keeps them, the verdict
 * with a guard band, and the risks of a rule for accepting as it runs over many items.
 *
 * <p>Source: JCGM 106:2012, clauses 7 (probability, no prior knowledge), 8 (guard bands) and 9 (risks of consumer and producer).
 *
 * @param lower least allowed; empty for none
 * @param upper most allowed; empty for none
 */
public record Conformity(OptionalDouble lower, OptionalDouble upper) {

    private static final double REACH = 8.5;
    private static final int PIECES = 6;

    /** Checks that there is an edge. */
    public Conformity {
        boolean none = lower.isEmpty() && upper.isEmpty();
        if (none || lower.orElse(Double.NEGATIVE_INFINITY) >= upper.orElse(Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException("an edge is needed, and the least allowed below the most");
        }
    }

    /**
     * Probability that the quantity keeps the edges.
     *
     * @param value as measured
     * @param u standard uncertainty, above 0
     */
    public double probability(double value, double u) {
        requireAboveZero(u);
        double low = lower.isPresent() ? StandardNormal.below((lower.getAsDouble() - value) / u) : 0;
        double high = upper.isPresent() ? StandardNormal.above((upper.getAsDouble() - value) / u) : 0;
        return Math.max(0, 1 - low - high);
    }

    /**
     * The verdict by a guard band: supported where the value keeps the edges by the band, contradicted where it is beyond one by as
     * much, open between.
     *
     * @param value as measured
     * @param band at least 0
     */
    public Verdict verdict(double value, double band) {
        double low = lower.orElse(Double.NEGATIVE_INFINITY);
        double high = upper.orElse(Double.POSITIVE_INFINITY);
        if (!Rounding.below(value, low + band) && !Rounding.above(value, high - band)) {
            return Verdict.SUPPORTED;
        }
        return Rounding.below(value, low - band) || Rounding.above(value, high + band)
                ? Verdict.CONTRADICTED
                : Verdict.OPEN;
    }

    /**
     * Risks of accepting what measures within the edges drawn in by a band.
     *
     * @param consumer probability that an item is accepted and does not keep the edges
     * @param producer probability that an item is refused and keeps them
     * @param nonconforming probability that an item does not keep them, measured or not
     */
    public record Risks(double consumer, double producer, double nonconforming) {}

    /**
     * The risks, over items of a normal process.
     *
     * @param mean of the process
     * @param sd of the items, above 0
     * @param u standard uncertainty of one measurement, above 0
     * @param band by which the edges are drawn in, negative to widen them
     */
    public Risks risks(double mean, double sd, double u, double band) {
        requireAboveZero(sd);
        requireAboveZero(u);
        double low = lower.orElse(Double.NEGATIVE_INFINITY) + band;
        double high = upper.orElse(Double.POSITIVE_INFINITY) - band;
        DoubleUnaryOperator accepted = item ->
                Math.max(0, 1 - StandardNormal.below((low - item) / u) - StandardNormal.above((high - item) / u));
        DoubleUnaryOperator prior = item -> StandardNormal.density((item - mean) / sd) / sd;
        double from = mean - REACH * sd;
        double to = mean + REACH * sd;
        double leastKept = Math.max(from, Math.min(to, lower.orElse(from)));
        double mostKept = Math.min(to, Math.max(from, upper.orElse(to)));
        double consumer = over(from, leastKept, u, low, high, x -> prior.applyAsDouble(x) * accepted.applyAsDouble(x))
                + over(mostKept, to, u, low, high, x -> prior.applyAsDouble(x) * accepted.applyAsDouble(x));
        double producer =
                over(leastKept, mostKept, u, low, high, x -> prior.applyAsDouble(x) * (1 - accepted.applyAsDouble(x)));
        return new Risks(consumer, producer, 1 - probability(mean, sd));
    }

    /** An integral whose pieces are short about where the acceptance turns. */
    private static double over(
            double from, double to, double u, double low, double high, DoubleUnaryOperator function) {
        if (!(to > from)) {
            return 0;
        }
        DoubleStream even =
                DoubleStream.iterate(0, i -> i <= PIECES, i -> i + 1).map(i -> from + (to - from) * i / PIECES);
        DoubleStream turns = DoubleStream.of(low, high)
                .filter(Double::isFinite)
                .flatMap(edge -> DoubleStream.of(-9, -3, 0, 3, 9).map(away -> edge + away * u))
                .filter(x -> x > from && x < to);
        return new Panels(DoubleStream.concat(even, turns).sorted().distinct().toArray()).integrate(function);
    }

    private static void requireAboveZero(double figure) {
        if (!(figure > 0)) {
            throw new IllegalArgumentException("a standard deviation or uncertainty above 0 is needed, got " + figure);
        }
    }
}
