package org.ysometron.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Histories;
import org.ysometron.app.make.Orders;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Headroom;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Sheet;
import org.ysometron.core.working.Figures;

/** Shapes the bench for its page: what is in hand, what comes next, what stands in the list. */
@Component
class BenchPages {

    static final String MEASURE = "measure";
    static final String BREAK = "break";

    private static final double STRIP = 300;

    /** Who began a specimen so lately is still at it. */
    private static final Duration IN_HAND = Duration.ofMinutes(10);

    private final Bench bench;
    private final Instruments instruments;
    private final ReadingCheck check;
    private final EarlierLots earlier;
    private final BeforeBreaking before;
    private final Orders orders;
    private final Owing owing;
    private final Lots lots;
    private final Histories histories;
    private final Clock clock;

    BenchPages(
            Bench bench,
            Instruments instruments,
            ReadingCheck check,
            EarlierLots earlier,
            BeforeBreaking before,
            Orders orders,
            Owing owing,
            Lots lots,
            Histories histories,
            Clock clock) {
        this.histories = histories;
        this.lots = lots;
        this.orders = orders;
        this.owing = owing;
        this.before = before;
        this.bench = bench;
        this.instruments = instruments;
        this.check = check;
        this.earlier = earlier;
        this.clock = clock;
    }

    /** One place of a field, in forms: width-2. */
    record Key(Field field, int place) {

        static Key of(Method method, String text) {
            return all(method.data().sheet().fields()).stream()
                    .filter(key -> key.text().equals(text))
                    .findFirst()
                    .orElseThrow(() -> new NotFound("field '" + text + "' at the bench"));
        }

        /** Every place of these fields, in order. */
        static List<Key> all(List<Field> fields) {
            return fields.stream()
                    .flatMap(field -> IntStream.rangeClosed(1, field.places()).mapToObj(place -> new Key(field, place)))
                    .toList();
        }

        /** The head of its column in a file of readings: width_2 [mm]. */
        String column() {
            return field.key()
                    + (field.places() == 1 ? "" : "_" + place)
                    + (field.unit().isEmpty() ? "" : " [" + field.unit() + "]");
        }

        String text() {
            return field.key() + "-" + place;
        }

        boolean isTest() {
            return field.role() != Field.Role.SIZE;
        }
    }

    /**
     * What came back refused.
     *
     * @param key where
     * @param typed all that was typed, by key
     * @param pressed presses of instruments that fields were filled by, by key
     */
    record Refused(
            String specimen, String key, Map<String, String> typed, Map<String, String> pressed, Refusal refusal) {

        String typedAt(String at) {
            return typed.getOrDefault(at, "");
        }

        /** The same at the place of a field that is asked for now: the one it was typed for was taken by somebody else since. */
        Refused onto(Field field, int place) {
            String open = new Key(field, place).text();
            if (key.equals(open) || !key.matches(java.util.regex.Pattern.quote(field.key()) + "-\\d+")) {
                return this;
            }
            Map<String, String> moved = new HashMap<>(typed);
            moved.put(open, typedAt(key));
            Map<String, String> sent = new HashMap<>(pressed);
            sent.put(open, pressed.getOrDefault(key, ""));
            return new Refused(specimen, open, moved, sent, refusal);
        }

        boolean isDoubted() {
            return refusal instanceof ReadingCheck.Doubted || (refusal instanceof Bench.NotTaken at && at.isDoubted());
        }
    }

    /**
     * What is asked of the page.
     *
     * @param method id of the method that is tested; null for the first that has something to do
     * @param step measuring or breaking; null where the lot's state says which
     * @param specimen the one to take in hand; null for the next
     * @param gauge the gauge it is broken on; 0 for the usual one
     * @param after the specimen that was done last; null for none
     * @param refused what came back; null for nothing
     * @param part whether only the row that changed is wanted, that of the specimen done or refused
     */
    record Asked(
            @Nullable String method,
            @Nullable String step,
            @Nullable String specimen,
            long gauge,
            @Nullable String after,
            @Nullable Refused refused,
            boolean part) {

        private @Nullable String changed() {
            return !part ? null : refused == null ? after : refused.specimen();
        }
    }

