package org.ysometron.app.intake;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.app.web.Problems;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The fields of a record as typed, read one by one; what is wrong is gathered at its field. */
final class Entries {

    private static final int LONGEST = 200;
    private static final int LONGEST_LINES = 4000;

    private final Map<String, String> typed;
    private final Problems problems;

    Entries(Map<String, String> typed, Problems problems) {
        this.typed = typed;
        this.problems = problems;
    }

    String text(Field field) {
        String text = typed.getOrDefault(field.name(), "").strip();
        int most = field.kind() == Field.Kind.LINES ? LONGEST_LINES : LONGEST;
        if (text.isEmpty() && field.required()) {
            problems.add(field.name(), field.label() + " is missing.");
        } else if (text.length() > most) {
            problems.add(field.name(), field.label() + " has more than " + most + " characters.");
            return "";
        }
        return text;
    }

    OptionalDouble quantity(Field field) {
        String text = text(field);
        Dimension dimension = field.dimension();
        if (text.isEmpty() || dimension == null) {
            return OptionalDouble.empty();
        }
        if (dimension == Dimension.RATIO && text.matches("0+([.,]0+)?\\s*%?")) {
            return OptionalDouble.of(0);
        }
        Typed read = Typed.read(field.label(), text, field.bareUnit());
        if (read instanceof Typed.Accepted accepted) {
            // Ovens, nozzles and baths are heated; frost is a temperature, and here a slip of the keyboard.
            if (dimension == Dimension.TEMPERATURE && !(accepted.value() > 0)) {
                problems.add(field.name(), "'" + text + "' is not above 0 °C: what is meant here is heated.");
                return OptionalDouble.empty();
            }
            return OptionalDouble.of(accepted.value());
        }
        problems.add(field.name(), ((Typed.Refused) read).problem().beside());
        return OptionalDouble.empty();
    }

    /** A bare number, whose unit stands in another field. */
    OptionalDouble number(Field field) {
        String text = text(field);
        if (text.isEmpty()) {
            return OptionalDouble.empty();
        }
        Optional<Double> number = plain(text);
        if (number.isEmpty()) {
            problems.add(field.name(), "'" + text + "' is not a number above zero.");
        }
        return number.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    Optional<String> choice(Field field) {
        String text = text(field);
        Optional<String> found = field.options().stream()
                .map(Field.Option::value)
                .filter(text::equals)
                .findFirst();
        if (found.isEmpty() && !text.isEmpty()) {
            problems.add(field.name(), "'" + text + "' cannot be chosen here.");
        }
        return found;
    }

    Optional<LocalDateTime> moment(Field field) {
        String text = text(field);
        return text.isEmpty() ? Optional.empty() : Optional.ofNullable(problems.moment(field.name(), text));
    }

    /** The lines of a field, each cut at blanks, tabs and semicolons; empty lines are passed over. */
    List<List<String>> lines(Field field) {
        List<List<String>> lines = new ArrayList<>();
        for (String line : text(field).split("\\R")) {
            if (!line.isBlank()) {
                lines.add(List.of(line.strip().split("[\\s;]+")));
            }
        }
        return lines;
    }

    /** A number in a line, with or without mm behind it. */
    double millimetres(Field field, int line, String text) {
        Typed read = Typed.read("line " + (line + 1), text, UnitOfMeasure.working(Dimension.LENGTH));
        if (read instanceof Typed.Accepted accepted) {
            return accepted.value();
        }
        problems.add(field.name(), ((Typed.Refused) read).problem().text());
        return 1;
    }

    static Optional<Double> plain(String text) {
        try {
            double value = Double.parseDouble(text.replace(',', '.'));
            return value > 0 && Double.isFinite(value) ? Optional.of(value) : Optional.empty();
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }

    void wrong(Field field, String message) {
        problems.add(field.name(), message);
    }
}
