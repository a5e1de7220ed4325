package org.ysometron.core.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * The fields in the order in which they are read, and the one reader of what is typed into them: bench, paste, file and command
 * line go through here.
 *
 * @param fields each key once
 */
public record Sheet(List<Field> fields) {

    /** Checks that no key stands twice. */
    public Sheet {
        fields = List.copyOf(fields);
        Set<String> keys = new HashSet<>();
        for (Field field : fields) {
            if (!keys.add(field.key())) {
                throw new IllegalArgumentException("the field '" + field.key() + "' stands twice on the sheet");
            }
        }
    }

    /** The fields that are read of a specimen and that a result is made of: all but what is only noted, and what a master has. */
    public List<Field> asked() {
        return fields.stream()
                .filter(field -> field.role() == Field.Role.SIZE || field.role() == Field.Role.TEST)
                .toList();
    }

    /** The fields of one role, in order. */
    public List<Field> of(Field.Role role) {
        return fields.stream().filter(field -> field.role() == role).toList();
    }

    /** What is read, with how often and in which unit, for a sheet of paper: width ×3, mm. */
    public List<String> described() {
        return asked().stream()
                .map(field -> field.words()
                        + (field.places() == 1 ? "" : " ×" + field.places())
                        + (field.unit().isEmpty() ? "" : ", " + field.unit())
                        + (field.kind() == Field.Kind.CHOICE ? ": " + String.join(", ", field.choices()) : "")
                        + (field.rubric() == null ? "" : ": " + field.rubric().line()))
                .toList();
    }

    /** The field of this key. */
    public Optional<Field> field(String key) {
        return fields.stream().filter(field -> field.key().equals(key)).findFirst();
    }

    /**
     * What came of what was typed.
     *
     * @param readings all that could be read
     * @param problems what could not, each with its field and place; empty when all is right
     */
    public record Taken(Readings readings, List<Problem> problems) {}

    /**
     * Reads what was typed, field by field; one that is wrong never takes the others down.
     *
     * @param typed texts by key, one a place; blank texts are passed over
     */
    public Taken read(Map<String, List<String>> typed) {
        Map<String, double[]> numbers = new LinkedHashMap<>();
        Map<String, String> choices = new LinkedHashMap<>();
        List<Problem> problems = new ArrayList<>();
        for (String key : typed.keySet()) {
            if (field(key).isEmpty()) {
                problems.add(new Problem(key, "the sheet has no such field", String.join(", ", keys()), ""));
            }
        }
        for (Field field : fields) {
            List<String> texts = typed.getOrDefault(field.key(), List.of()).stream()
                    .map(String::strip)
                    .filter(text -> !text.isEmpty())
                    .toList();
            if (texts.isEmpty()) {
                if (!field.optional()) {
                    problems.add(new Problem(field.words(), "nothing was read", described(field), ""));
                }
            } else if (field.kind() == Field.Kind.TRACE) {
                problems.add(recordTyped(field.words()));
            } else if (field.kind() == Field.Kind.TEXT) {
                choices.put(field.key(), String.join(" ", texts));
            } else if (field.kind() == Field.Kind.CHOICE) {
                choose(field, texts, choices, problems);
            } else {
                number(field, texts, numbers, problems);
            }
        }
        return new Taken(new Readings(numbers, choices), List.copyOf(problems));
    }

    private static Problem recordTyped(String where) {
        return new Problem(
                where,
                "a record is not typed",
                "a file of it, or an instrument",
                "Take it in on the page of the lot's records.");
    }

    private List<String> keys() {
        return fields.stream().map(Field::key).toList();
    }

    private static void choose(Field field, List<String> texts, Map<String, String> into, List<Problem> problems) {
        if (texts.size() == 1 && field.choices().contains(texts.get(0))) {
            into.put(field.key(), texts.get(0));
        } else {
            String found = "'" + String.join("', '", texts) + "' is none of its words";
            problems.add(new Problem(field.words(), found, described(field), ""));
        }
    }

