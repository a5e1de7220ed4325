package org.ysometron.app.bench;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Methods;
import org.ysometron.app.plan.Site;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.Calibration;
import org.ysometron.core.method.Outcome;
import org.ysometron.core.method.TestMethod;

/** Readings: entered once, corrected by a second one with a reason, never changed. */
@Component
public class Bench {

    private final PageMemory memory;
    private final ReadingRepository readings;
    private final Lots lots;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final ReadingCheck check;
    private final BeforeBreaking before;
    private final Methods methods;
    private final Site site;
    private final Clock clock;

    Bench(
            PageMemory memory,
            ReadingRepository readings,
            Lots lots,
            Instruments instruments,
            Calibrations calibrations,
            ReadingCheck check,
            BeforeBreaking before,
            Methods methods,
            Site site,
            Clock clock) {
        this.memory = memory;
        this.site = site;
        this.methods = methods;
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
     * @param outcome how the test ended; required with a force, else null
     * @param gaugeId instrument of a force; ignored for dimensions
     * @param confirmed the text that was doubted before and is meant; empty otherwise
     */
    public record Entry(
            String specimen,
            Quantity quantity,
            int place,
            String typed,
            @Nullable Outcome outcome,
            long gaugeId,
            String confirmed) {}

    /**
     * A correction of a stored reading.
     *
     * @param outcome how the test ended; used for a force only
     * @param gaugeId the gauge of a force; 0 for the one it was read on
     */
    public record Correction(
            String typed,
            @Nullable Outcome outcome,
            long gaugeId,
            @Nullable Cause cause,
            String reason,
            String confirmed) {}

    /** Which reading a new one replaces, and why. */
    private record Replaced(long id, Cause cause, String reason) {}

    /** Stores one reading. Sending the same one twice stores it once. */
    @Write
    public void enter(LotView lot, Entry entry, String by) {
        lots.lockUndecided(lot.id());
        if (entry.quantity() == Quantity.FORCE) {
            before.requireSize(lot);
        }
        SpecimenView specimen = lots.specimen(lot, entry.specimen());
        if (!isReduced(specimen)) {
            throw new Refusal(
                    "typed",
                    specimen.label() + " is for " + specimen.conditions().method()
                            + ", which the bench does not reduce: its reading goes on the lot's page of making.");
        }
        if (entry.quantity() == Quantity.FORCE) {
            before.requireMeasuredSince(specimen, readings.liveOf(specimen.id()));
        }
        Optional<Reading> there = readings.live(specimen.id(), entry.quantity(), entry.place());
        if (there.isPresent()) {
            Reading reading = there.get();
            if (reading.typed.equals(entry.typed().strip()) && reading.outcome == entry.outcome()) {
                return;
            }
            throw new Refusal(
                    "typed",
                    specimen.label() + " already has this reading (" + reading.typed
                            + "): correct it with a reason instead.");
        }
        store(lot, specimen, entry, by, null, null);
    }

    /** Stores many readings of one lot, all or none. */
    @Write
    public void enterAll(LotView lot, List<Entry> entries, String by, @Nullable Long importId) {
        lots.lockUndecided(lot.id());
        if (entries.stream().anyMatch(entry -> entry.quantity() == Quantity.FORCE)) {
            before.requireSize(lot);
        }
        Map<String, SpecimenView> byLabel = new HashMap<>();
        lots.specimens(lot.id()).stream()
                .filter(Bench::isReduced)
                .forEach(specimen -> byLabel.put(specimen.label(), specimen));
        // Of the few whose size was changed, what was measured before this file.
        Map<Long, List<Reading>> resized = before.resized(byLabel.values(), readings::liveOf);
        Set<ReadingRepository.Place> taken = new HashSet<>(readings.taken(lot.id()));
        for (Entry entry : entries) {
            SpecimenView specimen = byLabel.get(entry.specimen());
            if (specimen == null) {
                throw new NotFound("specimen '" + entry.specimen() + "' in lot " + lot.code());
            }
            if (!taken.add(new ReadingRepository.Place(specimen.id(), entry.quantity(), entry.place()))) {
                throw new Refusal(
                        "typed",
                        specimen.label() + " already has " + entry.quantity().words() + " " + entry.place()
                                + ": correct it with a reason instead.");
            }
            if (entry.quantity() == Quantity.FORCE) {
                before.requireMeasuredSince(specimen, resized.getOrDefault(specimen.id(), List.of()));
            }
            store(lot, specimen, entry, by, null, importId);
        }
    }

    /** What of the lot itself would make {@link #enterAll} refuse these, whatever stands in their cells. */
    List<String> refusals(LotView lot, List<Entry> entries) {
        List<String> refusals = new ArrayList<>();
        Set<String> broken = entries.stream()
                .filter(entry -> entry.quantity() == Quantity.FORCE)
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
        boolean force = wrong.quantity == Quantity.FORCE;
        if (force) {
            before.requireSize(lot);
        }
        Entry entry = new Entry(
                specimen.label(),
                wrong.quantity,
                wrong.place,
                correction.typed(),
                force ? correction.outcome() : null,
                correction.gaugeId() == 0 ? wrong.instrumentId : correction.gaugeId(),
                correction.confirmed());
        if (wrong.typed.equals(entry.typed().strip())
                && wrong.outcome == entry.outcome()
                && (!force || wrong.instrumentId == entry.gaugeId())) {
            throw new Refusal("typed", "That is what stands there already.");
        }
        wrong.live = null;
        readings.flush();
        store(lot, specimen, entry, by, new Replaced(wrong.id, correction.cause(), reason), null);
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
        return new SpecimenRecord(
                specimen,
                readings.of(specimen.id()).stream()
                        .map(reading -> view(reading, register))
                        .toList());
    }

    /** Whether the bench takes the readings of this specimen's method. */
    static boolean isReduced(SpecimenView specimen) {
        return TestMethod.titled(specimen.conditions().method())
                .map(TestMethod::isReduced)
                .orElse(true);
    }

    /** The specimens of several lots with their readings; those of methods that the bench does not reduce are left out. */
    @Transactional(readOnly = true)
    public Map<Long, List<SpecimenRecord>> records(Collection<Long> lotIds) {
        return memory.once("records", List.copyOf(lotIds), () -> read(lotIds));
    }

    private Map<Long, List<SpecimenRecord>> read(Collection<Long> lotIds) {
        Instruments.Register register = instruments.register();
        Map<Long, List<ReadingView>> bySpecimen = new HashMap<>();
        for (Reading reading : readings.ofLots(lotIds)) {
            bySpecimen
                    .computeIfAbsent(reading.specimenId, id -> new ArrayList<>())
                    .add(view(reading, register));
        }
        Map<Long, List<SpecimenRecord>> byLot = new LinkedHashMap<>();
        for (SpecimenView specimen : lots.specimensOf(lotIds)) {
            if (!isReduced(specimen)) {
                continue;
            }
            byLot.computeIfAbsent(specimen.lotId(), id -> new ArrayList<>())
                    .add(new SpecimenRecord(specimen, bySpecimen.getOrDefault(specimen.id(), List.of())));
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
        instruments.all().forEach(instrument -> names.put(instrument.id(), instrument.name()));
        Map<Long, Set<Uncovered>> found = new HashMap<>();
        for (ReadingRepository.Use use : readings.uses(strict.keySet())) {
            LocalDate day = LocalDate.ofInstant(use.at(), clock.getZone());
            List<Calibration> own = known.getOrDefault(use.instrumentId(), List.of());
            Calibration.Coverage coverage = Calibration.on(day, own);
            if (coverage != Calibration.Coverage.COVERED) {
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

    private void store(
            LotView lot,
            SpecimenView specimen,
            Entry entry,
            String by,
            @Nullable Replaced replaces,
            @Nullable Long importId) {
        boolean force = entry.quantity() == Quantity.FORCE;
        InstrumentView instrument = force ? gauge(entry.gaugeId()) : instruments.calipers();
        double value = check.value(lot, specimen, entry, instrument, importId != null);
        Reading reading = new Reading();
        reading.lotId = lot.id();
        reading.specimenId = specimen.id();
        reading.quantity = entry.quantity();
        reading.place = entry.place();
        reading.typed = entry.typed().strip();
        reading.value = value;
        reading.outcome = force ? entry.outcome() : null;
        reading.instrumentId = instrument.id();
        reading.enteredBy = by;
        reading.enteredAt = clock.instant();
        reading.importId = importId;
        reading.live = Reading.LIVE;
        reading.replacesId = replaces == null ? null : replaces.id();
        reading.reason = replaces == null ? "" : replaces.reason();
        reading.cause = replaces == null ? "" : replaces.cause().name();
        reading.rig = force ? rig(specimen, instrument) : "";
        readings.save(reading);
    }

    private InstrumentView gauge(long id) {
        return instruments.gauges().stream()
                .filter(candidate -> candidate.id() == id)
                .findFirst()
                .orElseThrow(() -> new Refusal("typed", "Choose a force gauge of the register for a force."));
    }

    /** Frame, grips and the method's revision: another of any of them starts a series of its own. */
    private String rig(SpecimenView specimen, InstrumentView instrument) {
        String mark = TestMethod.titled(specimen.conditions().method())
                .map(method -> methods.of(method).mark())
                .orElse("");
        return Stream.of(instrument.facts().rig(), mark)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(", "));
    }

    /** Capacity and uncertainty are those of the reading's day. */
    private ReadingView view(Reading reading, Instruments.Register register) {
        InstrumentView instrument =
                register.on(reading.instrumentId, LocalDate.ofInstant(reading.enteredAt, clock.getZone()));
        return new ReadingView(
                reading.id,
                reading.quantity,
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
                reading.cause.isEmpty() ? null : Cause.valueOf(reading.cause));
    }
}
