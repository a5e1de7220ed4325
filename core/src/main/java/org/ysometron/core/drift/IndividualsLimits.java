package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.stream.Collectors;
import org.ysometron.core.statistics.Quantiles;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Limits of an individuals and moving-range chart of lot means: from the change between one lot and the next, never from
 * the scatter within lots, which knows nothing of what differs between lots.
 *
 * <p>MR̄ is the mean of |xᵢ − xᵢ₋₁|; σ̂ = MR̄/d₂(2); limits x̄ ± 3σ̂; upper limit of the moving range D₄(2)·MR̄. Source:
 * ISO 7870-2, individuals and moving range. Where texts differ: d₂(2) and D₄(2) are exact ({@link Constants#EXACT})
 * unless the printed ones are asked for; the scatter from the mean range and the
 * centre the mean, unless another of the {@link Habits} is.
 *
 * @param count lots the limits were set from
 * @param centre x̄
 * @param meanRange MR̄
 * @param sigma σ̂, standard deviation of a lot mean between lots
 * @param lower x̄ − 3σ̂
 * @param upper x̄ + 3σ̂
 * @param rangeUpper upper limit of the moving range
 * @param working the steps
 */
public record IndividualsLimits(
        int count,
        double centre,
        double meanRange,
        double sigma,
        double lower,
        double upper,
        double rangeUpper,
        Working working) {

    private static final String SOURCE = "ISO 7870-2";

    /** Lots below which limits are called provisional (common practice, no source). */
    public static final int LOTS_WANTED = 20;

    /** Which d₂(2) and D₄(2) are used. */
    public enum Constants {
        /** To full precision: 2/√π and what follows from it. */
        EXACT(2 / Math.sqrt(Math.PI), 1 + 3 * Math.sqrt(2 - 4 / Math.PI) * Math.sqrt(Math.PI) / 2),
        /** As printed in tables: 1.128 and 3.267. */
        PRINTED(1.128, 3.267);

        private final double d2;
        private final double d4;

        Constants(double d2, double d4) {
            this.d2 = d2;
            this.d4 = d4;
        }

        /** Upper limit of the moving range where the scatter is this. */
        double rangeUpper(double sigma) {
            return d4 * d2 * sigma;
        }
    }

    /** The usual figures without their working, for charts that are run by the thousand. */
    record Estimates(double centre, double sigma, double rangeUpper) {

        static Estimates of(double[] values) {
            double sigma = Arrays.stream(movingRanges(values)).average().orElseThrow() / Constants.EXACT.d2;
            return new Estimates(
                    Arrays.stream(values).average().orElseThrow(), sigma, Constants.EXACT.rangeUpper(sigma));
        }
    }

    /** Where the scatter between lots comes from. */
    public enum Sigma {
        /** MR̄/d₂: the mean of the moving ranges. */
        MEAN_RANGE,
        /** Their median over d₄: a jump or an outlier moves it less. */
        MEDIAN_RANGE,
        /** s/c₄ of all values: widened by every drift, for series known to be in control. */
        DEVIATIONS
    }

    /** What the limits lie about. */
    public enum Centre {
        /** x̄. */
        MEAN("x̄", "mean"),
        /** The median. */
        MEDIAN("x̃", "median");

        private final String symbol;
        private final String words;

        Centre(String symbol, String words) {
            this.symbol = symbol;
            this.words = words;
        }
    }

    /**
     * Which of the ways in use is followed.
     *
     * @param constants exact or as printed
     * @param sigma where the scatter comes from
     * @param centre what the limits lie about
     */
    public record Habits(Constants constants, Sigma sigma, Centre centre) {

        /** Exact constants, mean moving range, mean. */
        public static final Habits USUAL = new Habits(Constants.EXACT, Sigma.MEAN_RANGE, Centre.MEAN);
    }

    /** Limits by the usual habits. */
    public static IndividualsLimits of(double[] values, String unit) {
        return of(values, Habits.USUAL, unit);
    }

    /**
     * Limits from lot means in order of making.
     *
     * @param values at least two, finite
     * @param unit symbol of their unit, for the working
     */
    public static IndividualsLimits of(double[] values, Habits habits, String unit) {
        if (values.length < 2) {
            throw new IllegalArgumentException("limits need at least two lots, got " + values.length);
        }
        Summary summary = Summary.of(values);
        double[] ranges = movingRanges(values);
        double meanRange = Summary.of(ranges).mean();
        double centre = habits.centre == Centre.MEAN ? summary.mean() : Quantiles.median(values);
        Step spread = spread(habits, summary, ranges, unit);
        double sigma = spread.value();
        double rangeUpper = habits.sigma == Sigma.MEAN_RANGE
                ? habits.constants.d4 * meanRange
                : ChartConstants.of(2).d2Factor() * sigma;
        Working working = Working.of(
                Step.of("lots", "k", "", values.length),
                new Step(
                        "centre",
                        habits.centre.symbol,
                        habits.centre.words + " of the lot means",
                        few(values),
                        centre,
                        unit,
                        SOURCE),
                new Step("mean moving range", "MR̄", "mean of |xᵢ − xᵢ₋₁|", few(ranges), meanRange, unit, SOURCE),
                spread,
                new Step("lower limit", "", habits.centre.symbol + " − 3σ̂", "", centre - 3 * sigma, unit, SOURCE),
                new Step("upper limit", "", habits.centre.symbol + " + 3σ̂", "", centre + 3 * sigma, unit, SOURCE),
                new Step(
                        "upper limit of the moving range",
                        "",
                        habits.sigma == Sigma.MEAN_RANGE ? "D₄(2)·MR̄" : "D₂(2)·σ̂",
                        habits.sigma == Sigma.MEAN_RANGE ? Figures.significant(habits.constants.d4, 5) + " · MR̄" : "",
                        rangeUpper,
                        unit,
                        SOURCE));
        return new IndividualsLimits(
                values.length, centre, meanRange, sigma, centre - 3 * sigma, centre + 3 * sigma, rangeUpper, working);
    }

    private static Step spread(Habits habits, Summary summary, double[] ranges, String unit) {
        String title = "standard deviation between lots";
        double c4 = ChartConstants.c4(summary.n());
        double d4 = ChartConstants.of(2).d4();
        double meanRange = Summary.of(ranges).mean();
        return switch (habits.sigma) {
            case MEAN_RANGE ->
                new Step(
                        title,
                        "σ̂",
                        "MR̄/d₂(2)",
                        Figures.significant(meanRange, 5) + "/" + Figures.significant(habits.constants.d2, 5),
                        meanRange / habits.constants.d2,
                        unit,
                        SOURCE);
            case MEDIAN_RANGE ->
                new Step(
                        title,
                        "σ̂",
                        "MR̃/d₄(2)",
                        Figures.significant(Quantiles.median(ranges), 5) + "/" + Figures.significant(d4, 5),
                        Quantiles.median(ranges) / d4,
                        unit,
                        SOURCE);
            case DEVIATIONS ->
                new Step(
                        title,
                        "σ̂",
                        "s/c₄(k)",
                        Figures.significant(summary.sd().orElseThrow(), 5) + "/" + Figures.significant(c4, 5),
                        summary.sd().orElseThrow() / c4,
                        unit,
                        SOURCE);
        };
    }

    /** Distances between neighbours; one fewer than the values. */
    public static double[] movingRanges(double[] values) {
        double[] ranges = new double[Math.max(0, values.length - 1)];
        for (int i = 1; i < values.length; i++) {
            ranges[i - 1] = Math.abs(values[i] - values[i - 1]);
        }
        return ranges;
    }

    private static String few(double[] values) {
        String shown = Arrays.stream(values)
                .limit(30)
                .mapToObj(value -> Figures.significant(value, 4))
                .collect(Collectors.joining("; "));
        return values.length > 30 ? shown + "; …" : shown;
    }
}
