package org.ysometron.app.line;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;
import org.ysometron.instruments.wire.Message;

/** Values that instruments sent: each becomes one reading at the most, or is left with a word why. */
@Component
public class Presses {

    /** Behind this a value that waits is no longer offered to a bench; it stands on the page of the instruments. */
    private static final Duration OFFERED = Duration.ofHours(8);

    private static final int MOST = 100;

    private final PressRepository presses;
    private final Instruments instruments;
    private final Clock clock;

    Presses(PressRepository presses, Instruments instruments, Clock clock) {
        this.presses = presses;
        this.instruments = instruments;
        this.clock = clock;
    }

    /**
     * A value that an instrument sent.
     *
     * @param text as a field of the bench takes it: 4.02 mm; of one beyond its range the end of the range
     * @param late whether it came when nobody could know any more what it was of
     * @param usedFor what it became; empty while it waits
     */
    public record PressView(
            long id,
            InstrumentView instrument,
            String text,
            Message.State state,
            boolean late,
            Instant pressedAt,
            Instant keptAt,
            String usedFor) {

        /** Whether the instrument's range had ended. */
        public boolean isOver() {
            return state == Message.State.OVER;
        }

        /** Whether it may become a reading at all. */
        public boolean isUsable() {
            return state != Message.State.UNSTABLE
                    && !text.isEmpty()
                    && dimension().isPresent();
        }

        /** What kind of quantity it is of; empty for what no field takes. */
        public Optional<Dimension> dimension() {
            int blank = text.lastIndexOf(' ');
            return blank < 0
                    ? Optional.empty()
                    : UnitOfMeasure.find(text.substring(blank + 1)).map(UnitOfMeasure::dimension);
        }
    }

    /** What waits for one of these instruments' benches, the oldest first. */
    @Transactional(readOnly = true)
    public List<PressView> waiting(Collection<Long> instrumentIds) {
        return instrumentIds.isEmpty()
                ? List.of()
                : presses.waiting(instrumentIds, clock.instant().minus(OFFERED), Limit.of(MOST)).stream()
                        .map(this::view)
                        .toList();
    }

    /** What was left, the newest first. */
    @Transactional(readOnly = true)
    List<Left> left() {
        return presses.left(Limit.of(MOST)).stream()
                .map(row -> new Left(view(row), String.valueOf(row.usedBy)))
                .toList();
    }

    /** What was left, and by whom. */
    record Left(PressView view, String by) {}

    /** What waits anywhere, the newest first. */
    @Transactional(readOnly = true)
    List<PressView> waiting() {
        return presses.waiting(Limit.of(MOST)).stream().map(this::view).toList();
    }

    /** How many wait anywhere. */
    long count() {
        return presses.countByUsedForIsNull();
    }

    @Transactional(readOnly = true)
    PressView press(long id) {
        return presses.findById(id).map(this::view).orElseThrow(() -> new NotFound("press " + id));
    }

    private PressView view(PressRow row) {
        InstrumentView instrument = instruments.instrument(row.instrumentId);
        String text = !row.shown.isEmpty()
                ? row.shown + " " + row.unit
                : instrument.capacity().isPresent()
                        ? Figures.plain(instrument.capacity().getAsDouble(), 6) + " " + instrument.unit()
                        : "";
        return new PressView(row.id, instrument, text, row.state, row.late, row.pressedAt, row.keptAt, row.words());
    }

    /**
     * Takes a value for a reading: it is that of no other one from then on.
     *
     * @param what of which reading, in words
     * @return the value
     */
    @Write
    public PressView use(long id, String what, String by) {
        PressRow row = presses.locked(id).orElseThrow(() -> new NotFound("press " + id));
        PressView press = view(row);
        if (!row.waits()) {
            throw new Refusal(
                    "typed",
                    "What " + press.instrument().name() + " sent (" + press.text() + ") is taken already: "
                            + row.words() + ". Measure again; one press is one reading.");
        }
        if (!press.isUsable()) {
            throw new Refusal(
                    "typed",
                    press.instrument().name() + " had not settled, or showed nothing that is a reading: press again.");
        }
        row.becomes(what, by, clock.instant());
        return press;
    }

    /** Leaves a value, with a word why; it is kept and becomes no reading. */
    @Write
    public void leave(long id, String reason, String by) {
        PressRow row = presses.locked(id).orElseThrow(() -> new NotFound("press " + id));
        // Left already, or taken: twice is once.
        if (row.waits()) {
            row.isLeft(Reasons.require("reason", reason, "Why it is left", 150), by, clock.instant());
        }
    }
}
