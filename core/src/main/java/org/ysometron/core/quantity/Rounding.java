package org.ysometron.core.quantity;

/**
 * Comparing as people compare decimals: 1.75 + 0.05 is 1.80, and what was typed as 1.80 does not lie above it. A double is
 * wrong in its sixteenth digit, a measured or published number has no more than nine; what differs by less than one part in
 * 10¹² is the same number.
 */
public final class Rounding {

    private static final double PART = 1e-12;

    private Rounding() {}

    /** Whether a value lies above an edge by more than rounding. */
    public static boolean above(double value, double edge) {
        return value - edge > slack(value, edge);
    }

    /** Whether a value lies below an edge by more than rounding. */
    public static boolean below(double value, double edge) {
        return above(edge, value);
    }

    /**
     * Whether a value lies further from a centre than a distance, by more than rounding.
     *
     * @param distance at least 0
     */
    public static boolean beyond(double value, double centre, double distance) {
        double slack = Math.max(slack(value, centre), PART * distance);
        return Math.abs(value - centre) - distance > slack;
    }

    private static double slack(double value, double edge) {
        double larger = Math.max(Math.abs(value), Math.abs(edge));
        // What is not known to end lies beyond every edge.
        return Double.isInfinite(larger) ? 0 : PART * larger;
    }
}
