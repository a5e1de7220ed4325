package org.ysometron.core.curve;

import de.siegmar.fastcsv.reader.AbstractBaseCsvCallbackHandler;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * Reads records of force and extension from text with cells: one specimen a file, or many with a column that names them. What stands where
 * is found and can be said otherwise; a figure that is none is refused with its row, and then nothing of the file is taken.
 */
public final class TraceFile {

    /** Characters of one file at the most. */
    public static final int LONGEST = 200_000_000;

    private static final List<Character> DELIMITERS = List.of(';', '\t', ',', '|');
    private static final int LOOKED_AT = 60;

    /** Beyond this nothing is measured. */
    private static final double MOST_FIGURE = 1e12;

    private static final Map<Layout.Role, List<String>> NAMES = Map.of(
            Layout.Role.TIME, List.of("time", "t", "elapsed"),
            Layout.Role.FORCE, List.of("force", "load", "f", "pull", "torque", "moment"),
            Layout.Role.EXTENSION,
                    List.of(
                            "extension",
                            "strain",
                            "elongation",
                            "displacement",
                            "travel",
                            "crosshead",
                            "position",
                            "stroke",
                            "x",
                            "deflection",
                            "angle",
                            "twist",
                            "rotation"),
            Layout.Role.SPECIMEN, List.of("specimen", "sample", "label", "piece"));
    private static final Pattern UNIT = Pattern.compile("(.*?)[\\s_]*[\\[(/]\\s*([^\\])]+?)\\s*[\\])]?\\s*");

    private TraceFile() {}

    /** A file that cannot be read, with the place and the way out. */
    public static final class Unreadable extends RuntimeException {

        private static final long serialVersionUID = 1L;

        private final transient Problem problem;

        Unreadable(String where, String found, String expected, String wayOut) {
            super(new Problem(where, found, expected, wayOut).text());
            this.problem = new Problem(where, found, expected, wayOut);
        }

        /** What is wrong, where, and what would do. */
        public Problem problem() {
            return problem;
        }
    }

    /**
     * One record as it stood in a file.
     *
     * @param specimen as its column names it; empty where the file has no such column
     * @param time in s; of no length where there is none
     * @param force in N
     * @param extension in mm, or as a part of the length where {@code share}
     * @param second a second extension in mm; of no length where there is none
     */
    public record Read(
            String specimen, double[] time, double[] force, double[] extension, double[] second, boolean share) {

        /**
         * The record as a trace.
         *
         * @param length that a share is of, in mm
         * @throws IllegalArgumentException in words where it is none
         */
        public Trace trace(double length) {
            double[] mm =
                    share ? Arrays.stream(extension).map(part -> part * length).toArray() : extension;
            return Trace.of(time, force, mm);
        }
    }

    /**
     * The first rows of a file as cells, for whoever says what stands where.
     *
     * @param titles one a column, from the last row of the head that is no row of units; none where there is no head
     * @param first the first row of figures
     */
    public record Glimpse(char delimiter, boolean decimalComma, int headRows, List<String> titles, List<String> first) {

        /** Copies. */
        public Glimpse {
            titles = List.copyOf(titles);
            first = List.copyOf(first);
        }
    }

    /**
     * Finds how a file of force by extension is written.
     *
     * @throws Unreadable where it is no text with cells, or has no column that must be there
     */
    public static Layout look(String text) {
        return look(text, Loading.PULL);
    }

    /**
     * Finds how the cells of a file are written, whatever they are.
     *
     * @throws Unreadable where it is no text with rows of figures
     */
    public static Glimpse glimpse(String text) {
        Rows rows = rows(text);
        List<String[]> lines = rows.lines;
        int named = rows.head == 0 ? -1 : titles(lines, rows.head);
        return new Glimpse(
                rows.delimiter,
                rows.comma,
                rows.head,
                named < 0 ? List.of() : stripped(lines.get(named)),
                stripped(lines.get(rows.head)));
    }

