package org.ysometron.app.bench;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * The text of a file of readings, cut into rows of named cells. Delimiter (comma, semicolon, tab), decimal comma, byte
 * order mark and units in the head are recognised; nothing is judged here.
 *
 * @param delimiter what separates the cells
 * @param rows in order
 */
record ReadingFile(char delimiter, List<Row> rows) {

    private static final Pattern COLUMN =
            Pattern.compile("([a-z][a-z0-9 _-]*?)(?:[ _]([0-9]{1,2}))?[ _]*(?:[\\[(]\\s*(.*?)\\s*[\\])])?");

    /** Units that older files have behind the name instead of in brackets. */
    private static final Pattern BARE_UNIT = Pattern.compile("(.*?)[ _]+(mm|in|n|kn|kgf|lbf)");

    private static final List<String> WORDS = List.of("specimen", "outcome");

    private static final int MOST_ROWS = 1000;
    private static final int MOST_COLUMNS = 40;
    private static final int LONGEST_HEADING = 60;

    /** A column: what it holds, at which place, in which unit; unit empty when the cells must name their own. */
    record Column(String name, int place, String unit) {}

    /** A row: its line in the file and its cells that are not blank. */
    record Row(long line, Map<Column, String> cells) {

        Optional<String> word(String name) {
            return cells.entrySet().stream()
                    .filter(cell -> cell.getKey().name().equals(name))
                    .map(Map.Entry::getValue)
                    .findFirst();
        }
    }

    /**
     * Reads the text; refuses the whole file when its head cannot be understood.
     *
     * @param fields keys that a column may bear, each with how many places it has
     */
    static ReadingFile read(String given, Map<String, Integer> fields) {
        String text = given.startsWith("\uFEFF") ? given.substring(1) : given;
        if (text.isBlank()) {
            throw new Refusal("file", "The file is empty.");
        }
        if (text.indexOf('\0') >= 0 || text.indexOf('\uFFFD') >= 0) {
            throw new Refusal("file", "This is not a text file in UTF-8; export the table as CSV (UTF-8).");
        }
        char delimiter = delimiter(
                text.lines().filter(line -> !line.isBlank()).findFirst().orElse(""));
        List<CsvRecord> records = new ArrayList<>();
        try (CsvReader<CsvRecord> reader = CsvReader.builder()
                .fieldSeparator(delimiter)
                .skipEmptyLines(true)
                .allowMissingFields(true)
                .allowExtraFields(true)
                .ofCsvRecord(text)) {
            for (CsvRecord record : reader) {
                records.add(record);
                if (records.size() > MOST_ROWS + 1) {
                    throw new Refusal("file", "The file has more than " + MOST_ROWS + " rows; take it in by parts.");
                }
            }
        } catch (CsvParseException broken) {
            throw new Refusal("file", "The file breaks off: " + broken.getMessage());
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        List<Column> columns = columns(records.get(0).getFields(), fields);
        if (records.size() < 2) {
            throw new Refusal("file", "The file has a head but no row of readings.");
        }
        return new ReadingFile(
                delimiter,
                records.subList(1, records.size()).stream()
                        .map(record -> row(record, columns))
                        .toList());
    }

    private static char delimiter(String head) {
        char best = ',';
        for (char candidate : new char[] {';', '\t'}) {
            if (count(head, candidate) > count(head, best)) {
                best = candidate;
            }
        }
        return best;
    }

    private static long count(String text, char wanted) {
        return text.chars().filter(c -> c == wanted).count();
    }

    private static List<Column> columns(List<String> head, Map<String, Integer> fields) {
        List<Column> columns = new ArrayList<>();
        Map<String, Integer> seen = new HashMap<>();
        for (String heading : head) {
            if (heading.length() > LONGEST_HEADING || columns.size() >= MOST_COLUMNS) {
                throw new Refusal(
                        "file",
                        "Row 1 is no head: it has " + head.size() + " columns, one of " + heading.length()
                                + " characters. Expected specimen, width_1 [mm] and so on.");
            }
            if (heading.matches("\\s*[+-]?[0-9].*")) {
                throw new Refusal(
                        "head",
                        "Row 1 is no head: it has '" + heading.strip()
                                + "' in it. Cells without a head: say below what the first"
                                + " column and the first row are.");
            }
            Column column = column(heading, fields);
            String name = column.name();
            int place = column.place();
            if (seen.merge(name + place, 1, Integer::sum) > 1) {
                throw new Refusal("file", "Row 1: the column '" + heading.strip() + "' stands there twice.");
            }
            columns.add(column);
        }
        if (!seen.containsKey("specimen1")) {
            throw new Refusal(
                    "head",
                    "Row 1: there is no column 'specimen'; without it no row can be told apart. Cells without a head: say"
                            + " below what the first column and the first row are.");
        }
        return columns;
    }

    private static Column column(String heading, Map<String, Integer> fields) {
        String plain = heading.strip().toLowerCase(Locale.ROOT);
        Matcher bare = BARE_UNIT.matcher(plain);
        String bareUnit = bare.matches() ? bare.group(2) : null;
        Matcher matcher = COLUMN.matcher(bareUnit == null ? plain : bare.group(1));
        String name =
                matcher.matches() ? matcher.group(1).strip().replace(' ', '-').replace('_', '-') : "";
        int place = matcher.matches() && matcher.group(2) != null ? Integer.parseInt(matcher.group(2)) : 1;
        int places = WORDS.contains(name) ? 1 : fields.getOrDefault(name, 0);
        if (place < 1 || place > places) {
            throw new Refusal(
                    "file",
                    "Row 1: the column '" + heading.strip() + "' is not known; expected specimen, "
                            + String.join(", ", expected(fields)) + ", outcome.");
        }
        // The unit is taken from the heading as it was written: in a unit case may matter.
        return new Column(name, place, unit(heading, bareUnit == null ? matcher.group(3) : bareUnit));
    }

    private static List<String> expected(Map<String, Integer> fields) {
        List<String> expected = new ArrayList<>();
        fields.forEach((key, places) ->
                expected.add(places == 1 ? key + " [unit]" : key + "_1 [unit] … " + key + "_" + places));
        return expected;
    }

    private static String unit(String heading, @org.jspecify.annotations.Nullable String found) {
        if (found == null || found.isEmpty()) {
            return "";
        }
        int at = heading.toLowerCase(Locale.ROOT).lastIndexOf(found);
        String written = heading.substring(at, at + found.length());
        if (UnitOfMeasure.find(written).isEmpty()) {
            throw new Refusal("file", "Row 1: the unit '" + written + "' of '" + heading.strip() + "' is not known.");
        }
        return written;
    }

    private static Row row(CsvRecord record, List<Column> columns) {
        Map<Column, String> cells = new LinkedHashMap<>();
        for (int i = 0; i < columns.size() && i < record.getFieldCount(); i++) {
            if (!record.getField(i).isBlank()) {
                cells.put(columns.get(i), record.getField(i).strip());
            }
        }
        if (record.getFieldCount() > columns.size()) {
            cells.put(new Column("extra", 1, ""), String.valueOf(record.getFieldCount()));
        }
        return new Row(record.getStartingLineNumber(), cells);
    }
}
