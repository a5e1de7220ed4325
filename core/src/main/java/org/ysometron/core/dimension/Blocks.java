package org.ysometron.core.dimension;

import java.util.Arrays;
import java.util.Optional;

/** Means over equal stretches of a log, never more than {@link #MOST} of them: when they are full, neighbours join. */
final class Blocks {

    static final int MOST = 4096;

    /**
     * F beyond which a split counts as a step. Andrews (1993) gives about 12 to 13 as the 1 % point of the largest F over
     * all splits (value from memory); block means of a real filament are not independent, hence the distance.
     */
    private static final double F_OF_A_STEP = 20;

    /** A step smaller than this share of the tolerance is not worth a word (common practice, no source). */
    private static final double LEAST_SHARE = 0.1;

    private static final int COARSE = 64;

    private final double[] diameters = new double[MOST];
    private final double[] ovalities = new double[MOST];
    private final double[] starts = new double[MOST];
    private int full;
    private long size = 1;
    private long inBlock;
    private double diameterSum;
    private double ovalitySum;

    void accept(double position, double diameter, double ovality) {
        if (inBlock == 0) {
            starts[full] = position;
        }
        diameterSum += diameter;
        ovalitySum += ovality;
        if (++inBlock < size) {
            return;
        }
        diameters[full] = diameterSum / size;
        ovalities[full] = ovalitySum / size;
        full++;
        diameterSum = 0;
        ovalitySum = 0;
        inBlock = 0;
        if (full == MOST) {
            join(diameters);
            join(ovalities);
            for (int i = 0; i < MOST / 2; i++) {
                starts[i] = starts[2 * i];
            }
            full = MOST / 2;
            size *= 2;
        }
    }

    private static void join(double[] means) {
        for (int i = 0; i < MOST / 2; i++) {
            means[i] = (means[2 * i] + means[2 * i + 1]) / 2;
        }
    }

    int count() {
        return full;
    }

    long size() {
        return size;
    }

    /** Mean diameters with the step in them taken out, so that a jump does not pass for a long wave. */
    double[] levelled() {
        double[] means = Arrays.copyOf(diameters, full);
        Split split = best(means, 0, full);
        if (split.f > F_OF_A_STEP) {
            for (int i = split.at; i < full; i++) {
                means[i] -= split.change;
            }
        }
        return means;
    }

    Optional<DiameterLog.Step> diameterStep(double tolerance) {
        return step(diameters, tolerance);
    }

    Optional<DiameterLog.Step> ovalityStep(double tolerance) {
        return step(ovalities, tolerance);
    }

    /** Tests on some 64 long blocks, which average a wobble out, then finds the place among the short ones. */
    private Optional<DiameterLog.Step> step(double[] means, double tolerance) {
        int width = Math.max(1, full / COARSE);
        int count = full / width;
        double[] coarse = new double[count];
        for (int i = 0; i < count; i++) {
            double sum = 0;
            for (int j = 0; j < width; j++) {
                sum += means[i * width + j];
            }
            coarse[i] = sum / width;
        }
        Split rough = best(coarse, 0, count);
        double f = rough.f * independence(coarse, rough);
        if (f <= F_OF_A_STEP || Math.abs(rough.change) < LEAST_SHARE * tolerance) {
            return Optional.empty();
        }
        int from = Math.max(0, (rough.at - 2) * width);
        int to = Math.min(full, (rough.at + 2) * width);
        Split fine = width == 1 ? rough : best(Arrays.copyOf(means, full), from, to);
        // Where its first reading was taken, however the readings are spaced.
        return Optional.of(new DiameterLog.Step(starts[fine.at], rough.change, f));
    }

    /**
     * Share of the blocks that count as independent, (1 − r)/(1 + r) with r the correlation of neighbours about the split's
     * two means: a slow wander is no step, however large its F (effective sample size of a first-order process).
     */
    private static double independence(double[] means, Split split) {
        double[] residuals = means.clone();
        double before = mean(means, 0, split.at);
        double behind = mean(means, split.at, means.length);
        double squares = 0;
        double products = 0;
        for (int i = 0; i < residuals.length; i++) {
            residuals[i] -= i < split.at ? before : behind;
            squares += residuals[i] * residuals[i];
            products += i == 0 ? 0 : residuals[i] * residuals[i - 1];
        }
        double r = squares == 0 ? 0 : Math.max(0, products / squares);
        return (1 - r) / (1 + r);
    }

    private static double mean(double[] means, int from, int to) {
        return Arrays.stream(means, from, to).average().orElse(0);
    }

    /** @param at index of the first block behind the split */
    private record Split(int at, double change, double f) {}

    private static Split best(double[] means, int from, int to) {
        int n = to - from;
        double total = 0;
        for (int i = from; i < to; i++) {
            total += means[i];
        }
        double mean = total / n;
        double squares = 0;
        for (int i = from; i < to; i++) {
            squares += (means[i] - mean) * (means[i] - mean);
        }
        int edge = Math.max(2, n / 20);
        double before = 0;
        Split best = new Split(from, 0, 0);
        for (int k = 1; k < n; k++) {
            before += means[from + k - 1];
            if (k < edge || n - k < edge) {
                continue;
            }
            double change = (total - before) / (n - k) - before / k;
            double between = change * change * k * (n - k) / n;
            double within = Math.max(squares - between, 1e-300) / (n - 2);
            double f = between / within;
            if (f > best.f) {
                best = new Split(from + k, change, f);
            }
        }
        return best;
    }
}
