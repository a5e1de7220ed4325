package org.ysometron.core.curve;

import java.util.Arrays;
import java.util.List;

/**
 * What the curves of a set have in common: at places of strain as far as the shortest of them comes, the mean of their stresses, one standard
 * deviation about it, and the lowest and the highest.
 *
 * @param strain places, rising from 0
 * @param mean of the stresses there
 * @param deviation standard deviation there, with n − 1; 0 of a single curve
 * @param lowest of the stresses there
 * @param highest of the stresses there
 * @param curves how many
 */
public record Envelope(
        double[] strain, double[] mean, double[] deviation, double[] lowest, double[] highest, int curves) {

    /** Places of strain. */
    public static final int PLACES = 160;

    /**
     * Of curves as rows of strain and of stress, both of one length. A curve that turns back, as at a slip, is read where it first comes to a
     * strain.
     *
     * @throws IllegalArgumentException for no curves, or one of fewer than two points
     */
    public static Envelope of(List<double[][]> curves) {
        if (curves.isEmpty()
                || curves.stream().anyMatch(curve -> curve[0].length < 2 || curve[0].length != curve[1].length)) {
            throw new IllegalArgumentException("an envelope is of curves with at least two points each");
        }
        double end = curves.stream()
                .mapToDouble(curve -> Arrays.stream(curve[0]).max().orElse(0))
                .min()
                .orElse(0);
        Envelope all = empty(end, curves.size());
        double[] squares = new double[PLACES];
        for (int c = 0; c < curves.size(); c++) {
            all.add(curves.get(c), c + 1, squares);
        }
        for (int p = 0; p < PLACES; p++) {
            all.deviation[p] = curves.size() < 2 ? 0 : Math.sqrt(squares[p] / (curves.size() - 1));
        }
        return all;
    }

    private static Envelope empty(double end, int curves) {
        Envelope empty = new Envelope(
                new double[PLACES],
                new double[PLACES],
                new double[PLACES],
                new double[PLACES],
                new double[PLACES],
                curves);
        for (int p = 0; p < PLACES; p++) {
            empty.strain[p] = end * p / (PLACES - 1);
            empty.lowest[p] = Double.POSITIVE_INFINITY;
            empty.highest[p] = Double.NEGATIVE_INFINITY;
        }
        return empty;
    }

    /** One more curve: mean and sum of squares about a mean that moves (Welford). */
    private void add(double[][] curve, int count, double[] squares) {
        int at = 1;
        for (int p = 0; p < PLACES; p++) {
            while (at < curve[0].length - 1 && curve[0][at] < strain[p]) {
                at++;
            }
            double stress = between(curve, at, strain[p]);
            double before = stress - mean[p];
            mean[p] += before / count;
            squares[p] += before * (stress - mean[p]);
            lowest[p] = Math.min(lowest[p], stress);
            highest[p] = Math.max(highest[p], stress);
        }
    }

    private static double between(double[][] curve, int at, double strain) {
        double width = curve[0][at] - curve[0][at - 1];
        double share = width > 0 ? (strain - curve[0][at - 1]) / width : 1;
        return curve[1][at - 1] + Math.min(1, Math.max(0, share)) * (curve[1][at] - curve[1][at - 1]);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Envelope that
                && curves == that.curves
                && Arrays.equals(strain, that.strain)
                && Arrays.equals(mean, that.mean)
                && Arrays.equals(deviation, that.deviation)
                && Arrays.equals(lowest, that.lowest)
                && Arrays.equals(highest, that.highest);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(mean);
    }

    @Override
    public String toString() {
        return "Envelope of " + curves;
    }
}
