package org.ysometron.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.line.Presses;
import org.ysometron.app.line.Presses.PressView;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Masters;
import org.ysometron.app.plan.Site;
import org.ysometron.app.plan.SiteMethods;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Moments;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.Calibration;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Equipment;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;

/** Readings: entered once, corrected by a second one with a reason, never changed. */
@Component
public class Bench {

    /** A display that is still on from the specimen before: after so long it was switched off, or zeroed, between. */
    private static final Duration HELD = Duration.ofHours(1);

    private final PageMemory memory;
    private final ReadingRepository readings;
    private final Lots lots;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final ReadingCheck check;
    private final BeforeBreaking before;
    private final Owing owing;
    private final SiteMethods methods;
    private final Masters masters;
    private final Site site;
    private final LateEntries late;
    private final Presses presses;
    private final Clock clock;

    Bench(
            PageMemory memory,
            ReadingRepository readings,
            Lots lots,
            Instruments instruments,
            Calibrations calibrations,
            ReadingCheck check,
            BeforeBreaking before,
            Owing owing,
            SiteMethods methods,
            Masters masters,
            Site site,
            LateEntries late,
            Presses presses,
            Clock clock) {
        this.presses = presses;
        this.late = late;
        this.memory = memory;
        this.site = site;
        this.owing = owing;
        this.methods = methods;
        this.masters = masters;
        this.readings = readings;
        this.lots = lots;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.check = check;
        this.before = before;
        this.clock = clock;
    }

    /**
     * One reading as it comes from a person or a file.
     *
     * @param field key of a field of the method's sheet
     * @param outcome how the test ended, with one that is read in the test; null for a size, or while the test goes on
     * @param gaugeId instrument of what is read in the test; ignored for sizes
     * @param confirmed the text that was doubted before and is meant; empty otherwise
     * @param analysisId the analysis of a record that it was found by; null for what was typed
     * @param pressId what a connected instrument sent it by; null for what was typed
     */
    public record Entry(
            String specimen,
            String field,
            int place,
            String typed,
            @Nullable End outcome,
            long gaugeId,
            String confirmed,
            @Nullable Long analysisId,
            @Nullable Long pressId) {

        /** One that was typed. */
        public Entry(
                String specimen,
                String field,
                int place,
                String typed,
                @Nullable End outcome,
                long gaugeId,
                String confirmed) {
            this(specimen, field, place, typed, outcome, gaugeId, confirmed, null, null);
        }

        /** The same, found by an analysis of a record. */
        public Entry foundBy(long analysis) {
            return new Entry(specimen, field, place, typed, outcome, gaugeId, confirmed, analysis, null);
        }

        /** The same, as an instrument sent it. */
        public Entry sentBy(@Nullable Long press) {
            return new Entry(specimen, field, place, typed, outcome, gaugeId, confirmed, analysisId, press);
        }
    }

    /**
     * A correction of a stored reading.
     *
     * @param outcome how the test ended; used for the reading that closed it only
     * @param gaugeId the gauge of a reading of the test; 0 for the one it was read on
     */
    public record Correction(
            String typed,
            @Nullable End outcome,
            long gaugeId,
            @Nullable Cause cause,
            String reason,
            String confirmed) {}

    /** Who read something of a lot, and with which instrument. */
    public record Hand(long lotId, String enteredBy, long instrumentId) {}

    /** How the test of a specimen ended. */
    public record HowEnded(long lotId, long specimenId, End outcome) {}

    /** How the tests of these lots ended. */
    public List<HowEnded> howEnded(Collection<Long> lotIds) {
        return lotIds.isEmpty() ? List.of() : readings.howEnded(lotIds);
    }

    /** Whose hands and which instruments stand behind the readings of these lots that count. */
    public List<Hand> hands(Collection<Long> lotIds) {
        return lotIds.isEmpty() ? List.of() : readings.hands(lotIds);
    }

    /** One of several readings sent together that cannot be taken: none of them is stored. */
    static final class NotTaken extends Refusal {

        private static final long serialVersionUID = 1L;

        private final String key;
        private final boolean doubted;

        NotTaken(String key, Refusal why) {
            super(why.field(), why.words());
            this.key = key;
            this.doubted = why instanceof ReadingCheck.Doubted;
        }

        /** Which one: field and place. */
        String key() {
            return key;
        }

        /** Whether it is only doubted. */
        boolean isDoubted() {
            return doubted;
        }
    }

