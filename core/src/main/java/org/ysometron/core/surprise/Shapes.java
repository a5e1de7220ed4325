package org.ysometron.core.surprise;

import java.util.Arrays;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;

/**
 * Shapes of a set that no table lists for few values: their probability among values of one normal population is simulated for each n, seeded, once. Neither
 * statistic depends on mean or scatter.
 */
final class Shapes {

    private static final int MOST_RUNS = 20_000;
    private static final int FEWEST_RUNS = 2_000;
    private static final int WORK = 1_200_000;

    private static final Map<Integer, double[]> DIVIDED = new ConcurrentHashMap<>();
    private static final Map<Integer, double[]> LEANING = new ConcurrentHashMap<>();

    private Shapes() {}

    /**
     * The best division into two groups.
     *
     * @param share of the sum of squares between them
     * @param lower how many values the lower has
     */
    record Division(double share, int lower) {}

    /** Of ordered values that are not all alike, four at least. */
    static Division divided(double[] sorted) {
        int n = sorted.length;
        double[] centred = centred(sorted);
        double total = 0;
        for (double value : centred) {
            total += value * value;
        }
        double sum = 0;
        double best = 0;
        int at = 2;
        for (int i = 1; i <= n - 2; i++) {
            sum += centred[i - 1];
            // With means centred at 0 the sum of squares between is S²·n/(i·(n−i)).
            double between = sum * sum * n / ((double) i * (n - i));
            if (i >= 2 && between > best) {
                best = between;
                at = i;
            }
        }
        return new Division(best / total, at);
    }

    /** Mean less median in standard deviations, of ordered values that are not all alike. */
    static double leaning(double[] sorted) {
        int n = sorted.length;
        double[] centred = centred(sorted);
        double total = 0;
        for (double value : centred) {
            total += value * value;
        }
        double median = (centred[(n - 1) / 2] + centred[n / 2]) / 2;
        return -median / Math.sqrt(total / (n - 1));
    }

    private static double[] centred(double[] values) {
        double mean = Arrays.stream(values).average().orElse(0);
        return Arrays.stream(values).map(value -> value - mean).toArray();
    }

    /** Probability of a share at least as large among n values of one population. */
    static double ofDivision(double share, int n) {
        return beyond(DIVIDED.computeIfAbsent(n, size -> simulated(size, sorted -> divided(sorted).share)), share);
    }

    /** Probability of a mean at least as far from the median, on either side. */
    static double ofLeaning(double leaning, int n) {
        return beyond(
                LEANING.computeIfAbsent(n, size -> simulated(size, sorted -> Math.abs(leaning(sorted)))),
                Math.abs(leaning));
    }

    private static double beyond(double[] simulated, double found) {
        int at = Arrays.binarySearch(simulated, found);
        int from = at < 0 ? -at - 1 : at;
        return (simulated.length - from + 1.0) / (simulated.length + 1.0);
    }

    private static double[] simulated(int n, ToDoubleFunction<double[]> statistic) {
        SplittableRandom random = new SplittableRandom(n);
        double[] found = new double[Math.max(FEWEST_RUNS, Math.min(MOST_RUNS, WORK / n))];
        double[] values = new double[n];
        for (int run = 0; run < found.length; run++) {
            for (int i = 0; i < n; i++) {
                values[i] = random.nextGaussian();
            }
            Arrays.sort(values);
            found[run] = statistic.applyAsDouble(values);
        }
        Arrays.sort(found);
        return found;
    }
}
