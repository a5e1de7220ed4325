package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * A tabular chart of cumulated sums, point by point: C⁺ = max(0, C⁺ + (x − μ)/σ − k), C⁻ = max(0, C⁻ − (x − μ)/σ − k), a signal
 * where one of them is beyond h, each begun at a head start that is 0 unless it is wanted. After a signal the sums go on, or both begin anew
 * at their head start: what is still wrong then is found sooner.
 *
 * <p>Sources: E. S. Page, Biometrika 41, 1954; J. M. Lucas and R. B. Crosier, Technometrics 24, 1982, for the head start; ISO
 * 7870-4.
 *
 * @param points one for each value
 * @param working the steps
 */
public record CusumChart(List<Point> points, Working working) {

    /** Copies the points. */
    public CusumChart {
        points = List.copyOf(points);
    }

    /**
     * One point.
     *
     * @param upper C⁺, in standard deviations of a value
     * @param lower C⁻, likewise, at least 0
     * @param upperSince points since C⁺ was last 0, with this one: where it signals, the shift began so many points ago
     * @param lowerSince the same of C⁻
     * @param signal whether either is beyond h
     */
    public record Point(double upper, double lower, int upperSince, int lowerSince, boolean signal) {}

    /**
     * What a chart is kept by.
     *
     * @param centre of the baseline
     * @param sigma of one value, above 0
     * @param k allowance in σ, at least 0: half the shift that is to be found
     * @param h decision interval in σ, above 0
     * @param start head start in σ, 0 to h
     * @param anew whether both sums begin anew behind a signal
     */
    public record Plan(double centre, double sigma, double k, double h, double start, boolean anew) {

        /** One whose sums go on behind a signal. */
        public Plan(double centre, double sigma, double k, double h, double start) {
            this(centre, sigma, k, h, start, false);
        }

        /** Checks the ranges. */
        public Plan {
            boolean sums = k >= 0 && h > 0 && start >= 0 && start <= h;
            if (!(sigma > 0) || !sums) {
                throw new IllegalArgumentException(
                        "sigma and h above 0, k at least 0, and a start of 0 to h, are needed");
            }
        }
    }

    /** The chart of values in order. */
    public static CusumChart of(double[] values, Plan plan) {
        List<Point> points = new ArrayList<>();
        double upper = plan.start;
        double lower = plan.start;
        int upperSince = 0;
        int lowerSince = 0;
        for (double value : values) {
            double z = (value - plan.centre) / plan.sigma;
            upper = Math.max(0, upper + z - plan.k);
            lower = Math.max(0, lower - z - plan.k);
            upperSince = upper > 0 ? upperSince + 1 : 0;
            lowerSince = lower > 0 ? lowerSince + 1 : 0;
            boolean signal = Rounding.above(upper, plan.h) || Rounding.above(lower, plan.h);
            points.add(new Point(upper, lower, upperSince, lowerSince, signal));
            if (signal && plan.anew) {
                upper = plan.start;
                lower = plan.start;
                upperSince = 0;
                lowerSince = 0;
            }
        }
        Working working = Working.of(
                Step.of("allowance", "k", "half the shift to find, in σ", plan.k, "Page 1954"),
                Step.of("decision interval", "h", "in σ", plan.h, "Page 1954"),
                Step.of(
                        "last upper sum",
                        "C⁺",
                        "max(0, C⁺ + z − k)",
                        last(points, plan.start, Point::upper),
                        "Page 1954"),
                Step.of(
                        "last lower sum",
                        "C⁻",
                        "max(0, C⁻ − z − k)",
                        last(points, plan.start, Point::lower),
                        "Page 1954"));
        return new CusumChart(points, working);
    }

    private static double last(List<Point> points, double start, ToDoubleFunction<Point> sum) {
        return points.isEmpty() ? start : sum.applyAsDouble(points.get(points.size() - 1));
    }
}
