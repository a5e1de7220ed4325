package org.ysometron.core.drift.formula;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;
import org.ysometron.core.statistics.formula.Panels;
import org.ysometron.core.statistics.formula.StandardNormal;

/** Average run lengths of charts on independent normal points; shifts and limits in standard deviations of a point. */
public final class RunLength {

    /** Pieces at the most: beyond it a chart's memory is too long for its points. */
    private static final int MOST_PIECES = 35;

    /** Standard deviations of the newest point that one piece is long at the most. */
    private static final double PIECE = 6;

    /** Points followed at the most while limits widen. */
    private static final int MOST_POINTS = 3000;

    /** Relative change below which a share counts as settled. */
    private static final double SETTLED = 1e-11;

    private RunLength() {}

    /** Beyond ±L only: 1/(1 − Φ(L − δ) + Φ(−L − δ)). */
    public static double shewhart(double limit, double shift) {
        return 1 / (StandardNormal.below(-limit + shift) + StandardNormal.below(-limit - shift));
    }

    /**
     * Beyond ±L or r in a row on one side of the centre, as a Markov chain on the run so far (Champ and Woodall 1987).
     *
     * <p>With a(k) the points still to come after k in a row above: a(k) = 1 + p·a(k+1) + q·b(1), a(r) = 0; b alike.
     */
    public static double shewhartWithRun(double limit, int run, double shift) {
        double above = StandardNormal.below(limit - shift) - StandardNormal.below(-shift);
        double below = StandardNormal.below(-shift) - StandardNormal.below(-limit - shift);
        double sa = geometric(above, run - 1);
        double sb = geometric(below, run - 1);
        double a = sa * (1 + below * sb) / (1 - sa * sb * above * below);
        double b = sb * (1 + above * a);
        return 1 + above * a + below * b;
    }

    /**
     * EWMA z = λx + (1 − λ)z with constant limits ±L·√(λ/(2 − λ)), by the integral equation of Crowder (1987) on
     * Gauss-Legendre nodes.
     *
     * @param start where it begins, in standard deviations of the EWMA in the long run, within the limits
     */
    public static double ewma(double lambda, double limit, double shift, double start) {
        double unit = Math.sqrt(lambda / (2 - lambda));
        double h = limit * unit;
        double stays = 1 - lambda;
        return new Chain(-h, h, lambda, start * unit, Double.NaN)
                .absorbed(
                        (from, to) -> StandardNormal.density((to - stays * from) / lambda - shift) / lambda,
                        from -> 0,
                        from -> StandardNormal.below((-h - stays * from) / lambda - shift)
                                + StandardNormal.above((h - stays * from) / lambda - shift));
    }

    /**
     * EWMA with limits that widen as the variance of z does, ±L·√(λ/(2 − λ)·(1 − (1 − λ)²ⁱ)): the density of z is followed from
     * point to point until what leaves at each is a settled share of what is left.
     *
     * @param start where it begins, in standard deviations of the EWMA in the long run
     */
    public static double ewmaWidening(double lambda, double limit, double shift, double start) {
        double unit = Math.sqrt(lambda / (2 - lambda));
        double stays = 1 - lambda;
        double[] at = {start * unit};
        double[] mass = {1};
        double left = 1;
        double length = 0;
        double share = 0;
        for (int i = 1; i <= MOST_POINTS; i++) {
            length += left;
            double h = limit * unit * Math.sqrt(1 - Math.pow(stays, 2.0 * i));
            Panels next = Panels.even(-h, h, Math.max(1, (int) Math.ceil(2 * h / lambda / PIECE)));
            double[] places = new double[next.size()];
            double[] masses = new double[next.size()];
            for (int k = 0; k < masses.length; k++) {
                double place = next.at(k);
                for (int j = 0; j < mass.length; j++) {
                    masses[k] += mass[j] * StandardNormal.density((place - stays * at[j]) / lambda - shift);
                }
                masses[k] *= next.weight(k) / lambda;
                places[k] = place;
            }
            double gone = leaving(at, mass, h, lambda, shift);
            double before = share;
            share = gone / left;
            if (share >= 1 || left < 1e-17) {
                return length;
            }
            boolean wide = Math.pow(stays, 2.0 * i) < SETTLED;
            if (wide && Math.abs(share - before) <= SETTLED * share) {
                return length - left + left / share;
            }
            at = places;
            mass = masses;
            left = Arrays.stream(masses).sum();
        }
        throw new IllegalArgumentException("the weight is too small for limits that widen: they do so for too long");
    }

    private static double leaving(double[] at, double[] mass, double h, double lambda, double shift) {
        double gone = 0;
        for (int j = 0; j < mass.length; j++) {
            double drawn = (1 - lambda) * at[j];
            gone += mass[j]
                    * (StandardNormal.below((-h - drawn) / lambda - shift)
                            + StandardNormal.above((h - drawn) / lambda - shift));
        }
        return gone;
    }

