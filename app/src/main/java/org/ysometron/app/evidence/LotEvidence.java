package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.ysometron.app.bench.Quantity;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Evidence.PooledScatter;
import org.ysometron.core.claim.Property;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.method.Result;

/**
 * What one lot's specimens under one set of conditions gave, property by property.
 *
 * @param conditions the terms they were tested under
 * @param setup printer, recipe, maker, rig, rework; empty when nobody said
 * @param records the specimens, tested or not
 * @param provisional why their strengths do not count; empty when they do
 */
record LotEvidence(Conditions conditions, String setup, List<SpecimenRecord> records, List<String> provisional) {

    private record Key(Conditions conditions, String setup, List<String> provisional) {}

    /** Specimens of one set-up that all count. */
    LotEvidence(Conditions conditions, List<SpecimenRecord> records) {
        this(conditions, "", records, List.of());
    }

    /**
     * The lot's specimens by their conditions, in order of their sets. What was made of wet material, or tested early, is
     * never pooled with what was not.
     *
     * <p>Neither are specimens of two printers, recipes, makers or rigs, nor those with and without rework: a machine is a
     * level, and n counts one level's specimens.
     *
     * @param provisional why the results of a set do not count, by the set's key
     * @param states what keeps single specimens apart, by their key
     */
    static List<LotEvidence> of(
            List<SpecimenRecord> records, Map<Long, List<String>> provisional, Map<Long, String> states) {
        Map<Long, String> rigs = new HashMap<>();
        records.forEach(record -> record.force()
                .ifPresent(force -> rigs.putIfAbsent(record.specimen().setId(), force.rig())));
        return grouped(
                records,
                record -> new Key(
                        record.specimen().conditions(),
                        setup(record, rigs, states),
                        provisional.getOrDefault(record.specimen().setId(), List.of())));
    }

    /** The same by terms, printer, recipe and maker alone: a size is a size, wet or dry, in whatever rig. */
    static List<LotEvidence> ofSizes(List<SpecimenRecord> records) {
        return grouped(
                records,
                record -> new Key(
                        record.specimen().conditions(), record.specimen().setup(), List.of()));
    }

    private static List<LotEvidence> grouped(List<SpecimenRecord> records, Function<SpecimenRecord, Key> by) {
        Map<Key, List<SpecimenRecord>> byKey = new LinkedHashMap<>();
        records.forEach(record -> byKey.computeIfAbsent(by.apply(record), key -> new ArrayList<>())
                .add(record));
        return byKey.entrySet().stream()
                .map(entry -> new LotEvidence(
                        entry.getKey().conditions, entry.getKey().setup, entry.getValue(), entry.getKey().provisional))
                .toList();
    }

    /** Printer, recipe and maker, the rig it was broken in, and what was done to it: empty when nobody said. */
    private static String setup(SpecimenRecord record, Map<Long, String> rigs, Map<Long, String> states) {
        // A specimen not broken yet is expected in the rig of its set.
        String rig = record.force()
                .map(ReadingView::rig)
                .orElse(rigs.getOrDefault(record.specimen().setId(), ""));
        return Stream.of(
                        record.specimen().setup(),
                        rig,
                        states.getOrDefault(record.specimen().id(), ""))
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("; "));
    }

    /** How many of its specimens were tested. */
    int tested() {
        return (int)
                records.stream().filter(record -> record.force().isPresent()).count();
    }

    /** Whether its strengths count. */
    boolean counts() {
        return provisional.isEmpty();
    }

    /** The evidence for a property that single specimens have. */
    Evidence evidence(Property property, Optional<PooledScatter> history) {
        return switch (property) {
            case TENSILE_STRENGTH -> strengths(history);
            case SECTION_WIDTH -> sections(Section::width, history);
            case SECTION_THICKNESS -> sections(Section::thickness, history);
            case UPRIGHT_FLAT_RATIO, FILAMENT_DIAMETER, FILAMENT_OVALITY, DENSITY, VISCOSITY, PENETRATION_DEPTH ->
                throw new IllegalArgumentException(property + " is no property of single specimens");
        };
    }

    private Evidence strengths(Optional<PooledScatter> history) {
        List<Double> values = new ArrayList<>();
        List<Double> bounds = new ArrayList<>();
        int excluded = 0;
        double gauge = 0;
        double area = 0;
        for (SpecimenRecord record : records) {
            Optional<Result> strength = record.strength();
            if (strength.isEmpty()) {
                continue;
            }
            gauge = Math.max(gauge, record.force().orElseThrow().instrument().relativeUncertainty());
            area = Math.max(area, areaUncertainty(record));
            switch (strength.get().kind()) {
                case MEASURED -> values.add(strength.get().value());
                case AT_LEAST -> bounds.add(strength.get().value());
                case EXCLUDED -> excluded++;
            }
        }
        double level = average(values.isEmpty() ? bounds : values);
        return new Evidence(array(values), array(bounds), excluded, Math.hypot(gauge, area) * level, history);
    }

    /** Width and thickness share the calipers and so their error: relative u(A) = u·(1/w + 1/t) (JCGM 100:2008, 5.2). */
    private static double areaUncertainty(SpecimenRecord record) {
        Section section = record.section().orElseThrow();
        return calipers(record) * (1 / section.width() + 1 / section.thickness());
    }

    private static double calipers(SpecimenRecord record) {
        return record.readings().stream()
                .filter(reading -> reading.live() && reading.quantity() != Quantity.FORCE)
                .mapToDouble(reading -> reading.instrument().absoluteUncertainty())
                .max()
                .orElse(0);
    }

    /**
     * Relative standard uncertainty of a ratio of two sets from their gauges' calibration: nothing where both were broken
     * on the same one, for its error cancels.
     */
    static double calibrationBetween(List<SpecimenRecord> one, List<SpecimenRecord> other) {
        Map<Long, Double> ones = gauges(one);
        Map<Long, Double> others = gauges(other);
        return ones.keySet().equals(others.keySet()) ? 0 : Math.hypot(largest(ones), largest(others));
    }

    private static Map<Long, Double> gauges(List<SpecimenRecord> records) {
        Map<Long, Double> gauges = new HashMap<>();
        records.forEach(record -> record.force()
                .ifPresent(force ->
                        gauges.put(force.instrument().id(), force.instrument().relativeUncertainty())));
        return gauges;
    }

    private static double largest(Map<Long, Double> gauges) {
        return gauges.values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
    }

    private Evidence sections(ToDoubleFunction<Section> side, Optional<PooledScatter> history) {
        List<Double> values = new ArrayList<>();
        double absolute = 0;
        for (SpecimenRecord record : records) {
            if (record.section().isPresent()) {
                values.add(side.applyAsDouble(record.section().get()));
                absolute = Math.max(absolute, calipers(record));
            }
        }
        return new Evidence(array(values), new double[0], 0, absolute, history);
    }

    private static double average(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    private static double[] array(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
