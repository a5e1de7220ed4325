package org.ysometron.core.dimension;

import java.util.Map;
import java.util.TreeMap;

/** Diameters counted to the ten-thousandth of a millimetre, which is finer than a gauge tells: quantiles of a log of any length. */
final class DiameterCounts {

    private static final double STEP = 1e-4;
    private static final int PAGE = 1000;

    /** Pages of counts by the diameters in tenths of a millimetre; a filament touches a few. */
    private final Map<Integer, int[]> pages = new TreeMap<>();

    private long count;

    /** Counts a diameter of 0 to 100 mm. */
    void accept(double diameter) {
        int at = (int) Math.round(diameter / STEP);
        pages.computeIfAbsent(at / PAGE, page -> new int[PAGE])[at % PAGE]++;
        count++;
    }

    /**
     * The quantile of at least one diameter, linear between neighbours at 1 + (n − 1)·p.
     *
     * @param share 0 to 1
     */
    double quantile(double share) {
        double at = (count - 1) * share;
        long below = (long) at;
        double low = ofRank(below);
        return low + (at - below) * (ofRank(Math.min(count - 1, below + 1)) - low);
    }

    private double ofRank(long rank) {
        long seen = 0;
        for (var page : pages.entrySet()) {
            for (int i = 0; i < PAGE; i++) {
                seen += page.getValue()[i];
                if (seen > rank) {
                    return (page.getKey() * PAGE + i) * STEP;
                }
            }
        }
        throw new IllegalArgumentException("no diameter has been counted");
    }
}
