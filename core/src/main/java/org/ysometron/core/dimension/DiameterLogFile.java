package org.ysometron.core.dimension;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.BufferedInputStream;
import java.io.BufferedReader;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipException;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * Reads a two-axis laser gauge's file row by row: CSV with a head that names {@code position}, {@code x} and {@code y}
 * with their units, plain or gzip, commas, semicolons or tabs, decimal point or comma.
 *
 * <p>Nothing is guessed: a file without units, a value that is no number and a position that does not rise are refused
 * with their row. Rows are counted as in a text editor, the head being row 1.
 */
public final class DiameterLogFile {

    /** Readings of one file at the most: a hundred kilometres at one every two millimetres. */
    public static final long MOST_READINGS = 50_000_000;

    private static final int LONGEST_LINE = 1000;

    /** Bytes, unpacked, without a reading in them: a packed file of blank lines grows a thousandfold. */
    private static final long MOST_BARREN = 1 << 21;

    private static final List<String> POSITION = List.of("position", "z", "length");
    private static final List<String> X = List.of("x", "d1", "diameter_x");
    private static final List<String> Y = List.of("y", "d2", "diameter_y");

    private DiameterLogFile() {}

    /** Takes the readings one by one, in mm. */
    @FunctionalInterface
    public interface Taker {

        /** Takes one reading; may throw to stop the reading. */
        void take(double position, double x, double y);
    }

    /** A file that cannot be read, with the place and the way out. */
    public static final class Unreadable extends RuntimeException {

        private static final long serialVersionUID = 1L;

        private final transient Problem problem;

        Unreadable(Problem problem) {
            super(problem.text());
            this.problem = problem;
        }

        /** What is wrong, where, and what would do. */
        public Problem problem() {
            return problem;
        }
    }

    private record Column(int index, String name, double factor) {}

    /**
     * Reads to the end.
     *
     * @param in the file as it is, plain or gzip; not closed
     * @param taker gets every reading
     * @return number of readings
     * @throws Unreadable for anything in the file that is not as it must be
     * @throws IOException when the stream itself fails, as when the sender goes away
     */
    public static long read(InputStream in, Taker taker) throws IOException {
        long[] row = {1};
        Unpacked unpacked = new Unpacked(unpacked(in));
        try {
            BufferedReader reader =
                    new BufferedReader(new InputStreamReader(unpacked, StandardCharsets.UTF_8), 1 << 16);
            return rows(reader, unpacked, taker, row);
        } catch (IOException failed) {
            throw failure(failed, row[0]);
        } catch (CsvParseException | UncheckedIOException wrapped) {
            // The reader wraps what the stream under it threw; only without that is the text itself at fault.
            for (Throwable cause = wrapped; cause != null; cause = cause.getCause()) {
                if (cause instanceof IOException failed) {
                    throw failure(failed, row[0]);
                }
            }
            throw refuse(
                    row[0] + 1, "row", "a cell without end", "three numbers a row", "Is this the gauge's CSV file?");
        }
    }

    private static long rows(BufferedReader reader, Unpacked unpacked, Taker taker, long[] row) throws IOException {
        long readings = 0;
        String head = headLine(reader);
        char separator = separator(head);
        String[] names = head.split(java.util.regex.Pattern.quote(String.valueOf(separator)), -1);
        Column z = column(names, POSITION, "position [mm]");
        Column x = column(names, X, "x [mm]");
        Column y = column(names, Y, "y [mm]");
        int columns = names.length;
        try (CsvReader<CsvRecord> rows = CsvReader.builder()
                .fieldSeparator(separator)
                .skipEmptyLines(true)
                .allowExtraFields(true)
                .allowMissingFields(true)
                .maxBufferSize(1 << 20)
                .ofCsvRecord(new Unclosing(reader))) {
            for (CsvRecord cells : rows) {
                row[0] = cells.getStartingLineNumber() + 1;
                if (cells.getFieldCount() != columns) {
                    throw refuse(
                            row[0],
                            "row",
                            cells.getFieldCount() + " cells",
                            columns + " cells as in the head",
                            "A decimal comma needs semicolons or tabs between the cells.");
                }
                take(taker, row[0], number(cells, z, row[0]), number(cells, x, row[0]), number(cells, y, row[0]));
                unpacked.fruitful();
                if (++readings > MOST_READINGS) {
                    throw refuse(
                            row[0],
                            "file",
                            "more than " + MOST_READINGS + " readings",
                            "a file of fewer",
                            "Split it; each part is a log of its own.");
                }
            }
        }
        return readings;
    }

    /** A damaged gzip file is the file's fault and said with its row; anything else is the stream's. */
    private static IOException failure(IOException failed, long row) {
        if (failed instanceof Barren) {
            throw refuse(
                    row,
                    "file",
                    "more than " + (MOST_BARREN >> 20) + " MB without a reading follow",
                    "a row a reading",
                    "Is this the gauge's CSV file?");
        }
        if (failed instanceof ZipException || failed instanceof EOFException) {
            throw refuse(
                    row,
                    "file",
                    "the compressed file ends too early or is damaged here",
                    "a whole .gz file",
                    "Copy it from the gauge again.");
        }
        return failed;
    }

