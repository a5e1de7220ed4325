package org.ysometron.core.calculation;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;

/** The inputs of one case, read and checked one by one. */
final class Case {

    private static final double MOST_WHOLE = 1e9;

    private final Calculation calculation;
    private final Map<String, Object> given;

    private Case(Calculation calculation, Map<String, Object> given) {
        this.calculation = calculation;
        this.given = given;
    }

    static Case of(Calculation calculation, Map<String, Object> given) {
        List<String> known = calculation.inputs().stream().map(Input::name).toList();
        for (String name : given.keySet()) {
            if (!known.contains(name)) {
                throw new CaseProblem(new Problem(
                        name,
                        "no input of " + calculation.name() + " is called '" + name + "'",
                        String.join(", ", known),
                        ""));
            }
        }
        for (Input input : calculation.inputs()) {
            if (input.required() && given.get(input.name()) == null) {
                throw new CaseProblem(new Problem(input.name(), "it is missing", described(input), ""));
            }
        }
        Case read = new Case(calculation, given);
        // Used by this case or not: what is given is right, or is said to be wrong.
        calculation.inputs().stream()
                .filter(input -> given.get(input.name()) != null)
                .forEach(read::require);
        return read;
    }

    private void require(Input input) {
        String name = input.name();
        Object value = given.get(name);
        int items = value instanceof List<?> list ? list.size() : 1;
        if (input.kind().isList()
                && (items < input.range().fewest() || items > input.range().many())) {
            throw new CaseProblem(
                    new Problem(name, items + (items == 1 ? " is" : " are") + " given", described(input), ""));
        }
        if (!input.kind().isList() && value instanceof List<?>) {
            throw new CaseProblem(new Problem(name, "a list is given", described(input), ""));
        }
        if (input.kind().isNumeric()) {
            double[] numbers = numbers(name);
            for (int i = 0; i < numbers.length; i++) {
                String where = input.kind().isList() ? name + "[" + i + "]" : name;
                if (!input.range().holds(numbers[i])) {
                    throw new CaseProblem(new Problem(
                            where, Figures.plain(numbers[i], 6) + " is out of range", described(input), ""));
                }
                if (input.kind().isWhole()) {
                    toWhole(where, numbers[i]);
                }
            }
        }
    }

    double number(String name) {
        return toNumber(name, given.get(name));
    }

    OptionalDouble optionalNumber(String name) {
        return given.get(name) == null ? OptionalDouble.empty() : OptionalDouble.of(number(name));
    }

    double number(String name, double otherwise) {
        return optionalNumber(name).orElse(otherwise);
    }

    double[] numbers(String name) {
        Object value = given.get(name);
        if (value == null) {
            return new double[0];
        }
        List<?> items = value instanceof List<?> list ? list : List.of(value);
        double[] numbers = new double[items.size()];
        for (int i = 0; i < numbers.length; i++) {
            numbers[i] = toNumber(name + "[" + i + "]", items.get(i));
        }
        return numbers;
    }

    int whole(String name) {
        return toWhole(name, number(name));
    }

    int whole(String name, int otherwise) {
        return given.get(name) == null ? otherwise : whole(name);
    }

    int[] wholes(String name) {
        double[] numbers = numbers(name);
        int[] wholes = new int[numbers.length];
        for (int i = 0; i < numbers.length; i++) {
            wholes[i] = toWhole(name + "[" + i + "]", numbers[i]);
        }
        return wholes;
    }

    <E extends Enum<E>> E word(String name, Class<E> words, E otherwise) {
        Object value = given.get(name);
        return value == null ? otherwise : toWord(name, value, words);
    }

    <E extends Enum<E>> List<E> words(String name, Class<E> words) {
        Object value = given.get(name);
        if (value == null) {
            return List.of();
        }
        List<?> items = value instanceof List<?> list ? list : List.of(value);
        List<E> found = new ArrayList<>();
        for (Object item : items) {
            found.add(toWord(name, item, words));
        }
        return found;
    }

    /** The objects of a list, each with text by key; a key that is not given is empty. */
    List<Map<String, String>> records(String name) {
        if (!(given.get(name) instanceof List<?> items)) {
            throw new CaseProblem(
                    new Problem(name, "'" + given.get(name) + "' is not a list", described(input(name)), ""));
        }
        List<Map<String, String>> records = new ArrayList<>();
        for (Object item : items) {
            if (!(item instanceof Map<?, ?> map)) {
                throw new CaseProblem(new Problem(name, "'" + item + "' is not an object", described(input(name)), ""));
            }
            Map<String, String> record = new java.util.LinkedHashMap<>();
            map.forEach((key, value) -> record.put(String.valueOf(key), String.valueOf(value)));
            records.add(record);
        }
        return records;
    }

