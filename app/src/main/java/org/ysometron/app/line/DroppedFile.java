package org.ysometron.app.line;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.app.web.SentFile;
import org.ysometron.instruments.wire.Message;
import org.ysometron.instruments.wire.Wire;

/**
 * A file of one instrument in the drop folder: rows of readings (serial, value, unit), or the rows of one stream (serial, time, load, unit, way,
 * way_unit). Where it has columns epoch and seq the rows are numbered by them; else the file itself is an epoch, so that the same file twice is
 * the same rows twice.
 *
 * @param from the instrument
 * @param lines in their order
 */
record DroppedFile(Message.Hello from, List<Message.Numbered> lines) {

    private static final int MOST_ROWS = 2_000_000;

    /** Of the sum of a file, what names it. */
    private static final int NAMED = 16;

    /** A file that cannot be read, and why. */
    static final class Unreadable extends Exception {

        private static final long serialVersionUID = 1L;

        Unreadable(String message) {
            super(message);
        }
    }

    static DroppedFile read(String text) throws Unreadable {
        List<NamedCsvRecord> rows = new ArrayList<>();
        try (CsvReader<NamedCsvRecord> reader = CsvReader.builder().ofNamedCsvRecord(text)) {
            for (NamedCsvRecord row : reader) {
                if (rows.size() >= MOST_ROWS) {
                    throw new Unreadable("it has more than " + MOST_ROWS + " rows");
                }
                rows.add(row);
            }
        } catch (CsvParseException | java.io.IOException | IllegalArgumentException broken) {
            throw new Unreadable("it is no CSV with a head");
        }
        if (rows.isEmpty()) {
            throw new Unreadable("it has no rows beneath its head");
        }
        String sum = SentFile.sha256(text.getBytes(StandardCharsets.UTF_8)).substring(0, NAMED);
        NamedCsvRecord first = rows.get(0);
        String serial = need(first, "serial");
        String epoch = at(first, "epoch").orElse("file-" + sum);
        boolean stream = first.findField("way").isPresent();
        List<Message.Numbered> lines = new ArrayList<>(rows.size() + 1);
        long next = 1;
        for (NamedCsvRecord row : rows) {
            if (!need(row, "serial").equals(serial)
                    || !at(row, "epoch").orElse("file-" + sum).equals(epoch)) {
                throw unreadable(row, "it is of another instrument or epoch: one of each to a file");
            }
            long seq = first.findField("seq").isPresent() ? whole(row, "seq") : next;
            if (!lines.isEmpty() && seq != next) {
                throw unreadable(row, "its number is " + seq + ", and " + next + " was to come");
            }
            lines.add(stream ? point(row, serial, seq, lines.size()) : reading(row, serial, seq));
            next = seq + 1;
        }
        if (stream) {
            lines.add(new Message.Ended(serial, next, lines.get(0).seq(), rows.size()));
        }
        return new DroppedFile(
                new Message.Hello(
                        1,
                        serial,
                        at(first, "kind").orElse("file"),
                        need(first, "unit"),
                        at(first, "capacity").isPresent()
                                ? OptionalDouble.of(number(first, "capacity"))
                                : OptionalDouble.empty(),
                        epoch,
                        next),
                List.copyOf(lines));
    }

    private static Message.Reading reading(NamedCsvRecord row, String serial, long seq) throws Unreadable {
        Optional<String> value = at(row, "value");
        Optional<BigDecimal> shown = Optional.empty();
        if (value.isPresent()) {
            try {
                shown = Optional.of(Wire.shown(value.get()));
            } catch (NumberFormatException none) {
                throw unreadable(row, "'" + value.get() + "' is no number");
            }
        }
        Message.State state = state(row);
        if (shown.isEmpty() && state != Message.State.OVER) {
            throw unreadable(row, "it has no value, and its state is not 'over'");
        }
        return new Message.Reading(serial, seq, shown, need(row, "unit"), state, moment(row));
    }

    private static Message.Point point(NamedCsvRecord row, String serial, long seq, int before) throws Unreadable {
        // The stream is named by the number of its first row.
        return new Message.Point(
                serial,
                seq,
                seq - before,
                number(row, "time"),
                number(row, "load"),
                OptionalDouble.empty(),
                need(row, "unit"),
                number(row, "way"),
                need(row, "way_unit"),
                state(row));
    }

    private static Message.State state(NamedCsvRecord row) throws Unreadable {
        String key = at(row, "state").orElse("ok");
        return Message.State.of(key).orElseThrow(() -> unreadable(row, "'" + key + "' is no state"));
    }

    private static long moment(NamedCsvRecord row) throws Unreadable {
        Optional<String> at = at(row, "at");
        try {
            return at.isEmpty()
                    ? System.currentTimeMillis()
                    : Instant.parse(at.get()).toEpochMilli();
        } catch (DateTimeParseException none) {
            throw unreadable(row, "'" + at.orElse("") + "' is no moment such as 2026-11-27T14:05:00Z");
        }
    }

    private static Optional<String> at(NamedCsvRecord row, String column) {
        return row.findField(column).map(String::strip).filter(text -> !text.isEmpty());
    }

    private static String need(NamedCsvRecord row, String column) throws Unreadable {
        return at(row, column)
                .filter(text -> !text.contains(" "))
                .orElseThrow(() -> unreadable(row, "'" + column + "' is missing"));
    }

    private static double number(NamedCsvRecord row, String column) throws Unreadable {
        try {
            double number = Double.parseDouble(need(row, column));
            if (Double.isFinite(number)) {
                return number;
            }
            throw unreadable(row, "'" + column + "' is no number");
        } catch (NumberFormatException none) {
            throw unreadable(row, "'" + column + "' is no number");
        }
    }

    private static long whole(NamedCsvRecord row, String column) throws Unreadable {
        try {
            long whole = Long.parseLong(need(row, column));
            if (whole > 0) {
                return whole;
            }
        } catch (NumberFormatException none) {
            // Said below, as a number of no row.
        }
        throw unreadable(row, "'" + column + "' is no number from 1 on");
    }

    private static Unreadable unreadable(NamedCsvRecord row, String why) {
        return new Unreadable("line " + row.getStartingLineNumber() + ": " + why);
    }
}
