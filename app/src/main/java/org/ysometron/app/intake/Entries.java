package org.ysometron.app.intake;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.quantity.Dimension;

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

    private Entry entry(Field field) {
        return problems.entry(field.name(), field.label(), typed.get(field.name()));
    }

    String text(Field field) {
        int most = field.kind() == Field.Kind.LINES ? LONGEST_LINES : LONGEST;
        String text =
                field.required() ? entry(field).needed(most) : entry(field).text(most);
        return text.length() > most ? "" : text;
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
        OptionalDouble read = entry(field).quantity(field.bareUnit());
        // Ovens, nozzles and baths are heated; frost is a temperature, and here a slip of the keyboard.
        if (dimension == Dimension.TEMPERATURE && read.isPresent() && !(read.getAsDouble() > 0)) {
            entry(field).wrong("is not above 0 °C: what is meant here is heated");
            return OptionalDouble.empty();
        }
        return read;
    }

    /** A bare number, whose unit stands in another field. */
    OptionalDouble number(Field field) {
        return text(field).isEmpty() ? OptionalDouble.empty() : entry(field).number(Double.MAX_VALUE, "12.5");
    }

    Optional<String> choice(Field field) {
        text(field);
        return entry(field)
                .choice(field.options().stream().map(Field.Option::value).toList());
    }

    Optional<LocalDateTime> moment(Field field) {
        return text(field).isEmpty() ? Optional.empty() : entry(field).neededMoment();
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

    /** A length in a line, with or without mm behind it; 1 where it is none, which is then said. */
    double millimetres(Field field, int line, String text) {
        return problems.cell(field.name(), "line " + (line + 1), text)
                .neededQuantity(Dimension.LENGTH)
                .orElse(1);
    }

    /** A bare number in a line, of which the caller says what is wrong. */
    static OptionalDouble bare(String text) {
        return new Problems().entry("", "", text).number(Double.MAX_VALUE, "");
    }

    void wrong(Field field, String message) {
        problems.add(field.name(), message);
    }
}