    /** Which reading a new one replaces, and why. */
    private record Replaced(long id, Cause cause, String reason) {}

    /**
     * By whom and when; what was sent together was written at one moment, with the same instruments.
     *
     * @param instruments by what they were asked for, each looked up once: a hundred records are a thousand readings
     * @param revisions of the methods in force, the same
     */
    private record Written(
            String by,
            Instant at,
            @Nullable Replaced replaces,
            @Nullable Long importId,
            Map<Asked, InstrumentView> instruments,
            Map<Method, SiteMethods.MethodView> revisions) {

        Written(String by, Instant at, @Nullable Replaced replaces, @Nullable Long importId) {
            this(by, at, replaces, importId, new HashMap<>(), new HashMap<>());
        }
    }

    /** What an instrument is asked for: for a field of a method, or for what was found on a record. */
    private record Asked(Method method, @Nullable Field field, long gaugeId) {}

    /** Stores one reading. Sending the same one twice stores it once. */
    @Write
    public void enter(LotView lot, Entry entry, String by) {
        lots.lockUndecided(lot.id());
        enter(lot, lots.specimen(lot, entry.specimen()), List.of(entry), by);
    }

    /** Stores the readings of one specimen's test, all or none. Sending the same ones twice stores them once. */
    @Write
    public void enterTest(LotView lot, String specimen, List<Entry> entries, String by) {
        lots.lockUndecided(lot.id());
        enter(lot, lots.specimen(lot, specimen), entries, by);
    }

    private void enter(LotView lot, SpecimenView specimen, List<Entry> sent, String by) {
        Method method = method(specimen);
        List<Entry> entries = read(method, sent);
        boolean test = entries.stream().anyMatch(entry -> isTest(method, entry));
        if (test) {
            before.requireSize(lot);
        }
        List<Reading> live = readings.liveOf(specimen.id());
        if (test) {
            before.requireMeasuredSince(specimen, live);
        }
        List<Entry> fresh = new ArrayList<>();
        for (Entry entry : closed(method, live, entries)) {
            Optional<Reading> there = live.stream()
                    .filter(reading -> reading.field.equals(entry.field()) && reading.place == entry.place())
                    .findFirst();
            if (there.isEmpty()) {
                requireOneScoring(method, live, entry, by);
                fresh.add(entry);
            } else if (!there.get().typed.equals(entry.typed().strip()) || there.get().outcome != entry.outcome()) {
                Reading first = there.get();
                throw new Refusal(
                        "typed",
                        first.enteredBy.equals(by)
                                ? specimen.label() + " already has this reading (" + first.typed
                                        + "): correct it with a reason instead."
                                : specimen.label() + " has this reading already: " + first.typed + ", by "
                                        + first.enteredBy + " at " + Moments.second(first.enteredAt)
                                        + ". Is it another that you hold? Take that in hand by its label; or correct"
                                        + " this one with a reason.");
            }
        }
        Written written = new Written(by, clock.instant(), null, null);
        SpecimenRecord known = record(lot, specimen.label());
        for (Entry entry : fresh) {
            try {
                requireFresh(specimen, method, entry);
                store(lot, specimen, method, entry, written);
            } catch (Refusal refusal) {
                throw entries.size() == 1 ? refusal : new NotTaken(entry.field() + "-" + entry.place(), refusal);
            }
        }
        SpecimenRecord now = record(lot, specimen.label());
        requireTogether(now);
        requireStepsApart(now);
        // Another grader's grade stands beside the first, each with its name.
        // Where a figure comes out kinder by it, somebody else looks at it before the lot leaves.
        if (!fresh.stream().allMatch(entry -> isGrade(method, entry))) {
            requireUnchanged(known, now);
        } else if (known.isTested() && !known.kinder(now.results()).isEmpty()) {
            late.record(
                    lot.id(),
                    specimen.label() + " graded by a second person: "
                            + known.kinder(now.results()).stream()
                                    .map(Characteristic::title)
                                    .collect(Collectors.joining(", "))
                            + " come out kinder",
                    "The first grades stand beside the second ones, each with its grader's name.",
                    by);
        }
        owe(lot, now, sent, by);
    }