    /** What is said where the head of a file has something else in a column than the layout that was given. */
    public static Unreadable otherHead(Layout.Column column, String title) {
        return new Unreadable(
                "column " + (column.index() + 1),
                title.isEmpty() ? "it has no title" : "it is called '" + shortened(title) + "'",
                "'" + shortened(column.title()) + "', as in the layout that was given",
                "Send files that are written alike together, or choose another profile.");
    }

    private static List<String> stripped(String[] cells) {
        return Arrays.stream(cells).map(String::strip).toList();
    }

    private static final class Rows {

        private final char delimiter;
        private final boolean comma;
        private final int head;
        private final List<String[]> lines;

        Rows(char delimiter, boolean comma, int head, List<String[]> lines) {
            this.delimiter = delimiter;
            this.comma = comma;
            this.head = head;
            this.lines = lines;
        }
    }

    private static Rows rows(String text) {
        requireText(text);
        List<String> lines = text.lines().limit(LOOKED_AT).map(TraceFile::plain).toList();
        char delimiter = delimiter(lines);
        List<String[]> rows = lines.stream().map(line -> cells(line, delimiter)).toList();
        boolean comma = decimalComma(rows);
        int head = 0;
        while (head < rows.size() && !isFigures(rows.get(head), comma)) {
            head++;
        }
        if (head == rows.size()) {
            throw new Unreadable(
                    "the file",
                    "no row of figures in its first " + rows.size() + " lines",
                    "rows of figures, for example 0.01;12.4;0.003",
                    "Export the record as CSV with all of its points.");
        }
        return new Rows(delimiter, comma, head, rows);
    }

    /**
     * Finds how a file of load by way is written.
     *
     * @param loading what its load and its way are
     * @throws Unreadable where it is no text with cells, or has no column that must be there
     */
    public static Layout look(String text, Loading loading) {
        Rows rows = rows(text);
        int head = rows.head;
        List<Layout.Column> columns = columns(rows.lines, head, loading);
        Layout layout = new Layout(rows.delimiter, rows.comma, head, columns);
        for (Layout.Role role : List.of(Layout.Role.FORCE, Layout.Role.EXTENSION)) {
            if (layout.column(role).isEmpty()) {
                throw new Unreadable(
                        head == 0 ? "row 1" : "row " + head,
                        "no column is named for the " + role.words(loading),
                        "a head with " + String.join(", ", names(role, loading)) + " and its unit, for example "
                                + example(role, loading),
                        "Say which column it is.");
            }
        }
        return layout;
    }

    /**
     * Reads all records of a file.
     *
     * @throws Unreadable with the row of the first figure that is none, of a row that ends early, and where the figures are no record
     */
    public static List<Read> read(String text, Layout layout) {
        requireText(text);
        Taking taking = new Taking(layout);
        try (CsvReader<Integer> reader = CsvReader.builder()
                .fieldSeparator(layout.delimiter())
                .skipEmptyLines(true)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .build(taking, text.startsWith("\uFEFF") ? text.substring(1) : text)) {
            reader.forEach(taking::taken);
        } catch (CsvParseException | IOException | UncheckedIOException broken) {
            throw new Unreadable(
                    "row " + (taking.last + 1), "quotes that do not end", "cells with a delimiter between", "");
        }
        Map<String, Columns> bySpecimen = taking.bySpecimen;
        if (bySpecimen.isEmpty()) {
            throw new Unreadable("the file", "no rows of figures", "at least " + Trace.FEWEST, "");
        }
        Layout.Column way = layout.column(Layout.Role.EXTENSION).orElseThrow();
        List<Read> read = new ArrayList<>();
        bySpecimen.forEach((specimen, columns) -> read.add(columns.read(specimen, way)));
        return read;
    }

    /** Takes the figures of the rows as they are parsed: no text is made of a cell that is a plain figure. */
    private static final class Taking extends AbstractBaseCsvCallbackHandler<Integer> {

