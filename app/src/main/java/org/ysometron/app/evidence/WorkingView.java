package org.ysometron.app.evidence;

import java.util.List;
import org.ysometron.core.working.Step;

/**
 * A working, part by part.
 *
 * @param title what was worked out
 * @param parts one for each specimen, then one for the lot
 */
record WorkingView(String title, List<Part> parts) {

    /**
     * One part.
     *
     * @param readings as typed, with what they were converted to and who entered them
     * @param steps the arithmetic
     * @param remark what became of it
     */
    record Part(String title, List<ReadingLine> readings, List<Step> steps, String remark) {

        /** The same under another title, without the readings, which stand above. */
        Part titled(String other) {
            return new Part(other, List.of(), steps, remark);
        }
    }

    /** A reading, what it was converted to, who entered it with what, and what it replaced. */
    record ReadingLine(String name, String typed, String value, String by, boolean live, String reason) {}
}