    /** A step of a tower is read once: typed twice it is said at once, and not when the whole tower is over. */
    private static void requireStepsApart(SpecimenRecord now) {
        MethodData data = now.method().data();
        if (data.sheet().fields().stream().noneMatch(field -> field.kind() == Field.Kind.STEP_GRADE)) {
            return;
        }
        Field setting = data.closing();
        Set<Double> seen = new HashSet<>();
        for (ReadingView step : now.live(setting)) {
            if (step.value() != null && !seen.add(step.value())) {
                throw new Refusal(
                        "typed",
                        "The step at " + step.typed()
                                + " was read already: each step of a tower stands once. Correct that"
                                + " one with a reason, or type the step that you hold.");
            }
        }
    }

    private static boolean isGrade(Method method, Entry entry) {
        return ReadingCheck.field(method, entry.field()).kind() == Field.Kind.GRADE;
    }

    /** What was read, without what is fetched later. */
    private static List<Entry> read(Method method, List<Entry> sent) {
        return sent.stream()
                .filter(entry -> !Owing.isLater(method, entry.field(), entry.typed()))
                .toList();
    }

    /** Notes what is fetched later, once the test is over; what is there already is owed no more. */
    private void owe(LotView lot, SpecimenRecord now, List<Entry> sent, String by) {
        for (Entry entry : sent) {
            if (Owing.isLater(now.method(), entry.field(), entry.typed())) {
                if (!now.isTested()) {
                    throw new Refusal(
                            "typed",
                            "What is fetched later is said with the end of the test, or after it: type that first.");
                }
                if (now.live(entry.field()).isEmpty()) {
                    owing.note(lot, now.specimen(), entry.field(), by);
                }
            }
        }
    }

    /** What ends the test is asked about when it is to the last digit what the instrument showed before. */
    private void requireFresh(SpecimenView specimen, Method method, Entry entry) {
        if (method.data().endedBy().equals(Optional.of(entry.field()))) {
            Reading last = readings.findFirstByInstrumentIdAndFieldOrderByIdDesc(entry.gaugeId(), entry.field())
                    .filter(reading -> reading.enteredAt.isAfter(clock.instant().minus(HELD)))
                    .orElse(null);
            check.requireFresh(specimen, ReadingCheck.field(method, entry.field()), entry, last);
        }
    }

    /** Refuses readings that cannot belong together: kept, they would be a test that is over and says nothing. */
    private static void requireTogether(SpecimenRecord record) {
        record.impossible().ifPresent(why -> {
            throw new Refusal("typed", why);
        });
        if (!record.problem().isEmpty()) {
            throw new Refusal("typed", record.specimen().label() + ": " + record.problem());
        }
    }

    /** Refuses what would move a figure that is known: a test that is over takes what gives another figure, and corrections. */
    private static void requireUnchanged(SpecimenRecord known, SpecimenRecord now) {
        known.moved(now.results()).ifPresent(moved -> {
            throw new Refusal(
                    "typed",
                    "The test of " + known.specimen().label() + " is over, and this would change its " + moved.title()
                            + ": what was read stands, and is corrected with a reason.");
        });
    }

    private static boolean isTest(Method method, Entry entry) {
        return ReadingCheck.field(method, entry.field()).role() == Field.Role.TEST;
    }

    /**
     * The same readings with the end at the one that closes the test, and at no other. What is read after the end, as a travel from a
     * record, closes nothing.
     */
    private static List<Entry> closed(Method method, List<Reading> live, List<Entry> entries) {
        Optional<Reading> before =
                live.stream().filter(reading -> reading.outcome != null).findFirst();
        List<Entry> test =
                entries.stream().filter(entry -> isTest(method, entry)).toList();
        Optional<Entry> closing = Closing.of(method.data(), test, Entry::field);
        if (closing.isEmpty()) {
            return entries.stream().map(entry -> with(entry, null)).toList();
        }
        End end = closing.get().outcome();
        if (before.isEmpty() && end == null && !method.data().isReadInRows()) {
            throw new Refusal("outcome", "Say how the test ended.");
        }
        if (before.isEmpty() && end != null) {
            requireWhole(method, live, entries, end);
        }
        return entries.stream()
                .map(entry -> {
                    boolean repeats = before.isPresent()
                            && before.get().field.equals(entry.field())
                            && before.get().place == entry.place();
                    return with(
                            entry,
                            repeats || (before.isEmpty() && entry.equals(closing.get())) ? entry.outcome() : null);
                })
                .toList();
    }

