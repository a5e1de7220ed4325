package org.ysometron.app.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Masters;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Pinned;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Readings;

/** A specimen with all its readings, resolved so that its method can reduce them; reduced once. */
public final class SpecimenRecord {

    /** Step by which a reading is moved, as a share of its uncertainty, to see how far the figure follows. */
    private static final double STEP = 1e-3;

    private final SpecimenView specimen;
    private final Method method;
    private final Pinned pinned;
    private final Masters.Holding master;
    private final List<ReadingView> readings;
    private final Map<String, double[]> uncertainties = new HashMap<>();
    private @Nullable Outcome outcome;

    /**
     * A record.
     *
     * @param pinned the method's free parameters as they were pinned when it was tested
     * @param master the signed master that it is compared with
     * @param readings every reading, those that were corrected too, in order of entry
     */
    public SpecimenRecord(
            SpecimenView specimen, Method method, Pinned pinned, Masters.Holding master, List<ReadingView> readings) {
        this.specimen = specimen;
        this.method = method;
        this.pinned = pinned;
        this.master = master;
        this.readings = List.copyOf(readings);
    }

    /** The method's free parameters as they were pinned when it was tested, or are now. */
    public Pinned pinned() {
        return pinned;
    }

    /** The signed master that it is compared with. */
    public Masters.Holding master() {
        return master;
    }

    /** What its readings came to, or why they came to nothing. */
    private record Outcome(List<Reduced> results, String problem) {}

    /** The specimen. */
    public SpecimenView specimen() {
        return specimen;
    }

    /** What it is tested by. */
    public Method method() {
        return method;
    }

    /** Every reading, those that were corrected too, in order of entry. */
    public List<ReadingView> readings() {
        return readings;
    }

    /** The same specimen with other readings. */
    public SpecimenRecord with(List<ReadingView> others) {
        return new SpecimenRecord(specimen, method, pinned, master, others);
    }

    /** The readings of a field that count, by place. */
    public List<ReadingView> live(Field field) {
        return live(field.key());
    }

    /** What stands in a field, in order of place. */
    public List<ReadingView> live(String key) {
        return readings.stream()
                .filter(reading -> reading.live() && reading.field().key().equals(key))
                .sorted(Comparator.comparingInt(ReadingView::place))
                .toList();
    }

    /** The reading that counts at a place of a field. */
    public Optional<ReadingView> at(String key, int place) {
        return live(key).stream().filter(reading -> reading.place() == place).findFirst();
    }

    /** Those that have their result or are still to have one: nobody waits for what was given up. */
    public static List<SpecimenRecord> owed(List<SpecimenRecord> records, Set<Long> givenUp) {
        return records.stream()
                .filter(record ->
                        record.isTested() || !givenUp.contains(record.specimen().id()))
                .toList();
    }

    /** The reading that closed the test and says how it ended. */
    public Optional<ReadingView> ended() {
        return readings.stream()
                .filter(reading -> reading.live() && reading.outcome() != null)
                .reduce((first, last) -> last);
    }

    /** Whether its test is over. */
    public boolean isTested() {
        return ended().isPresent();
    }

    /** How it ended, in words; empty while it has not. */
    public String endWords() {
        return ended().map(ReadingView::outcome).map(end -> end.words()).orElse("");
    }

    /** Whether its test was spoilt and says nothing. */
    boolean isVoid() {
        return ended().map(ReadingView::outcome).equals(Optional.of(org.ysometron.core.method.End.VOID));
    }

    /** Readings that were corrected. */
    public List<ReadingView> corrected() {
        return readings.stream().filter(reading -> !reading.live()).toList();
    }

    /** Whether every size that its method asks for was read once at least. */
    public boolean isMeasured() {
        return isMeasuredWith(Set.of());
    }

    /** The same once these fields are read as well. */
    boolean isMeasuredWith(Set<String> fields) {
        return method.data().sheet().of(Field.Role.SIZE).stream()
                .allMatch(field -> field.optional()
                        || fields.contains(field.key())
                        || !live(field).isEmpty());
    }

