package org.ysometron.app.evidence;

import java.time.Instant;
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
 * @param round which round of testing it is
 */
record LotEvidence(
        Conditions conditions,
        String setup,
        List<SpecimenRecord> records,
        List<String> provisional,
        Rounds.Round round) {

    /** More than one result in so many that does not count asks for a retest (common practice, no source). */
    static final int ENDINGS_ASKED = 5;

    private record Key(Conditions conditions, String setup, List<String> provisional, Rounds.Round round) {}

    /** No specimen under these conditions. */
    static LotEvidence none(Conditions conditions, String setup) {
        return new LotEvidence(conditions, setup, List.of(), List.of(), Rounds.Round.FIRST);
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
            List<SpecimenRecord> records,
            Map<Long, List<String>> provisional,
            Map<Long, String> states,
            Rounds rounds) {
        Map<Long, String> rigs = new HashMap<>();
        records.forEach(record -> record.force()
                .ifPresent(force -> rigs.putIfAbsent(record.specimen().setId(), force.rig())));
        return grouped(
                records,
                record -> new Key(
                        record.specimen().conditions(),
                        setup(record, rigs, states),
                        provisional.getOrDefault(record.specimen().setId(), List.of()),
                        rounds.of(record.specimen())));
    }

    /** The same by terms, printer, recipe and maker alone: a size is a size, wet or dry, in whatever rig. */
    static List<LotEvidence> ofSizes(List<SpecimenRecord> records) {
        return grouped(
                records,
                record -> new Key(
                        record.specimen().conditions(), record.specimen().setup(), List.of(), Rounds.Round.FIRST));
    }

    private static List<LotEvidence> grouped(List<SpecimenRecord> records, Function<SpecimenRecord, Key> by) {
        Map<Key, List<SpecimenRecord>> byKey = new LinkedHashMap<>();
        records.forEach(record -> byKey.computeIfAbsent(by.apply(record), key -> new ArrayList<>())
                .add(record));
        return byKey.entrySet().stream()
                .map(entry -> new LotEvidence(
                        entry.getKey().conditions,
                        entry.getKey().setup,
                        entry.getValue(),
                        entry.getKey().provisional,
                        entry.getKey().round))
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

    /**
     * The specimens that were written down before any result among them was known, where others were tested after: what they
     * said by themselves is not unsaid by adding to them. Empty where nothing was added.
     */
    Optional<LotEvidence> firstLook() {
        List<List<SpecimenRecord>> looks = looks();
        return looks.size() > 1
                ? Optional.of(new LotEvidence(conditions, setup, looks.get(0), provisional, round))
                : Optional.empty();
    }

    /**
     * How many were written down for the looks so far and are not tested yet: n was fixed with them, and who stops before the
     * last as soon as it passes has looked after each.
     */
    int untested() {
        return (int) looks().stream()
                .flatMap(List::stream)
                .filter(record -> record.force().isEmpty())
                .count();
    }

    /** How many counted at each look before this one, rising. */
    int[] earlierLooks() {
        List<List<SpecimenRecord>> looks = looks();
        int[] sizes = new int[Math.max(0, looks.size() - 1)];
        int counted = 0;
        for (int i = 0; i < sizes.length; i++) {
            counted += new LotEvidence(conditions, setup, looks.get(i), provisional, round)
                    .strengths(Optional.empty())
                    .n();
            sizes[i] = counted;
        }
        return sizes;
    }

    /**
     * The specimens by the looks that they came in: a look ends with the first result of specimens that were written down for
     * it, and what is written down after that result and tested is the next one's.
     */
    private List<List<SpecimenRecord>> looks() {
        List<List<SpecimenRecord>> looks = new ArrayList<>();
        List<SpecimenRecord> left = records;
        while (left.stream().anyMatch(record -> record.force().isPresent())) {
            Instant known = left.stream()
                    .flatMap(record -> record.readings().stream())
                    .filter(reading -> reading.quantity() == Quantity.FORCE)
                    .map(ReadingView::enteredAt)
                    .min(Instant::compareTo)
                    .orElseThrow();
            List<SpecimenRecord> of = left.stream()
                    .filter(record -> !record.specimen().enteredAt().isAfter(known))
                    .toList();
            // Brought in from records, results are older than the entry of their specimens: one look.
            if (of.isEmpty()) {
                looks.add(left);
                break;
            }
            looks.add(of);
            left = left.stream().filter(record -> !of.contains(record)).toList();
        }
        return looks;
    }

    /** Whether its results may speak for the lot: they count, and no retest set them aside. */
    boolean speaks() {
        return counts() && aside().isEmpty();
    }

    /** Why a retest or work on the material set it aside; empty where nothing did. */
    String aside() {
        return round.aside();
    }

    /** Whether a retest ordered that the worse of its rounds counts. */
    boolean worseCounts() {
        return round.worseCounts();
    }

    /** Key of the set, whatever it is called. */
    String subject() {
        return "specimens-" + records.get(0).specimen().id() + "-" + round.number();
    }

    /** What tells it from another set under the same terms, in words. */
    String name() {
        String first = records.get(0).specimen().label();
        String last = records.get(records.size() - 1).specimen().label();
        String labels = first.equals(last) ? first : first + " to " + last;
        return setup.isEmpty() ? labels : labels + ", " + setup;
    }

    /** How many results are kept and do not count. */
    int excluded() {
        return evidence(Property.TENSILE_STRENGTH, Optional.empty()).excluded();
    }

    /** How those tests ended, in words with their number. */
    String excludedWords() {
        Map<String, Integer> ends = new LinkedHashMap<>();
        for (SpecimenRecord record : records) {
            boolean out = record.strength()
                    .filter(result -> result.kind() == Result.Kind.EXCLUDED)
                    .isPresent();
            if (out) {
                ends.merge(
                        record.force()
                                .map(ReadingView::outcome)
                                .map(outcome -> outcome.words())
                                .orElse(""),
                        1,
                        Integer::sum);
            }
        }
        return ends.entrySet().stream()
                .map(end -> end.getValue() + " " + end.getKey())
                .collect(Collectors.joining(", "));
    }

    /** The strengths as if every load had been a value. */
    Evidence withEveryLoad() {
        double[] all = records.stream()
                .flatMap(record -> record.strength().stream())
                .mapToDouble(Result::value)
                .toArray();
        Evidence own = strengths(Optional.empty());
        return new Evidence(all, new double[0], 0, own.calibrationUncertainty(), Optional.empty());
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
            gauge = Math.max(gauge, gaugeUncertainty(record.force().orElseThrow()));
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

    /** Calibration and resolution together: a step of the display is a rectangle of its width (JCGM 100:2008, 4.3.7). */
    private static double gaugeUncertainty(ReadingView force) {
        double step = force.instrument().facts().resolution().orElse(0);
        double resolution = force.value() > 0 ? step / (2 * Math.sqrt(3)) / force.value() : 0;
        return Math.hypot(force.instrument().relativeUncertainty(), resolution);
    }

    /** Width and thickness share the calipers and so their error: relative u(A) = u·(1/w + 1/t) (JCGM 100:2008, 5.2). */
    private static double areaUncertainty(SpecimenRecord record) {
        Section section = record.section().orElseThrow();
        return calipers(record) * (1 / section.width() + 1 / section.thickness());
    }

    private static double calipers(SpecimenRecord record) {
        return record.readings().stream()
                .filter(reading -> reading.live() && reading.quantity() != Quantity.FORCE)
                .mapToDouble(reading -> Math.hypot(
                        reading.instrument().absoluteUncertainty(),
                        reading.instrument().facts().resolution().orElse(0) / (2 * Math.sqrt(3))))
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