    /** Refuses the end of a test of which something that must be read is missing, or that is void without a cause. */
    private static void requireWhole(Method method, List<Reading> live, List<Entry> entries, End end) {
        Predicate<String> isRead =
                key -> entries.stream().anyMatch(entry -> entry.field().equals(key))
                        || live.stream().anyMatch(reading -> reading.field.equals(key));
        Closing.missing(method.data(), isRead).ifPresent(field -> {
            throw new NotTaken(
                    field.key() + "-1",
                    new Refusal("typed", "Nothing was typed for '" + field.words() + "', which the test is read by."));
        });
        if (Closing.lacksCause(end, isRead)) {
            throw new Refusal("outcome", "Say in the remark why it is void.");
        }
    }

    private static Entry with(Entry entry, @Nullable End end) {
        return new Entry(
                entry.specimen(),
                entry.field(),
                entry.place(),
                entry.typed(),
                end,
                entry.gaugeId(),
                entry.confirmed(),
                entry.analysisId(),
                entry.pressId());
    }

    /** Makes one more of the same in place of a specimen whose test was void, linked to it; once. */
    @Write
    public Method replace(LotView lot, String label, String by) {
        lots.lockUndecided(lot.id());
        SpecimenRecord record = record(lot, label);
        if (!record.isVoid()) {
            throw new Refusal("specimen", "The test of " + label + " was not void; it stands as it ended.");
        }
        lots.addInPlaceOf(lot, record.specimen(), by);
        return record.method();
    }

    /** Stores many readings of one lot, all or none. */
    @Write
    public void enterAll(LotView lot, List<Entry> entries, String by, @Nullable Long importId) {
        lots.lockUndecided(lot.id());
        Map<String, SpecimenView> byLabel = new HashMap<>();
        lots.specimens(lot.id()).forEach(specimen -> byLabel.put(specimen.label(), specimen));
        Map<String, List<Entry>> bySpecimen = new LinkedHashMap<>();
        entries.forEach(entry -> bySpecimen
                .computeIfAbsent(entry.specimen(), label -> new ArrayList<>())
                .add(entry));
        // Of the few whose size was changed, what was measured before this file.
        Map<Long, List<Reading>> resized = before.resized(byLabel.values(), readings::liveOf);
        Set<ReadingRepository.Place> taken = new HashSet<>(readings.taken(lot.id()));
        Map<String, SpecimenRecord> known = new HashMap<>();
        Map<Long, List<Reading>> there = new HashMap<>();
        if (!taken.isEmpty()) {
            records(lot.id()).forEach(record -> known.put(record.specimen().label(), record));
            readings.liveOfLot(lot.id()).forEach(one -> there.computeIfAbsent(one.specimenId, id -> new ArrayList<>())
                    .add(one));
        }
        boolean sized = false;
        Written written = new Written(by, clock.instant(), null, importId);
        for (Map.Entry<String, List<Entry>> own : bySpecimen.entrySet()) {
            SpecimenView specimen = byLabel.get(own.getKey());
            if (specimen == null) {
                throw new NotFound("specimen '" + own.getKey() + "' in lot " + lot.code());
            }
            Method method = method(specimen);
            boolean test = own.getValue().stream().anyMatch(entry -> isTest(method, entry));
            if (test && !sized) {
                before.requireSize(lot);
                sized = true;
            }
            // Of any other nothing is asked here: each question would look through all that was stored before it.
            if (test && resized.containsKey(specimen.id())) {
                before.requireMeasuredSince(specimen, resized.getOrDefault(specimen.id(), List.of()));
            }
            List<Reading> live = there.getOrDefault(specimen.id(), List.of());
            for (Entry entry : closed(method, live, read(method, own.getValue()))) {
                if (!taken.add(new ReadingRepository.Place(specimen.id(), entry.field(), entry.place()))) {
                    throw new Refusal(
                            "typed",
                            specimen.label() + " already has "
                                    + ReadingCheck.field(method, entry.field()).label(entry.place())
                                    + ": correct it with a reason instead.");
                }
                store(lot, specimen, method, entry, written);
            }
        }
        for (SpecimenRecord record : records(lot.id())) {
            String label = record.specimen().label();
            if (bySpecimen.containsKey(label)) {
                requireTogether(record);
                owe(lot, record, bySpecimen.getOrDefault(label, List.of()), by);
                Optional.ofNullable(known.get(label)).ifPresent(first -> requireUnchanged(first, record));
            }
        }
    }

