package org.ysometron.core.statistics;

import java.util.Arrays;
import java.util.OptionalDouble;
import org.hipparchus.distribution.continuous.FDistribution;
import org.hipparchus.stat.regression.SimpleRegression;

/**
 * A change that comes to an end: y = a + b·(1 − e^(−x/c)) by least squares, a and b exactly for each c, c by the least sum of squares. Its
 * bounds are those c whose sum lies within F(1, n − 3)/(n − 3) of the least (profile likelihood of a normal error; Bates and Watts,
 * Nonlinear Regression Analysis, 1988, 6.1.2). The plateau is where 95 % of the change is done, c·ln 20.
 *
 * @param start a, before any dose
 * @param change b, the whole change
 * @param constant c, in the unit of the dose
 * @param lower lower bound of c, 0 where the doses are too coarse to tell
 * @param upper upper bound of c; empty where the doses end too early: nothing shows that it comes to an end
 * @param residual standard deviation about the curve
 */
public record Saturation(
        double start, double change, double constant, double lower, OptionalDouble upper, double residual) {

    /** Share of the change that is done at the plateau. */
    public static final double DONE = 0.95;

    private static final int STEPS = 4000;

    /** A constant is looked for between these multiples of the least and the largest dose. */
    private static final double COARSE = 0.05;

    private static final double LATE = 20;

    /** What a constant comes to. */
    private record Try(double constant, double start, double change, double squares) {}

    /**
     * Fits.
     *
     * @param dose at least 0, three different ones at the least
     * @param y one a dose, at least four
     * @param confidence of the bounds, above 0 and below 1
     * @throws IllegalArgumentException outside the ranges, or where nothing changes at all
     */
    public static Saturation fit(double[] dose, double[] y, double confidence) {
        requireSound(dose, y, confidence);
        double largest = Arrays.stream(dose).max().orElseThrow();
        double least = Arrays.stream(dose).filter(x -> x > 0).min().orElseThrow();
        double from = Math.log(COARSE * least);
        double to = Math.log(LATE * largest);
        Try best = at(dose, y, Math.exp(from));
        for (int i = 1; i <= STEPS; i++) {
            Try next = at(dose, y, Math.exp(from + (to - from) * i / STEPS));
            best = next.squares() < best.squares() ? next : best;
        }
        best = refined(dose, y, Math.log(best.constant()), (to - from) / STEPS);
        if (best.change() == 0) {
            throw new IllegalArgumentException("nothing changes with the dose");
        }
        int free = dose.length - 3;
        double most = best.squares() * (1 + new FDistribution(1, free).inverseCumulativeProbability(confidence) / free);
        double lower = edge(dose, y, from, Math.log(best.constant()), most);
        double upper = edge(dose, y, to, Math.log(best.constant()), most);
        boolean ends = at(dose, y, Math.exp(to)).squares() > most;
        boolean begins = at(dose, y, Math.exp(from)).squares() > most;
        return new Saturation(
                best.start(),
                best.change(),
                best.constant(),
                begins ? lower : 0,
                ends ? OptionalDouble.of(upper) : OptionalDouble.empty(),
                Math.sqrt(best.squares() / free));
    }

    private static void requireSound(double[] dose, double[] y, double confidence) {
        long different = Arrays.stream(dose).distinct().count();
        boolean sound = Arrays.stream(dose).allMatch(x -> x >= 0 && Double.isFinite(x))
                && Arrays.stream(y).allMatch(Double::isFinite)
                && confidence > 0
                && confidence < 1;
        if (dose.length != y.length || dose.length < 4 || different < 3 || !sound) {
            throw new IllegalArgumentException("at least four readings at three doses from 0 on are needed, got "
                    + dose.length + " doses, " + different + " different ones, and " + y.length + " readings");
        }
    }

    /** The best between the neighbours of the best of the grid, by thirds. */
    private static Try refined(double[] dose, double[] y, double near, double step) {
        double low = near - step;
        double high = near + step;
        for (int i = 0; i < 100; i++) {
            double one = low + (high - low) / 3;
            double two = high - (high - low) / 3;
            if (at(dose, y, Math.exp(one)).squares()
                    < at(dose, y, Math.exp(two)).squares()) {
                high = two;
            } else {
                low = one;
            }
        }
        return at(dose, y, Math.exp((low + high) / 2));
    }

    /** Dose at which 95 % of the change is done. */
    public double plateau() {
        return reached(constant);
    }

    /** Dose at which 95 % would be done with another constant. */
    public static double reached(double constant) {
        return -constant * Math.log(1 - DONE);
    }

    /** The constant between an outer one and the best whose sum of squares is the most, all as logarithms. */
    private static double edge(double[] dose, double[] y, double outer, double best, double most) {
        double out = outer;
        double in = best;
        for (int i = 0; i < 80; i++) {
            double middle = (out + in) / 2;
            if (at(dose, y, Math.exp(middle)).squares() > most) {
                out = middle;
            } else {
                in = middle;
            }
        }
        return Math.exp(in);
    }

    private static Try at(double[] dose, double[] y, double constant) {
        SimpleRegression line = new SimpleRegression();
        for (int i = 0; i < dose.length; i++) {
            line.addData(-Math.expm1(-dose[i] / constant), y[i]);
        }
        return new Try(constant, line.getIntercept(), line.getSlope(), line.getSumSquaredErrors());
    }
}
