package org.ysometron.core.surprise;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Scatter within the earlier lots of a series.
 *
 * @param sd in the unit of the values, above 0
 * @param freedom its degrees of freedom, at least {@value #LEAST}: a scatter known worse than that is no measure of another
 */
public record History(double sd, double freedom) {

    /** Degrees of freedom from which on a set is measured by the series' scatter (common practice, no source). */
    public static final int LEAST = 10;

    /** Checks the ranges. */
    public History {
        if (!(sd > 0 && freedom >= LEAST) || !Double.isFinite(sd) || !Double.isFinite(freedom)) {
            throw new IllegalArgumentException(
                    "the scatter of earlier lots is above 0 and has at least " + LEAST + " degrees of freedom");
        }
    }

    /** Fewer lots have no median that one of them could not turn. */
    public static final int LOTS = 5;

    /** What a median of variances is worth beside their mean: 2/π for many of them. */
    private static final double WORTH = 0.6;

    /**
     * From the scatter of each earlier lot: the median of s²/m(n − 1), each lot weighing as its degrees of freedom, m(ν) the median of chi-square over ν. A
     * single lot with a wild result, or a few that scattered for a reason of their own, do not make every later lot look too alike, as they would in a
     * pooled variance.
     *
     * @param deviations s of each lot; those of 0 are left out, for they were alike to the display's step
     * @param sizes n of each
     * @return empty where they are fewer than {@value #LOTS}, or have fewer than {@value #LEAST} degrees of freedom by that
     */
    public static Optional<History> of(double[] deviations, int[] sizes) {
        record Variance(double value, int freedom) {}
        List<Variance> variances = IntStream.range(0, deviations.length)
                .filter(i -> sizes[i] > 1 && deviations[i] > 0 && Double.isFinite(deviations[i]))
                .mapToObj(i -> new Variance(
                        deviations[i]
                                * deviations[i]
                                / StandardNormal.chiSquareQuantile(sizes[i] - 1.0, 0.5)
                                * (sizes[i] - 1),
                        sizes[i] - 1))
                .sorted(Comparator.comparingDouble(Variance::value))
                .toList();
        double all = variances.stream().mapToInt(Variance::freedom).sum();
        if (variances.size() < LOTS || WORTH * all < LEAST) {
            return Optional.empty();
        }
        double below = 0;
        double median = 0;
        for (Variance variance : variances) {
            below += variance.freedom;
            median = variance.value;
            if (below >= all / 2) {
                break;
            }
        }
        return median > 0 && Double.isFinite(median)
                ? Optional.of(new History(Math.sqrt(median), WORTH * all))
                : Optional.empty();
    }
}