    /** The whole page, or what of it changes when a reading was stored. */
    // One transaction for all of it: each question alone would begin and end one of its own.
    @Transactional(readOnly = true)
    BenchView page(LotView lot, Asked asked, String by) {
        String step = asked.step();
        String wanted = asked.specimen();
        String changed = asked.changed();
        List<SpecimenRecord> all = inOrder(lot, bench.records(lot.id()));
        Set<Long> givenUp = histories.givenUp(
                all.stream().map(record -> record.specimen().id()).toList(), Set.of());
        List<SpecimenRecord> allOwed = SpecimenRecord.owed(all, givenUp);
        Method method = station(lot, all, allOwed, asked);
        List<SpecimenRecord> records = of(method, all);
        List<SpecimenRecord> owed = of(method, allOwed);
        List<InstrumentView> gauges = instruments.serving(method.data().equipment());
        int measured = (int) owed.stream().filter(SpecimenRecord::isMeasured).count();
        int broken = (int) records.stream().filter(SpecimenRecord::isTested).count();
        String now = step != null && (step.equals(MEASURE) || step.equals(BREAK))
                ? step
                : measured < owed.size() ? MEASURE : BREAK;
        InstrumentView gauge = gauges.stream()
                .filter(candidate -> candidate.id() == asked.gauge())
                .findFirst()
                .orElseGet(() -> usual(lot, method, records, gauges));
        String unknown = unknown(lot, all, wanted);
        SpecimenRecord inHand = unknown.isEmpty()
                ? choose(
                        lot, following(wanted == null || wanted.isBlank() ? owed : all, asked.after()), now, wanted, by)
                : null;
        String wanting = wanting(method, gauge);
        BenchView.@Nullable Hand hand = inHand == null || gauge == null || !wanting.isEmpty()
                ? null
                : hand(lot, inHand, now, gauge, gauges, asked.refused(), BenchFields.nextStep(records, inHand));
        // Asked where a test was void, which is seldom.
        Map<Long, String> inPlace =
                records.stream().anyMatch(SpecimenRecord::isVoid) ? lots.replacements(lot.id()) : Map.of();
        List<Owing.OwedView> toFetch =
                owing.of(lot, all).stream().filter(late -> !late.isWaived()).toList();
        List<BenchView.Row> rows = records.stream()
                .filter(record -> changed == null
                        || record.equals(inHand)
                        || record.specimen().label().equals(changed))
                .map(record -> BenchList.row(
                        record,
                        record.equals(inHand),
                        !owed.contains(record),
                        inPlace.get(record.specimen().id()),
                        toFetch.stream()
                                .filter(late ->
                                        late.specimen().equals(record.specimen().label()))
                                .map(Owing.OwedView::words)
                                .toList()))
                .toList();
        return new BenchView(
                all.isEmpty() ? null : BenchView.Station.of(method.data(), broken, owed.size()),
                stations(all, allOwed),
                now,
                gauge == null ? 0 : gauge.id(),
                gauges,
                displays(gauge).of(now, method),
                hand,
                BenchList.heads(method),
                rows,
                measured,
                broken,
                owed.size(),
                wanting,
                unknown,
                toFetch);
    }

    private Displays displays(@Nullable InstrumentView gauge) {
        return new Displays(gauge, instruments.hasCalipers() ? instruments.calipers() : null);
    }

    /** What a site that begins has not registered yet. */
    private String wanting(Method method, @Nullable InstrumentView gauge) {
        boolean lengths = method.data().sheet().fields().stream()
                .anyMatch(field -> field.dimension() == Dimension.LENGTH && field.isQuantity());
        if (gauge == null) {
            return method.data().equipment().words();
        }
        boolean masses = method.data().equipment().weighs()
                && method.data().sheet().asked().stream()
                        .anyMatch(field -> field.dimension() == Dimension.MASS && !field.optional());
        return lengths && !instruments.hasCalipers()
                ? "pair of calipers"
                : masses && !instruments.hasBalance() ? "balance" : "";
    }

    /** The method asked for, that of the specimen asked for, else the first with something to do. */
    private static Method station(LotView lot, List<SpecimenRecord> all, List<SpecimenRecord> owed, Asked asked) {
        Optional<SpecimenRecord> scanned =
                asked.specimen() == null || asked.specimen().isBlank()
                        ? Optional.empty()
                        : named(lot, all, asked.specimen());
        return scanned.map(SpecimenRecord::method)
                .or(() -> all.stream()
                        .map(SpecimenRecord::method)
                        .filter(method -> method.data().id().equals(asked.method()))
                        .findFirst())
                .or(() -> owed.stream()
                        .filter(record -> !record.isTested())
                        .map(SpecimenRecord::method)
                        .findFirst())
                .or(() -> all.stream().map(SpecimenRecord::method).findFirst())
                .orElseGet(Methods::usual);
    }

