package org.ysometron.app.line;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.store.Write;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.instruments.wire.Message;

/** Keeps what comes: each line of an instrument's epoch once, in its order, all of a batch or none. */
@Component
class Arrivals {

    private static final Duration MOST_OFF = Duration.ofDays(3650);
    private static final int LONGEST_UNIT = 20;

    private final LedgerRepository ledger;
    private final PressRepository presses;
    private final StreamRepository streams;
    private final StreamPartRepository parts;
    private final Clock clock;

    Arrivals(
            LedgerRepository ledger,
            PressRepository presses,
            StreamRepository streams,
            StreamPartRepository parts,
            Clock clock) {
        this.ledger = ledger;
        this.presses = presses;
        this.streams = streams;
        this.parts = parts;
        this.clock = clock;
    }

    /** The last number that is kept; 0 where none is. */
    @Transactional(readOnly = true)
    long last(String serial, String epoch) {
        return ledger.findBySerialAndEpoch(serial, epoch)
                .map(row -> row.lastSeq)
                .orElse(0L);
    }

    /**
     * What of a batch was new.
     *
     * @param streams by the number that they are kept under, with the points that came
     * @param ended streams that are over
     */
    record Kept(List<Long> presses, Map<Long, List<Message.Point>> streams, List<Long> ended) {}

    /**
     * Keeps the lines behind the last that is kept; what is kept already is passed over.
     *
     * @param late number of the first line that is not of before: what lies below it cannot be told any more to whom it belongs
     */
    @Write
    Kept take(Message.Hello from, long instrumentId, List<Message.Numbered> lines, long late) {
        LedgerRow row = ledger.locked(from.serial(), from.epoch()).orElseGet(() -> {
            LedgerRow first = new LedgerRow();
            first.serial = from.serial();
            first.epoch = from.epoch();
            // Written at once: of two that begin an epoch together one collides here, and reads what the other kept.
            return ledger.saveAndFlush(first);
        });
        Instant now = clock.instant();
        Kept kept = new Kept(new ArrayList<>(), new LinkedHashMap<>(), new ArrayList<>());
        Map<Long, StreamRow> open = new LinkedHashMap<>();
        for (Message.Numbered line : lines) {
            if (line.seq() <= row.lastSeq) {
                continue;
            }
            if (row.lastSeq > 0 && line.seq() != row.lastSeq + 1) {
                throw new IllegalStateException(
                        "line " + (row.lastSeq + 1) + " of " + from.serial() + " is missing, " + line.seq() + " came");
            }
            row.lastSeq = line.seq();
            if (line instanceof Message.Reading reading) {
                kept.presses().add(press(from, instrumentId, reading, now, line.seq() < late));
            } else if (line instanceof Message.Point point) {
                StreamRow stream =
                        open.computeIfAbsent(point.stream(), number -> stream(from, instrumentId, point, now));
                kept.streams()
                        .computeIfAbsent(stream.id, id -> new ArrayList<>())
                        .add(point);
                stream.points++;
            } else if (line instanceof Message.Ended ended) {
                stream(from, open, ended).ifPresent(stream -> {
                    stream.ended = true;
                    kept.ended().add(stream.id);
                });
            }
        }
        kept.streams()
                .forEach((id, points) -> keep(
                        open.values().stream()
                                .filter(stream -> stream.id.equals(id))
                                .findFirst()
                                .orElseThrow(),
                        points));
        return kept;
    }

    private Optional<StreamRow> stream(Message.Hello from, Map<Long, StreamRow> open, Message.Ended ended) {
        return Optional.ofNullable(open.get(ended.stream()))
                .or(() -> streams.findBySerialAndEpochAndStream(from.serial(), from.epoch(), ended.stream()));
    }

    private StreamRow stream(Message.Hello from, long instrumentId, Message.Point first, Instant now) {
        return streams.findBySerialAndEpochAndStream(from.serial(), from.epoch(), first.stream())
                .orElseGet(() -> {
                    StreamRow stream = new StreamRow();
                    stream.serial = from.serial();
                    stream.epoch = from.epoch();
                    stream.stream = first.stream();
                    stream.instrumentId = instrumentId;
                    stream.unit = shortened(first.unit());
                    stream.wayUnit = shortened(first.wayUnit());
                    stream.begunAt = now;
                    return streams.save(stream);
                });
    }

    private void keep(StreamRow stream, List<Message.Point> points) {
        StringBuilder rows = new StringBuilder();
        for (Message.Point point : points) {
            // A switch that is touched in the middle of a test changes what is shown and not what is.
            rows.append(point.time())
                    .append(',')
                    .append(in(point.load(), point.unit(), stream.unit))
                    .append(',')
                    .append(in(point.way(), point.wayUnit(), stream.wayUnit));
            point.second().ifPresent(second -> rows.append(',').append(in(second, point.unit(), stream.unit)));
            rows.append('\n');
        }
        StreamPart part = new StreamPart();
        part.streamId = stream.id;
        part.firstSeq = points.get(0).seq();
        part.content = rows.toString();
        parts.save(part);
    }

    private static double in(double value, String unit, String wanted) {
        if (unit.equals(wanted)) {
            return value;
        }
        Optional<UnitOfMeasure> from = UnitOfMeasure.find(unit);
        return UnitOfMeasure.find(wanted)
                .filter(to -> from.isPresent() && to.dimension() == from.get().dimension())
                .map(to -> to.fromWorking(from.orElseThrow().toWorking(value)))
                .orElse(value);
    }

    /** A unit that is longer than any is none, and is kept as far as it goes: one such line stops no others. */
    private static String shortened(String unit) {
        return unit.length() > LONGEST_UNIT ? unit.substring(0, LONGEST_UNIT) : unit;
    }

    private long press(Message.Hello from, long instrumentId, Message.Reading reading, Instant now, boolean late) {
        PressRow press = new PressRow();
        press.serial = from.serial();
        press.epoch = from.epoch();
        press.seq = reading.seq();
        press.instrumentId = instrumentId;
        press.shown = reading.value().map(java.math.BigDecimal::toPlainString).orElse("");
        press.unit = shortened(reading.unit());
        press.state = reading.state();
        // A clock that nobody set would put it into another century.
        Instant said = Instant.ofEpochMilli(reading.at());
        press.pressedAt = Duration.between(said, now).abs().compareTo(MOST_OFF) > 0 ? now : said;
        press.keptAt = now;
        press.late = late;
        return presses.save(press).id;
    }
}
