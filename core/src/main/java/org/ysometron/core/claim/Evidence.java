package org.ysometron.core.claim;

import java.util.List;
import java.util.Optional;
import org.ysometron.core.statistics.Staircase;

/**
 * What one lot's specimens under one set of conditions say about one property.
 *
 * @param values results that are values
 * @param bounds results known only to be at least this (right-censored)
 * @param excluded how many results are kept but not counted
 * @param calibrationUncertainty standard uncertainty common to all values, in their unit; zero when none is stated
 * @param history scatter of earlier lots, where there is one
 * @param intervals results of which only this is known: above the one and not above the other
 * @param ordered whether they say no more than which is better: grades, of which no scatter follows
 */
public record Evidence(
        double[] values,
        double[] bounds,
        int excluded,
        double calibrationUncertainty,
        Optional<PooledScatter> history,
        List<Interval> intervals,
        boolean ordered) {

    /**
     * A step was held and the next was not, or something was below the first step already.
     *
     * @param low above this; minus infinity where only the other is known
     * @param high not above this, larger than {@code low}
     */
    public record Interval(double low, double high) {

        /** Refuses ends in the wrong order. */
        public Interval {
            if (!(high > low) || Double.isInfinite(high)) {
                throw new IllegalArgumentException(
                        "an interval ends above where it begins, got " + low + " and " + high);
            }
        }
    }

    /** Evidence of quantities. */
    public Evidence(
            double[] values,
            double[] bounds,
            int excluded,
            double calibrationUncertainty,
            Optional<PooledScatter> history,
            List<Interval> intervals) {
        this(values, bounds, excluded, calibrationUncertainty, history, intervals, false);
    }

    /** The same, told to be grades. */
    public Evidence ofGrades() {
        return new Evidence(values, bounds, excluded, 0, Optional.empty(), intervals, true);
    }

    /** Evidence without intervals. */
    public Evidence(
            double[] values,
            double[] bounds,
            int excluded,
            double calibrationUncertainty,
            Optional<PooledScatter> history) {
        this(values, bounds, excluded, calibrationUncertainty, history, List.of());
    }

    /**
     * Scatter within lots, pooled over earlier lots of the same series.
     *
     * @param sd pooled standard deviation, above 0
     * @param degreesOfFreedom sum of n − 1 over the lots
     * @param lots how many lots
     * @param carries whether it may carry a verdict of fewer specimens than the claim's least, as a site decides
     */
    public record PooledScatter(double sd, double degreesOfFreedom, int lots, boolean carries) {

        /** Degrees of freedom from which on it may (common practice, no source). */
        public static final int LEAST = 10;

        /** A scatter that is said beside and decides nothing. */
        public PooledScatter(double sd, double degreesOfFreedom, int lots) {
            this(sd, degreesOfFreedom, lots, false);
        }

        /** The same where the site lets it carry. */
        public PooledScatter carrying() {
            return new PooledScatter(sd, degreesOfFreedom, lots, degreesOfFreedom >= LEAST && sd > 0);
        }
    }

    /** No value and no bound, so many results left out. */
    static Evidence none(int excluded) {
        return new Evidence(new double[0], new double[0], excluded, 0, Optional.empty());
    }

    /** Copies the arrays. */
    public Evidence {
        values = values.clone();
        bounds = bounds.clone();
        intervals = List.copyOf(intervals);
    }

    /** Evidence of plain values with no calibration uncertainty and no history. */
    public static Evidence of(double... values) {
        return new Evidence(values, new double[0], 0, 0, Optional.empty());
    }

    /** The staircase that these results are: levels that some bore and others did not, and nothing else; empty otherwise. */
    public Optional<Staircase> staircase() {
        double[] failed = failed();
        boolean levels = values.length == 0 && failed.length == intervals.size();
        return levels ? Staircase.find(bounds, failed) : Optional.empty();
    }

    /** The levels that were not borne and of which nothing else is known. */
    double[] failed() {
        return intervals.stream()
                .filter(interval -> Double.isInfinite(interval.low()))
                .mapToDouble(Interval::high)
                .toArray();
    }

    /** How many specimens count: values, bounds and intervals. */
    public int n() {
        return values.length + unsettled();
    }

    /** How many of them are no values. */
    public int unsettled() {
        return bounds.length + intervals.size();
    }

    /** Whether anything was tested, whether it counts or not. */
    public boolean isTouched() {
        return n() + excluded > 0;
    }

    /** The results that are values. */
    @Override
    public double[] values() {
        return values.clone();
    }

    /** The results that are lower bounds. */
    @Override
    public double[] bounds() {
        return bounds.clone();
    }
}