    private static List<SpecimenRecord> of(Method method, List<SpecimenRecord> records) {
        return records.stream().filter(record -> record.method().equals(method)).toList();
    }

    private static List<BenchView.Station> stations(List<SpecimenRecord> all, List<SpecimenRecord> owed) {
        Set<Method> tested = all.stream().map(SpecimenRecord::method).collect(Collectors.toSet());
        return Methods.all().stream()
                .filter(tested::contains)
                .map(method -> BenchView.Station.of(
                        method.data(),
                        (int) of(method, all).stream()
                                .filter(SpecimenRecord::isTested)
                                .count(),
                        of(method, owed).size()))
                .toList();
    }

    /**
     * What changes while a specimen stays in the calipers: its fields and its row. What the page says of it and of the lot
     * stands, so that a reading costs the same in a lot of any size.
     */
    @Transactional(readOnly = true)
    BenchView further(LotView lot, String label, long gaugeId) {
        SpecimenRecord record = bench.record(lot, label);
        BenchView.Hand hand = new BenchView.Hand(
                record.specimen().label(),
                record.specimen().conditions().orientation().name(),
                record.specimen().conditions().words(),
                BenchFields.fields(record, MEASURE, null, displays(null)),
                List.of(),
                BenchFields.measured(record),
                "",
                "",
                List.of(),
                BenchView.Clock.NONE,
                true,
                Sketch.of(record),
                record.isTested());
        return new BenchView(
                BenchView.Station.of(record.method().data(), 0, 0),
                List.of(),
                MEASURE,
                gaugeId,
                List.of(),
                null,
                hand,
                List.of(),
                List.of(BenchList.row(record, true, false, null, List.of())),
                0,
                0,
                0,
                "",
                "",
                List.of());
    }

    /**
     * What is worked out while somebody types.
     *
     * @param typed all that stands in the form, by key
     */
    @Transactional(readOnly = true)
    BenchView.Preview preview(LotView lot, String label, Map<String, String> typed, @Nullable End end, long gaugeId) {
        if (typed.values().stream().allMatch(String::isBlank)) {
            return new BenchView.Preview("", List.of(), List.of(), -1);
        }
        SpecimenRecord record = bench.records(lot.id()).stream()
                .filter(candidate -> candidate.specimen().label().equals(label))
                .findFirst()
                .orElseThrow(() -> new NotFound("specimen '" + label + "' in lot " + lot.code()));
        List<String> lines = new ArrayList<>();
        Map<Key, Double> values = new LinkedHashMap<>();
        try {
            typed.forEach((text, value) -> {
                Key key = Key.of(record.method(), text);
                if (Owing.isLater(record.method(), key.field().key(), value)) {
                    lines.add(key.field().words() + " is fetched after the test: owed until then");
                } else if (!value.isBlank()) {
                    read(lot, record, key, value, lines).ifPresent(number -> values.put(key, number));
                }
            });
        } catch (Refusal refusal) {
            return new BenchView.Preview(refusal.words(), List.of(), List.of(), -1);
        }
        boolean test = typed.keySet().stream()
                .anyMatch(text -> Key.of(record.method(), text).isTest());
        return test ? testPreview(lot, record, values, end, gaugeId, lines) : sizePreview(record, values, lines);
    }

    private Optional<Double> read(LotView lot, SpecimenRecord record, Key key, String text, List<String> lines) {
        Sheet.One one = check.read(key.field(), key.place(), text);
        if (one.value().isEmpty()) {
            return Optional.empty();
        }
        double value = one.value().getAsDouble();
        if (!one.shown().isEmpty()) {
            lines.add(one.shown() + " = " + Figures.significant(value, 5) + " "
                    + key.field().unit());
        }
        check.doubt(lot, record.specimen(), record.method(), key.field(), value).ifPresent(lines::add);
        return Optional.of(value);
    }

    // ---- while typing ------------------------------------------------------------------------------------------