        private static final List<Layout.Role> FIGURES =
                List.of(Layout.Role.TIME, Layout.Role.FORCE, Layout.Role.EXTENSION, Layout.Role.SECOND);

        private final Map<String, Columns> bySpecimen = new LinkedHashMap<>();
        private final int head;
        private final int most;
        private final int specimen;
        private final boolean comma;
        private final List<Layout.Column> columns;

        /** Which of the columns stands in a cell, by the cell's place; -1 for one that is not taken. */
        private final int[] which;

        /** Of each column whether its figures stand in the working unit already: nobody converts a million of them for that. */
        private final boolean[] asTyped;

        private final double[] figures;
        private @Nullable Unreadable refused;
        private int row;
        private int last;
        private String name = "";
        private String of = "";
        private Growing[] into = {};

        Taking(Layout layout) {
            head = layout.headRows();
            most = layout.columns().stream()
                    .mapToInt(Layout.Column::index)
                    .max()
                    .orElse(0);
            specimen = layout.column(Layout.Role.SPECIMEN)
                    .map(Layout.Column::index)
                    .orElse(-1);
            comma = layout.decimalComma();
            columns = FIGURES.stream()
                    .flatMap(role -> layout.column(role).stream())
                    .toList();
            which = new int[most + 1];
            Arrays.fill(which, -1);
            asTyped = new boolean[columns.size()];
            figures = new double[columns.size()];
            for (int i = 0; i < asTyped.length; i++) {
                Layout.Column column = columns.get(i);
                which[column.index()] = i;
                asTyped[i] = !column.percent()
                        && column.unit().map(UnitOfMeasure::isWorking).orElse(true);
            }
        }

        @Override
        protected void handleBegin(long startingLineNumber) {
            row = (int) startingLineNumber;
            name = "";
        }

        @Override
        protected void handleField(int at, char[] cells, int from, int length, boolean quoted) {
            if (row <= head || at > most) {
                return;
            }
            if (at == specimen) {
                name = new String(cells, from, length).strip();
            } else if (which[at] >= 0) {
                figure(which[at], cells, from, length);
            }
        }

        private void figure(int which, char[] cells, int from, int length) {
            Layout.Column column = columns.get(which);
            double plain = plainFigure(cells, from, length, comma ? ',' : '.');
            try {
                double figure =
                        Double.isNaN(plain) ? anyFigure(new String(cells, from, length), row, column, comma) : plain;
                figures[which] = asTyped[which] ? figure : column.working(figure);
            } catch (Unreadable none) {
                // Thrown from here it would be told as a fault of the parser's.
                refused = refused == null ? none : refused;
            }
        }

        @Override
        protected Integer buildRecord() {
            return getFieldCount();
        }

        void taken(int cells) {
            last = row;
            if (row <= head) {
                return;
            }
            if (cells <= most) {
                throw new Unreadable(
                        "row " + row,
                        "it ends after " + cells + " cells",
                        "at least " + (most + 1),
                        "Was the file cut off? Export it again.");
            }
            if (refused != null) {
                throw refused;
            }
            if (into.length == 0 || !name.equals(of)) {
                Columns own = bySpecimen.computeIfAbsent(name, key -> new Columns());
                into = columns.stream().map(column -> own.of(column.role())).toArray(Growing[]::new);
                of = name;
            }
            for (int i = 0; i < into.length; i++) {
                into[i].add(figures[i]);
            }
        }
    }

    /** Powers of ten that a double holds exactly. */
    private static final double[] TENS = {
        1, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10, 1e11, 1e12, 1e13, 1e14, 1e15
    };

