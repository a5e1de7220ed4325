package org.ysometron.app.equipment;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;

/** The log of what was done to equipment: what a step in a chart is looked up in. */
@Component
public class Upkeep {

    private final UpkeepRepository log;
    private final Instruments instruments;
    private final Clock clock;

    Upkeep(UpkeepRepository log, Instruments instruments, Clock clock) {
        this.log = log;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** What is done. */
    public enum Kind {
        NOZZLE("nozzle changed", null),
        BELTS("belts drawn, axes greased", null),
        LEVELLED("bed levelled", null),
        FILM("film of the vat renewed", null),
        LIGHT("light measured", Dimension.IRRADIANCE),
        FIRMWARE("firmware changed", null),
        CLEANED("cleaned", null),
        REPAIRED("repaired", null);

        private final String words;
        private final @Nullable Dimension measures;

        Kind(String words, @Nullable Dimension measures) {
            this.words = words;
            this.measures = measures;
        }

        /** What is done, in words. */
        public String words() {
            return words;
        }
    }

    /** One entry. */
    public record Entry(LocalDate doneOn, Kind kind, String words, OptionalDouble measured, String by) {

        /** What was done, with what was measured. */
        public String said() {
            return kind.words()
                    + (measured.isPresent() && kind.measures != null
                            ? ": " + Figures.withUnit(measured.getAsDouble(), 3, kind.measures.workingUnit())
                            : "")
                    + (words.isEmpty() ? "" : "; " + words);
        }
    }

    /** The log of one piece of equipment, the newest first. */
    public List<Entry> of(long instrumentId) {
        return log.findByInstrumentIdOrderByDoneOnDescIdDesc(instrumentId).stream()
                .map(row -> new Entry(
                        row.doneOn,
                        row.kind,
                        row.words,
                        row.measured == null ? OptionalDouble.empty() : OptionalDouble.of(row.measured),
                        row.enteredBy))
                .toList();
    }

    /** Enters what was done; sent twice, it is entered once. */
    @Write
    public void enter(
            long instrumentId,
            Kind kind,
            LocalDate doneOn,
            String words,
            @Nullable String measured,
            String request,
            String by) {
        instruments.instrument(instrumentId);
        if (log.existsByRequest(request)) {
            return;
        }
        if (doneOn.isAfter(LocalDate.now(clock))) {
            throw new Refusal("upkeep", "It cannot have been done after today.");
        }
        if (words.length() > 200) {
            throw new Refusal("upkeep", "Say it in at most 200 characters.");
        }
        UpkeepRow row = new UpkeepRow();
        if (kind.measures != null) {
            row.measured = Problems.thrown()
                    .cell("upkeep", "What was measured", measured)
                    .neededQuantity(UnitOfMeasure.working(kind.measures))
                    .orElseThrow();
        } else if (measured != null && !measured.isBlank()) {
            throw new Refusal("upkeep", "Nothing is measured where it says: " + kind.words() + ".");
        }
        row.request = request;
        row.instrumentId = instrumentId;
        row.kind = kind;
        row.doneOn = doneOn;
        row.words = words.strip();
        row.enteredBy = by;
        row.enteredAt = clock.instant();
        log.save(row);
    }

    /** All kinds. */
    static List<Kind> kinds() {
        return Arrays.asList(Kind.values());
    }
}