    /** A text in an object, read as a number of the unit. */
    static double number(String where, String text, UnitOfMeasure unit) {
        Typed typed = Typed.read(where, text, unit);
        if (typed instanceof Typed.Accepted accepted) {
            return accepted.value();
        }
        throw new CaseProblem(((Typed.Refused) typed).problem());
    }

    /** A text in an object, read as one of the words. */
    static <E extends Enum<E>> E chosen(String where, String text, Class<E> words) {
        return toWord(where, text, words);
    }

    boolean has(String name) {
        return given.get(name) != null;
    }

    String text(String name) {
        return String.valueOf(given.get(name));
    }

    /** A list of texts. */
    List<String> texts(String name) {
        Object value = given.get(name);
        List<?> items = value instanceof List<?> list ? list : List.of(String.valueOf(value));
        return items.stream().map(String::valueOf).toList();
    }

    private double toNumber(String name, @Nullable Object value) {
        if (value instanceof Number number && Double.isFinite(number.doubleValue())) {
            return number.doubleValue();
        }
        Input input = input(name);
        Optional<UnitOfMeasure> unit = UnitOfMeasure.find(input.unit());
        if (value instanceof String text && unit.isPresent()) {
            Typed typed = Typed.read(name, text, unit.get());
            if (typed instanceof Typed.Accepted accepted) {
                return accepted.value();
            }
            throw new CaseProblem(((Typed.Refused) typed).problem());
        }
        if (value instanceof String text && unit.isEmpty()) {
            OptionalDouble read = plain(text);
            if (read.isPresent()) {
                return read.getAsDouble();
            }
        }
        throw new CaseProblem(new Problem(name, shown(value) + " is not a number", described(input), ""));
    }

    /** A number typed as text where it has no unit: a comma or a point, and whichever minus the keyboard has. */
    private static OptionalDouble plain(String text) {
        String typed = text.strip().replace('\u2212', '-').replace(',', '.');
        try {
            double number = typed.matches("[-+]?[0-9.]+([eE][-+]?[0-9]+)?") ? Double.parseDouble(typed) : Double.NaN;
            return Double.isFinite(number) ? OptionalDouble.of(number) : OptionalDouble.empty();
        } catch (NumberFormatException notANumber) {
            return OptionalDouble.empty();
        }
    }

    private static String shown(@Nullable Object value) {
        String text = String.valueOf(value);
        return value == null ? "nothing" : "'" + (text.length() > 60 ? text.substring(0, 60) + "…" : text) + "'";
    }

    private int toWhole(String name, double number) {
        if (number != Math.rint(number)) {
            throw new CaseProblem(
                    new Problem(name, "'" + number + "' is not a whole number", described(input(name)), ""));
        }
        if (Math.abs(number) > MOST_WHOLE) {
            throw new CaseProblem(
                    new Problem(name, Figures.plain(number, 12) + " is out of range", described(input(name)), ""));
        }
        return (int) number;
    }

    private static <E extends Enum<E>> E toWord(String name, Object value, Class<E> words) {
        String wanted = String.valueOf(value)
                .strip()
                .toUpperCase(Locale.ROOT)
                .replace(' ', '_')
                .replace('-', '_');
        for (E word : words.getEnumConstants()) {
            if (word.name().equals(wanted)) {
                return word;
            }
        }
        throw new CaseProblem(new Problem(name, "'" + value + "' is not among the words for it", Case.list(words), ""));
    }

    static <E extends Enum<E>> String list(Class<E> words) {
        return java.util.Arrays.stream(words.getEnumConstants())
                .map(word -> word.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                .collect(Collectors.joining(", "));
    }

    private Input input(String name) {
        String key = name.contains("[") ? name.substring(0, name.indexOf('[')) : name;
        return calculation.inputs().stream()
                .filter(input -> input.name().equals(key))
                .findFirst()
                .orElseThrow(() ->
                        new IllegalStateException(calculation.name() + " reads an input it does not declare: " + key));
    }

    private static String described(Input input) {
        return input.kind().words() + (input.unit().isEmpty() ? "" : " in " + input.unit()) + " ("
                + (input.rangeWords().isEmpty() ? "" : input.rangeWords() + "; ") + input.meaning() + ")";
    }
}
