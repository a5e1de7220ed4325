package org.ysometron.app.bench;

import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.End;
import org.ysometron.core.reading.Field;

/**
 * One reading as it was typed, with what it means in the working unit.
 *
 * @param value in the working unit; null for a word
 * @param outcome how the test ended; only with the reading that closed it
 * @param live whether it counts; one that was corrected is kept and does not
 * @param rig frame and grips, and the method's revision, at that time; empty when nobody said
 * @param replaces the reading that it corrects; null for a first one
 * @param analysis the analysis of a record that it was found by; null for what was typed
 * @param sent whether a connected instrument sent it; false for what was typed
 * @param cause the cause of a correction; null for a first reading
 * @param reason why it replaced an earlier one; empty for a first reading
 */
public record ReadingView(
        long id,
        Field field,
        int place,
        String typed,
        @Nullable Double value,
        @Nullable End outcome,
        InstrumentView instrument,
        String enteredBy,
        Instant enteredAt,
        boolean live,
        String reason,
        String rig,
        @Nullable Long replaces,
        @Nullable Long analysis,
        boolean sent,
        @Nullable Cause cause) {

    /** Which reading it is: width 2. */
    public String label() {
        return field.label(place);
    }

    /** The same, counting or not. */
    public ReadingView counting(boolean counts) {
        return new ReadingView(
                id,
                field,
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
                analysis,
                sent,
                cause);
    }

    /** The cause of a correction in words; empty where none was given. */
    public String causeWords() {
        return cause == null ? "" : cause.words();
    }
}