    private BenchView.Preview testPreview(
            LotView lot,
            SpecimenRecord record,
            Map<Key, Double> typed,
            @Nullable End end,
            long gaugeId,
            List<String> lines) {
        if (!record.isMeasured()) {
            lines.add("No figure yet: measure the specimen first.");
            return new BenchView.Preview("", lines, List.of(), -1);
        }
        InstrumentView gauge = instruments.instrument(gaugeId);
        List<Reduced> results;
        try {
            results = record.resultsWith(
                    byField(typed),
                    end == null ? record.method().data().usualEnd() : end,
                    record.method().data().endedBy().isEmpty() ? OptionalDouble.empty() : gauge.capacity());
        } catch (IllegalArgumentException notYet) {
            return new BenchView.Preview("", lines, List.of(), -1);
        }
        results.stream()
                .filter(result -> result.value().isPresent())
                .forEach(result -> lines.add(result.characteristic().title() + ": " + words(result)));
        results.stream().limit(1).flatMap(result -> result.notes().stream()).forEach(lines::add);
        Optional<Double> figure = results.stream()
                .limit(1)
                .flatMap(result -> result.value().stream().boxed())
                .findFirst();
        return figure.map(value -> besideEarlier(lot, record, value, lines))
                .orElseGet(() -> new BenchView.Preview("", lines, List.of(), -1));
    }

    private static Map<String, List<Double>> byField(Map<Key, Double> typed) {
        Map<String, List<Double>> values = new LinkedHashMap<>();
        typed.forEach((key, value) -> values.computeIfAbsent(key.field().key(), field -> new ArrayList<>())
                .add(value));
        return values;
    }

    private BenchView.Preview besideEarlier(LotView lot, SpecimenRecord record, double figure, List<String> lines) {
        Characteristic main = record.method().data().main();
        Optional<EarlierLots.Earlier> before =
                earlier.of(lot, main, record.specimen().conditions());
        if (before.isEmpty()) {
            lines.add("No earlier lot to compare with.");
            return new BenchView.Preview("", lines, List.of(), -1);
        }
        EarlierLots.Earlier lots = before.get();
        lines.add("Earlier lots: means from " + Figures.significant(lots.least(), 3) + " to "
                + Figures.withUnit(lots.greatest(), 3, main.unit()) + " ("
                + lots.means().size() + " lots)");
        List<Double> all = new ArrayList<>(lots.means());
        all.add(figure);
        Scale scale = Scale.holding(all, 0, STRIP);
        return new BenchView.Preview(
                "", lines, lots.means().stream().map(scale::at).toList(), scale.at(figure));
    }

    private static BenchView.Preview sizePreview(SpecimenRecord record, Map<Key, Double> typed, List<String> lines) {
        typed.forEach((key, value) -> {
            OptionalDouble nominal = record.specimen().nominal(key.field().key());
            if (nominal.isPresent()) {
                double percent = 100 * (value / nominal.getAsDouble() - 1);
                lines.add(Figures.decimals(value, 2) + " mm, " + (percent < 0 ? "" : "+")
                        + Figures.decimals(percent, 1) + " % of the nominal "
                        + Figures.decimals(nominal.getAsDouble(), 1) + " mm");
                if (Math.abs(percent) > 10) {
                    lines.add("More than 10 % off nominal: look at the print before testing this specimen.");
                }
            }
        });
        return new BenchView.Preview("", lines, List.of(), -1);
    }

    /** A figure with what it is good for: "at least 55.0 MPa", "1.60 to 1.80 N·m". */
    private static String words(Reduced result) {
        int digits = result.characteristic().digits() + 1;
        String unit = result.characteristic().unit();
        return switch (result.made()) {
            case VALUE -> Figures.withUnit(result.value().getAsDouble(), digits, unit);
            case AT_LEAST -> "at least " + Figures.withUnit(result.value().getAsDouble(), digits, unit);
            case AT_MOST -> "at most " + Figures.withUnit(result.value().getAsDouble(), digits, unit);
            case BETWEEN ->
                Figures.significant(result.value().getAsDouble(), digits) + " to "
                        + Figures.withUnit(result.upper().getAsDouble(), digits, unit);
            case NOTHING -> "";
        };
    }

    // ---- what is in hand ---------------------------------------------------------------------------------------

    private static boolean isComplete(SpecimenRecord record) {
        return record.method().data().sheet().of(Field.Role.SIZE).stream()
                .allMatch(field -> field.optional() || record.live(field).size() == field.places());
    }