    /** Mean of what was read in a field; empty while nothing was. */
    public OptionalDouble mean(String key) {
        return readings.stream()
                .filter(reading -> reading.live() && reading.field().key().equals(key))
                .flatMap(reading -> Optional.ofNullable(reading.value()).stream())
                .mapToDouble(Double::doubleValue)
                .average();
    }

    /** A figure for each of its method's characteristics; none before its test is over. */
    public List<Reduced> results() {
        return outcome().results;
    }

    /** Why its readings lead to no result; empty when they do, or are not all there yet. */
    public String problem() {
        return outcome().problem;
    }

    /** The figure of one characteristic. */
    public Optional<Reduced> result(Characteristic characteristic) {
        return results().stream()
                .filter(one -> one.characteristic().id().equals(characteristic.id()))
                .findFirst();
    }

    /** The figure that the bench asks for first. */
    public Optional<Reduced> result() {
        return results().stream().findFirst();
    }

    /** Why the readings so far cannot belong together, whatever comes after them; empty where they can. */
    Optional<String> impossible() {
        try {
            method.check(readings(numbers()));
            return Optional.empty();
        } catch (IllegalArgumentException apart) {
            return Optional.of(specimen.label() + ": " + apart.getMessage() + ".");
        }
    }

    /** What was read of it so far. */
    public Readings read() {
        return readings(numbers());
    }

    private Readings readings(Map<String, double[]> numbers) {
        return new Readings(numbers, choices(), specimen.design().narrowest());
    }

    /** Which steps of one thing pass, by their place; none where nothing was graded step by step, or they do not belong together. */
    public List<Boolean> passing() {
        try {
            return method.passing(readings(numbers()), pinned);
        } catch (IllegalArgumentException apart) {
            return List.of();
        }
    }

    /** What a test that runs for days comes to so far; nothing of it counts before it has ended. */
    List<Reduced> soFar() {
        boolean whole = method.data().sheet().fields().stream()
                .allMatch(field -> field.optional() || !live(field).isEmpty());
        if (isTested() || !whole || !method.data().isReadInRows()) {
            return List.of();
        }
        try {
            return resultsWith(Map.of(), method.data().usualEnd(), OptionalDouble.empty());
        } catch (IllegalArgumentException notYet) {
            return List.of();
        }
    }

    /** What a figure is good for, as pages and records call it. */
    public static String kind(Reduced result) {
        return switch (result.made()) {
            case VALUE -> "MEASURED";
            case AT_LEAST -> "AT_LEAST";
            case AT_MOST -> "AT_MOST";
            case BETWEEN -> "BETWEEN";
            case NOTHING -> "EXCLUDED";
        };
    }

    /** What it would come to with these readings in it as well. */
    List<Reduced> resultsWith(
            Map<String, List<Double>> more, org.ysometron.core.method.End end, OptionalDouble capacity) {
        Map<String, double[]> numbers = new LinkedHashMap<>(numbers());
        more.forEach((key, values) -> numbers.put(
                key, values.stream().mapToDouble(Double::doubleValue).toArray()));
        return method.results(readings(numbers), pinned, end, capacity);
    }

    /** The first figure that is another in these results; empty where each that was there stands as it was. */
    Optional<Characteristic> moved(List<Reduced> now) {
        return results().stream()
                .filter(before -> before.shown().isPresent())
                .filter(before -> now.stream()
                        .noneMatch(after -> after.characteristic().equals(before.characteristic())
                                && after.made() == before.made()
                                && after.value().equals(before.value())
                                && after.upper().equals(before.upper())
                                && after.shown().equals(before.shown())))
                .map(Reduced::characteristic)
                .findFirst();
    }

    /** What these results may be read more kindly in than the record: a figure that can be better, or other where nothing is better. */
    List<Characteristic> kinder(List<Reduced> now) {
        return results().stream()
                .filter(before -> now.stream()
                        .filter(after -> after.characteristic().equals(before.characteristic()))
                        .anyMatch(after -> isKinder(before, after)))
                .map(Reduced::characteristic)
                .toList();
    }