    /**
     * EWMA with one limit: only the upper side is watched, and what falls below the centre begins there again.
     *
     * @param start where it begins, in standard deviations of the EWMA in the long run, 0 to L
     */
    public static double ewmaUpper(double lambda, double limit, double shift, double start) {
        double unit = Math.sqrt(lambda / (2 - lambda));
        double h = limit * unit;
        double stays = 1 - lambda;
        return new Chain(0, h, lambda, start * unit, 0)
                .absorbed(
                        (from, to) -> StandardNormal.density((to - stays * from) / lambda - shift) / lambda,
                        from -> StandardNormal.below(-stays * from / lambda - shift),
                        from -> StandardNormal.above((h - stays * from) / lambda - shift));
    }

    /**
     * One-sided upper CUSUM C = max(0, C + x − k), signal beyond h, by the integral equation of Page (1954): L(u) = 1 +
     * L(0)·Φ(k − u − δ) + ∫ L(y) φ(y − u + k − δ) dy.
     *
     * @param start head start, 0 to h
     */
    public static double cusumUpper(double k, double h, double shift, double start) {
        return new Chain(0, h, 1, start, 0)
                .absorbed(
                        (from, to) -> StandardNormal.density(to - from + k - shift),
                        from -> StandardNormal.below(k - from - shift),
                        from -> StandardNormal.above(h - from + k - shift));
    }

    /**
     * Both sides together: 1/A = 1/A₊ + 1/A₋ (Van Dobben de Bruyn 1968), with a head start on both as Lucas and Crosier
     * (Technometrics 24, 1982).
     */
    public static double cusum(double k, double h, double shift, double start) {
        double upper = cusumUpper(k, h, shift, 0);
        double lower = cusumUpper(k, h, -shift, 0);
        if (start == 0) {
            return 1 / (1 / upper + 1 / lower);
        }
        double ahead = cusumUpper(k, h, shift, start) / upper;
        // A side that never signals from zero comes back to zero from its head start.
        double behind = Double.isInfinite(lower) ? 1 : cusumUpper(k, h, -shift, start) / lower;
        return (ahead + behind - 1) / (1 / upper + 1 / lower);
    }

    private interface Kernel {
        double density(double from, double to);
    }

    private static double geometric(double p, int terms) {
        double sum = 0;
        double power = 1;
        for (int i = 0; i < terms; i++) {
            sum += power;
            power *= p;
        }
        return sum;
    }

    /**
     * A chart as a Markov chain on nodes, by Nyström's method.
     *
     * @param scale standard deviation of one step
     * @param start where it begins
     * @param rest where it may rest with a probability of its own; NaN where it never does
     */
    private record Chain(double low, double high, double scale, double start, double rest) {

        double absorbed(Kernel kernel, DoubleUnaryOperator rests, DoubleUnaryOperator leaves) {
            double pieces = Math.ceil((high - low) / scale / PIECE);
            if (pieces > MOST_PIECES) {
                throw new IllegalArgumentException("the limits lie too many steps apart for a run length: "
                        + Math.round((high - low) / scale) + " standard deviations of one step");
            }
            Panels at = Panels.even(low, high, (int) pieces);
            int nodes = at.size();
            boolean resting = !Double.isNaN(rest);
            int size = nodes + (resting ? 2 : 1);
            // The start first, where the elimination ends; then the resting place; then the nodes.
            double[][] moves = new double[size][size];
            double[] gone = new double[size];
            for (int i = 0; i < size; i++) {
                double from = i == 0 ? start : resting && i == 1 ? rest : at.at(i - (size - nodes));
                for (int j = 0; j < nodes; j++) {
                    moves[i][j + size - nodes] = at.weight(j) * kernel.density(from, at.at(j));
                }
                if (resting) {
                    moves[i][1] = rests.applyAsDouble(from);
                }
                gone[i] = leaves.applyAsDouble(from);
            }
            return timeOfFirst(moves, gone);
        }
    }

    /**
     * Mean number of steps until the first state is left for good, by an elimination that never subtracts, so that a run length
     * of 10³⁰ has as many digits as one of ten (Grassmann, Taksar and Heyman, Operations Research 33, 1985).
     */
    private static double timeOfFirst(double[][] moves, double[] gone) {
        double[] steps = new double[gone.length];
        Arrays.fill(steps, 1);
        for (int k = gone.length - 1; k >= 1; k--) {
            double[] from = moves[k];
            double out = gone[k];
            for (int j = 0; j < k; j++) {
                out += from[j];
            }
            for (int i = 0; i < k; i++) {
                double share = moves[i][k] / out;
                if (Double.isInfinite(share)) {
                    // Once there it stays: what would leave is less than the least number above zero.
                    return Double.POSITIVE_INFINITY;
                }
                if (share > 0) {
                    double[] row = moves[i];
                    for (int j = 0; j < k; j++) {
                        row[j] += share * from[j];
                    }
                    gone[i] += share * gone[k];
                    steps[i] += share * steps[k];
                }
            }
        }
        return steps[0] / gone[0];
    }
}
