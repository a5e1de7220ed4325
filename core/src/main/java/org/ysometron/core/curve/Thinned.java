package org.ysometron.core.curve;

import java.util.Arrays;

/**
 * Fewer points of a record, to be drawn: of each stretch the first, the lowest, the highest and the last, so that no extreme of force is lost
 * and the drawn line never leaves what was recorded.
 */
public final class Thinned {

    private Thinned() {}

    /**
     * Indexes of the points to draw, rising.
     *
     * @param most how many at the most, at least 8
     * @throws IllegalArgumentException for fewer
     */
    public static int[] of(Trace trace, int most) {
        return of(trace, 0, trace.size(), most);
    }

    /**
     * The same of a part of a record, to be looked at nearer.
     *
     * @param begin index of its first point, from 0
     * @param end behind its last point, above {@code begin} and no more than there are
     * @param most how many at the most, at least 8
     * @throws IllegalArgumentException for fewer, and for what is no part of the record
     */
    public static int[] of(Trace trace, int begin, int end, int most) {
        if (most < 8) {
            throw new IllegalArgumentException("a line is drawn by at least 8 points, got " + most);
        }
        if (begin < 0 || end <= begin || end > trace.size()) {
            throw new IllegalArgumentException("points " + begin + " to " + end + " are no part of " + trace.size());
        }
        int n = end - begin;
        if (n <= most) {
            int[] all = new int[n];
            Arrays.setAll(all, i -> begin + i);
            return all;
        }
        double[] f = trace.rawForces();
        int stretches = most / 4;
        int[] kept = new int[4 * stretches];
        int count = 0;
        for (int s = 0; s < stretches; s++) {
            int from = begin + (int) ((long) n * s / stretches);
            int to = begin + (int) ((long) n * (s + 1) / stretches);
            int low = from;
            int high = from;
            for (int i = from; i < to; i++) {
                low = f[i] < f[low] ? i : low;
                high = f[i] > f[high] ? i : high;
            }
            for (int next : new int[] {from, Math.min(low, high), Math.max(low, high), to - 1}) {
                if (count == 0 || next > kept[count - 1]) {
                    kept[count++] = next;
                }
            }
        }
        return Arrays.copyOf(kept, count);
    }
}
