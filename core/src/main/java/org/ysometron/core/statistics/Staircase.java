package org.ysometron.core.statistics;

import java.util.Arrays;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Mean of a normal population of which each specimen was asked one thing only: whether it bears a level. Steps up after one that
 * bore it and down after one that did not gather the levels about the mean (the staircase of ISO 6603-1; Dixon and Mood, Journal of
 * the American Statistical Association 43, 1948).
 *
 * <p>The likelihood is that of a probit, ∏ Φ((μ − x)/σ) over what held times ∏ Φ((x − μ)/σ) over what failed, however the levels
 * were chosen. So few answers say next to nothing of σ: it is sought between half a step and four, and the profile over it falls by
 * D from its maximum to μ. The usual limit of D, z²/2, keeps 0.88 instead of 0.95 where the scatter is twice the step; 1.9 times of
 * it keeps its level from n = 5 on, wherever the steps began, for scatters of up to two steps (simulated in the tests; common
 * practice asks for a step of half the scatter to twice of it). Below a confidence of 0.95 no limit was found, and that one is kept.
 */
public final class Staircase {

    /** Fewer answers than these say where the population lies in no useful way. */
    public static final int FEWEST = 5;

    /** Below this the bounds' level was not simulated. */
    public static final double LEAST_CONFIDENCE = 0.95;

    private static final double LEAST_SCATTER = 0.5;
    private static final double MOST_SCATTER = 4;
    private static final int SCATTERS = 33;
    private static final double WIDER = 1.9;
    private static final double FAR = 9;
    private static final int GOLDEN = 56;
    private static final int HALVINGS = 40;

    private final double least;
    private final double step;
    private final int n;
    private final double[] levels;
    private final int[] held;
    private final int[] failed;
    private final double mean;
    private final double best;

    private Staircase(SortedMap<Double, int[]> answers, double step) {
        this.least = answers.firstKey();
        this.step = step;
        this.levels = new double[answers.size()];
        this.held = new int[levels.length];
        this.failed = new int[levels.length];
        int i = 0;
        int all = 0;
        for (Map.Entry<Double, int[]> answer : answers.entrySet()) {
            levels[i] = (answer.getKey() - least) / step;
            held[i] = answer.getValue()[0];
            failed[i] = answer.getValue()[1];
            all += held[i] + failed[i];
            i++;
        }
        this.n = all;
        this.mean = maximum();
        this.best = profile(mean);
    }

    /** Whether these answers are enough: both kinds, on two levels or more, {@link #FEWEST} in all. */
    public static boolean isOne(double[] held, double[] failed) {
        return held.length > 0
                && failed.length > 0
                && held.length + failed.length >= FEWEST
                && gap(answers(held, failed)) > 0;
    }

    /**
     * Reads a staircase.
     *
     * @param held levels that specimens bore, in any one unit
     * @param failed levels that others did not bear
     * @throws IllegalArgumentException where {@link #isOne} says no
     */
    public static Staircase of(double[] held, double[] failed) {
        if (!isOne(held, failed)) {
            throw new IllegalArgumentException("a staircase needs levels that held and levels that failed, " + FEWEST
                    + " in all, two that differ");
        }
        SortedMap<Double, int[]> answers = answers(held, failed);
        return new Staircase(answers, gap(answers));
    }

    private static SortedMap<Double, int[]> answers(double[] held, double[] failed) {
        SortedMap<Double, int[]> answers = new TreeMap<>();
        Arrays.stream(held).forEach(level -> answers.computeIfAbsent(level, fresh -> new int[2])[0]++);
        Arrays.stream(failed).forEach(level -> answers.computeIfAbsent(level, fresh -> new int[2])[1]++);
        return answers;
    }

    /** The largest gap between neighbouring levels: where they are uneven, the coarsest step is the careful one. */
    private static double gap(SortedMap<Double, int[]> answers) {
        double largest = 0;
        double before = answers.firstKey();
        for (double level : answers.keySet()) {
            largest = Math.max(largest, level - before);
            before = level;
        }
        return largest;
    }

    /** Where the profile is highest; it has one summit, for the likelihood is log-concave in μ/σ and 1/σ. */
    private double maximum() {
        double low = -MOST_SCATTER;
        double high = levels[levels.length - 1] + MOST_SCATTER;
        double golden = (Math.sqrt(5) - 1) / 2;
        for (int i = 0; i < GOLDEN; i++) {
            double left = high - golden * (high - low);
            double right = low + golden * (high - low);
            if (profile(left) < profile(right)) {
                low = left;
            } else {
                high = right;
            }
        }
        return (low + high) / 2;
    }

    private double profile(double at) {
        double most = Double.NEGATIVE_INFINITY;
        for (int k = 0; k < SCATTERS; k++) {
            double scatter = LEAST_SCATTER * Math.pow(MOST_SCATTER / LEAST_SCATTER, k / (SCATTERS - 1.0));
            most = Math.max(most, logLikelihood(at, scatter));
        }
        return most;
    }

    private double logLikelihood(double mean, double scatter) {
        double sum = 0;
        for (int i = 0; i < levels.length; i++) {
            double z = (levels[i] - mean) / scatter;
            sum += term(held[i], -z) + term(failed[i], z);
        }
        return sum;
    }

    private static double term(int count, double z) {
        return count == 0 || z > FAR ? 0 : count * Math.log(Math.max(StandardNormal.below(z), Double.MIN_NORMAL));
    }

    /** How many answers there were. */
    public int n() {
        return n;
    }

    /** The step that scatters are reckoned by, in the unit of the levels. */
    public double step() {
        return step;
    }

    /** The most likely mean, in the unit of the levels. */
    public double mean() {
        return least + step * mean;
    }

    /** A one-sided lower bound of the mean at this confidence, from 0.95 and below 1. */
    public double lower(double confidence) {
        return bound(confidence, -1);
    }

    /** A one-sided upper bound likewise. */
    public double upper(double confidence) {
        return bound(confidence, 1);
    }

    private double bound(double confidence, int side) {
        double z = StandardNormal.quantile(Math.max(confidence, LEAST_CONFIDENCE));
        double fall = WIDER * z * z / 2;
        double near = mean;
        double far = mean + side * MOST_SCATTER;
        while (best - profile(far) < fall) {
            near = far;
            far += side * MOST_SCATTER;
        }
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (near + far) / 2;
            if (best - profile(middle) < fall) {
                near = middle;
            } else {
                far = middle;
            }
        }
        return least + step * (near + far) / 2;
    }

    /** Probability that the mean lies below this, by the signed root of the same profile. */
    public double chanceBelow(double value) {
        double at = (value - least) / step;
        double root = Math.sqrt(2 * Math.max(0, best - profile(at)) / WIDER);
        return StandardNormal.below(at < mean ? -root : root);
    }
}