    /**
     * A figure of at most 15 digits without an exponent: its digits and its power of ten are both exact, so that their quotient is the nearest double
     * (as the general way finds it, several times slower). Anything else is no figure here.
     */
    private static double plainFigure(char[] cells, int from, int length, char point) {
        int end = from + length;
        int at = length > 0 && cells[from] == '-' ? from + 1 : from;
        long digits = 0;
        int count = 0;
        int decimals = -1;
        for (int i = at; i < end; i++) {
            char c = cells[i];
            if (c >= '0' && c <= '9') {
                digits = 10 * digits + (c - '0');
                count++;
                decimals += decimals < 0 ? 0 : 1;
            } else if (c == point && decimals < 0) {
                decimals = 0;
            } else {
                return Double.NaN;
            }
        }
        if (count == 0 || count > 15) {
            return Double.NaN;
        }
        double value = digits / TENS[Math.max(decimals, 0)];
        return value > MOST_FIGURE ? Double.NaN : at > from ? -value : value;
    }

    private static double anyFigure(String typed, int row, Layout.Column column, boolean comma) {
        // In a file of decimal commas a point is nothing: taken for thousands or for decimals it would be wrong by far.
        String text = comma ? typed.strip().replace('.', 'p').replace(',', '.') : typed.strip();
        double value;
        try {
            value = isNumber(text) ? Double.parseDouble(text) : Double.NaN;
        } catch (NumberFormatException none) {
            value = Double.NaN;
        }
        if (!(Math.abs(value) <= MOST_FIGURE)) {
            throw new Unreadable(
                    "row " + row + ", " + column.what(),
                    "'" + shortened(typed) + "'",
                    "a number without a unit, as in the rows before",
                    "Nothing of the file was taken.");
        }
        return value;
    }

    private static boolean isNumber(String text) {
        if (text.isEmpty() || text.length() > 30) {
            return false;
        }
        char last = text.charAt(text.length() - 1);
        return (last >= '0' && last <= '9') || last == '.';
    }

    // ---- how it is written
    // -------------------------------------------------------------------------------------------

    private static void requireText(String text) {
        if (text.isBlank()) {
            throw new Unreadable("the file", "nothing is in it", "rows of figures with a head", "");
        }
        if (text.length() > LONGEST) {
            throw new Unreadable("the file", text.length() + " characters", LONGEST + " at the most", "Split it.");
        }
        int looked = Math.min(text.length(), 4000);
        for (int i = 0; i < looked; i++) {
            char c = text.charAt(i);
            if (c == 0 || c == '\uFFFD' || (c < ' ' && c != '\n' && c != '\r' && c != '\t' && c != '\f')) {
                throw new Unreadable(
                        "the file", "it is no text", "CSV", "Export the record as CSV, not in the program's own form.");
            }
        }
    }

    private static String plain(String line) {
        return line.startsWith("\uFEFF") ? line.substring(1) : line;
    }

    /** The delimiter that parts most lines into the same number of cells, more than one. */
    private static char delimiter(List<String> lines) {
        char best = 0;
        long most = 0;
        for (char delimiter : DELIMITERS) {
            Map<Integer, Long> counts = new LinkedHashMap<>();
            lines.forEach(line -> {
                int cells = cells(line, delimiter).length;
                if (cells > 1) {
                    counts.merge(cells, 1L, Long::sum);
                }
            });
            long agreeing =
                    counts.values().stream().mapToLong(Long::longValue).max().orElse(0);
            if (agreeing > most) {
                most = agreeing;
                best = delimiter;
            }
        }
        if (best == 0) {
            throw new Unreadable(
                    "the file",
                    "its rows have one cell each",
                    "cells between ; , or tabs",
                    "Export the record as CSV.");
        }
        return best;
    }

    private static String[] cells(String line, char delimiter) {
        if (line.indexOf('"') >= 0) {
            try (CsvReader<CsvRecord> reader = CsvReader.builder()
                    .fieldSeparator(delimiter)
                    .allowExtraFields(true)
                    .allowMissingFields(true)
                    .ofCsvRecord(line)) {
                return reader.stream()
                        .findFirst()
                        .map(one -> one.getFields().toArray(new String[0]))
                        .orElse(new String[0]);
            } catch (CsvParseException | IOException | UncheckedIOException broken) {
                return new String[] {line};
            }
        }
        return line.split(Pattern.quote(String.valueOf(delimiter)), -1);
    }