    /** What of the lot itself would make {@link #enterAll} refuse these, whatever stands in their cells. */
    List<String> refusals(LotView lot, List<Entry> entries) {
        List<String> refusals = new ArrayList<>();
        Set<String> broken = entries.stream()
                .filter(entry -> entry.outcome() != null)
                .map(Entry::specimen)
                .collect(java.util.stream.Collectors.toSet());
        if (!lot.state().isUndecided()) {
            refusals.add("Lot " + lot.code() + " is " + lot.state().words() + "; its record takes no more entries.");
        }
        if (broken.isEmpty()) {
            return refusals;
        }
        gather(refusals, () -> before.requireSize(lot));
        List<SpecimenView> specimens = lots.specimens(lot.id()).stream()
                .filter(specimen -> broken.contains(specimen.label()))
                .toList();
        Map<Long, List<Reading>> resized = before.resized(specimens, readings::liveOf);
        specimens.forEach(specimen -> gather(
                refusals, () -> before.requireMeasuredSince(specimen, resized.getOrDefault(specimen.id(), List.of()))));
        return refusals;
    }

    private static void gather(List<String> refusals, Runnable check) {
        try {
            check.run();
        } catch (Refusal refusal) {
            refusals.add(refusal.words());
        }
    }

    /** Replaces a reading by a second one; the first stays visible and no longer counts. */
    @Write
    public void correct(LotView lot, long readingId, Correction correction, String by) {
        lots.lockUndecided(lot.id());
        Reading wrong = readings.findById(readingId)
                .filter(reading -> reading.lotId == lot.id())
                .orElseThrow(() -> new NotFound("reading " + readingId + " in lot " + lot.code()));
        if (wrong.live == null) {
            throw new Refusal("typed", "This reading was corrected already; load the page again.");
        }
        if (correction.cause() == null) {
            throw new Refusal("cause", "Choose what was wrong with the first reading.");
        }
        String reason = Reasons.require("reason", correction.reason(), "The reason", 300);
        // What is corrected is what is stored: the form says nothing about whose reading it is.
        SpecimenView specimen = lots.specimensById(List.of(wrong.specimenId)).get(0);
        Method method = method(specimen);
        if (ReadingCheck.field(method, wrong.field).role() == Field.Role.RECORDED) {
            throw new Refusal(
                    "typed", "What was found on a record is not typed over: work the record out again, on its page.");
        }
        boolean closing = wrong.outcome != null;
        boolean test = ReadingCheck.field(method, wrong.field).role() == Field.Role.TEST;
        if (test) {
            before.requireSize(lot);
        }
        if (closing && correction.outcome() == null) {
            throw new Refusal("outcome", "Say how the test ended.");
        }
        Entry entry = new Entry(
                specimen.label(),
                wrong.field,
                wrong.place,
                correction.typed(),
                closing ? correction.outcome() : null,
                correction.gaugeId() == 0 ? wrong.instrumentId : correction.gaugeId(),
                correction.confirmed());
        if (wrong.typed.equals(entry.typed().strip())
                && wrong.outcome == entry.outcome()
                && (!test || wrong.instrumentId == entry.gaugeId())) {
            throw new Refusal("typed", "That is what stands there already.");
        }
        wrong.live = null;
        readings.flush();
        store(
                lot,
                specimen,
                method,
                entry,
                new Written(by, clock.instant(), new Replaced(wrong.id, correction.cause(), reason), null));
        requireTogether(record(lot, specimen.label()));
    }

    /**
     * Lets other findings of a record count: what was found before and comes out otherwise now is replaced or, where nothing is found any
     * more, counts no longer. What somebody typed stays.
     *
     * @param found what counts from now on
     * @param earlier the analyses whose readings it takes the place of
     */
    @Write
    public void countInstead(
            LotView lot,
            String label,
            List<Entry> found,
            Set<Long> earlier,
            @Nullable Cause cause,
            String reason,
            String by) {
        lots.lockUndecided(lot.id());
        if (cause == null) {
            throw new Refusal("cause", "Choose what was wrong with the analysis that counts.");
        }
        String why = Reasons.require("reason", reason, "The reason", 300);
        SpecimenView specimen = lots.specimen(lot, label);
        Method method = method(specimen);
        before.requireSize(lot);
        Written written = new Written(by, clock.instant(), null, null);
        for (Reading old : readings.liveOf(specimen.id())) {
            Optional<Entry> now = found.stream()
                    .filter(entry -> entry.field().equals(old.field) && entry.place() == old.place)
                    .findFirst();
            boolean ours = old.analysisId != null && earlier.contains(old.analysisId);
            boolean same = now.filter(entry -> entry.typed().equals(old.typed)).isPresent();
            if (ours && !same) {
                if (now.isEmpty() && old.outcome != null) {
                    throw new Refusal(
                            "reason", "This analysis finds nothing that the test is read by; it cannot count.");
                }
                old.live = null;
                readings.flush();
                now.ifPresent(entry -> store(
                        lot,
                        specimen,
                        method,
                        with(entry, old.outcome),
                        new Written(by, written.at(), new Replaced(old.id, cause, why), null)));
            }
        }
        Set<String> live = readings.liveOf(specimen.id()).stream()
                .map(reading -> reading.field + "-" + reading.place)
                .collect(Collectors.toSet());
        found.stream()
                .filter(entry -> !live.contains(entry.field() + "-" + entry.place()))
                .forEach(entry -> store(lot, specimen, method, with(entry, null), written));
        requireTogether(record(lot, label));
    }

