package org.ysometron.app.bench;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;

/**
 * The bench page, shaped for its template.
 *
 * @param rows all specimens, or those that a reading just stored has changed
 * @param measured how many are measured; like those broken and all of them 0 where the page keeps what it shows of them
 * @param unknown what is wrong with the label that was scanned, and then nothing is in hand; empty otherwise
 */
record BenchView(
        String step,
        long gaugeId,
        List<InstrumentView> gauges,
        @Nullable Hand hand,
        List<Row> rows,
        int measured,
        int broken,
        int total,
        String unknown) {

    /** Whether there is anything to take in hand. */
    public boolean hasSpecimens() {
        return total > 0 || hand != null;
    }

    /**
     * The specimen in hand.
     *
     * @param fields what is still to be typed, and what is there already
     * @param headroom warning about the gauge; empty when it is large enough
     * @param warnings what makes its result provisional, or stops it from being broken
     * @param stays whether it was in hand before, so that what the page says of it stands
     */
    record Hand(
            String label,
            String orientation,
            String terms,
            List<Field> fields,
            String section,
            String headroom,
            String expected,
            List<String> warnings,
            boolean stays) {}

    /**
     * One place to type a reading.
     *
     * @param given what stands there already; empty when it is open
     * @param typed what was typed and refused; empty otherwise
     * @param problem why it was refused; empty otherwise
     * @param confirm text that counts as confirmed when sent again
     */
    record Field(
            String key,
            String label,
            String unit,
            String given,
            String typed,
            String problem,
            String confirm,
            boolean focus) {

        public boolean isOpen() {
            return given.isEmpty();
        }
    }

    /** A specimen in the list. */
    record Row(
            String label,
            String orientation,
            boolean inHand,
            List<Cell> widths,
            List<Cell> thicknesses,
            String area,
            @Nullable Cell force,
            String outcome,
            String stress,
            String kind,
            List<String> notes,
            List<String> history) {}

    /** A reading in the list; its id leads to the correction. */
    record Cell(long id, String typed, String shown) {}

    /**
     * What is worked out while somebody types.
     *
     * @param problem why it could not be read; empty when it could
     * @param lines what it means
     * @param marks places of earlier lots on a small scale, 0 to 300
     * @param mark place of this one; below zero when there is nothing to draw
     */
    record Preview(String problem, List<String> lines, List<Double> marks, double mark) {}
}
