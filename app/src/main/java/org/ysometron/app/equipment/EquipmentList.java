package org.ysometron.app.equipment;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.Table;

/** A register of equipment from a spreadsheet, with each one's newest calibration. */
@Component
class EquipmentList {

    static final List<String> COLUMNS = List.of(
            "kind",
            "name",
            "capacity",
            "uncertainty",
            "resolution",
            "places",
            "rates",
            "rig",
            "note",
            "serial",
            "calibrated_on",
            "due_on",
            "certificate");

    /** All but kind and name. */
    private static final Set<String> OPTIONAL = Set.copyOf(COLUMNS.subList(2, COLUMNS.size()));

    private static final int MOST_ROWS = 500;

    private final Instruments instruments;
    private final Calibrations calibrations;

    EquipmentList(Instruments instruments, Calibrations calibrations) {
        this.instruments = instruments;
        this.calibrations = calibrations;
    }

    /** The days of a calibration. */
    private record Calibrated(LocalDate on, LocalDate due, String certificate) {}

    private record Read(
            long line,
            Instruments.NewInstrument instrument,
            @Nullable Calibrated calibrated) {}

    /** Takes all of it in or nothing; returns how many there were. */
    @Write
    public int take(String text, String by) {
        List<Read> read = Table.read(text, COLUMNS, OPTIONAL, MOST_ROWS).each(EquipmentList::read);
        for (Read one : read) {
            try {
                long id = instruments.register(one.instrument()).id();
                Calibrated calibrated = one.calibrated();
                if (calibrated != null) {
                    calibrations.enter(id, calibrated.on(), calibrated.due(), calibrated.certificate(), by);
                }
            } catch (Refusal refusal) {
                throw new Refusal("file", "Nothing was taken in. Row " + one.line() + ": " + refusal.words());
            }
        }
        return read.size();
    }

    private static Read read(Table.Row row) {
        Problems problems = new Problems();
        InstrumentForm form = new InstrumentForm(
                kind(row.at("kind")),
                row.at("name"),
                row.at("capacity"),
                row.at("uncertainty"),
                row.at("places"),
                row.at("resolution"),
                "",
                row.at("rates"),
                "",
                "",
                row.at("rig"),
                row.at("note"),
                row.at("serial"));
        Instruments.NewInstrument instrument = form.read(problems);
        Calibrated calibrated = calibrated(row, problems);
        if (!problems.none()) {
            throw new Refusal(String.join(" ", problems.all().values()));
        }
        return new Read(row.line(), instrument, calibrated);
    }

    private static @Nullable Calibrated calibrated(Table.Row row, Problems problems) {
        if (row.at("calibrated_on").isEmpty() && row.at("due_on").isEmpty()) {
            return null;
        }
        LocalDate on = problems.date("calibrated_on", row.at("calibrated_on"));
        LocalDate due = problems.date("due_on", row.at("due_on"));
        String certificate = problems.text("certificate", row.at("certificate"), "The certificate's number", 120, true);
        return on == null || due == null ? null : new Calibrated(on, due, certificate);
    }

    private static Kind kind(String typed) {
        for (Kind kind : Kind.values()) {
            if (kind.words().equalsIgnoreCase(typed) || kind.name().equalsIgnoreCase(typed.replace(' ', '_'))) {
                return kind;
            }
        }
        throw new Refusal("'" + typed + "' is no kind of equipment; expected for example force gauge or calipers.");
    }
}