    /** What is wrong with a label that was scanned or typed; nothing stays in hand then, so that no reading goes astray. */
    private String unknown(LotView lot, List<SpecimenRecord> records, @Nullable String wanted) {
        if (wanted == null || wanted.isBlank() || named(lot, records, wanted).isPresent()) {
            return "";
        }
        String typed = wanted.strip();
        String shown = typed.length() > 60 ? typed.substring(0, 60) + "…" : typed;
        return lots.coded(typed)
                .filter(specimen -> specimen.lotId() != lot.id())
                .map(specimen -> "'" + shown + "' is " + specimen.label() + " of lot "
                        + lots.lot(specimen.lotId()).code() + ", not of this one. Nothing is in hand.")
                .orElse("'" + shown + "' is no specimen of lot " + lot.code()
                        + " that the bench takes. Nothing is in hand: scan the label again, or choose in the list.");
    }

    private static Optional<SpecimenRecord> named(LotView lot, List<SpecimenRecord> records, String wanted) {
        String name = wanted.strip().toUpperCase(Locale.ROOT);
        String prefix = lot.code().toUpperCase(Locale.ROOT) + "-";
        String plain = name.startsWith(prefix) ? name.substring(prefix.length()) : name;
        return records.stream()
                .filter(record -> record.specimen().label().equals(plain)
                        || record.specimen()
                                .code()
                                .equals(plain.replace(" ", "").replace("-", "")))
                .findFirst();
    }

    /**
     * Beginning behind the one just done: who works from the middle goes on from there, and two at one lot do not meet at its
     * first specimen.
     */
    private static List<SpecimenRecord> following(List<SpecimenRecord> records, @Nullable String done) {
        int behind = 0;
        for (int i = 0; i < records.size(); i++) {
            if (records.get(i).specimen().label().equals(done)) {
                behind = i + 1;
            }
        }
        List<SpecimenRecord> turned = new ArrayList<>(records.subList(behind, records.size()));
        turned.addAll(records.subList(0, behind));
        return turned;
    }

    private @Nullable SpecimenRecord choose(
            LotView lot, List<SpecimenRecord> records, String step, @Nullable String wanted, String by) {
        if (wanted != null && !wanted.isBlank()) {
            return named(lot, records, wanted).orElse(null);
        }
        List<SpecimenRecord> unbroken =
                records.stream().filter(record -> !record.isTested()).toList();
        if (step.equals(BREAK)) {
            return first(unbroken.stream().filter(SpecimenRecord::isMeasured).toList(), Field.Role.TEST, by)
                    .orElse(null);
        }
        // Specimens not measured at all come before those that somebody left with fewer readings on purpose.
        return first(unbroken.stream().filter(record -> !record.isMeasured()).toList(), Field.Role.SIZE, by)
                .or(() ->
                        unbroken.stream().filter(record -> !isComplete(record)).findFirst())
                .orElse(null);
    }

    /** The first that nobody else has in hand at this moment; the first of all where every one is in somebody's. */
    private Optional<SpecimenRecord> first(List<SpecimenRecord> queue, Field.Role role, String by) {
        Instant lately = clock.instant().minus(IN_HAND);
        return queue.stream()
                .filter(record -> record.readings().stream()
                        .noneMatch(reading -> reading.field().role() == role
                                && !reading.enteredBy().equals(by)
                                && reading.enteredAt().isAfter(lately)))
                .findFirst()
                .or(() -> queue.stream().findFirst());
    }

    /** The gauge of this kind that the lot's next specimen would be tested on; 0 when none is registered. */
    long usualGauge(LotView lot, Method method) {
        InstrumentView gauge = usual(
                lot,
                method,
                of(method, bench.records(lot.id())),
                instruments.serving(method.data().equipment()));
        return gauge == null ? 0 : gauge.id();
    }

    /** The methods that the lot's specimens are tested by; the usual one while there are none. */
    List<Method> methods(LotView lot) {
        List<Method> methods = bench.records(lot.id()).stream()
                .map(SpecimenRecord::method)
                .distinct()
                .toList();
        return methods.isEmpty() ? List.of(Methods.usual()) : methods;
    }

    /** Labels of a method's specimens in the order of the bench. */
    List<String> labels(LotView lot, Method method) {
        return of(method, inOrder(lot, bench.records(lot.id()))).stream()
                .map(record -> record.specimen().label())
                .toList();
    }

    /** In the order in which they are to be tested; in order of their sets when none was given. */
    private List<SpecimenRecord> inOrder(LotView lot, List<SpecimenRecord> records) {
        Map<Long, Integer> turns = orders.turns(
                lot.id(), records.stream().map(SpecimenRecord::specimen).toList());
        return turns.isEmpty()
                ? records
                : records.stream()
                        .sorted(Comparator.comparingInt((SpecimenRecord record) ->
                                turns.getOrDefault(record.specimen().id(), Integer.MAX_VALUE)))
                        .toList();
    }

