package org.ysometron.app.bench;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.core.method.Method;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Field;

/**
 * What is read from at the bench: a bare number is in the unit that the display shows.
 *
 * @param gauge what the test is read on; null where there is none yet
 * @param calipers what lengths are read on; null where there are none yet
 */
record Displays(@Nullable InstrumentView gauge, @Nullable InstrumentView calipers) {

    /** The unit that a field's display is set to where that is another than the working unit; empty otherwise. */
    String of(Field field) {
        // Lengths are read with the calipers, in the test too.
        InstrumentView read = field.dimension() == Dimension.LENGTH ? calipers : gauge;
        return field.isQuantity() && read != null && read.reads().equals(field.dimension()) ? read.display() : "";
    }

    /** The display that a step is read from; null where there is none to set. */
    BenchView.@Nullable Display of(String step, Method method) {
        boolean test = step.equals(BenchPages.BREAK);
        InstrumentView read = test ? gauge : calipers;
        // Weights and an oven show nothing, and a pendulum's scale is read in heights or angles.
        Field.Role role = test ? Field.Role.TEST : Field.Role.SIZE;
        if (read == null
                || method.data().sheet().of(role).stream()
                        .noneMatch(
                                field -> field.isQuantity() && field.dimension().equals(read.reads()))) {
            return null;
        }
        List<String> units = UnitOfMeasure.all().stream()
                .filter(unit -> unit.dimension().equals(read.reads()))
                .map(UnitOfMeasure::symbol)
                .toList();
        return units.size() < 2 ? null : new BenchView.Display(read.id(), read.name(), read.shownIn(), units);
    }
}
