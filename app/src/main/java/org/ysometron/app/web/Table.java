package org.ysometron.app.web;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * A table as people paste or send it: a head, then a row a thing; commas, semicolons or tabs. It is taken in whole or not at
 * all, and every row that cannot be is named.
 *
 * @param rows in order
 */
public record Table(List<Row> rows) {

    private static final int MOST_SAID = 20;

    /**
     * A row.
     *
     * @param line its line in the text, the head being line 1
     * @param cells by the names of their columns, in small letters
     */
    public record Row(long line, Map<String, String> cells) {

        /** A cell without the blanks around it; empty when the column is not there. */
        public String at(String column) {
            return cells.getOrDefault(column, "");
        }
    }

    /**
     * Reads the text.
     *
     * @param columns that there are
     * @param optional those of them that the head may do without
     * @param most rows that are taken at once
     * @throws Refusal at field {@code file} when it is no such table
     */
    public static Table read(String given, List<String> columns, Set<String> optional, int most) {
        String text = (given.startsWith("\uFEFF") ? given.substring(1) : given).strip();
        if (text.isEmpty()) {
            throw new Refusal("file", "Nothing was given: paste the rows, or choose a file.");
        }
        if (text.indexOf('\0') >= 0) {
            throw new Refusal("file", "This is not a text file; export the table as CSV (UTF-8).");
        }
        String head = text.lines().findFirst().orElse("");
        char separator = head.indexOf(';') >= 0 ? ';' : head.indexOf('\t') >= 0 ? '\t' : ',';
        List<Row> rows = new ArrayList<>();
        try (CsvReader<NamedCsvRecord> reader =
                CsvReader.builder().fieldSeparator(separator).ofNamedCsvRecord(text)) {
            for (NamedCsvRecord record : reader) {
                if (rows.isEmpty()) {
                    requireHead(record.getHeader(), columns, optional);
                }
                if (rows.size() >= most) {
                    throw new Refusal("file", "More than " + most + " rows; bring them in by parts.");
                }
                Map<String, String> cells = new TreeMap<>();
                record.getFieldsAsMap()
                        .forEach((name, cell) -> cells.put(
                                name.strip().toLowerCase(Locale.ROOT),
                                Cells.plain(cell).strip()));
                rows.add(new Row(record.getStartingLineNumber(), cells));
            }
        } catch (CsvParseException broken) {
            throw new Refusal("file", "The file breaks off: " + broken.getMessage());
        } catch (IOException impossible) {
            throw new IllegalStateException("a text was read", impossible);
        }
        if (rows.isEmpty()) {
            throw new Refusal("file", "There is a head but no row.");
        }
        return new Table(rows);
    }

    private static void requireHead(List<String> head, List<String> columns, Set<String> optional) {
        List<String> there =
                head.stream().map(name -> name.strip().toLowerCase(Locale.ROOT)).toList();
        List<String> missing = columns.stream()
                .filter(column -> !optional.contains(column) && !there.contains(column))
                .toList();
        List<String> unknown = there.stream()
                .filter(name -> !columns.contains(name))
                .limit(MOST_SAID)
                .toList();
        if (!missing.isEmpty() || !unknown.isEmpty()) {
            throw new Refusal(
                    "file",
                    "The head has the columns " + String.join(", ", columns)
                            + (missing.isEmpty() ? "" : "; there is no " + String.join(", ", missing))
                            + (unknown.isEmpty() ? "" : "; nobody knows '" + cut(String.join("', '", unknown)) + "'")
                            + ".");
        }
    }

    private static String cut(String words) {
        return words.length() > 120 ? words.substring(0, 120) + "…" : words;
    }

    /**
     * Every row read.
     *
     * @param reader throws a {@link Refusal} for a row that cannot be taken
     * @throws Refusal at field {@code file} that names every such row
     */
    public <T> List<T> each(Function<Row, T> reader) {
        List<T> read = new ArrayList<>();
        List<String> wrong = new ArrayList<>();
        for (Row row : rows) {
            try {
                read.add(reader.apply(row));
            } catch (Refusal refusal) {
                wrong.add("Row " + row.line() + ": " + refusal.words());
            }
        }
        if (!wrong.isEmpty()) {
            String rest = wrong.size() > MOST_SAID ? " … and " + (wrong.size() - MOST_SAID) + " rows more." : "";
            throw new Refusal(
                    "file",
                    "Nothing was taken in. " + String.join(" ", wrong.subList(0, Math.min(MOST_SAID, wrong.size())))
                            + rest);
        }
        return read;
    }
}