    private static boolean isKinder(Reduced before, Reduced after) {
        double low = end(after.value(), after) - end(before.value(), before);
        double high = end(after.upper(), after) - end(before.upper(), before);
        return switch (before.characteristic().better()) {
            case MORE -> high > 0;
            case LESS -> low < 0;
            case NEITHER -> Math.abs(low) > 0 || Math.abs(high) > 0;
        };
    }

    /** An end of an interval, or the figure itself; not a number where there is none, which is neither kinder nor harder. */
    private static double end(OptionalDouble end, Reduced of) {
        return end.orElse(of.shown().orElse(Double.NaN));
    }

    /** The first figure that a test which is over would have otherwise with these readings beside its own. */
    Optional<Characteristic> movedBy(Map<String, List<Double>> more) {
        Map<String, List<Double>> all = new LinkedHashMap<>();
        Map<String, double[]> own = numbers();
        more.forEach((key, values) -> {
            boolean counts = method.data()
                    .sheet()
                    .field(key)
                    .filter(field -> field.role() != Field.Role.NOTED)
                    .isPresent();
            if (counts) {
                List<Double> both = new ArrayList<>();
                Arrays.stream(own.getOrDefault(key, new double[0])).forEach(both::add);
                both.addAll(values);
                all.put(key, both);
            }
        });
        if (all.isEmpty() || ended().isEmpty()) {
            return Optional.empty();
        }
        try {
            return moved(resultsWith(all, Objects.requireNonNull(ended().get().outcome()), capacity()));
        } catch (IllegalArgumentException apart) {
            return Optional.of(method.data().main());
        }
    }

    private Outcome outcome() {
        Outcome known = outcome;
        if (known == null) {
            known = reduced();
            outcome = known;
        }
        return known;
    }

    private Outcome reduced() {
        Optional<ReadingView> ended = ended();
        boolean whole = method.data().sheet().fields().stream()
                .allMatch(field -> field.optional() || !live(field).isEmpty());
        if (ended.isEmpty() || !whole) {
            return new Outcome(List.of(), "");
        }
        try {
            return new Outcome(
                    method.results(
                            readings(numbers()),
                            pinned,
                            Objects.requireNonNull(ended.get().outcome()),
                            capacity()),
                    "");
        } catch (IllegalArgumentException apart) {
            return new Outcome(List.of(), "No result: " + apart.getMessage() + ".");
        }
    }

    /** Range of what read the field that can end the test. */
    private OptionalDouble capacity() {
        return method.data()
                .endedBy()
                .flatMap(method.data().sheet()::field)
                .flatMap(field -> live(field).stream().findFirst())
                .map(reading -> reading.instrument().capacity())
                .orElse(OptionalDouble.empty());
    }

    private Map<String, double[]> numbers() {
        Map<String, List<Double>> found = new LinkedHashMap<>();
        for (Field field : method.data().sheet().fields()) {
            for (ReadingView reading : live(field)) {
                if (reading.value() != null && !isAfterthought(reading)) {
                    found.computeIfAbsent(field.key(), key -> new ArrayList<>()).add(reading.value());
                }
            }
        }
        Map<String, double[]> numbers = new LinkedHashMap<>();
        found.forEach((key, values) -> numbers.put(
                key, values.stream().mapToDouble(Double::doubleValue).toArray()));
        master.values().forEach((key, value) -> numbers.put(key, new double[] {value}));
        return numbers;
    }

    /** What somebody noted only when the result was known, and in the place of nothing, takes nothing away from it. */
    private boolean isAfterthought(ReadingView reading) {
        return reading.field().role() == Field.Role.NOTED
                && reading.replaces() == null
                && ended().filter(end -> reading.enteredAt().isAfter(end.enteredAt()))
                        .isPresent();
    }

    private Map<String, String> choices() {
        Map<String, String> choices = new LinkedHashMap<>();
        readings.stream()
                .filter(reading -> reading.live() && reading.field().kind() == Field.Kind.CHOICE)
                .forEach(reading -> choices.put(reading.field().key(), reading.typed()));
        return choices;
    }

