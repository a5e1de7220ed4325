package org.ysometron.app.equipment;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Calibration;
import org.ysometron.core.method.Calibration.Coverage;

/** Calibrations of the register's instruments, and whether one held on a day. Kept, never taken back. */
@Component
public class Calibrations {

    private final PageMemory memory;
    private final CalibrationRepository calibrations;
    private final Instruments instruments;
    private final Clock clock;

    private final Revisions revisions;

    Calibrations(
            PageMemory memory,
            CalibrationRepository calibrations,
            Instruments instruments,
            Clock clock,
            Revisions revisions) {
        this.memory = memory;
        this.revisions = revisions;
        this.calibrations = calibrations;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** A calibration as pages show it. */
    public record CalibrationView(
            long id,
            LocalDate doneOn,
            LocalDate dueOn,
            String certificate,
            OptionalDouble verifiedCapacity,
            String fileName,
            String by) {}

    /**
     * A calibration about to be entered.
     *
     * @param verifiedCapacity largest value that was verified, when the certificate says less than the maker does
     * @param paper the certificate itself
     */
    public record NewCalibration(
            LocalDate doneOn, LocalDate dueOn, String certificate, OptionalDouble verifiedCapacity, Paper paper) {}

    /** A certificate's file. */
    public record Paper(String name, String type, byte[] content) {

        /** No file. */
        public static final Paper NONE = new Paper("", "", new byte[0]);
    }

    /** Every calibration by instrument, the one due last first. */
    public Map<Long, List<CalibrationView>> all() {
        Map<Long, List<CalibrationView>> byInstrument = new HashMap<>();
        for (CalibrationRow row : memory.once("calibrations", "", calibrations::allWithoutFiles)) {
            byInstrument
                    .computeIfAbsent(row.instrumentId, id -> new ArrayList<>())
                    .add(new CalibrationView(
                            row.id,
                            row.doneOn,
                            row.dueOn,
                            row.certificate,
                            row.verifiedCapacity == null
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(row.verifiedCapacity),
                            row.fileName,
                            row.enteredBy));
        }
        return byInstrument;
    }

    /** The core's view of every instrument's calibrations. */
    public Map<Long, List<Calibration>> resolved() {
        Map<Long, List<Calibration>> byInstrument = new HashMap<>();
        memory.once("calibrations", "", calibrations::allWithoutFiles).forEach(row -> byInstrument
                .computeIfAbsent(row.instrumentId, id -> new ArrayList<>())
                .add(row.resolve()));
        return byInstrument;
    }

    /** The day on which the newest calibration ends that holds today; empty when none does. */
    public Optional<LocalDate> holdsUntil(long instrumentId) {
        LocalDate today = LocalDate.now(clock);
        return all().getOrDefault(instrumentId, List.of()).stream()
                .filter(view -> !view.doneOn().isAfter(today) && !view.dueOn().isBefore(today))
                .map(CalibrationView::dueOn)
                .max(LocalDate::compareTo);
    }

    /** How an instrument stands today. */
    public Coverage today(long instrumentId) {
        return Calibration.on(LocalDate.now(clock), resolved().getOrDefault(instrumentId, List.of()));
    }

    /** Enters a calibration without its paper. */
    @Write
    public void enter(long instrumentId, LocalDate doneOn, LocalDate dueOn, String certificate, String by) {
        enter(instrumentId, new NewCalibration(doneOn, dueOn, certificate, OptionalDouble.empty(), Paper.NONE), by);
    }

    /** Enters a calibration. */
    @Write
    public void enter(long instrumentId, NewCalibration form, String by) {
        revisions.raise(Revisions.REGISTER);
        instruments.instrument(instrumentId);
        if (form.doneOn().isAfter(LocalDate.now(clock))) {
            throw new Refusal("doneOn", "A calibration cannot have been done after today.");
        }
        if (form.dueOn().isBefore(form.doneOn())) {
            throw new Refusal("dueOn", "The next one cannot be due before this one was done.");
        }
        CalibrationRow row = new CalibrationRow();
        row.instrumentId = instrumentId;
        row.doneOn = form.doneOn();
        row.dueOn = form.dueOn();
        row.certificate = form.certificate();
        row.verifiedCapacity =
                form.verifiedCapacity().isPresent() ? form.verifiedCapacity().getAsDouble() : null;
        row.fileName = form.paper().name();
        row.fileType = form.paper().type();
        row.content = form.paper().content().length == 0 ? null : form.paper().content();
        row.enteredBy = by;
        row.enteredAt = clock.instant();
        calibrations.save(row);
    }

    /** The certificate's file of a calibration. */
    public Paper paper(long id) {
        CalibrationRow row = calibrations.findById(id).orElseThrow(() -> new NotFound("calibration " + id));
        byte[] content = row.content;
        if (content == null) {
            throw new NotFound("a certificate with calibration " + id);
        }
        return new Paper(row.fileName, row.fileType, content);
    }
}