    /** The lot's specimens with their readings, in order of their sets. */
    @Transactional(readOnly = true)
    public List<SpecimenRecord> records(long lotId) {
        return records(List.of(lotId)).getOrDefault(lotId, List.of());
    }

    /** One specimen of the lot with its readings. */
    @Transactional(readOnly = true)
    public SpecimenRecord record(LotView lot, String label) {
        SpecimenView specimen = lots.specimen(lot, label);
        Instruments.Register register = instruments.register();
        List<Reading> own = readings.of(specimen.id());
        return record(lot, specimen, method(specimen), own, register);
    }

    private SpecimenRecord record(
            LotView lot, SpecimenView specimen, Method method, List<Reading> own, Instruments.Register register) {
        int revision = own.stream()
                .filter(reading -> reading.live != null && reading.outcome != null)
                .mapToInt(reading -> reading.methodRevision)
                .findFirst()
                .orElse(1);
        return new SpecimenRecord(
                specimen,
                method,
                methods.pinned(method, revision),
                masters.holding(lot, method),
                own.stream()
                        .flatMap(reading -> view(reading, method, register).stream())
                        .toList());
    }

    /** The method that a lot's specimen is tested by. */
    @Transactional(readOnly = true)
    public Method method(LotView lot, String label) {
        return method(lots.specimen(lot, label));
    }

    private static Method method(SpecimenView specimen) {
        return Methods.of(specimen.conditions().method())
                .orElseThrow(() -> new Refusal(
                        "typed",
                        specimen.label() + " is for '" + specimen.conditions().method()
                                + "', which is no method of the catalogue."));
    }

    /** The specimens of several lots with their readings; those of methods that are no longer in the catalogue are left out. */
    @Transactional(readOnly = true)
    public Map<Long, List<SpecimenRecord>> records(Collection<Long> lotIds) {
        return memory.once("records", List.copyOf(lotIds), () -> read(lotIds));
    }

    private Map<Long, List<SpecimenRecord>> read(Collection<Long> lotIds) {
        Instruments.Register register = instruments.register();
        Map<Long, List<Reading>> bySpecimen = new HashMap<>();
        for (Reading reading : readings.ofLots(lotIds)) {
            bySpecimen
                    .computeIfAbsent(reading.specimenId, id -> new ArrayList<>())
                    .add(reading);
        }
        Map<Long, LotView> known = lots.all(lotIds).stream().collect(Collectors.toMap(LotView::id, lot -> lot));
        Map<Long, List<SpecimenRecord>> byLot = new LinkedHashMap<>();
        for (SpecimenView specimen : lots.specimensOf(lotIds)) {
            Methods.of(specimen.conditions().method())
                    .ifPresent(method -> byLot.computeIfAbsent(specimen.lotId(), id -> new ArrayList<>())
                            .add(record(
                                    Objects.requireNonNull(known.get(specimen.lotId())),
                                    specimen,
                                    method,
                                    bySpecimen.getOrDefault(specimen.id(), List.of()),
                                    register)));
        }
        byLot.replaceAll((lot, records) -> List.copyOf(records));
        return byLot;
    }

    /**
     * An instrument that nobody could vouch for on a day on which it gave a reading that counts.
     *
     * @param never whether no calibration of it is on record at all
     * @param blocks whether it stands in the way; otherwise the site has it noted on the certificate
     */
    public record Uncovered(long instrumentId, String name, LocalDate day, boolean never, boolean blocks) {

        /** The instrument and the day in words. */
        public String words() {
            return (never ? "No calibration on record: " : "Out of calibration: ") + name + " on " + day;
        }

