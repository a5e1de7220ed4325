package org.ysometron.core.curve;

import java.util.Arrays;
import java.util.List;

/** What is noise in a record, and what is not. */
final class Signal {

    private static final int SAMPLED = 2001;

    private Signal() {}

    /**
     * Standard deviation of white noise on a smooth signal: 1.4826 times the median absolute second difference, over √6. Of long records every
     * so many points are looked at.
     */
    static double noise(double[] values) {
        int step = Math.max(1, (values.length - 2) / SAMPLED);
        double[] seconds = new double[(values.length - 3) / step + 1];
        for (int k = 0; k < seconds.length; k++) {
            int i = 1 + k * step;
            seconds[k] = Math.abs(values[i - 1] - 2 * values[i] + values[i + 1]);
        }
        Arrays.sort(seconds);
        double quantised = seconds[(int) (0.8 * (seconds.length - 1))];
        double median = seconds[seconds.length / 2];
        // A display of few steps shows the same figure for long: its step is its noise.
        return median > 0 ? 1.4826 * median / Math.sqrt(6) : quantised / Math.sqrt(12);
    }

    /** The same without points that stand alone above or below four neighbours which agree with each other; such points are counted. */
    static double[] withoutWildPoints(double[] values, double noise, List<String> said) {
        double most = 0;
        for (double value : values) {
            most = Math.max(most, Math.abs(value));
        }
        double far = Math.max(8 * noise, 0.02 * most);
        double[] tame = values;
        int wild = 0;
        for (int i = 1; i < values.length - 1; i++) {
            double between = (tame[i - 1] + values[i + 1]) / 2;
            boolean alone = Math.abs(values[i] - between) > far
                    && Math.abs(tame[i - 1] - values[i + 1]) < 0.5 * Math.abs(values[i] - between);
            if (alone) {
                if (wild == 0) {
                    tame = values.clone();
                }
                tame[i] = between;
                wild++;
            }
        }
        if (wild > 0) {
            said.add(
                    wild == 1
                            ? "One point stands alone far from its neighbours and counts for nothing."
                            : wild + " points stand alone far from their neighbours and count for nothing.");
        }
        return tame;
    }

    /** The smallest step between neighbours that differ: what a display shows in between; 0 where none differ. */
    static double step(double[] values, int from, int to) {
        double least = Double.POSITIVE_INFINITY;
        for (int i = from + 1; i < to; i++) {
            double step = Math.abs(values[i] - values[i - 1]);
            if (step > 0) {
                least = Math.min(least, step);
            }
        }
        return Double.isInfinite(least) ? 0 : least;
    }

    /** Index of the largest of the first values. */
    static int highest(double[] values, int count) {
        int highest = 0;
        for (int i = 1; i < count; i++) {
            if (values[i] > values[highest]) {
                highest = i;
            }
        }
        return highest;
    }

    /** Whether signs change so seldom that they do not come by chance: runs test of Wald and Wolfowitz, one-sided at 1 %. */
    static boolean tooFewRuns(List<Double> residuals) {
        int above = 0;
        int below = 0;
        int runs = 0;
        int last = 0;
        for (double one : residuals) {
            int sign = one >= 0 ? 1 : -1;
            if (sign > 0) {
                above++;
            } else {
                below++;
            }
            runs += sign == last ? 0 : 1;
            last = sign;
        }
        double n = above + (double) below;
        if (above < 2 || below < 2) {
            return false;
        }
        double product = 2.0 * above * below;
        double mean = product / n + 1;
        double variance = product * (product - n) / (n * n * (n - 1));
        return runs < mean - 2.3263478740408408 * Math.sqrt(variance);
    }
}
