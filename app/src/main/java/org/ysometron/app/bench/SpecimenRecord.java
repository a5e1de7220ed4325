package org.ysometron.app.bench;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.method.Outcome;
import org.ysometron.core.method.Result;
import org.ysometron.core.method.Tension;

/**
 * A specimen with all its readings, resolved so that the core can reduce it.
 *
 * @param readings every reading, those that were corrected too, in order of entry
 */
public record SpecimenRecord(SpecimenView specimen, List<ReadingView> readings) {

    /** The readings of a quantity that count, by place. */
    public List<ReadingView> live(Quantity quantity) {
        return readings.stream()
                .filter(reading -> reading.live() && reading.quantity() == quantity)
                .sorted(Comparator.comparingInt(ReadingView::place))
                .toList();
    }

    /** The reading that counts at a place. */
    public Optional<ReadingView> at(Quantity quantity, int place) {
        return live(quantity).stream()
                .filter(reading -> reading.place() == place)
                .findFirst();
    }

    /** Those that have their result or are still to have one: nobody waits for what was given up. */
    public static List<SpecimenRecord> owed(List<SpecimenRecord> records, Set<Long> givenUp) {
        return records.stream()
                .filter(record -> record.force().isPresent()
                        || !givenUp.contains(record.specimen().id()))
                .toList();
    }

    /** The force that counts. */
    public Optional<ReadingView> force() {
        return at(Quantity.FORCE, 1);
    }

    /** Readings that were corrected. */
    public List<ReadingView> corrected() {
        return readings.stream().filter(reading -> !reading.live()).toList();
    }

    /** The measured section; empty while a dimension has no reading. */
    public Optional<Section> section() {
        double[] widths = values(Quantity.WIDTH);
        double[] thicknesses = values(Quantity.THICKNESS);
        return widths.length == 0 || thicknesses.length == 0
                ? Optional.empty()
                : Optional.of(Section.rectangle(widths, thicknesses));
    }

    /** The strength; empty while section or force is missing. */
    public Optional<Result> strength() {
        Optional<ReadingView> force = force();
        Optional<Section> section = section();
        if (force.isEmpty() || section.isEmpty()) {
            return Optional.empty();
        }
        Outcome outcome = force.get().outcome() == null
                ? Outcome.BROKE_IN_GAUGE
                : force.get().outcome();
        OptionalDouble capacity = force.get().instrument().capacity();
        return Optional.of(Tension.strength(section.get(), force.get().value(), outcome, capacity));
    }

    private double[] values(Quantity quantity) {
        return live(quantity).stream().mapToDouble(ReadingView::value).toArray();
    }
}