    private static boolean decimalComma(List<String[]> rows) {
        long commas = rows.stream()
                .flatMap(Arrays::stream)
                .filter(cell -> cell.strip().matches("[-+]?[0-9]*,[0-9]+"))
                .count();
        long points = rows.stream()
                .flatMap(Arrays::stream)
                .filter(cell -> cell.strip().matches("[-+]?[0-9]*\\.[0-9]+"))
                .count();
        return commas > points;
    }

    /** Whether a row holds figures alone, but for the name of a specimen. */
    private static boolean isFigures(String[] cells, boolean comma) {
        int figures = 0;
        int words = 0;
        for (String cell : cells) {
            String text = comma ? cell.strip().replace(',', '.') : cell.strip();
            if (text.isEmpty()) {
                continue;
            }
            if (text.matches("[-+]?([0-9]+\\.?[0-9]*|\\.[0-9]+)([eE][-+]?[0-9]+)?")) {
                figures++;
            } else {
                words++;
            }
        }
        return figures >= 2 && words <= 1;
    }

    private static List<String> names(Layout.Role role, Loading loading) {
        Layout.Role named =
                !loading.isHeld() ? role : role == Layout.Role.EXTENSION ? Layout.Role.TIME : Layout.Role.EXTENSION;
        return NAMES.getOrDefault(named, List.of());
    }

    private static String example(Layout.Role role, Loading loading) {
        return role.words(loading) + " [" + role.dimension(loading).workingUnit() + "]";
    }

    /** Row of the head with the titles: a row of units alone stands below it. */
    private static int titles(List<String[]> rows, int head) {
        int width = rows.get(head).length;
        boolean units = head >= 2
                && rows.get(head - 2).length >= width
                && Arrays.stream(rows.get(head - 1)).allMatch(cell -> cell.isBlank() || isUnit(bare(cell)));
        return units ? head - 2 : head - 1;
    }

    private static List<Layout.Column> columns(List<String[]> rows, int head, Loading loading) {
        List<Layout.Column> found = new ArrayList<>();
        if (head == 0) {
            return found;
        }
        int width = rows.get(head).length;
        int named = titles(rows, head);
        boolean units = named < head - 1;
        String[] titles = rows.get(named);
        for (int i = 0; i < Math.min(titles.length, width); i++) {
            String unit = units && i < rows.get(head - 1).length ? bare(rows.get(head - 1)[i]) : "";
            column(i, titles[i].strip(), unit, found, loading).ifPresent(found::add);
        }
        return found;
    }

    private static Optional<Layout.Column> column(
            int index, String title, String below, List<Layout.Column> before, Loading loading) {
        Matcher inside = UNIT.matcher(title);
        String name = inside.matches() ? inside.group(1) : title;
        String unit = below.isEmpty() && inside.matches() ? inside.group(2) : below;
        String word =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", " ").strip();
        Optional<Layout.Role> role = role(word, loading);
        if (role.isEmpty()) {
            return Optional.empty();
        }
        Layout.Role free = role.get();
        if (isTaken(before, free)) {
            if (free != Layout.Role.EXTENSION || loading.isHeld() || isTaken(before, Layout.Role.SECOND)) {
                return Optional.empty();
            }
            free = Layout.Role.SECOND;
        }
        return Optional.of(column(index, title, free, unit, loading));
    }

    /**
     * A column that somebody says what it is of.
     *
     * @param unit as it is typed or stands in the head; '%' and 'mm/mm' for an extension as a share of the length
     * @throws Unreadable for what is no unit of it
     */
    public static Layout.Column column(int index, String title, Layout.Role role, String unit, Loading loading) {
        boolean way =
                (role == Layout.Role.EXTENSION || role == Layout.Role.SECOND) && loading.way() == Dimension.LENGTH;
        boolean percent = way && unit.equals("%");
        boolean share = percent
                || (way
                        && (unit.equals("mm/mm")
                                || (unit.isEmpty()
                                        && title.toLowerCase(Locale.ROOT).contains("strain"))));
        return new Layout.Column(index, title, role, unit(role, unit, share, index, loading), share, percent);
    }

