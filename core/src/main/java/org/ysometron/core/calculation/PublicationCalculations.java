package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.RECORDS;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.publication.Completeness;
import org.ysometron.core.publication.Conflict;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Policy;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Calculations on what is published. */
final class PublicationCalculations {

    private static final String KEYS =
            "objects with topic, form (stated unless given), value, low, high (texts with units), "
                    + "words, qualifier, method, basis, orientation, conditioning, rate";
    private static final String SOURCE = "common practice, no source";

    /** Whether there are fibres or hard fillers in a product. */
    private enum Filled {
        YES,
        NO
    }

    private PublicationCalculations() {}

    static List<Calculation> all() {
        return List.of(completeness(), conflicts());
    }

    private static Calculation completeness() {
        return new Calculation(
                "completeness",
                "What a publication does not tell a user, where a range tells nothing, what cannot be tested",
                List.of(
                        required("family", WORD, "", Case.list(Family.class)),
                        required("statements", RECORDS, "", KEYS),
                        optional("filled", WORD, "", "yes or no: fibres or hard fillers; no unless given"),
                        optional("widestNozzleRange", NUMBER, "", "in K; 30 unless given")
                                .in(0.1, 1000)),
                "findings",
                SOURCE,
                Map.of(
                        "family",
                        "filament",
                        "statements",
                        List.of(Map.of("topic", "nozzle-temperature", "low", "190 °C", "high", "240 °C"))),
                given -> {
                    Policy policy = new Policy(
                            Policy.USUAL.typicalTolerance(),
                            given.number("widestNozzleRange", Policy.USUAL.widestNozzleRange()),
                            Policy.USUAL.leastSpecimens());
                    List<Object> rows = new ArrayList<>();
                    for (Completeness.Finding finding : Completeness.check(
                            given.word("family", Family.class, Family.FILAMENT),
                            given.word("filled", Filled.class, Filled.NO) == Filled.YES,
                            statements(given.records("statements")),
                            policy)) {
                        Map<String, Object> row = new LinkedHashMap<>();
                        row.put("kind", finding.kind().words());
                        row.put("about", finding.title());
                        row.put("what", finding.what());
                        row.put("why", finding.why());
                        row.put("proposal", finding.proposal());
                        rows.add(row);
                    }
                    return counted(rows, "complete", "wanting", "findings");
                });
    }

    private static Calculation conflicts() {
        return new Calculation(
                "publication-conflicts",
                "Where label, web page and datasheet say different things about the same",
                List.of(required(
                        "statements",
                        RECORDS,
                        "",
                        KEYS + ", and publication (" + Case.list(Publication.Kind.class) + ")")),
                "conflicts",
                SOURCE,
                Map.of(
                        "statements",
                        List.of(
                                Map.of("publication", "label", "topic", "nozzle-temperature", "value", "215 °C"),
                                Map.of("publication", "web-page", "topic", "nozzle-temperature", "value", "230 °C"))),
                PublicationCalculations::conflicts);
    }

    private static Answer conflicts(Case given) {
        Map<Publication.Kind, List<Map<String, String>>> byKind = new EnumMap<>(Publication.Kind.class);
        for (Map<String, String> item : given.records("statements")) {
            Publication.Kind kind =
                    Case.chosen("publication", item.getOrDefault("publication", ""), Publication.Kind.class);
            byKind.computeIfAbsent(kind, key -> new ArrayList<>()).add(item);
        }
        List<Publication> publications = byKind.entrySet().stream()
                .map(entry -> new Publication(entry.getKey(), 1, statements(entry.getValue())))
                .toList();
        List<Object> rows = new ArrayList<>();
        for (Conflict conflict : Conflict.among(publications)) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("about", conflict.title());
            row.put("differ", conflict.differ());
            conflict.entries()
                    .forEach(entry ->
                            row.put(entry.kind().words(), entry.statement().published()));
            rows.add(row);
        }
        return counted(rows, "agree", "conflict", "conflicts");
    }

    private static Answer counted(List<Object> rows, String none, String some, String name) {
        return new Answer(
                OptionalDouble.of(rows.size()),
                name,
                rows.isEmpty() ? none : some,
                Map.of(name, rows),
                Working.of(Step.of(name + " found", "", "", rows.size())));
    }

    private static List<Statement> statements(List<Map<String, String>> items) {
        List<Statement> statements = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            statements.add(statement("statements[" + i + "]", items.get(i)));
        }
        return statements;
    }

    private static Topic topic(String where, String text) {
        return Topic.named(
                        text.strip().toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_'))
                .orElseThrow(() -> new CaseProblem(new Problem(
                        where,
                        "'" + text + "' is not among the words for it",
                        Topic.all().stream()
                                .map(topic ->
                                        topic.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                                .collect(Collectors.joining(", ")),
                        "")));
    }

    private static Statement statement(String where, Map<String, String> item) {
        Topic topic = topic(where + ".topic", item.getOrDefault("topic", ""));
        String form = item.getOrDefault("form", Form.STATED.name());
        OptionalDouble value = number(where, item, "value", topic);
        OptionalDouble low = number(where, item, "low", topic);
        OptionalDouble high = number(where, item, "high", topic);
        String typed = item.getOrDefault("value", "")
                + (low.isPresent() || high.isPresent()
                        ? " " + item.getOrDefault("low", "") + " to " + item.getOrDefault("high", "")
                        : "");
        return new Statement(
                0,
                topic,
                Case.chosen(where + ".form", form, Form.class),
                typed.strip(),
                value,
                low,
                high,
                item.getOrDefault("words", ""),
                item.getOrDefault("qualifier", ""),
                terms(where, item),
                0);
    }

    private static Terms terms(String where, Map<String, String> item) {
        return new Terms(
                Optional.ofNullable(item.get("method")),
                word(where, item, "basis", Basis.class),
                word(where, item, "orientation", Orientation.class),
                word(where, item, "conditioning", Conditioning.class),
                item.containsKey("rate")
                        ? OptionalDouble.of(
                                Case.number(where + ".rate", item.get("rate"), UnitOfMeasure.working(Dimension.SPEED)))
                        : OptionalDouble.empty(),
                Optional.empty(),
                "",
                Build.NONE);
    }

    private static <E extends Enum<E>> Optional<E> word(
            String where, Map<String, String> item, String key, Class<E> words) {
        String text = item.get(key);
        return text == null ? Optional.empty() : Optional.of(Case.chosen(where + "." + key, text, words));
    }

    private static OptionalDouble number(String where, Map<String, String> item, String key, Topic topic) {
        String text = item.get(key);
        if (text == null || topic.dimension().isEmpty()) {
            return OptionalDouble.empty();
        }
        UnitOfMeasure unit = UnitOfMeasure.working(topic.dimension().get());
        return OptionalDouble.of(
                Case.number(where + "." + key + " of " + topic.name().toLowerCase(Locale.ROOT), text, unit));
    }
}