    /** The largest load to be expected in this lot, in the unit of the method's equipment; 0 when nobody knows. */
    double expectedLoad(LotView lot, Method method) {
        return expectedLoad(lot, method, of(method, bench.records(lot.id())));
    }

    private double expectedLoad(LotView lot, Method method, List<SpecimenRecord> records) {
        // Specimens of one set expect the same: asked once a set, not once a specimen.
        Map<Long, SpecimenView> sets = new java.util.HashMap<>();
        records.forEach(record -> sets.putIfAbsent(record.specimen().setId(), record.specimen()));
        return sets.values().stream()
                .mapToDouble(
                        specimen -> check.expectedLoad(lot, specimen, method).orElse(0))
                .max()
                .orElse(0);
    }

    /** The smallest calibrated gauge with room for the largest load to be expected in this lot, else the largest there is. */
    private @Nullable InstrumentView usual(
            LotView lot, Method method, List<SpecimenRecord> records, List<InstrumentView> gauges) {
        if (gauges.isEmpty()) {
            return null;
        }
        // What was broken of this lot so far is comparable with what is broken on the same gauge.
        Optional<InstrumentView> same = records.stream()
                .flatMap(record -> record.ended().stream())
                .map(ReadingView::instrument)
                .reduce((first, last) -> last)
                .flatMap(used ->
                        gauges.stream().filter(gauge -> gauge.id() == used.id()).findFirst());
        if (same.isPresent() && !before.isOut(same.get())) {
            return same.get();
        }
        List<InstrumentView> calibrated =
                gauges.stream().filter(gauge -> !before.isOut(gauge)).toList();
        List<InstrumentView> offered = calibrated.isEmpty() ? gauges : calibrated;
        double load = expectedLoad(lot, method, records);
        return offered.stream()
                .filter(gauge -> gauge.capacity().orElse(Double.MAX_VALUE) * Headroom.LARGEST_SHARE >= load)
                .findFirst()
                .orElse(offered.get(offered.size() - 1));
    }

    /** What sizes are read with before the test. */
    private InstrumentView sizedWith(Method method, InstrumentView gauge) {
        List<Field> sizes = method.data().sheet().of(Field.Role.SIZE);
        if (sizes.stream().anyMatch(field -> field.dimension() == Dimension.LENGTH && field.isQuantity())) {
            return instruments.calipers();
        }
        boolean weighed = method.data().equipment().weighs()
                && sizes.stream().anyMatch(field -> field.dimension() == Dimension.MASS);
        return weighed ? instruments.balance() : gauge;
    }

    private BenchView.Hand hand(
            LotView lot,
            SpecimenRecord record,
            String step,
            InstrumentView gauge,
            List<InstrumentView> gauges,
            @Nullable Refused refused,
            String nextStep) {
        // The load is what matters in the grips: in the calipers nobody asks for it.
        OptionalDouble load = step.equals(BREAK)
                ? check.expectedLoad(lot, record.specimen(), record.method())
                : OptionalDouble.empty();
        List<Headroom.Gauge> others = gauges.stream().map(InstrumentView::gauge).toList();
        boolean limited = load.isPresent() && gauge.capacity().isPresent();
        String headroom = !limited
                ? ""
                : Headroom.warning(load.getAsDouble(), 1, gauge.gauge(), others)
                        .or(() -> Headroom.tooCoarse(load.getAsDouble(), gauge.gauge(), others))
                        .orElse("");
        String expected = load.isEmpty()
                ? nextStep
                : Figures.withUnit(
                                load.getAsDouble(),
                                3,
                                record.method().data().equipment().unit()) + " expected";
        return new BenchView.Hand(
                record.specimen().label(),
                record.specimen().conditions().orientation().name(),
                record.specimen().conditions().words(),
                BenchFields.fields(record, step, refused, displays(gauge)),
                step.equals(BREAK) ? BenchFields.noted(record, refused) : List.of(),
                BenchFields.measured(record),
                headroom,
                expected,
                before.warnings(lot, record.specimen(), step.equals(BREAK) ? gauge : sizedWith(record.method(), gauge)),
                step.equals(BREAK) && !record.isTested() ? BenchFields.clock(record) : BenchView.Clock.NONE,
                false,
                Sketch.of(record),
                record.isTested());
    }
}
