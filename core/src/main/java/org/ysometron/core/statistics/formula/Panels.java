package org.ysometron.core.statistics.formula;

import java.util.function.DoubleUnaryOperator;
import org.hipparchus.analysis.integration.gauss.LegendreRuleFactory;
import org.hipparchus.util.Pair;

/**
 * Gauss and Legendre's rule of twenty points over pieces of a range (Abramowitz and Stegun, 25.4.29): one rule for everything that
 * is integrated here, and as many pieces as the function needs.
 */
public final class Panels {

    private static final int POINTS = 20;
    private static final Pair<double[], double[]> UNIT = new LegendreRuleFactory().getRule(POINTS);

    private final double[] at;
    private final double[] weights;

    /** Pieces between these ends, at least two of them, rising. */
    public Panels(double... ends) {
        at = new double[(ends.length - 1) * POINTS];
        weights = new double[at.length];
        for (int i = 0; i < at.length; i++) {
            double low = ends[i / POINTS];
            double half = (ends[i / POINTS + 1] - low) / 2;
            at[i] = low + half * (1 + UNIT.getFirst()[i % POINTS]);
            weights[i] = half * UNIT.getSecond()[i % POINTS];
        }
    }

    /** So many pieces of one length, at least 1. */
    public static Panels even(double low, double high, int pieces) {
        double[] ends = new double[pieces + 1];
        for (int i = 0; i <= pieces; i++) {
            ends[i] = low + (high - low) * i / pieces;
        }
        return new Panels(ends);
    }

    /** How many nodes there are. */
    public int size() {
        return at.length;
    }

    /** A node, from 0. */
    public double at(int node) {
        return at[node];
    }

    /** The weight of a node. */
    public double weight(int node) {
        return weights[node];
    }

    /** The integral of a function over all pieces. */
    public double integrate(DoubleUnaryOperator function) {
        double sum = 0;
        for (int i = 0; i < at.length; i++) {
            sum += weights[i] * function.applyAsDouble(at[i]);
        }
        return sum;
    }
}