        /** Key of the instrument on that day. */
        public String subject() {
            return "instrument-" + instrumentId + "-" + day;
        }
    }

    /** Instruments that were out of calibration, or never calibrated, on a day on which they gave a reading, by lot. */
    @Transactional(readOnly = true)
    public Map<Long, Set<Uncovered>> outOfCalibration(Collection<LotView> wanted) {
        Map<Long, Boolean> strict = new HashMap<>();
        Optional<LocalDate> noted = site.uncalibratedNotedFrom();
        wanted.forEach(
                lot -> strict.put(lot.id(), noted.isEmpty() || lot.madeOn().isBefore(noted.get())));
        Map<Long, List<Calibration>> known = calibrations.resolved();
        Map<Long, String> names = new HashMap<>();
        Set<Long> shows = new HashSet<>();
        instruments.all().stream()
                .filter(instrument -> instrument.kind().isCalibrated())
                .forEach(instrument -> {
                    names.put(instrument.id(), instrument.name());
                    shows.add(instrument.id());
                });
        Map<Long, Set<Uncovered>> found = new HashMap<>();
        for (ReadingRepository.Use use : readings.uses(strict.keySet())) {
            LocalDate day = LocalDate.ofInstant(use.at(), clock.getZone());
            List<Calibration> own = known.getOrDefault(use.instrumentId(), List.of());
            Calibration.Coverage coverage = Calibration.on(day, own);
            if (coverage != Calibration.Coverage.COVERED && shows.contains(use.instrumentId())) {
                found.computeIfAbsent(
                                use.lotId(),
                                id -> new TreeSet<>(
                                        Comparator.comparing(Uncovered::name).thenComparing(Uncovered::day)))
                        .add(new Uncovered(
                                use.instrumentId(),
                                names.getOrDefault(use.instrumentId(), ""),
                                day,
                                coverage == Calibration.Coverage.UNKNOWN,
                                coverage != Calibration.Coverage.UNKNOWN || strict.getOrDefault(use.lotId(), true)));
            }
        }
        return found;
    }

    private void store(LotView lot, SpecimenView specimen, Method method, Entry entry, Written written) {
        Field field = ReadingCheck.field(method, entry.field());
        boolean test = field.role() != Field.Role.SIZE;
        boolean found = entry.analysisId() != null;
        if (field.role() == Field.Role.RECORDED && !found) {
            throw new Refusal(
                    "typed",
                    "'" + field.words() + "' is found on a record and never typed: take the record in, or work it out"
                            + " again.");
        }
        InstrumentView instrument = entry.pressId() != null
                ? sent(specimen, method, field, entry, written.by())
                : written.instruments()
                        .computeIfAbsent(new Asked(method, found ? null : field, entry.gaugeId()), this::asked);
        OptionalDouble value = field.kind() == Field.Kind.TRACE
                ? OptionalDouble.empty()
                : check.value(lot, specimen, method, entry, instrument, found || written.importId() != null);
        Replaced replaces = written.replaces();
        Reading reading = new Reading();
        reading.lotId = lot.id();
        reading.specimenId = specimen.id();
        reading.field = field.key();
        reading.place = entry.place();
        reading.typed = entry.typed().strip();
        reading.value = value.isPresent() ? value.getAsDouble() : null;
        reading.outcome = field.role() == Field.Role.TEST ? entry.outcome() : null;
        reading.instrumentId = instrument.id();
        reading.enteredBy = written.by();
        reading.enteredAt = written.at();
        reading.importId = written.importId();
        reading.analysisId = entry.analysisId();
        reading.pressId = entry.pressId();
        reading.live = Reading.LIVE;
        reading.replacesId = replaces == null ? null : replaces.id();
        reading.reason = replaces == null ? "" : replaces.reason();
        reading.cause = replaces == null ? "" : replaces.cause().name();
        SiteMethods.MethodView revision = written.revisions().computeIfAbsent(method, methods::of);
        reading.rig = test ? rig(revision, instrument) : "";
        reading.methodRevision = revision.revision();
        readings.save(reading);
    }

    private InstrumentView asked(Asked asked) {
        return asked.field() == null
                ? gauge(asked.method(), asked.gaugeId())
                : instrument(asked.method(), asked.field(), asked.gaugeId());
    }