    private static boolean isTaken(List<Layout.Column> before, Layout.Role role) {
        return before.stream().anyMatch(column -> column.role() == role);
    }

    private static Optional<UnitOfMeasure> unit(
            Layout.Role role, String unit, boolean share, int index, Loading loading) {
        if (role == Layout.Role.SPECIMEN || share) {
            return Optional.empty();
        }
        Dimension wanted = role.dimension(loading);
        Optional<UnitOfMeasure> known = UnitOfMeasure.find(unit).filter(found -> found.dimension() == wanted);
        if (known.isEmpty()) {
            throw new Unreadable(
                    "column " + (index + 1) + ", " + role.words(loading),
                    unit.isEmpty() ? "its head has no unit" : "'" + shortened(unit) + "' is no unit of it",
                    "a head such as " + example(role, loading),
                    "Say which unit it is; a unit is never guessed.");
        }
        return known;
    }

    private static Optional<Layout.Role> role(String word, Loading loading) {
        if (loading.isHeld()) {
            // What grows stands where a load does, by the time; a load beside it hangs all the while.
            return role(word, Loading.PULL).flatMap(role -> switch (role) {
                case TIME -> Optional.of(Layout.Role.EXTENSION);
                case EXTENSION -> Optional.of(Layout.Role.FORCE);
                case SPECIMEN -> Optional.of(role);
                default -> Optional.empty();
            });
        }
        List<String> words = List.of(word.split(" "));
        for (Layout.Role role :
                List.of(Layout.Role.SPECIMEN, Layout.Role.TIME, Layout.Role.FORCE, Layout.Role.EXTENSION)) {
            if (NAMES.getOrDefault(role, List.of()).stream().anyMatch(words::contains)) {
                return Optional.of(role);
            }
        }
        return Optional.empty();
    }

    private static String bare(String cell) {
        return cell.strip().replaceAll("^[\\[(]|[\\])]$", "").strip();
    }

    private static boolean isUnit(String text) {
        return text.equals("%")
                || text.equals("mm/mm")
                || text.equals("-")
                || UnitOfMeasure.find(text).isPresent();
    }

    private static String shortened(String text) {
        String one = text.strip().replaceAll("\\s+", " ");
        return one.length() > 30 ? one.substring(0, 30) + "…" : one;
    }

    /** Figures of one specimen as they come. */
    private static final class Columns {

        private final Map<Layout.Role, Growing> byRole = new EnumMap<>(Layout.Role.class);

        Growing of(Layout.Role role) {
            return byRole.computeIfAbsent(role, key -> new Growing());
        }

        private double[] all(Layout.Role role) {
            Growing grown = byRole.get(role);
            return grown == null ? new double[0] : grown.values();
        }

        Read read(String specimen, Layout.Column way) {
            // What is read by the time has its time there; in order it is like any other.
            boolean byTime = way.unit()
                    .filter(unit -> unit.dimension() == Dimension.TIME)
                    .isPresent();
            return new Read(
                    specimen,
                    all(byTime ? Layout.Role.EXTENSION : Layout.Role.TIME),
                    all(Layout.Role.FORCE),
                    all(Layout.Role.EXTENSION),
                    all(Layout.Role.SECOND),
                    way.share());
        }
    }

    private static final class Growing {

        private double[] values = new double[1024];
        private int count;

        void add(double value) {
            if (count == values.length) {
                values = Arrays.copyOf(values, 2 * count);
            }
            values[count++] = value;
        }

        double[] values() {
            return Arrays.copyOf(values, count);
        }
    }
}
