package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.stream.Collectors;
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
 * unless the printed ones are asked for.
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
    }

    /** Limits with exact constants. */
    public static IndividualsLimits of(double[] values, String unit) {
        return of(values, Constants.EXACT, unit);
    }

    /**
     * Limits from lot means in order of making.
     *
     * @param values at least two, finite
     * @param unit symbol of their unit, for the working
     */
    public static IndividualsLimits of(double[] values, Constants constants, String unit) {
        if (values.length < 2) {
            throw new IllegalArgumentException("limits need at least two lots, got " + values.length);
        }
        Summary summary = Summary.of(values);
        double[] ranges = movingRanges(values);
        double meanRange = Summary.of(ranges).mean();
        double sigma = meanRange / constants.d2;
        double centre = summary.mean();
        double rangeUpper = constants.d4 * meanRange;
        Working working = Working.of(
                new Step("lots", "k", "", "", values.length, "", ""),
                new Step("centre", "x̄", "mean of the lot means", few(values), centre, unit, "ISO 7870-2"),
                new Step("mean moving range", "MR̄", "mean of |xᵢ − xᵢ₋₁|", few(ranges), meanRange, unit, "ISO 7870-2"),
                new Step(
                        "standard deviation between lots",
                        "σ̂",
                        "MR̄/d₂(2)",
                        Figures.significant(meanRange, 5) + "/" + Figures.significant(constants.d2, 5),
                        sigma,
                        unit,
                        "ISO 7870-2"),
                new Step("lower limit", "", "x̄ − 3σ̂", "", centre - 3 * sigma, unit, "ISO 7870-2"),
                new Step("upper limit", "", "x̄ + 3σ̂", "", centre + 3 * sigma, unit, "ISO 7870-2"),
                new Step(
                        "upper limit of the moving range",
                        "",
                        "D₄(2)·MR̄",
                        Figures.significant(constants.d4, 5) + " · " + Figures.significant(meanRange, 5),
                        rangeUpper,
                        unit,
                        "ISO 7870-2"));
        return new IndividualsLimits(
                values.length, centre, meanRange, sigma, centre - 3 * sigma, centre + 3 * sigma, rangeUpper, working);
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
