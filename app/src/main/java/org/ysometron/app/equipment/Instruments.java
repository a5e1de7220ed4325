package org.ysometron.app.equipment;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Equipment;
import org.ysometron.core.method.Headroom;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The equipment register: gauges, calipers, pendulums, fixtures, printers, ovens and the stations of the calendar. */
@Component
public class Instruments {

    private final PageMemory memory;
    private final InstrumentRepository instruments;
    private final CalibrationRepository calibrations;

    private final Revisions revisions;

    Instruments(
            PageMemory memory,
            InstrumentRepository instruments,
            CalibrationRepository calibrations,
            Revisions revisions) {
        this.memory = memory;
        this.revisions = revisions;
        this.instruments = instruments;
        this.calibrations = calibrations;
    }

    /**
     * What else is known of a piece of equipment.
     *
     * @param places how many steps it holds at once, for stations
     * @param resolution smallest step of its display, in the capacity's unit, or mm
     * @param rangeLow below which it is not to be used
     * @param rates speeds it can do, in words
     * @param compliance mm/N of frame and fixture together
     * @param freeSwingLoss J, for pendulums
     * @param rig frame and grips that a force gauge hangs in; another rig starts another series
     */
    public record Facts(
            int places,
            OptionalDouble resolution,
            OptionalDouble rangeLow,
            String rates,
            OptionalDouble compliance,
            OptionalDouble freeSwingLoss,
            String rig,
            String note) {

        /** Nothing else is known. */
        public static final Facts NONE = new Facts(
                1,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                "",
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                "",
                "");

        /** A station that holds so many steps at once. */
        public static Facts holding(int places, String note) {
            return new Facts(places, NONE.resolution, NONE.rangeLow, "", NONE.compliance, NONE.freeSwingLoss, "", note);
        }
    }

    /**
     * A piece of equipment as other slices see it.
     *
     * @param capacity largest force in N, or the kind's own unit, never more than the newest calibration verified; empty
     *     for what has none
     * @param relativeUncertainty standard uncertainty over the reading, for what has a capacity
     * @param absoluteUncertainty standard uncertainty in mm, for calipers
     * @param serial its maker's number; empty where nobody said
     */
    public record InstrumentView(
            long id,
            Kind kind,
            String name,
            OptionalDouble capacity,
            double relativeUncertainty,
            double absoluteUncertainty,
            Facts facts,
            String display,
            String serial) {

        /** The unit that a bare number from its display is in; empty for what shows no quantity. */
        public String shownIn() {
            return display.isEmpty() ? InstrumentForm.unit(kind).symbol() : display;
        }

        /** The kind of quantity that it reads. */
        public Dimension reads() {
            return kind.reads();
        }

        /** The gauge as the rule of headroom wants it. */
        public Headroom.Gauge gauge() {
            return new Headroom.Gauge(name, capacity.orElse(Double.MAX_VALUE), unit());
        }

        /** Symbol of the unit that its capacity is counted in; empty for what has none. */
        public String unit() {
            return kind.capacity().map(Dimension::workingUnit).orElse("");
        }
    }

    /**
     * Something about to be registered.
     *
     * @param serial its maker's number; empty where nobody said
     */
    public record NewInstrument(
            Kind kind,
            String name,
            OptionalDouble capacity,
            double relativeUncertainty,
            double absoluteUncertainty,
            Facts facts,
            String serial) {

        /** One of which nobody said the number. */
        public NewInstrument(
                Kind kind,
                String name,
                OptionalDouble capacity,
                double relativeUncertainty,
                double absoluteUncertainty,
                Facts facts) {
            this(kind, name, capacity, relativeUncertainty, absoluteUncertainty, facts, "");
        }
    }

    /** All that a method can be done with, the smallest first. */
    public List<InstrumentView> serving(Equipment equipment) {
        return java.util.Arrays.stream(Kind.values())
                .filter(kind -> kind.serves(equipment))
                .flatMap(kind -> ofKind(kind).stream())
                .toList();
    }

