package org.ysometron.app.equipment;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.Calibration;
import org.ysometron.core.method.Calibration.Coverage;

/** Calibrations of the register's instruments, and whether one held on a day. Kept, never taken back. */
@Component
public class Calibrations {

    private final CalibrationRepository calibrations;
    private final Instruments instruments;
    private final Clock clock;

    Calibrations(CalibrationRepository calibrations, Instruments instruments, Clock clock) {
        this.calibrations = calibrations;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** A calibration as pages show it. */
    public record CalibrationView(LocalDate doneOn, LocalDate dueOn, String certificate, String by) {}

    /** Every calibration by instrument, the one due last first. */
    public Map<Long, List<CalibrationView>> all() {
        Map<Long, List<CalibrationView>> byInstrument = new HashMap<>();
        for (CalibrationRow row : calibrations.findAllByOrderByInstrumentIdAscDueOnDesc()) {
            byInstrument
                    .computeIfAbsent(row.instrumentId, id -> new ArrayList<>())
                    .add(new CalibrationView(row.doneOn, row.dueOn, row.certificate, row.enteredBy));
        }
        return byInstrument;
    }

    /** The core's view of every instrument's calibrations. */
    public Map<Long, List<Calibration>> resolved() {
        Map<Long, List<Calibration>> byInstrument = new HashMap<>();
        calibrations.findAllByOrderByInstrumentIdAscDueOnDesc().forEach(row -> byInstrument
                .computeIfAbsent(row.instrumentId, id -> new ArrayList<>())
                .add(row.resolve()));
        return byInstrument;
    }

    /** How an instrument stands today. */
    public Coverage today(long instrumentId) {
        return Calibration.on(LocalDate.now(clock), resolved().getOrDefault(instrumentId, List.of()));
    }

    /** Enters a calibration. */
    @Transactional
    public void enter(long instrumentId, LocalDate doneOn, LocalDate dueOn, String certificate, String by) {
        instruments.instrument(instrumentId);
        if (doneOn.isAfter(LocalDate.now(clock))) {
            throw new Refusal("doneOn", "A calibration cannot have been done after today.");
        }
        if (dueOn.isBefore(doneOn)) {
            throw new Refusal("dueOn", "The next one cannot be due before this one was done.");
        }
        CalibrationRow row = new CalibrationRow();
        row.instrumentId = instrumentId;
        row.doneOn = doneOn;
        row.dueOn = dueOn;
        row.certificate = certificate;
        row.enteredBy = by;
        row.enteredAt = clock.instant();
        calibrations.save(row);
    }
}
