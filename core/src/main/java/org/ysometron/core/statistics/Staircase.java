package org.ysometron.core.statistics;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Mean of a normal population of which each specimen was asked one thing only: whether it bears a level. Steps up after one that
 * bore it and down after one that did not gather the levels about the mean (the staircase of ISO 6603-1; Dixon and Mood, Journal of
 * the American Statistical Association 43, 1948).
 *
 * <p>The likelihood is that of a probit, ∏ Φ((μ − x)/σ) over what held times ∏ Φ((x − μ)/σ) over what failed, however the levels
 * were chosen. So few answers say next to nothing of σ: anything from half a step up is allowed, steps far too fine for the scatter
 * with it, and the profile over σ falls by D from its maximum to μ. The usual limit of D, z²/2, keeps as little as 0.6 instead of 0.95
 * where the steps are fine, for the answers decide which levels are asked; 3.1 times of it keeps the level from n = 5 on, wherever
 * the steps began and whatever the scatter is (simulated in the tests). Where even an endless scatter, by which every answer is the toss
 * of a coin, falls short of the limit, there are no bounds yet: ten parts seldom have any, thirty in steps of the scatter nearly always.
 * Below a confidence of 0.95 no limit was found, and that one is kept.
 */
public final class Staircase {

    /** Fewer answers than these say where the population lies in no useful way. */
    public static final int FEWEST = 5;

    /** Below this the bounds' level was not simulated. */
    public static final double LEAST_CONFIDENCE = 0.95;

    private static final double LEAST_SCATTER = 0.5;
    private static final double MOST_SCATTER = 4096;
    private static final int SCATTERS = 80;
    private static final double[] SCATTER = new double[SCATTERS];

    static {
        for (int k = 0; k < SCATTERS; k++) {
            SCATTER[k] = LEAST_SCATTER * Math.pow(MOST_SCATTER / LEAST_SCATTER, k / (SCATTERS - 1.0));
        }
    }

    private static final double WIDER = 3.1;
    private static final double BESIDE = 4;
    private static final double FAR = 9;
    private static final double BETTER = 0.1;
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

    /**
     * Reads a staircase; empty where there is none: for answers of one kind, fewer than {@link #FEWEST}, on one level, or where what
     * held lies no lower than what failed, so that no mean among the levels is likelier than tosses of a coin.
     *
     * @param held levels that specimens bore, in any one unit
     * @param failed levels that others did not bear
     */
    public static Optional<Staircase> find(double[] held, double[] failed) {
        if (held.length == 0 || failed.length == 0 || held.length + failed.length < FEWEST) {
            return Optional.empty();
        }
        SortedMap<Double, int[]> answers = answers(held, failed);
        double gap = gap(answers);
        return gap > 0 ? Optional.of(new Staircase(answers, gap)).filter(Staircase::hasSummit) : Optional.empty();
    }

    private boolean hasSummit() {
        return best - coin() > BETTER && mean > -1 && mean < levels[levels.length - 1] + 1;
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
        double low = -BESIDE;
        double high = levels[levels.length - 1] + BESIDE;
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

    /** The largest log-likelihood of any scatter: the largest of a grid, and the summit of the parabola through its neighbours. */
    private double profile(double at) {
        double[] logs = new double[SCATTERS];
        int most = 0;
        for (int k = 0; k < SCATTERS; k++) {
            logs[k] = logLikelihood(at, SCATTER[k]);
            most = logs[k] > logs[most] ? k : most;
        }
        if (most == 0 || most == SCATTERS - 1) {
            return logs[most];
        }
        double bend = logs[most - 1] - 2 * logs[most] + logs[most + 1];
        double lean = logs[most + 1] - logs[most - 1];
        return bend < 0 ? logs[most] - lean * lean / (8 * bend) : logs[most];
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

    /** Whether there are bounds at this confidence: whether the tosses of a coin are as unlikely as its limit. */
    public boolean isBounded(double confidence) {
        return best - coin() > fall(confidence);
    }

    /** The fewest answers that are expected to have bounds at this confidence, if they go on as they did. */
    public int bounding(double confidence) {
        double each = (best - coin()) / n;
        return each > 0 ? (int) Math.min(Math.ceil(fall(confidence) / each) + 1, Integer.MAX_VALUE) : Integer.MAX_VALUE;
    }

    /** A one-sided lower bound of the mean at this confidence, from 0.95 and below 1; minus infinity where it is not bounded. */
    public double lower(double confidence) {
        return bound(confidence, -1);
    }

    /** A one-sided upper bound likewise. */
    public double upper(double confidence) {
        return bound(confidence, 1);
    }

    private static double fall(double confidence) {
        double z = StandardNormal.quantile(Math.max(confidence, LEAST_CONFIDENCE));
        return WIDER * z * z / 2;
    }

    /** Log-likelihood where the level does not matter: as many held as did, one by one by chance. */
    private double coin() {
        double bore = Arrays.stream(held).sum();
        double other = n - bore;
        return bore * Math.log(bore / n) + other * Math.log(other / n);
    }

    private double bound(double confidence, int side) {
        if (!isBounded(confidence)) {
            return side * Double.POSITIVE_INFINITY;
        }
        double fall = fall(confidence);
        double near = mean;
        double reach = BESIDE;
        while (best - profile(mean + side * reach) < fall) {
            near = mean + side * reach;
            reach *= 2;
        }
        double far = mean + side * reach;
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
