package org.ysometron.app.product;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.product.Publications.ConflictView;
import org.ysometron.app.product.Publications.PublicationView;
import org.ysometron.core.publication.Completeness;
import org.ysometron.core.publication.Conflict;
import org.ysometron.core.publication.Policy;
import org.ysometron.core.publication.Publication;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;

/** Shapes a product's file for its page: publications side by side, what differs, what is wanting. */
@Component
class ProductFile {

    private final Publications publications;

    ProductFile(Publications publications) {
        this.publications = publications;
    }

    /**
     * A publication's column.
     *
     * @param view null when nothing of the kind was published
     */
    record Column(Publication.Kind kind, @Nullable PublicationView view, int findings) {}

    /** What one publication says about the row's topic. */
    record Cell(String published, String terms, boolean differs) {}

    /** A topic with what each publication says about it. */
    record Row(String title, List<Cell> cells, @Nullable ConflictView conflict, boolean verified, String note) {}

    /** A finding and the publications that it holds for. */
    record Wanting(Completeness.Finding finding, String where) {}

    /** The whole file. */
    record View(
            List<Column> columns,
            List<Row> rows,
            List<Wanting> wanting,
            List<Row> notVerified,
            long unsettled,
            List<PublicationView> revisions) {}

    View of(Products.ProductView product) {
        Map<Publication.Kind, PublicationView> newest = new EnumMap<>(Publication.Kind.class);
        Map<Publication.Kind, List<Statement>> said = new EnumMap<>(Publication.Kind.class);
        for (Publication.Kind kind : Publication.Kind.values()) {
            publications.newest(product.id(), kind).ifPresent(view -> {
                newest.put(kind, view);
                said.put(kind, publications.statements(view.id()));
            });
        }
        List<ConflictView> conflicts = publications.conflicts(product.id(), null);
        Set<Long> claimed = Optional.ofNullable(newest.get(Publication.Kind.DATASHEET))
                .map(view ->
                        publications.claims(view.id()).stream().map(Claim::id).collect(Collectors.toSet()))
                .orElse(Set.of());
        List<Row> rows = rows(said, conflicts, claimed);
        Map<Completeness.Finding, List<String>> findings = new LinkedHashMap<>();
        List<Column> columns = new ArrayList<>();
        for (Publication.Kind kind : Publication.Kind.values()) {
            List<Completeness.Finding> found = said.containsKey(kind)
                    ? Completeness.check(product.family(), product.filled(), said.get(kind), Policy.USUAL)
                    : List.of();
            found.forEach(finding ->
                    findings.computeIfAbsent(finding, key -> new ArrayList<>()).add(kind.words()));
            columns.add(new Column(kind, newest.get(kind), found.size()));
        }
        List<Wanting> wanting = findings.entrySet().stream()
                .map(entry -> new Wanting(entry.getKey(), String.join(", ", entry.getValue())))
                .sorted(java.util.Comparator.comparing(w -> w.finding().kind()))
                .toList();
        return new View(
                columns,
                rows,
                wanting,
                rows.stream().filter(row -> !row.verified()).toList(),
                conflicts.stream().filter(c -> c.resolution() == null).count(),
                publications.all(product.id()));
    }

    private static List<Row> rows(
            Map<Publication.Kind, List<Statement>> said, List<ConflictView> conflicts, Set<Long> claimed) {
        Map<String, Statement> keys = new LinkedHashMap<>();
        for (List<Statement> statements : said.values()) {
            statements.forEach(statement -> keys.putIfAbsent(statement.key(), statement));
        }
        Set<String> ordered = new TreeSet<>(java.util.Comparator.comparing((String key) -> {
                    Statement statement = java.util.Objects.requireNonNull(keys.get(key));
                    return statement.topic();
                })
                .thenComparing(key -> key));
        ordered.addAll(keys.keySet());
        List<Row> rows = new ArrayList<>();
        for (String key : ordered) {
            ConflictView conflict = conflicts.stream()
                    .filter(c -> c.conflict().key().equals(key))
                    .findFirst()
                    .orElse(null);
            List<Cell> cells = new ArrayList<>();
            boolean verified = false;
            for (Publication.Kind kind : Publication.Kind.values()) {
                List<Statement> here = said.getOrDefault(kind, List.of()).stream()
                        .filter(statement -> statement.key().equals(key))
                        .toList();
                verified |= here.stream().anyMatch(statement -> claimed.contains(statement.id()));
                cells.add(cell(here, conflict));
            }
            Statement first = java.util.Objects.requireNonNull(keys.get(key));
            rows.add(new Row(first.title(), cells, conflict, verified, note(first)));
        }
        return rows;
    }

    private static Cell cell(List<Statement> here, @Nullable ConflictView conflict) {
        String published = here.stream().map(Statement::published).collect(Collectors.joining("; "));
        String terms = here.stream()
                .map(statement -> statement.terms().words())
                .distinct()
                .collect(Collectors.joining("; "));
        boolean differs = conflict != null
                && here.stream().anyMatch(statement -> conflict.conflict().entries().stream()
                        .map(Conflict.Entry::statement)
                        .anyMatch(other -> other.id() != statement.id()
                                && !Conflict.between(statement, other).isEmpty()));
        return new Cell(published, terms, differs);
    }

    private static String note(Statement statement) {
        if (statement.topic().property().isEmpty()) {
            return statement.topic().equals(Topic.WORDING) ? "words" : "a setting";
        }
        return Completeness.untestableFor(statement).isEmpty()
                ? "not promised by the datasheet in a form that can be verified"
                : "untestable as published";
    }
}
