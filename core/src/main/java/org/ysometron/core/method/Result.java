package org.ysometron.core.method;

import java.util.List;
import org.ysometron.core.working.Working;

/**
 * What one specimen's readings were reduced to.
 *
 * @param kind whether {@code value} is a value, a lower bound, or kept but not counted
 * @param value in {@code unit}; for an excluded result the figure that is shown and never averaged
 * @param unit symbol of the working unit
 * @param reason why it is a bound or excluded; empty for a plain value
 * @param notes what a reader must know
 * @param working the steps
 * @param revision method and revision, with every free parameter pinned
 */
public record Result(
        Kind kind, double value, String unit, String reason, List<String> notes, Working working, String revision) {

    /** What a result may be used for. */
    public enum Kind {
        /** A value; enters means. */
        MEASURED,
        /** A lower bound (right-censored); never averaged as if it were a value. */
        AT_LEAST,
        /** Kept, counted and shown, but in no mean. */
        EXCLUDED
    }

    /** Copies the notes. */
    public Result {
        notes = List.copyOf(notes);
    }
}
