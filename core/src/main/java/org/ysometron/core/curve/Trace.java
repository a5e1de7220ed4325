package org.ysometron.core.curve;

import java.util.Arrays;
import java.util.Optional;

/**
 * A record of one specimen's test: force by extension, and by time where the file has it. In the order of the test, whatever the order
 * of the file.
 */
public final class Trace {

    /** Fewest points that make a record. */
    public static final int FEWEST = 20;

    /** Most points of one record. */
    public static final int MOST = 2_000_000;

    private final double[] time;
    private final double[] force;
    private final double[] extension;

    private Trace(double[] time, double[] force, double[] extension) {
        this.time = time;
        this.force = force;
        this.extension = extension;
    }

    /**
     * Copies a record.
     *
     * @param time in s, strictly rising, or strictly falling where the file is written backwards; of no length where it was not recorded
     * @param force in N, a pull positive
     * @param extension in mm, growing as the specimen does
     * @throws IllegalArgumentException in words for too few or too many points, columns of different lengths, what is no number or absurdly
     *     large, and time that stands still
     */
    public static Trace of(double[] time, double[] force, double[] extension) {
        int n = force.length;
        if (n < FEWEST || n > MOST) {
            throw new IllegalArgumentException("a record has " + FEWEST + " to " + MOST + " points, got " + n);
        }
        if (extension.length != n || (time.length != 0 && time.length != n)) {
            throw new IllegalArgumentException("each force has its extension and its time; got " + n + " forces, "
                    + extension.length + " extensions and " + time.length + " times");
        }
        requireNumbers("force", force, 1e9);
        requireNumbers("extension", extension, 1e8);
        requireNumbers("time", time, 1e9);
        boolean backwards = time.length > 1 && time[n - 1] < time[0];
        Trace trace = new Trace(ordered(time, backwards), ordered(force, backwards), ordered(extension, backwards));
        for (int i = 1; i < trace.time.length; i++) {
            if (!(trace.time[i] > trace.time[i - 1])) {
                throw new IllegalArgumentException("time stands still or runs back at point " + (i + 1) + ": "
                        + trace.time[i] + " s after " + trace.time[i - 1] + " s");
            }
        }
        return trace;
    }

    private static void requireNumbers(String what, double[] values, double most) {
        for (int i = 0; i < values.length; i++) {
            if (!(Math.abs(values[i]) <= most)) {
                throw new IllegalArgumentException(
                        "the " + what + " at point " + (i + 1) + " is " + values[i] + ", beyond what can be measured");
            }
        }
    }

    private static double[] ordered(double[] values, boolean backwards) {
        double[] copy = values.clone();
        for (int i = 0; backwards && i < copy.length / 2; i++) {
            double swapped = copy[i];
            copy[i] = copy[copy.length - 1 - i];
            copy[copy.length - 1 - i] = swapped;
        }
        return copy;
    }

    /** Points in the record. */
    public int size() {
        return force.length;
    }

    /** Force at a point, in N. */
    public double force(int i) {
        return force[i];
    }

    /** Extension at a point, in mm. */
    public double extension(int i) {
        return extension[i];
    }

    /** All forces, in N. */
    public double[] forces() {
        return force.clone();
    }

    /** All extensions, in mm. */
    public double[] extensions() {
        return extension.clone();
    }

    /** All times, in s; empty where they were not recorded. */
    public Optional<double[]> times() {
        return time.length == 0 ? Optional.empty() : Optional.of(time.clone());
    }

    /** The same without what the frame gave way: x − c·F. */
    Trace without(double compliance) {
        double[] own = new double[extension.length];
        for (int i = 0; i < own.length; i++) {
            own[i] = extension[i] - compliance * force[i];
        }
        return new Trace(time, force, own);
    }

    /** Forces as they are, for the analysis, which changes nothing of them. */
    double[] rawForces() {
        return force;
    }

    /** Extensions as they are, for the analysis, which changes nothing of them. */
    double[] rawExtensions() {
        return extension;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Trace that
                && Arrays.equals(time, that.time)
                && Arrays.equals(force, that.force)
                && Arrays.equals(extension, that.extension);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(force) * 31 + Arrays.hashCode(extension);
    }
}