    /**
     * What a field is read with. Lengths are read with the calipers, in the test too, for a dial of its own has no place in the register
     * yet; a mass that hangs is one of the weights, any other is weighed.
     */
    private InstrumentView instrument(Method method, Field field, long gaugeId) {
        Equipment equipment = method.data().equipment();
        if (field.dimension() == Dimension.LENGTH && field.isQuantity()) {
            return instruments.calipers();
        }
        if (field.dimension() == Dimension.MASS && equipment.weighs()) {
            return instruments.balance();
        }
        boolean sizeBesideLoad =
                field.role() == Field.Role.SIZE && equipment.load().isPresent();
        return sizeBesideLoad ? instruments.calipers() : gauge(method, gaugeId);
    }

    /** The instrument that sent a value, which is taken for this reading and for no other: it must be one that the field is read with. */
    private InstrumentView sent(SpecimenView specimen, Method method, Field field, Entry entry, String by) {
        PressView press = presses.use(
                Objects.requireNonNull(entry.pressId()),
                lots.lot(specimen.lotId()).code() + " " + specimen.label() + ", " + field.label(entry.place()),
                by);
        InstrumentView instrument = press.instrument();
        if (!press.text().equals(entry.typed().strip())) {
            throw new Refusal(
                    "typed",
                    instrument.name() + " sent " + press.text() + ", and '"
                            + entry.typed().strip() + "' is not that: type it without the instrument, or press again.");
        }
        if (press.isOver() && entry.outcome() != End.OVER_CAPACITY) {
            throw new Refusal(
                    "outcome",
                    instrument.name() + " showed that its range had ended: nothing is known but that it was at least "
                            + press.text() + ". Say 'over capacity', or break the next on a larger one.");
        }
        // Every instrument of the kind that the register would have chosen will do; the reading is of the one that sent
        // it.
        InstrumentView usual = instrument(method, field, instrument.id());
        if (usual.kind() != instrument.kind()) {
            throw new Refusal(
                    "typed",
                    "'" + field.words() + "' is read with " + usual.kind().words() + ", and " + instrument.name()
                            + " is " + instrument.kind().words() + ".");
        }
        return instrument;
    }

    /**
     * One scoring a person: who graded something has graded it, and a change of it needs a reason. (The same warp scored twice,
     * differently, is no better known than once.)
     */
    private static void requireOneScoring(Method method, List<Reading> live, Entry entry, String by) {
        Field field = ReadingCheck.field(method, entry.field());
        Optional<Reading> own = live.stream()
                .filter(reading -> field.kind() == Field.Kind.GRADE
                        && reading.field.equals(field.key())
                        && reading.enteredBy.equals(by))
                .findFirst();
        if (own.isPresent()) {
            throw new Refusal(
                    "typed",
                    "You graded this already: " + field.words() + " " + own.get().typed + ", at "
                            + Moments.second(own.get().enteredAt)
                            + ". Somebody else may grade it beside yours; yours is corrected in the list, with a reason.");
        }
    }

    private InstrumentView gauge(Method method, long id) {
        List<InstrumentView> serving = instruments.serving(method.data().equipment());
        return instruments.reading(method.data()).stream()
                .filter(candidate ->
                        candidate.id() == id || (id == 0 && serving.size() == 1 && serving.contains(candidate)))
                .findFirst()
                .orElseThrow(() -> new Refusal(
                        "typed",
                        "Choose a " + method.data().equipment().words() + " of the register for "
                                + method.data().title() + "."));
    }

    /** Frame, grips and the method's revision: another of any of them starts a series of its own. */
    private static String rig(SiteMethods.MethodView method, InstrumentView instrument) {
        return Stream.of(instrument.facts().rig(), method.mark())
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(", "));
    }

    /** Capacity and uncertainty are those of the reading's day; what no field of the sheet is called by is left out. */
    private Optional<ReadingView> view(Reading reading, Method method, Instruments.Register register) {
        InstrumentView instrument =
                register.on(reading.instrumentId, LocalDate.ofInstant(reading.enteredAt, clock.getZone()));
        return method.data()
                .sheet()
                .field(reading.field)
                .map(field -> new ReadingView(
                        reading.id,
                        field,
                        reading.place,
                        reading.typed,
                        reading.value,
                        reading.outcome,
                        instrument,
                        reading.enteredBy,
                        reading.enteredAt,
                        reading.live != null,
                        reading.reason,
                        reading.rig,
                        reading.replacesId,
                        reading.analysisId,
                        reading.pressId != null,
                        reading.cause.isEmpty() ? null : Cause.valueOf(reading.cause)));
    }
}