    private static void take(Taker taker, long row, double z, double x, double y) {
        try {
            taker.take(z, x, y);
        } catch (IllegalArgumentException impossible) {
            throw refuse(
                    row,
                    "row",
                    String.valueOf(impossible.getMessage()),
                    "rising positions and diameters above zero",
                    "");
        }
    }

    private static InputStream unpacked(InputStream in) throws IOException {
        BufferedInputStream buffered = new BufferedInputStream(in, 1 << 16);
        buffered.mark(2);
        int one = buffered.read();
        int two = buffered.read();
        buffered.reset();
        return one == 0x1f && two == 0x8b ? new GZIPInputStream(buffered, 1 << 16) : buffered;
    }

    /** The first line, refused when it is longer than any head could be. */
    private static String headLine(Reader reader) throws IOException {
        StringBuilder line = new StringBuilder();
        int c = reader.read();
        while (c >= 0 && c != '\n' && line.length() < LONGEST_LINE) {
            line.append((char) c);
            c = reader.read();
        }
        String head = line.toString().strip();
        head = head.startsWith("\uFEFF") ? head.substring(1) : head;
        if (head.isEmpty() || line.length() >= LONGEST_LINE) {
            throw refuse(
                    1,
                    "head",
                    head.isEmpty() ? "the file is empty" : "a first line of over " + LONGEST_LINE + " characters",
                    "a head such as position [mm],x [mm],y [mm]",
                    "Is this the gauge's CSV file?");
        }
        return head;
    }

    private static char separator(String head) {
        return head.indexOf(';') >= 0 ? ';' : head.indexOf('\t') >= 0 ? '\t' : ',';
    }

    private static Column column(String[] names, List<String> accepted, String example) {
        for (int i = 0; i < names.length; i++) {
            String name = names[i].replace("\"", "").strip();
            int bracket = name.indexOf('[');
            String plain = (bracket < 0 ? name : name.substring(0, bracket))
                    .strip()
                    .toLowerCase(Locale.ROOT)
                    .replace(' ', '_');
            if (accepted.contains(plain)) {
                return new Column(i, plain, factor(name, bracket, example));
            }
        }
        throw refuse(
                1,
                "head",
                "no column for " + accepted.get(0),
                "a head such as position [mm],x [mm],y [mm]",
                "Name the columns in the first line.");
    }

    private static double factor(String name, int bracket, String example) {
        int end = name.indexOf(']');
        if (bracket < 0 || end < bracket) {
            throw refuse(1, "head", "'" + name + "' names no unit", example, "Put the unit into the head.");
        }
        String symbol = name.substring(bracket + 1, end).strip();
        Optional<UnitOfMeasure> unit = UnitOfMeasure.find(symbol);
        if (unit.isEmpty() || unit.get().dimension() != Dimension.LENGTH) {
            throw refuse(1, "head", "'" + symbol + "' is no unit of length", "mm, µm, cm, m or in", "");
        }
        return unit.get().toWorking(1);
    }

    private static double number(CsvRecord cells, Column column, long row) {
        String text = cells.getField(column.index());
        try {
            double value = Double.parseDouble(text.indexOf(',') >= 0 ? text.replace(',', '.') : text);
            // What the parser takes beyond numbers as people write them: 1d, 1f, 0x1p3.
            boolean written = text.isEmpty() || (text.charAt(text.length() - 1) <= '9' && text.indexOf('x') < 0);
            if (written && Double.isFinite(value)) {
                return value * column.factor();
            }
        } catch (NumberFormatException notANumber) {
            // said below
        }
        String shown = text.length() > 40 ? text.substring(0, 40) + "…" : text;
        throw refuse(
                row,
                column.name(),
                shown.isBlank() ? "nothing" : "'" + shown + "' is not a number",
                "a number, for example 1.748",
                "");
    }

    private static Unreadable refuse(long row, String column, String found, String expected, String wayOut) {
        return new Unreadable(new Problem("Row " + row + ", " + column, found, expected, wayOut));
    }

    /** Too much came without a reading in it. */
    private static final class Barren extends IOException {

        private static final long serialVersionUID = 1L;

        Barren() {
            super("nothing but blanks");
        }
    }

    /** Counts what comes out of a packed file since the last reading. */
    private static final class Unpacked extends java.io.FilterInputStream {

        private long barren;

        Unpacked(InputStream in) {
            super(in);
        }

        void fruitful() {
            barren = 0;
        }

        @Override
        public int read() throws IOException {
            int one = super.read();
            count(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] into, int from, int most) throws IOException {
            int read = super.read(into, from, most);
            count(Math.max(read, 0));
            return read;
        }

        private void count(int read) throws Barren {
            barren += read;
            if (barren > MOST_BARREN) {
                throw new Barren();
            }
        }
    }

    /** The caller owns the stream. */
    private static final class Unclosing extends java.io.FilterReader {

        Unclosing(Reader in) {
            super(in);
        }

        @Override
        public void close() {
            // left open on purpose
        }
    }
}
