package org.ysometron.app.bench;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.Outcome;

/**
 * One reading as it was typed, with what it means in the working unit.
 *
 * @param outcome how the test ended; only with a force
 * @param live whether it counts; one that was corrected is kept and does not
 * @param rig frame and grips, and the method's revision, at that time; empty when nobody said
 * @param replaces the reading that it corrects; null for a first one
 * @param cause the cause of a correction; null for a first reading
 * @param reason why it replaced an earlier one; empty for a first reading
 */
public record ReadingView(
        long id,
        Quantity quantity,
        int place,
        String typed,
        double value,
        @Nullable Outcome outcome,
        InstrumentView instrument,
        String enteredBy,
        Instant enteredAt,
        boolean live,
        String reason,
        String rig,
        @Nullable Long replaces,
        @Nullable Cause cause) {

    /** The same, counting or not. */
    public ReadingView counting(boolean counts) {
        return new ReadingView(
                id,
                quantity,
                place,
                typed,
                value,
                outcome,
                instrument,
                enteredBy,
                enteredAt,
                counts,
                reason,
                rig,
                replaces,
                cause);
    }

    /** The cause of a correction in words; empty where none was given. */
    public String causeWords() {
        return cause == null ? "" : cause.words();
    }
}
