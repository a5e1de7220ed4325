package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * A chart of exponentially weighted moving averages, point by point: zᵢ = λxᵢ + (1 − λ)zᵢ₋₁ from z₀, with limits about the centre
 * at ±L·σ·√(λ/(2 − λ)·(1 − (1 − λ)²ⁱ)), which widen with i, or at their last width from the start. After a point beyond a limit it goes on,
 * or begins anew at the next point, i counted from there.
 *
 * <p>Sources: S. W. Roberts, Technometrics 1, 1959; J. M. Lucas and M. S. Saccucci, Technometrics 32, 1990; ISO 7870-6.
 *
 * @param points one for each value
 * @param working the steps
 */
public record EwmaChart(List<Point> points, Working working) {

    /** Copies the points. */
    public EwmaChart {
        points = List.copyOf(points);
    }

    /**
     * One point.
     *
     * @param z the weighted average
     * @param lower lower limit there
     * @param upper upper limit there
     */
    public record Point(double z, double lower, double upper) {

        /** Whether it lies beyond a limit; one on a limit does not. */
        public boolean isBeyond() {
            return Rounding.below(z, lower) || Rounding.above(z, upper);
        }
    }

    /**
     * What a chart is kept by.
     *
     * @param centre of the baseline
     * @param sigma of one value, above 0
     * @param lambda weight of the newest value, above 0, at most 1
     * @param limit L, above 0
     * @param start z₀, the centre unless a head start is wanted
     * @param widening whether the limits widen with the first points; else they are those of the long run
     * @param anew whether it begins anew behind a point beyond a limit
     */
    public record Plan(
            double centre, double sigma, double lambda, double limit, double start, boolean widening, boolean anew) {

        /** One that goes on behind a point beyond a limit. */
        public Plan(double centre, double sigma, double lambda, double limit, double start, boolean widening) {
            this(centre, sigma, lambda, limit, start, widening, false);
        }

        /** Checks the ranges. */
        public Plan {
            if (!(sigma > 0 && lambda > 0 && lambda <= 1 && limit > 0)) {
                throw new IllegalArgumentException("sigma and limit above 0, and λ above 0 and up to 1, are needed");
            }
        }
    }

    /** The chart of values in order. */
    public static EwmaChart of(double[] values, Plan plan) {
        List<Point> points = new ArrayList<>();
        double stays = 1 - plan.lambda;
        double settled = plan.limit * plan.sigma * Math.sqrt(plan.lambda / (2 - plan.lambda));
        double z = plan.start;
        double left = 1;
        for (double value : values) {
            z = plan.lambda * value + stays * z;
            left *= stays * stays;
            double half = plan.widening ? settled * Math.sqrt(1 - left) : settled;
            Point point = new Point(z, plan.centre - half, plan.centre + half);
            points.add(point);
            if (plan.anew && point.isBeyond()) {
                z = plan.start;
                left = 1;
            }
        }
        String source = "Lucas and Saccucci 1990";
        Working working = Working.of(
                Step.of("weight", "λ", "", plan.lambda, source),
                new Step(
                        "half width of the limits in the long run",
                        "",
                        "L·σ·√(λ/(2−λ))",
                        Figures.significant(plan.limit, 4) + " · " + Figures.significant(plan.sigma, 4),
                        settled,
                        "",
                        source),
                Step.of("last point", "z", "λx + (1−λ)z", last(points, plan.start), source));
        return new EwmaChart(points, working);
    }

    private static double last(List<Point> points, double start) {
        return points.isEmpty() ? start : points.get(points.size() - 1).z;
    }
}
