package org.ysometron.core.method;

import java.util.List;
import java.util.Optional;

/**
 * When a test wants to be looked at. A reading is taken when the clock rings; one that was taken later stands with its true time, where the
 * sheet has a field for it.
 *
 * @param rings moments after the load came on, earliest first; none where nothing is read at a set time
 * @param step key of the pinned parameter that says how long each step is held; empty where there are no steps by the clock
 */
public record Clock(List<Ring> rings, Optional<String> step) {

    /** A test that nobody has to wait for. */
    public static final Clock NONE = new Clock(List.of(), Optional.empty());

    /**
     * One moment.
     *
     * @param field key of what is read then
     * @param seconds after the load came on, above 0
     * @param trueTime key of the field for the time it was truly read at; empty where the sheet has none
     */
    public record Ring(String field, double seconds, String trueTime) {}

    /** Refuses moments out of order. */
    public Clock {
        rings = List.copyOf(rings);
        for (int i = 0; i < rings.size(); i++) {
            double before = i == 0 ? 0 : rings.get(i - 1).seconds();
            if (!(rings.get(i).seconds() > before)) {
                throw new IllegalArgumentException(
                        "the clock rings later and later: " + rings.get(i).seconds() + " s after " + before + " s");
            }
        }
    }

    /** Whether it rings at all. */
    public boolean isRinging() {
        return !rings.isEmpty() || step.isPresent();
    }
}
