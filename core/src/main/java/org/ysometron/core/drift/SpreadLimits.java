package org.ysometron.core.drift;

import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Limits of a chart of within-lot standard deviations.
 *
 * <p>σ̂ = mean of sᵢ/c₄(nᵢ) over the lots, which for equal n is s̄/c₄. For a lot of n: centre c₄σ̂, limits c₄σ̂ ±
 * 3σ̂√(1 − c₄²), the lower not below zero (ISO 7870-2, s chart; B₃ and B₄ times s̄ for equal n).
 *
 * @param lots how many lots
 * @param sigma σ̂ within lots
 * @param working the steps
 */
public record SpreadLimits(int lots, double sigma, Working working) {

    /**
     * Centre and limits for one lot's n.
     *
     * @param centre expected s
     * @param lower lower limit, at least 0
     * @param upper upper limit
     */
    public record Line(double centre, double lower, double upper) {}

    /** Where σ̂ comes from. */
    public enum Sigma {
        /** The mean of s/c₄, each lot counting alike. */
        MEAN,
        /** √(Σ(n − 1)s²/Σ(n − 1)), each specimen counting alike: larger lots weigh more, and so does one lot that scatters widely. */
        POOLED
    }

    /** Estimates σ̂ as the mean of s/c₄. */
    public static SpreadLimits of(double[] deviations, int[] sizes, String unit) {
        return of(deviations, sizes, Sigma.MEAN, unit);
    }

    /**
     * Estimates σ̂.
     *
     * @param deviations s of each lot, at least 0
     * @param sizes n of each lot, at least 2, same length
     * @param unit symbol of the unit of s
     */
    public static SpreadLimits of(double[] deviations, int[] sizes, Sigma from, String unit) {
        if (deviations.length == 0 || deviations.length != sizes.length) {
            throw new IllegalArgumentException(
                    "needs one n for each s and at least one lot, got " + deviations.length + " and " + sizes.length);
        }
        double squares = 0;
        double freedom = 0;
        for (int i = 0; i < deviations.length; i++) {
            if (sizes[i] < 2 || !(deviations[i] >= 0)) {
                throw new IllegalArgumentException(
                        "lot " + (i + 1) + ": needs n of at least 2 and s of at least 0, got n = " + sizes[i] + ", s = "
                                + deviations[i]);
            }
            squares += deviations[i] * deviations[i] * (sizes[i] - 1);
            freedom += sizes[i] - 1;
        }
        boolean mean = from == Sigma.MEAN;
        double sigma = mean ? mean(deviations, sizes) : Math.sqrt(squares / freedom);
        Working working = Working.of(new Step(
                "scatter within lots",
                "σ̂",
                mean ? "mean of sᵢ/c₄(nᵢ)" : "√(Σ(nᵢ − 1)sᵢ²/Σ(nᵢ − 1))",
                deviations.length + " lots",
                sigma,
                unit,
                "ISO 7870-2"));
        return new SpreadLimits(deviations.length, sigma, working);
    }

    /** Mean of s/c₄ of lots that have a scatter, at least one. */
    static double mean(double[] deviations, int[] sizes) {
        double sum = 0;
        for (int i = 0; i < deviations.length; i++) {
            sum += deviations[i] / ChartConstants.c4(sizes[i]);
        }
        return sum / deviations.length;
    }

    /** Centre and limits for a lot of {@code n} specimens, n at least 2. */
    public Line forSize(int n) {
        double c4 = ChartConstants.c4(n);
        double reach = 3 * Math.sqrt(1 - c4 * c4);
        return new Line(c4 * sigma, Math.max(0, c4 - reach) * sigma, upper(sigma, n));
    }

    /** Upper limit of s of n specimens where the scatter within lots is this. */
    static double upper(double sigma, int n) {
        double c4 = ChartConstants.c4(n);
        return (c4 + 3 * Math.sqrt(1 - c4 * c4)) * sigma;
    }

    /** One step telling the limits for a lot of {@code n}. */
    public Step explain(int n, String unit) {
        Line line = forSize(n);
        return new Step(
                "upper limit of s for n = " + n,
                "",
                "σ̂·(c₄ + 3√(1 − c₄²))",
                Figures.significant(sigma, 4) + " · (" + Figures.significant(ChartConstants.c4(n), 4) + " + …)",
                line.upper(),
                unit,
                "ISO 7870-2");
    }
}