    /** What the figures of a method are read on: under a load that hangs a gauge of the extension too, where the register has one. */
    public List<InstrumentView> reading(MethodData method) {
        boolean held = method.recorded().filter(one -> one.loading().isHeld()).isPresent();
        return Stream.concat(
                        held ? ofKind(Kind.DISPLACEMENT_GAUGE).stream() : Stream.empty(),
                        serving(method.equipment()).stream())
                .toList();
    }

    /** All of a kind, the smallest first. */
    public List<InstrumentView> ofKind(Kind kind) {
        Map<Long, Double> verified = verified();
        return instruments.findByKindOrderByCapacityAscIdAsc(kind).stream()
                .map(instrument -> view(instrument, verified))
                .toList();
    }

    /** Whether lengths can be measured at all. */
    public boolean hasCalipers() {
        return !ofKind(Kind.CALIPERS).isEmpty();
    }

    /** The calipers in use at the bench. */
    public InstrumentView calipers() {
        return ofKind(Kind.CALIPERS).stream()
                .findFirst()
                .orElseThrow(() -> new Refusal("No calipers are in the equipment register; register one first."));
    }

    /** Whether masses can be weighed at all. */
    public boolean hasBalance() {
        return !ofKind(Kind.BALANCE).isEmpty();
    }

    /** The balance in use at the bench. */
    public InstrumentView balance() {
        return ofKind(Kind.BALANCE).stream()
                .findFirst()
                .orElseThrow(() -> new Refusal("No balance is in the equipment register; register one first."));
    }

    /** Everything, kind by kind. */
    public List<InstrumentView> all() {
        Map<Long, Double> verified = verified();
        return rowsOfAll().stream()
                .map(instrument -> view(instrument, verified))
                .sorted(java.util.Comparator.comparing(InstrumentView::kind).thenComparing(InstrumentView::id))
                .toList();
    }

    /** The register as it stood on any day. */
    public final class Register {

        private final Map<Long, Instrument> rows = new HashMap<>();
        private final List<CalibrationRepository.Verified> verified = verifiedRows();
        private final Map<String, InstrumentView> known = new HashMap<>();

        private Register() {
            rowsOfAll().forEach(row -> rows.put(row.id, row));
        }

        /** An instrument with the capacity that its newest calibration by that day had verified. */
        public InstrumentView on(long id, LocalDate day) {
            return known.computeIfAbsent(id + " " + day, key -> {
                Instrument row = rows.get(id);
                if (row == null) {
                    throw new IllegalStateException(
                            "a reading names instrument " + id + ", which is not in the register");
                }
                Map<Long, Double> then = new HashMap<>();
                verified.stream()
                        .filter(one -> one.instrumentId() == id && !one.doneOn().isAfter(day))
                        .findFirst()
                        .ifPresent(one -> then.put(id, one.capacity()));
                return view(row, then);
            });
        }
    }

    /** The register as it stood on any day. */
    public Register register() {
        return new Register();
    }

    /** One by key. */
    public InstrumentView instrument(long id) {
        return instruments
                .findById(id)
                .map(instrument -> view(instrument, verified()))
                .orElseThrow(() -> new NotFound("instrument " + id));
    }

    /** Registers a force gauge of which no more is known. */
    @Write
    public InstrumentView registerGauge(String name, double capacity, double relativeUncertainty) {
        return register(new NewInstrument(
                Kind.FORCE_GAUGE, name, OptionalDouble.of(capacity), relativeUncertainty, 0, Facts.NONE));
    }

    /** Registers calipers of which no more is known. */
    @Write
    public InstrumentView registerCalipers(String name, double absoluteUncertainty) {
        return register(
                new NewInstrument(Kind.CALIPERS, name, OptionalDouble.empty(), 0, absoluteUncertainty, Facts.NONE));
    }