    /**
     * Relative standard uncertainty of a figure from the calibration and the display of what was read with, all readings of one
     * instrument erring alike: the reading is moved and the method asked again (JCGM 100:2008, 5.1.3, 5.2 and note to 5.1.4).
     *
     * @param role whether from sizes or from what was read in the test
     */
    public double uncertainty(Characteristic characteristic, Field.Role role) {
        return uncertainties
                .computeIfAbsent(characteristic.id(), id -> new double[] {
                    uncertain(characteristic, Field.Role.SIZE), uncertain(characteristic, Field.Role.TEST)
                })[role == Field.Role.SIZE ? 0 : 1];
    }

    /** Whether a field is read of the specimen before, or in the test: what was recorded was read in it. */
    private static boolean isRead(Field field, Field.Role role) {
        return field.role() == role || (role == Field.Role.TEST && field.role() == Field.Role.RECORDED);
    }

    private double uncertain(Characteristic characteristic, Field.Role role) {
        OptionalDouble own = result(characteristic).map(Reduced::shown).orElse(OptionalDouble.empty());
        if (own.isEmpty() || own.getAsDouble() == 0) {
            return 0;
        }
        Set<Long> instruments = new java.util.LinkedHashSet<>();
        method.data().sheet().fields().stream()
                .filter(field -> isRead(field, role))
                .forEach(field -> live(field)
                        .forEach(reading -> instruments.add(reading.instrument().id())));
        double squares = 0;
        for (long instrument : instruments) {
            OptionalDouble high = moved(characteristic, role, instrument, STEP);
            OptionalDouble low = moved(characteristic, role, instrument, -STEP);
            if (high.isPresent() && low.isPresent()) {
                double follows = (high.getAsDouble() - low.getAsDouble()) / (2 * STEP) / own.getAsDouble();
                squares += follows * follows;
            }
        }
        return Math.sqrt(squares);
    }

    private OptionalDouble moved(Characteristic characteristic, Field.Role role, long instrument, double by) {
        Map<String, double[]> numbers = new LinkedHashMap<>(numbers());
        for (Field field : method.data().sheet().fields()) {
            List<ReadingView> live = isRead(field, role) ? live(field) : List.of();
            double[] values = numbers.get(field.key());
            for (int i = 0; values != null && i < live.size(); i++) {
                if (live.get(i).instrument().id() == instrument
                        && live.get(i).instrument().kind().isUncertainIn(field.dimension())) {
                    values[i] += by * uncertainty(live.get(i).instrument(), values[i]);
                }
            }
        }
        try {
            return method
                    .results(
                            readings(numbers),
                            pinned,
                            Objects.requireNonNull(ended().orElseThrow().outcome()),
                            OptionalDouble.empty())
                    .stream()
                    .filter(one -> one.characteristic().id().equals(characteristic.id()))
                    .findFirst()
                    .orElseThrow()
                    .shown();
        } catch (IllegalArgumentException apart) {
            return OptionalDouble.empty();
        }
    }

    /** Calibration and resolution together: a step of the display is a rectangle of its width (JCGM 100:2008, 4.3.7). */
    private static double uncertainty(InstrumentView instrument, double value) {
        double resolution = instrument.facts().resolution().orElse(0) / (2 * Math.sqrt(3));
        return Math.hypot(
                instrument.relativeUncertainty() * value, Math.hypot(instrument.absoluteUncertainty(), resolution));
    }

    /** Largest standard uncertainty of what read a size, in mm. */
    public double uncertaintyOfSizes() {
        return readings.stream()
                .filter(reading -> reading.live()
                        && reading.field().role() == Field.Role.SIZE
                        && reading.instrument().kind().reads() == Dimension.LENGTH)
                .mapToDouble(reading -> Math.hypot(
                        reading.instrument().absoluteUncertainty(),
                        reading.instrument().facts().resolution().orElse(0) / (2 * Math.sqrt(3))))
                .max()
                .orElse(0);
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof SpecimenRecord record
                && record.specimen.equals(specimen)
                && record.readings.equals(readings);
    }

    @Override
    public int hashCode() {
        return specimen.hashCode();
    }
}
