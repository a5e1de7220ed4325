package org.ysometron.core.statistics;

import java.util.Comparator;
import java.util.stream.IntStream;

/** Probabilities of several tests made together, so that one of them is wrong no more often than one alone (S. Holm 1979). */
public final class Holm {

    private Holm() {}

    /**
     * Adjusts.
     *
     * @param p probabilities, each 0 to 1, in any order
     * @return the adjusted ones in the same order, each at most 1
     */
    public static double[] adjust(double... p) {
        int[] order = IntStream.range(0, p.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> p[i]))
                .mapToInt(Integer::intValue)
                .toArray();
        double[] adjusted = new double[p.length];
        double greatest = 0;
        for (int rank = 0; rank < order.length; rank++) {
            greatest = Math.max(greatest, Math.min(1, (p.length - rank) * p[order[rank]]));
            adjusted[order[rank]] = greatest;
        }
        return adjusted;
    }
}
