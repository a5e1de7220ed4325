package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * When a series of lot figures changed, and in what shape: of all single changes at all places the one under which the figures are likeliest (normal,
 * one standard deviation, both unknown; Hinkley 1970 for the step). How seldom a series without a change looks so is simulated for its own length, so
 * that looking at every place and at every shape is paid for.
 *
 * @param shape of the change
 * @param at index of the first lot that is changed, from 0
 * @param earliest index of the first lot that the change may have begun with, at 95 %
 * @param latest index of the last one
 * @param before mean before the change
 * @param size of a step or a spike; of a ramp by lot; of a spread the ratio of the two standard deviations
 * @param chance share of series of this length without any change that look as changed or more
 * @param working the steps
 */
public record ChangePoint(
        Shape shape, int at, int earliest, int latest, double before, double size, double chance, Working working) {

    /** Fewest figures in which a change is looked for. */
    public static final int FEWEST = 8;

    /** Most; of longer series the last are looked at. */
    public static final int MOST = 200;

    /** Fewest lots on either side of a step, and of what a ramp is drawn through. */
    private static final int SIDE = 2;

    private static final int RAMP = 3;

    /** Fewest on either side of a change of the scatter: fewer have none to speak of. */
    private static final int SCATTER = 4;

    private static final int SIMULATED = 2000;

    /**
     * Twice the log-likelihood that a place may lie below the best one and still be in the interval. Chi-square with one degree of freedom (3.84) is too
     * narrow for a place, which is no smooth parameter; with this the interval holds the true place of a step, a slide or another scatter in at least
     * 95 of 100 series of 8 to 60 lots among those that are called changed at all (simulated in its test). A step that is only just seen needs all
     * of it; of a large one more than 99 are held.
     */
    private static final double WITHIN = 11;

    private static final Map<Integer, double[]> UNCHANGED = new ConcurrentHashMap<>();

    /** What a change looks like. */
    public enum Shape {
        /** One lot apart from all others. */
        SPIKE("one lot stands apart"),
        /** Another level from a lot on. */
        STEP("a step"),
        /** A level that slides from a lot on. */
        RAMP("a slide"),
        /** The same level with another scatter from a lot on. */
        SPREAD("another scatter");

        private final String words;

        Shape(String words) {
            this.words = words;
        }

        /** Its name in words. */
        public String words() {
            return words;
        }
    }

    /**
     * Looks for the likeliest single change.
     *
     * @param figures in order, finite; the last {@value #MOST} of more
     * @return empty for fewer than {@value #FEWEST}, and for figures that are all alike
     */
    public static Optional<ChangePoint> of(double[] figures) {
        int skipped = Math.max(0, figures.length - MOST);
        double[] y = Arrays.copyOfRange(figures, skipped, figures.length);
        for (double one : y) {
            if (!Double.isFinite(one)) {
                throw new IllegalArgumentException("a series is of finite figures, got " + one);
            }
        }
        if (y.length < FEWEST || spread(y) == 0) {
            return Optional.empty();
        }
        Sums sums = new Sums(y);
        Fit best = best(sums);
        double[] unchanged = UNCHANGED.computeIfAbsent(y.length, ChangePoint::unchanged);
        int below = Arrays.binarySearch(unchanged, best.gain);
        int beyond = unchanged.length - (below < 0 ? -below - 1 : below);
        double chance = (beyond + 1.0) / (unchanged.length + 1);
        int[] interval = interval(sums, best);
        return Optional.of(new ChangePoint(
                best.shape,
                skipped + best.at,
                skipped + interval[0],
                skipped + interval[1],
                sums.mean + best.before,
                best.size,
                chance,
                working(y.length, skipped + best.at, best, chance)));
    }

    private static double spread(double[] y) {
        return Arrays.stream(y).max().orElse(0) - Arrays.stream(y).min().orElse(0);
    }

    private static Working working(int n, int at, Fit best, double chance) {
        return Working.of(
                Step.of("lots", "n", "", n),
                Step.of("first lot that is changed, counted from 1", "k", "", at + 1.0),
                Step.note("likeliest change", best.shape.words()),
                Step.of("twice the log-likelihood gained", "G", "n·ln(RSS₀/RSS₁)", best.gain),
                Step.of("share of unchanged series that gain as much", "p", SIMULATED + " simulated", chance),
                Step.note(
                        "interval of its place",
                        "all places of that shape at most " + Figures.significant(WITHIN, 2) + " below the best"));
    }

    /** Places of the same shape that are not much less likely. */
    private static int[] interval(Sums y, Fit best) {
        int earliest = best.at;
        int latest = best.at;
        for (int k = 0; k < y.n; k++) {
            Optional<Fit> there = fit(y, best.shape, k);
            if (there.isPresent() && best.gain - there.get().gain <= WITHIN) {
                earliest = Math.min(earliest, k);
                latest = Math.max(latest, k);
            }
        }
        return new int[] {earliest, latest};
    }

    private static double[] unchanged(int n) {
        Random chance = new Random(1970L * n);
        double[] gains = new double[SIMULATED];
        double[] y = new double[n];
        for (int s = 0; s < SIMULATED; s++) {
            Arrays.setAll(y, i -> chance.nextGaussian());
            gains[s] = best(new Sums(y)).gain;
        }
        Arrays.sort(gains);
        return gains;
    }

    private static Fit best(Sums y) {
        Fit best = null;
        for (Shape shape : Shape.values()) {
            for (int k = 0; k < y.n; k++) {
                Optional<Fit> fit = fit(y, shape, k);
                if (fit.isPresent() && (best == null || fit.get().gain > best.gain)) {
                    best = fit.get();
                }
            }
        }
        if (best == null) {
            throw new IllegalStateException("a series of " + y.n + " has a place for a step");
        }
        return best;
    }

    /** Of a shape at a place; empty where there is no room for it. */
    private static Optional<Fit> fit(Sums y, Shape shape, int k) {
        int left = y.n - k;
        return switch (shape) {
            case SPIKE -> Optional.of(y.spike(k));
            case STEP -> k >= SIDE && left >= SIDE ? Optional.of(y.step(k)) : Optional.empty();
            case RAMP -> k >= SIDE && left >= RAMP ? Optional.of(y.ramp(k)) : Optional.empty();
            case SPREAD -> k >= SCATTER && left >= SCATTER ? y.scatter(k) : Optional.empty();
        };
    }

    /**
     * A change at a place.
     *
     * @param gain twice the log-likelihood above that of no change
     * @param before level before it, from the mean of all
     */
    private record Fit(Shape shape, int at, double gain, double before, double size) {}

    /** Sums of a series about its mean, so that every place costs the same few steps. */
    private static final class Sums {

        /** A change that leaves nothing over is as likely as one that leaves so little of the scatter. */
        private static final double LEAST = 1e-12;

        private final int n;
        private final double mean;
        private final double[] y;
        private final double[] sum;
        private final double[] squares;

        /** Sums of (i − k + 1)·y from a place k to the end. */
        private final double[] sliding;

        Sums(double[] figures) {
            n = figures.length;
            mean = Arrays.stream(figures).sum() / n;
            y = Arrays.stream(figures).map(one -> one - mean).toArray();
            sum = new double[n + 1];
            squares = new double[n + 1];
            sliding = new double[n + 1];
            for (int i = 0; i < n; i++) {
                sum[i + 1] = sum[i] + y[i];
                squares[i + 1] = squares[i] + y[i] * y[i];
            }
            double behind = 0;
            for (int i = n - 1; i >= 0; i--) {
                behind += y[i];
                sliding[i] = sliding[i + 1] + behind;
            }
        }

        private Fit of(Shape shape, int at, double rss, double before, double size) {
            double none = squares[n] - sum[n] * sum[n] / n;
            return new Fit(shape, at, n * Math.log(none / Math.max(rss, LEAST * none)), before, size);
        }

        Fit spike(int k) {
            double others = (sum[n] - y[k]) / (n - 1);
            double rss = squares[n] - y[k] * y[k] - (n - 1) * others * others;
            return of(Shape.SPIKE, k, rss, others, y[k] - others);
        }

        Fit step(int k) {
            double before = sum[k] / k;
            double after = (sum[n] - sum[k]) / (n - k);
            double rss = squares[n] - k * before * before - (n - k) * after * after;
            return of(Shape.STEP, k, rss, before, after - before);
        }

        /** Level until the lot before k, then a line that goes on from it: least squares of the two. */
        Fit ramp(int k) {
            double m = n - (double) k;
            double middle = m * (m + 1) / 2 / n;
            double tt = m * (m + 1) * (2 * m + 1) / 6 - n * middle * middle;
            double ty = sliding[k] - n * middle * (sum[n] / n);
            double slope = ty / tt;
            double rss = squares[n] - sum[n] * sum[n] / n - slope * ty;
            return of(Shape.RAMP, k, rss, sum[n] / n - slope * middle, slope);
        }

        /** About the mean of all: a change of the level is another shape. */
        Optional<Fit> scatter(int k) {
            double first = squares[k] / k;
            double second = (squares[n] - squares[k]) / (n - k);
            if (!(first > 0) || !(second > 0)) {
                return Optional.empty();
            }
            double gain = n * Math.log(squares[n] / n) - k * Math.log(first) - (n - k) * Math.log(second);
            return Optional.of(new Fit(Shape.SPREAD, k, gain, 0, Math.sqrt(second / first)));
        }
    }
}
