package org.ysometron.app.evidence;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.chart.Scale.Tick;

/** A claim's drawn strip, every place worked out. */
record StripView(
        long claimId,
        String title,
        String claimed,
        String terms,
        String verdict,
        String verdictWords,
        String reason,
        @Nullable More more,
        String counts,
        String mean,
        String bound,
        String probability,
        List<String> remarks,
        List<Tick> ticks,
        @Nullable Edge lower,
        @Nullable Edge upper,
        List<Mark> specimens,
        @Nullable Double meanAt,
        @Nullable Double lowerAt,
        @Nullable Double upperAt,
        List<Double> earlier,
        String earlierWords,
        @Nullable Edge capacity,
        String unit,
        String description,
        List<Beside> beside,
        String margin,
        String change,
        String bands) {

    /** A condition side by side: its name, what is claimed, what was done, and how they fit. */
    record Beside(String condition, String claimed, String tested, String fit, String words) {}

    /** How the conditions fit as a whole, in words. */
    public String fit() {
        long other = beside.stream().filter(one -> !one.fit.equals("ALIKE")).count();
        return other == 0 ? "all " + beside.size() + " the same" : other + " of " + beside.size() + " another";
    }

    /** Whether any condition is another. */
    public boolean isOther() {
        return beside.stream().anyMatch(one -> !one.fit.equals("ALIKE"));
    }

    /**
     * How many more of a set should settle it.
     *
     * @param waiting made already and to be tested first
     * @param count to be added beside those; 0 when they suffice
     * @param request key of the form, so that sending it twice adds them once
     */
    record More(long setId, int waiting, int count, String request) {}

    /** An edge and what stands at it. */
    record Edge(double at, String label) {}

    /** A specimen: where, how high in the stack, where its interval ends if it is one, what kind of result and its words. */
    record Mark(double at, double up, @Nullable Double to, String kind, String words) {}

    public boolean isDrawn() {
        return !specimens.isEmpty() || meanAt != null || !earlier.isEmpty();
    }
}
