package org.ysometron.app.line;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;

/** Tests that instruments streamed: each becomes the record of one specimen at the most, or is left with a word why. */
@Component
public class Streams {

    private static final int MOST = 50;

    private final StreamRepository streams;
    private final StreamPartRepository parts;
    private final Instruments instruments;
    private final LateEntries late;
    private final Clock clock;

    Streams(
            StreamRepository streams,
            StreamPartRepository parts,
            Instruments instruments,
            LateEntries late,
            Clock clock) {
        this.late = late;
        this.streams = streams;
        this.parts = parts;
        this.instruments = instruments;
        this.clock = clock;
    }

    /**
     * A stream.
     *
     * @param ended whether it is over
     * @param begunLot lot of the specimen that was in hand as it began; 0 where nobody saw it begin
     * @param begunFor its label; empty where nobody saw it begin
     * @param usedFor what it became; empty while it waits
     */
    public record StreamView(
            long id,
            InstrumentView instrument,
            int points,
            boolean ended,
            Instant begunAt,
            String unit,
            String wayUnit,
            long begunLot,
            String begunFor,
            String usedFor) {}

    /** What waits for one of these instruments' benches, the newest first. */
    @Transactional(readOnly = true)
    public List<StreamView> waiting(Collection<Long> instrumentIds) {
        return instrumentIds.isEmpty()
                ? List.of()
                : streams.waiting(instrumentIds, Limit.of(MOST)).stream()
                        .map(this::view)
                        .toList();
    }

    /** What was left, the newest first. */
    @Transactional(readOnly = true)
    List<Left> left() {
        return streams.left(Limit.of(MOST)).stream()
                .map(row -> new Left(view(row), String.valueOf(row.usedBy)))
                .toList();
    }

    /** What was left, and by whom. */
    record Left(StreamView view, String by) {}

    /** What waits anywhere, the newest first. */
    @Transactional(readOnly = true)
    List<StreamView> waiting() {
        return streams.waiting(Limit.of(MOST)).stream().map(this::view).toList();
    }

    /** One of them. */
    @Transactional(readOnly = true)
    public StreamView stream(long id) {
        return streams.findById(id).map(this::view).orElseThrow(() -> new NotFound("stream " + id));
    }

    private StreamView view(StreamRow row) {
        return new StreamView(
                row.id,
                instruments.instrument(row.instrumentId),
                row.points,
                row.ended,
                row.begunAt,
                row.unit,
                row.wayUnit,
                Objects.requireNonNullElse(row.begunLot, 0L),
                Objects.requireNonNullElse(row.begunFor, ""),
                row.words());
    }

    /** Rows of time in s, load, way and, where there is one, a second value beside the load: as they came. */
    @Transactional(readOnly = true)
    public String rows(long id) {
        StringBuilder rows = new StringBuilder();
        parts.findByStreamIdOrderByFirstSeq(id).forEach(part -> rows.append(part.content));
        return rows.toString();
    }

    /**
     * Rows of a stream behind a place in it.
     *
     * @param place behind which the next ones stand
     */
    public record Rows(List<String> rows, long place) {}

    /** What came behind a place; 0 for all of it. */
    @Transactional(readOnly = true)
    public Rows rows(long id, long place) {
        List<String> rows = new ArrayList<>();
        long now = place;
        for (StreamPart part : parts.findByStreamIdAndFirstSeqGreaterThanOrderByFirstSeq(id, place)) {
            rows.addAll(List.of(part.content.split("\n")));
            now = part.firstSeq;
        }
        return new Rows(rows, now);
    }

    /** Streams of a kind of instrument, running or over, that have become nothing yet; the newest first. */
    @Transactional(readOnly = true)
    public List<StreamView> waiting(Kind kind) {
        return waiting(instruments.ofKind(kind).stream().map(InstrumentView::id).toList());
    }

    /** Notes which specimen was in hand as a stream began: said once, by the bench that has the instrument. */
    @Write
    public void begun(long id, LotView lot, SpecimenView specimen) {
        StreamRow row = streams.locked(id).orElseThrow(() -> new NotFound("stream " + id));
        if (row.waits() && row.begunFor == null) {
            row.begunLot = lot.id();
            row.begunFor = specimen.label();
        }
    }

    /** Lets go of a stream that became nothing after all. */
    @Write
    public void giveBack(long id) {
        streams.locked(id).ifPresent(row -> row.usedFor = null);
    }

    /**
     * Takes a stream that is over for a record: it is that of no other one from then on.
     *
     * @param what of which record, in words
     */
    @Write
    public StreamView use(long id, String what, String by) {
        StreamRow row = streams.locked(id).orElseThrow(() -> new NotFound("stream " + id));
        if (!row.waits()) {
            throw new Refusal("stream", "This record is taken already: " + row.words() + ".");
        }
        if (!row.ended) {
            throw new Refusal("stream", "The test is still running; its record is taken when it is over.");
        }
        row.becomes(what, by, clock.instant());
        return view(row);
    }

    /**
     * Leaves a stream, with a word why; it is kept and becomes no record. Where a specimen was in hand as it began something was seen of it:
     * another account looks at that before its lot leaves, and it stands on the certificate.
     */
    @Write
    public void leave(long id, String reason, String by) {
        StreamRow row = streams.locked(id).orElseThrow(() -> new NotFound("stream " + id));
        if (row.waits()) {
            String why = Reasons.require("reason", reason, "Why it is left", 150);
            row.isLeft(why, by, clock.instant());
            if (row.begunLot != null) {
                late.record(
                        row.begunLot,
                        row.begunFor + ": a test that was streamed, of " + row.points + " points, was left",
                        why,
                        by);
            }
        }
    }
}
