package org.ysometron.core.statistics;

import java.util.Arrays;
import org.hipparchus.distribution.continuous.FDistribution;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;
import org.hipparchus.stat.regression.SimpleRegression;

/**
 * y = a + m·tⁿ by least squares, a and m at or above zero or not as the readings have it, n between {@value #LEAST} and {@value
 * #MOST}. For a given n the rest is a straight line in tⁿ, so that the best n is sought alone; its interval is where the sum of
 * squares rises to no more than S·(1 + F(γ; 1, ν)/ν) (profile of the sum of squares; Bates and Watts 1988, from memory).
 *
 * @param offset a
 * @param factor m
 * @param exponent n
 * @param lower lower end of the interval of n; at the end of the range where the readings do not bound it
 * @param upper upper end of the interval of n
 * @param residual standard deviation about the curve
 */
public record PowerLaw(double offset, double factor, double exponent, double lower, double upper, double residual) {

    /** Least exponent looked at. */
    public static final double LEAST = 0.02;

    /** Greatest exponent looked at. */
    public static final double MOST = 2;

    private static final int GRID = 100;
    private static final int MOST_EVALUATIONS = 500;
    private static final double ROUNDING = 1e-10;

    /**
     * Fits.
     *
     * @param t at least four times above 0, three of them different
     * @param y as many readings
     * @param confidence two-sided, of the exponent's interval, above 0 and below 1
     * @throws IllegalArgumentException for fewer, for times that are none, or for readings that are all alike
     */
    public static PowerLaw fit(double[] t, double[] y, double confidence) {
        if (t.length != y.length || t.length < 4 || Arrays.stream(t).anyMatch(at -> !(at > 0))) {
            throw new IllegalArgumentException("a power law needs four times above zero, each with its reading");
        }
        if (Arrays.stream(t).distinct().count() < 4 || Summary.of(y).isAlike()) {
            throw new IllegalArgumentException("four different times and readings that change are needed");
        }
        if (!(confidence > 0 && confidence < 1)) {
            throw new IllegalArgumentException("a confidence between 0 and 1 is needed, got " + confidence);
        }
        double exponent = best(t, y);
        SimpleRegression line = line(t, y, exponent);
        double freedom = t.length - 3.0;
        // Below rounding there is no residual, and no interval but the exponent itself.
        double total = Math.pow(Summary.of(y).sd().orElseThrow(), 2) * (t.length - 1);
        double least = Math.max(line.getSumSquaredErrors(), ROUNDING * ROUNDING * total);
        double allowed = least * (1 + new FDistribution(1, freedom).inverseCumulativeProbability(confidence) / freedom);
        return new PowerLaw(
                line.getIntercept(),
                line.getSlope(),
                exponent,
                end(t, y, exponent, LEAST, allowed),
                end(t, y, exponent, MOST, allowed),
                Math.sqrt(line.getSumSquaredErrors() / freedom));
    }

    private static double best(double[] t, double[] y) {
        double best = LEAST;
        for (int i = 0; i <= GRID; i++) {
            double n = LEAST + (MOST - LEAST) * i / GRID;
            best = squares(t, y, n) < squares(t, y, best) ? n : best;
        }
        double step = (MOST - LEAST) / GRID;
        return new BrentOptimizer(1e-12, 1e-14)
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        new UnivariateObjectiveFunction(n -> squares(t, y, n)),
                        GoalType.MINIMIZE,
                        new SearchInterval(Math.max(LEAST, best - step), Math.min(MOST, best + step)))
                .getPoint();
    }

    private static double squares(double[] t, double[] y, double n) {
        return line(t, y, n).getSumSquaredErrors();
    }

    private static SimpleRegression line(double[] t, double[] y, double n) {
        SimpleRegression line = new SimpleRegression();
        for (int i = 0; i < t.length; i++) {
            line.addData(Math.pow(t[i], n), y[i]);
        }
        return line;
    }

    /** Where the squares rise to what is allowed, between the best and the end of the range; that end where they do not. */
    private static double end(double[] t, double[] y, double best, double range, double allowed) {
        if (squares(t, y, range) <= allowed) {
            return range;
        }
        double inside = best;
        double outside = range;
        for (int i = 0; i < 60; i++) {
            double middle = (inside + outside) / 2;
            if (squares(t, y, middle) <= allowed) {
                inside = middle;
            } else {
                outside = middle;
            }
        }
        return inside;
    }
}
