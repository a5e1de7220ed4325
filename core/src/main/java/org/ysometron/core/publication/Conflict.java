package org.ysometron.core.publication;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Form;

/**
 * Two or more publications that say different things about the same thing. Silence is no contradiction: a value against
 * none, or a condition stated here and not there, is left to {@link Completeness}.
 *
 * @param key what they speak of
 * @param title the same in words
 * @param differences in which respects they differ
 * @param entries who says what
 */
public record Conflict(String key, String title, Set<Difference> differences, List<Entry> entries) {

    /** In what two statements can differ. */
    public enum Difference {
        VALUE("value"),
        RANGE("range"),
        FORM("form of the promise"),
        METHOD("method"),
        CONDITION("conditions"),
        WORDS("wording");

        private final String words;

        Difference(String words) {
            this.words = words;
        }

        /** The respect in words. */
        public String words() {
            return words;
        }
    }

    /** A publication and its statement. */
    public record Entry(Publication.Kind kind, int revision, Statement statement) {}

    /** Numbers nearer than this, relatively, are the same number converted from other units. */
    private static final double SAME = 1e-4;

    /** Copies the collections. */
    public Conflict {
        differences = differences.isEmpty() ? Set.of() : Set.copyOf(differences);
        entries = List.copyOf(entries);
    }

    /** Whether it concerns something that a test gives evidence on, so that it must be settled before a release. */
    public boolean isTested() {
        return entries.stream()
                .anyMatch(entry -> entry.statement().topic().property().isPresent());
    }

    /** The respects in words, in a fixed order. */
    public String differ() {
        return differences.stream()
                .sorted(Comparator.naturalOrder())
                .map(Difference::words)
                .collect(Collectors.joining(", "));
    }

    /** Every conflict among publications of one product, in the order of the topics. */
    public static List<Conflict> among(List<Publication> publications) {
        Map<String, List<Entry>> byKey = new LinkedHashMap<>();
        List<Entry> bare = new ArrayList<>();
        for (Publication publication : publications) {
            for (Statement statement : publication.statements()) {
                Entry entry = new Entry(publication.kind(), publication.revision(), statement);
                byKey.computeIfAbsent(statement.key(), key -> new ArrayList<>()).add(entry);
                if (statement.lacksOrientation()) {
                    bare.add(entry);
                }
            }
        }
        // A strength published without its orientation is read by a user as either: it is set against each that has
        // one.
        byKey.values().forEach(entries -> {
            Statement first = entries.get(0).statement();
            if (!first.lacksOrientation()) {
                bare.stream()
                        .filter(entry -> first.isSpokenOfBy(entry.statement()))
                        .forEach(entries::add);
            }
        });
        List<Conflict> found = new ArrayList<>();
        byKey.forEach((key, entries) -> of(key, entries).ifPresent(found::add));
        found.sort(Comparator.comparing(
                conflict -> conflict.entries.get(0).statement().topic()));
        return found;
    }

    private static Optional<Conflict> of(String key, List<Entry> entries) {
        EnumSet<Difference> differences = EnumSet.noneOf(Difference.class);
        for (int i = 0; i < entries.size(); i++) {
            for (int j = i + 1; j < entries.size(); j++) {
                // Within one publication a topic may be said twice on purpose; only places are set against places.
                if (entries.get(i).kind() != entries.get(j).kind()) {
                    differences.addAll(
                            between(entries.get(i).statement(), entries.get(j).statement()));
                }
            }
        }
        return differences.isEmpty()
                ? Optional.empty()
                : Optional.of(new Conflict(key, entries.get(0).statement().title(), differences, entries));
    }

    /** In what two statements about the same thing differ; empty when they agree or one is silent. */
    public static Set<Difference> between(Statement one, Statement other) {
        EnumSet<Difference> found = EnumSet.noneOf(Difference.class);
        if (one.topic().dimension().isEmpty()) {
            if (!folded(one.words()).equals(folded(other.words()))) {
                found.add(Difference.WORDS);
            }
            return found;
        }
        if (differ(one.value(), other.value())) {
            found.add(Difference.VALUE);
        }
        if (differ(one.low(), other.low()) || differ(one.high(), other.high())) {
            found.add(Difference.RANGE);
        }
        if (outside(one, other) || outside(other, one)) {
            found.add(Difference.VALUE);
        }
        // A bare statement promises nothing, so that it cannot promise otherwise; its numbers are compared all the
        // same.
        boolean bothPromise = one.form() != Form.STATED && other.form() != Form.STATED;
        if (bothPromise && one.form() != other.form()) {
            found.add(Difference.FORM);
        }
        Terms a = one.terms();
        Terms b = other.terms();
        if (differ(a.method(), b.method())) {
            found.add(Difference.METHOD);
        }
        if (underOther(a, b)) {
            found.add(Difference.CONDITION);
        }
        return found;
    }

    /** Whether a condition that both state differs. */
    private static boolean underOther(Terms a, Terms b) {
        return differ(a.basis(), b.basis())
                || differ(a.conditioning(), b.conditioning())
                || differ(a.rate(), b.rate())
                || differ(a.design(), b.design())
                || differ(a.build(), b.build())
                || (!a.process().isEmpty()
                        && !b.process().isEmpty()
                        && !a.process().equals(b.process()));
    }

    /** A single value here lies outside a range given there. */
    private static boolean outside(Statement single, Statement range) {
        if (single.value().isEmpty() || range.value().isPresent()) {
            return false;
        }
        double value = single.value().getAsDouble();
        return (range.low().isPresent() && value < range.low().getAsDouble() * (1 - SAME))
                || (range.high().isPresent() && value > range.high().getAsDouble() * (1 + SAME));
    }

    private static boolean differ(OptionalDouble a, OptionalDouble b) {
        if (a.isEmpty() || b.isEmpty()) {
            return false;
        }
        double size = Math.max(Math.abs(a.getAsDouble()), Math.abs(b.getAsDouble()));
        return Math.abs(a.getAsDouble() - b.getAsDouble()) > SAME * size;
    }

    /** Whether a factor that both state differs. */
    private static boolean differ(Build a, Build b) {
        for (int i = 0; i < a.factors().size(); i++) {
            String one = a.factors().get(i).getValue();
            String other = b.factors().get(i).getValue();
            if (!one.isEmpty() && !other.isEmpty() && !one.equals(other)) {
                return true;
            }
        }
        return false;
    }

    private static boolean differ(Optional<?> a, Optional<?> b) {
        return a.isPresent() && b.isPresent() && !a.equals(b);
    }

    private static String folded(String words) {
        return words.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
    }
}
