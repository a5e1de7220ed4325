package org.ysometron.app.product;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.ysometron.app.product.Publications.PublicationView;
import org.ysometron.app.web.Cells;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.publication.Statement;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A publication as a file: JSON by docs/publication.schema.json, or CSV with the same columns. */
final class PublicationFile {

    private static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(tools.jackson.databind.SerializationFeature.INDENT_OUTPUT)
            .build();
    private static final String FORMAT = "ysometron-publication";

    private PublicationFile() {}

    static String json(String product, PublicationView view, List<Statement> statements) {
        Map<String, Object> file = new LinkedHashMap<>();
        file.put("format", FORMAT);
        file.put("version", 1);
        file.put("product", product);
        file.put("publication", view.kind().name());
        file.put("revision", view.revision());
        file.put("validFrom", view.validFrom().toString());
        file.put("source", view.source());
        List<Map<String, String>> rows = new ArrayList<>();
        for (Statement statement : statements) {
            Map<String, String> row =
                    new LinkedHashMap<>(StatementRow.of(statement).fields());
            row.values().removeIf(String::isEmpty);
            rows.add(row);
        }
        file.put("statements", rows);
        return MAPPER.writeValueAsString(file);
    }

    static String csv(List<Statement> statements) {
        StringWriter text = new StringWriter();
        try (CsvWriter writer = CsvWriter.builder().build(text)) {
            writer.writeRecord(StatementRow.FIELDS);
            for (Statement statement : statements) {
                writer.writeRecord(StatementRow.of(statement).fields().values().stream()
                        .map(Cells::harmless)
                        .toList());
            }
        } catch (IOException impossible) {
            throw new IllegalStateException("a text was written", impossible);
        }
        return text.toString();
    }

    /** Reads either kind; what it says is checked when it is published. */
    static List<StatementRow> read(byte[] bytes) {
        String text = new String(bytes, StandardCharsets.UTF_8).strip();
        text = text.startsWith("\uFEFF") ? text.substring(1) : text;
        if (text.isEmpty()) {
            throw new Refusal("file", "The file is empty.");
        }
        List<StatementRow> rows = text.startsWith("{") ? fromJson(text) : fromCsv(text);
        if (rows.isEmpty()) {
            throw new Refusal("file", "The file has no statement in it.");
        }
        return rows;
    }

    private static List<StatementRow> fromJson(String text) {
        try {
            JsonNode file = MAPPER.readTree(text);
            if (!FORMAT.equals(file.path("format").asString(""))) {
                throw new Refusal("file", "This JSON is no publication: \"format\" must be \"" + FORMAT + "\".");
            }
            List<StatementRow> rows = new ArrayList<>();
            for (JsonNode node : file.path("statements")) {
                StatementRow.requireFew(rows.size() + 1);
                Map<String, String> fields = new LinkedHashMap<>();
                for (Map.Entry<String, JsonNode> field : node.properties()) {
                    require(field.getKey(), "statement " + (rows.size() + 1));
                    fields.put(field.getKey(), field.getValue().asString(""));
                }
                rows.add(StatementRow.of(fields));
            }
            return rows;
        } catch (JacksonException broken) {
            throw new Refusal("file", "This is not JSON: " + broken.getOriginalMessage());
        }
    }

    private static List<StatementRow> fromCsv(String text) {
        char separator = text.lines().findFirst().orElse("").indexOf(';') >= 0 ? ';' : ',';
        try (CsvReader<NamedCsvRecord> reader =
                CsvReader.builder().fieldSeparator(separator).ofNamedCsvRecord(text)) {
            List<StatementRow> rows = new ArrayList<>();
            for (NamedCsvRecord record : reader) {
                StatementRow.requireFew(rows.size() + 1);
                Map<String, String> fields = new LinkedHashMap<>(record.getFieldsAsMap());
                fields.replaceAll((name, cell) -> Cells.plain(cell));
                fields.keySet().forEach(name -> require(name, "the head"));
                if (!fields.containsKey("topic") || !fields.containsKey("published")) {
                    throw new Refusal("file", "The head needs the columns topic and published at least.");
                }
                rows.add(StatementRow.of(fields));
            }
            return rows;
        } catch (CsvParseException broken) {
            throw new Refusal("file", "Row " + (broken.getMessage() == null ? "" : broken.getMessage()));
        } catch (IOException impossible) {
            throw new IllegalStateException("a text was read", impossible);
        }
    }

    private static void require(String field, String where) {
        if (!StatementRow.FIELDS.contains(field)) {
            throw new Refusal(
                    "file",
                    "In " + where + " '" + field + "' is not known; the columns are "
                            + String.join(", ", StatementRow.FIELDS) + ".");
        }
    }
}
