package org.ysometron.app.evidence;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Evidence.PooledScatter;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;

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
        Setup setup,
        List<SpecimenRecord> records,
        List<String> provisional,
        Rounds.Round round) {

    /** More than one result in so many that does not count asks for a retest (common practice, no source). */
    static final int ENDINGS_ASKED = 5;

    private record Key(Conditions conditions, Setup setup, List<String> provisional, Rounds.Round round) {}

    /** No specimen under these conditions. */
    static LotEvidence none(Conditions conditions, Setup setup) {
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
        records.forEach(record -> record.ended()
                .ifPresent(end -> rigs.putIfAbsent(record.specimen().setId(), end.rig())));
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
    private static Setup setup(SpecimenRecord record, Map<Long, String> rigs, Map<Long, String> states) {
        // A specimen not broken yet is expected in the rig of its set.
        String rig = record.ended()
                .map(ReadingView::rig)
                .orElse(rigs.getOrDefault(record.specimen().setId(), ""));
        return record.specimen()
                .setup()
                .tested(rig, states.getOrDefault(record.specimen().id(), ""));
    }

    /** The same without one of its specimens, to see what hangs on it. */
    LotEvidence without(SpecimenRecord one) {
        return new LotEvidence(
                conditions,
                setup,
                records.stream()
                        .filter(record ->
                                record.specimen().id() != one.specimen().id())
                        .toList(),
                provisional,
                round);
    }

    /** How many of its specimens were tested. */
    int tested() {
        return (int) records.stream().filter(SpecimenRecord::isTested).count();
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
                .filter(record -> !record.isTested())
                .count();
    }

    /** How many counted for a characteristic at each look before this one, rising. */
    int[] earlierLooks(Characteristic characteristic) {
        List<List<SpecimenRecord>> looks = looks();
        int[] sizes = new int[Math.max(0, looks.size() - 1)];
        int counted = 0;
        for (int i = 0; i < sizes.length; i++) {
            counted += new LotEvidence(conditions, setup, looks.get(i), provisional, round)
                    .tested(characteristic, Optional.empty())
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
        while (left.stream().anyMatch(SpecimenRecord::isTested)) {
            Instant known = left.stream()
                    .flatMap(record -> record.readings().stream())
                    .filter(reading -> reading.outcome() != null)
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
        return setup.isNone() ? labels : labels + ", " + setup.words();
    }

    /** What its method is asked for first; empty for one that is no longer in the catalogue. */
    Optional<Characteristic> main() {
        return Methods.of(conditions.method()).map(method -> method.data().main());
    }

    /** How many tests ended in a way that counts for nothing. */
    int excluded() {
        return (int) records.stream().filter(LotEvidence::isOut).count();
    }

    private static boolean isOut(SpecimenRecord record) {
        return record.result()
                .filter(result -> result.made() == Reduced.Made.NOTHING)
                .isPresent();
    }

    /** How those tests ended, in words with their number. */
    String excludedWords() {
        Map<String, Integer> ends = new LinkedHashMap<>();
        records.stream().filter(LotEvidence::isOut).forEach(record -> ends.merge(record.endWords(), 1, Integer::sum));
        return ends.entrySet().stream()
                .map(end -> end.getValue() + " " + end.getKey())
                .collect(Collectors.joining(", "));
    }

    /** A characteristic as if every test had ended in a value. */
    Evidence withEveryEnd(Characteristic characteristic) {
        double[] all = records.stream()
                .flatMap(record -> record.result(characteristic).stream())
                .flatMapToDouble(result -> result.shown().stream())
                .toArray();
        Evidence own = tested(characteristic, Optional.empty());
        return new Evidence(all, new double[0], 0, own.calibrationUncertainty(), Optional.empty());
    }

    /** Whether its strengths count. */
    boolean counts() {
        return provisional.isEmpty();
    }

    /** The evidence for a characteristic that single specimens have. */
    Evidence evidence(Characteristic characteristic, Optional<PooledScatter> history) {
        return switch (characteristic.source()) {
            case METHOD -> tested(characteristic, history);
            case SIZE -> sizes(characteristic, history);
            case MATERIAL, RATIO ->
                throw new IllegalArgumentException(characteristic.id() + " is got from no single specimen");
        };
    }

    /** Whether there is no figure because what it is made of was not read, and not because of how the test ended. */
    static boolean isUnread(SpecimenRecord record, Reduced result) {
        boolean byItsEnd = record.ended()
                .map(ReadingView::outcome)
                .map(end -> record.method().data().ends().getOrDefault(end, Map.of()))
                .map(makes -> makes.get(result.characteristic().id()) == Reduced.Made.NOTHING)
                .orElse(false);
        return result.shown().isEmpty() && !byItsEnd;
    }

    /** Whether it may lie at zero or beyond, as a change does: then a relative uncertainty of one says nothing of another. */
    private static boolean mayVanish(Characteristic characteristic) {
        return characteristic.better() != Characteristic.Better.MORE;
    }

    /** What tests gave: values, bounds and intervals, each as what it is. */
    private Evidence tested(Characteristic characteristic, Optional<PooledScatter> history) {
        List<Double> values = new ArrayList<>();
        List<Double> bounds = new ArrayList<>();
        List<Evidence.Interval> intervals = new ArrayList<>();
        int excluded = 0;
        double inTest = 0;
        double ofSizes = 0;
        for (SpecimenRecord record : records) {
            Optional<Reduced> result = record.result(characteristic);
            if (result.isEmpty() || isUnread(record, result.get())) {
                continue;
            }
            double share =
                    mayVanish(characteristic) ? Math.abs(result.get().shown().orElse(0)) : 1;
            inTest = Math.max(inTest, share * record.uncertainty(characteristic, Field.Role.TEST));
            ofSizes = Math.max(ofSizes, share * record.uncertainty(characteristic, Field.Role.SIZE));
            switch (result.get().made()) {
                case VALUE -> values.add(result.get().value().getAsDouble());
                case AT_LEAST -> bounds.add(result.get().value().getAsDouble());
                case AT_MOST ->
                    intervals.add(new Evidence.Interval(
                            Double.NEGATIVE_INFINITY, result.get().value().getAsDouble()));
                case BETWEEN ->
                    intervals.add(new Evidence.Interval(
                            result.get().value().getAsDouble(),
                            result.get().upper().getAsDouble()));
                case NOTHING -> excluded++;
            }
        }
        List<Double> known = new ArrayList<>(values.isEmpty() ? bounds : values);
        if (known.isEmpty()) {
            intervals.forEach(interval -> known.add(interval.high()));
        }
        Evidence evidence = new Evidence(
                array(values),
                array(bounds),
                excluded,
                Math.hypot(inTest, ofSizes) * (mayVanish(characteristic) ? 1 : Math.abs(average(known))),
                history,
                intervals);
        return characteristic.dimension() == Dimension.GRADE ? evidence.ofGrades() : evidence;
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
        records.forEach(record -> record.ended()
                .ifPresent(end ->
                        gauges.put(end.instrument().id(), end.instrument().relativeUncertainty())));
        return gauges;
    }

    private static double largest(Map<Long, Double> gauges) {
        return gauges.values().stream().mapToDouble(Double::doubleValue).max().orElse(0);
    }

    private Evidence sizes(Characteristic size, Optional<PooledScatter> history) {
        List<Double> values = new ArrayList<>();
        double absolute = 0;
        for (SpecimenRecord record : records) {
            if (record.isMeasured() && record.mean(size.base()).isPresent()) {
                values.add(record.mean(size.base()).getAsDouble());
                absolute = Math.max(absolute, record.uncertaintyOfSizes());
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