    /** Registers something. */
    @Write
    public InstrumentView register(NewInstrument form) {
        revisions.raise(Revisions.REGISTER);
        if (instruments.existsByName(form.name())) {
            throw new Refusal("name", "There is already an instrument '" + form.name() + "'.");
        }
        if (form.facts().places() < 1) {
            throw new Refusal("places", "It holds at least one at once.");
        }
        Instrument instrument = new Instrument();
        instrument.kind = form.kind();
        instrument.name = form.name();
        instrument.capacity = orNull(form.capacity());
        instrument.relativeUncertainty = form.relativeUncertainty();
        instrument.absoluteUncertainty = form.absoluteUncertainty();
        instrument.places = form.facts().places();
        instrument.resolution = orNull(form.facts().resolution());
        instrument.rangeLow = orNull(form.facts().rangeLow());
        instrument.rates = form.facts().rates();
        instrument.compliance = orNull(form.facts().compliance());
        instrument.freeSwingLoss = orNull(form.facts().freeSwingLoss());
        instrument.rig = form.facts().rig();
        instrument.note = form.facts().note();
        instrument.serial = number(form.serial(), 0);
        return view(instruments.save(instrument), Map.of());
    }

    /** Hangs a gauge in another rig: what is read from now on belongs to a series of its own. */
    @Write
    public void hang(long id, String rig) {
        revisions.raise(Revisions.REGISTER);
        instruments.findById(id).orElseThrow(() -> new NotFound("instrument " + id)).rig = rig;
    }

    /** Says which unit its display is set to; what was typed before keeps the unit that it was typed in. */
    @Write
    public void show(long id, String unit) {
        revisions.raise(Revisions.REGISTER);
        Instrument row = instruments.findById(id).orElseThrow(() -> new NotFound("instrument " + id));
        UnitOfMeasure set = UnitOfMeasure.find(unit)
                .filter(found ->
                        found.dimension() == InstrumentForm.unit(row.kind).dimension())
                .orElseThrow(
                        () -> new Refusal("display", "'" + unit + "' is no unit that " + row.name + " could show."));
        row.display = set.isWorking() ? "" : set.symbol();
    }

    /** Says which number its maker gave it; an empty one takes it back. */
    @Write
    public void number(long id, String serial) {
        instruments.findById(id).orElseThrow(() -> new NotFound("instrument " + id)).serial = number(serial, id);
    }

    private @Nullable String number(String serial, long id) {
        String number = serial.strip();
        if (number.isEmpty()) {
            return null;
        }
        if (number.contains(" ")) {
            throw new Refusal("serial", "A serial number has no blanks: it is written as the instrument says it.");
        }
        instruments.findBySerial(number).filter(other -> other.id != id).ifPresent(other -> {
            throw new Refusal("serial", "The serial number " + number + " is that of " + other.name + ".");
        });
        return number;
    }

    /** The instrument of a serial number. */
    public Optional<InstrumentView> numbered(String serial) {
        return instruments.findBySerial(serial).map(row -> view(row, verified()));
    }

    private static @Nullable Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** Capacity verified by the newest calibration that says one, by instrument. */
    private List<Instrument> rowsOfAll() {
        return memory.once("instruments", "", instruments::findAll);
    }

    private List<CalibrationRepository.Verified> verifiedRows() {
        return memory.once("verified", "", calibrations::verified);
    }

    private Map<Long, Double> verified() {
        Map<Long, Double> found = new HashMap<>();
        for (CalibrationRepository.Verified row : verifiedRows()) {
            found.putIfAbsent(row.instrumentId(), row.capacity());
        }
        return found;
    }

    private static InstrumentView view(Instrument instrument, Map<Long, Double> verified) {
        Double most = verified.get(instrument.id);
        OptionalDouble capacity = instrument.capacity == null
                ? OptionalDouble.empty()
                : OptionalDouble.of(most == null ? instrument.capacity : Math.min(instrument.capacity, most));
        return new InstrumentView(
                instrument.id,
                instrument.kind,
                instrument.name,
                capacity,
                instrument.relativeUncertainty,
                instrument.absoluteUncertainty,
                new Facts(
                        instrument.places,
                        optional(instrument.resolution),
                        optional(instrument.rangeLow),
                        instrument.rates,
                        optional(instrument.compliance),
                        optional(instrument.freeSwingLoss),
                        instrument.rig,
                        instrument.note),
                instrument.display,
                instrument.serial == null ? "" : instrument.serial);
    }

    private static OptionalDouble optional(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