    private static void number(Field field, List<String> texts, Map<String, double[]> into, List<Problem> problems) {
        if (texts.size() > field.places()) {
            String found = texts.size() + " readings";
            problems.add(new Problem(field.words(), found, "at most " + field.places(), ""));
            return;
        }
        double[] values = new double[texts.size()];
        for (int i = 0; i < values.length; i++) {
            Optional<Problem> problem = number(field, field.label(i + 1), texts.get(i), values, i);
            if (problem.isPresent()) {
                problems.add(problem.get());
                return;
            }
        }
        into.put(field.key(), values);
    }

    /**
     * What came of one text in one place of a field.
     *
     * @param value in the working unit; empty for a word
     * @param shown what it was converted from; empty where it was typed in the working unit
     * @param problem why it cannot be taken; empty when it can
     */
    public record One(OptionalDouble value, String shown, Optional<Problem> problem) {

        private static One refused(Problem problem) {
            return new One(OptionalDouble.empty(), "", Optional.of(problem));
        }
    }

    /** Reads one text for one place of a field. */
    public static One read(Field field, int place, String text) {
        String where = field.label(place);
        if (field.kind() == Field.Kind.TRACE) {
            return One.refused(recordTyped(where));
        }
        if (field.kind() == Field.Kind.TEXT) {
            return text.isBlank()
                    ? One.refused(new Problem(where, "nothing was typed", "a few words", ""))
                    : new One(OptionalDouble.empty(), "", Optional.empty());
        }
        if (field.kind() == Field.Kind.CHOICE) {
            return field.choices().contains(text.strip())
                    ? new One(OptionalDouble.empty(), "", Optional.empty())
                    : One.refused(new Problem(where, "'" + text + "' is none of its words", described(field), ""));
        }
        double[] into = new double[1];
        Optional<Problem> problem = number(field, where, text.strip(), into, 0);
        if (problem.isPresent()) {
            return One.refused(problem.get());
        }
        if (field.rubric() != null) {
            return new One(OptionalDouble.of(into[0]), "", Optional.empty());
        }
        Typed typed = Typed.readSigned(where, text, UnitOfMeasure.working(field.dimension()));
        String shown = typed instanceof Typed.Accepted accepted && accepted.isConverted() ? accepted.text() : "";
        return new One(OptionalDouble.of(into[0]), shown, Optional.empty());
    }

    private static Optional<Problem> number(Field field, String where, String text, double[] into, int place) {
        if (field.rubric() != null) {
            OptionalDouble grade = field.rubric().read(text);
            into[place] = grade.orElse(0);
            return grade.isPresent()
                    ? Optional.empty()
                    : Optional.of(new Problem(
                            where,
                            "'" + text + "' is no grade of the scale",
                            field.rubric().described(),
                            "Nothing is better than its best and nothing worse than its worst."));
        }
        boolean zero = field.kind() != Field.Kind.NUMBER && text.matches("[+-]?0+([.,]0*)?(\\s.*)?");
        if (zero) {
            into[place] = 0;
            return Optional.empty();
        }
        UnitOfMeasure unit = UnitOfMeasure.working(field.dimension());
        Typed typed =
                field.kind() == Field.Kind.SIGNED ? Typed.readSigned(where, text, unit) : Typed.read(where, text, unit);
        if (typed instanceof Typed.Refused refused) {
            return Optional.of(refused.problem());
        }
        double value = ((Typed.Accepted) typed).value();
        if (field.kind() == Field.Kind.COUNT && Math.rint(value) != value) {
            return Optional.of(new Problem(where, "'" + text + "' is not a whole number", described(field), ""));
        }
        into[place] = value;
        return Optional.empty();
    }

    private static String described(Field field) {
        if (field.rubric() != null) {
            return field.rubric().described();
        }
        return switch (field.kind()) {
            case CHOICE -> "one of " + String.join(", ", field.choices());
            case COUNT -> "a whole number from 0 on";
            case TEXT -> "a few words";
            case TRACE -> "a record";
            case SIGNED ->
                field.dimension().phrase() + " of either sign, for example "
                        + field.dimension().example();
            default ->
                field.dimension().phrase() + ", for example "
                        + field.dimension().example();
        };
    }
}
