package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.List;
import org.ysometron.core.statistics.Quantiles;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Moving ranges of any span w: the range of each w values that follow one another, the limits of a chart of them, and the scatter
 * that they tell. Ranges that share values depend on one another, so that rules for runs do not hold on this chart; points beyond
 * a limit do.
 *
 * @param ranges one for each value from the w-th on
 * @param centre their mean, or median
 * @param sigma σ̂ = mean/d₂(w), or median/d₄(w)
 * @param lower D₁(w)·σ̂
 * @param upper D₂(w)·σ̂
 * @param working the steps
 */
public record MovingRanges(
        List<Double> ranges, double centre, double sigma, double lower, double upper, Working working) {

    /** What of the ranges the scatter is read from. */
    public enum Centre {
        /** Their mean, over d₂. */
        MEAN,
        /** Their median, over d₄: one outlier moves it less. */
        MEDIAN
    }

    /** Copies the ranges. */
    public MovingRanges {
        ranges = List.copyOf(ranges);
    }

    /**
     * Ranges of values in order.
     *
     * @param values at least as many as the span
     * @param span w, 2 to 100
     */
    public static MovingRanges of(double[] values, int span, Centre from) {
        ChartConstants constants = ChartConstants.of(span);
        if (values.length < span) {
            throw new IllegalArgumentException("as many values as the span are needed, got " + values.length);
        }
        double[] ranges = new double[values.length - span + 1];
        for (int i = 0; i < ranges.length; i++) {
            Summary window = Summary.of(Arrays.copyOfRange(values, i, i + span));
            ranges[i] = window.greatest() - window.least();
        }
        boolean mean = from == Centre.MEAN;
        double centre = mean ? Summary.of(ranges).mean() : Quantiles.median(ranges);
        double constant = mean ? constants.d2() : constants.d4();
        double sigma = centre / constant;
        double lower = constants.d1Factor() * sigma;
        double upper = constants.d2Factor() * sigma;
        String source = "ISO 7870-2";
        Working working = Working.of(
                Step.of("moving ranges", "", "of " + span + " values", ranges.length, source),
                Step.of(mean ? "mean range" : "median range", mean ? "MR̄" : "MR̃", "", centre, source),
                new Step(
                        "standard deviation",
                        "σ̂",
                        mean ? "MR̄/d₂(w)" : "MR̃/d₄(w)",
                        Figures.significant(centre, 5) + "/" + Figures.significant(constant, 5),
                        sigma,
                        "",
                        source),
                Step.of("upper limit", "", "D₂(w)·σ̂", upper, source));
        return new MovingRanges(Arrays.stream(ranges).boxed().toList(), centre, sigma, lower, upper, working);
    }
}
