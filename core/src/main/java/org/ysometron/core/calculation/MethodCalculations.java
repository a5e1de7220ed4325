package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.calculation.Input.Kind;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.MethodData;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Pinned;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Noted;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.rubric.Rubric;

/** A calculation for each characteristic of each method, made from the method's sheet; none is named here. */
final class MethodCalculations {

    private static final String END = "end";
    private static final String CAPACITY = "capacity";

    private MethodCalculations() {}

    static List<Calculation> all() {
        return Methods.all().stream()
                .flatMap(method -> method.data().characteristics().stream().map(one -> of(method, one)))
                .toList();
    }

    static Optional<Calculation> named(String name) {
        return Methods.giving(name).flatMap(method -> method.data().characteristics().stream()
                .filter(one -> one.id().equals(name))
                .findFirst()
                .map(one -> of(method, one)));
    }

    private static Calculation of(Method method, Characteristic characteristic) {
        MethodData data = method.data();
        return new Calculation(
                characteristic.id(),
                characteristic.title() + " of one specimen: " + characteristic.definition(),
                inputs(data),
                characteristic.unit(),
                data.title() + ", " + data.standard(),
                example(data),
                given -> answer(method, characteristic, given));
    }

    private static List<Input> inputs(MethodData data) {
        List<Input> inputs = new ArrayList<>();
        for (Field field : inputsOf(data)) {
            inputs.add(input(field));
        }
        data.parameters()
                .forEach((key, parameter) -> inputs.add(optional(
                                key,
                                Kind.NUMBER,
                                parameter.dimension().workingUnit(),
                                parameter.words() + "; pinned to " + parameter.typed() + " unless given")
                        .positive()));
        String ends = data.ends().keySet().stream().map(End::key).collect(Collectors.joining(", "));
        inputs.add(optional(END, Kind.WORD, "", ends + "; " + data.usualEnd().key() + " unless given"));
        data.endedBy()
                .flatMap(data.sheet()::field)
                .ifPresent(field -> inputs.add(optional(
                                CAPACITY,
                                Kind.NUMBER,
                                field.dimension().workingUnit(),
                                "capacity of what reads the " + field.words() + "; no limit unless given")
                        .positive()));
        return inputs;
    }

    /** What a result is made of, and the zero, for which it may not count. */
    private static List<Field> inputsOf(MethodData data) {
        List<Field> fields = new ArrayList<>(data.sheet().asked());
        fields.addAll(data.sheet().of(Field.Role.MASTER));
        data.sheet().of(Field.Role.RECORDED).stream().filter(Field::isQuantity).forEach(fields::add);
        data.sheet().field(Noted.ZERO).ifPresent(fields::add);
        return fields;
    }

    private static Input input(Field field) {
        String unit = field.isQuantity() ? field.dimension().workingUnit() : "";
        String words = field.words()
                + (field.kind() == Field.Kind.CHOICE ? ": " + String.join(", ", field.choices()) : "")
                + (field.rubric() == null ? "" : ": " + field.rubric().line());
        Kind kind =
                switch (field.kind()) {
                    case CHOICE, TEXT -> Kind.WORD;
                    case COUNT -> field.places() == 1 ? Kind.WHOLE : Kind.WHOLES;
                    default -> field.places() == 1 ? Kind.NUMBER : Kind.NUMBERS;
                };
        Input input =
                field.optional() ? optional(field.key(), kind, unit, words) : required(field.key(), kind, unit, words);
        Input ranged =
                switch (field.kind()) {
                    case CHOICE, TEXT -> input;
                    case NUMBER -> input.positive();
                    case SIGNED -> input.in(-Input.FAR, Input.FAR);
                    case GRADE, STEP_GRADE -> ofScale(input, field.rubric());
                    default -> input.in(0, Input.FAR);
                };
        return field.places() == 1 ? ranged : ranged.items(1, field.places());
    }

    private static Input ofScale(Input input, @Nullable Rubric rubric) {
        return rubric == null
                ? input
                : input.in(rubric.lowest().value(), rubric.highest().value());
    }

    /** The method's own example, its zeros as numbers: a text is read as somebody's typing, and nobody types no length. */
    private static Map<String, Object> example(MethodData data) {
        Map<String, Object> example = new LinkedHashMap<>();
        data.example().forEach((key, texts) -> {
            boolean one =
                    data.sheet().field(key).map(field -> field.places() == 1).orElse(true);
            List<Object> values = texts.stream().map(MethodCalculations::bare).toList();
            example.put(key, one ? values.get(0) : values);
        });
        return example;
    }

    private static Object bare(String text) {
        return text.matches("-?[0-9]+([.][0-9]+)?") ? (Object) Double.valueOf(text) : text;
    }

    private static Answer answer(Method method, Characteristic characteristic, Case given) {
        MethodData data = method.data();
        Pinned pinned = data.pinned();
        for (String key : data.parameters().keySet()) {
            pinned = given.has(key) ? pinned.with(key, given.number(key)) : pinned;
        }
        End end = given.has(END) ? end(data, given.text(END)) : data.usualEnd();
        Reduced result = method.results(readings(data, given), pinned, end, given.optionalNumber(CAPACITY)).stream()
                .filter(one -> one.characteristic().equals(characteristic))
                .findFirst()
                .orElseThrow();
        Map<String, Object> more = new LinkedHashMap<>();
        if (!result.reason().isEmpty()) {
            more.put("reason", result.reason());
        }
        if (result.value().isEmpty() && result.shown().isPresent()) {
            more.put("shown", result.shown().getAsDouble());
        }
        if (!result.notes().isEmpty()) {
            more.put("notes", result.notes());
        }
        return new Answer(result.value(), characteristic.unit(), result.made().key(), more, result.working())
                .withIfPresent("upper", result.upper());
    }

    private static Readings readings(MethodData data, Case given) {
        Map<String, double[]> numbers = new LinkedHashMap<>();
        Map<String, String> choices = new LinkedHashMap<>();
        for (Field field : inputsOf(data)) {
            if (given.has(field.key()) && field.kind() == Field.Kind.CHOICE) {
                String word = given.text(field.key());
                if (!field.choices().contains(word)) {
                    throw refused(field.key(), word, String.join(", ", field.choices()));
                }
                choices.put(field.key(), word);
            } else if (given.has(field.key())) {
                numbers.put(field.key(), given.numbers(field.key()));
            }
        }
        return new Readings(numbers, choices);
    }

    private static End end(MethodData data, String key) {
        return End.of(key)
                .filter(data.ends()::containsKey)
                .orElseThrow(() -> refused(
                        END, key, data.ends().keySet().stream().map(End::key).collect(Collectors.joining(", "))));
    }

    private static CaseProblem refused(String where, String word, String known) {
        return new CaseProblem(new Problem(where, "'" + word + "' is none of its words", known, ""));
    }
}
