package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.calculation.Calculations;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.reading.Field;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.reading.Sheet;

/** What holds of every method, the one that only the tests have included. */
class MethodContractTest {

    static List<Method> all() {
        return Methods.all();
    }

    private static Readings example(Method method) {
        return method.data().sheet().read(method.data().example()).readings();
    }

    private static Map<String, Reduced> results(Method method, Readings readings, Pinned pinned, End end) {
        Map<String, Reduced> byId = new LinkedHashMap<>();
        method.results(readings, pinned, end, OptionalDouble.empty())
                .forEach(one -> byId.put(one.characteristic().id(), one));
        return byId;
    }

    /** A class, a file and cases in the tests' own folder are a method: found, computed and checked with no other line. */
    @Test
    void aMethodOfTheTestsAloneIsOne() {
        assertThat(Methods.of("rebound")).isPresent();
        assertThat(Methods.all()).hasSizeGreaterThan(5);
        assertThat(Calculations.named("resilience")
                        .orElseThrow()
                        .compute(Map.of("back", 100, "drop", "0.5 m"))
                        .value())
                .hasValue(0.2);
        assertThat(Calculations.named("resilience").orElseThrow().inputs())
                .extracting(input -> input.name())
                .containsExactly("back", "drop", "end");
    }

    @ParameterizedTest
    @MethodSource("all")
    void itsExampleGivesEachCharacteristicWithItsWorking(Method method) {
        Map<String, Reduced> results = results(
                method, example(method), method.data().pinned(), method.data().usualEnd());

        assertThat(results.keySet())
                .containsExactlyElementsOf(method.data().characteristics().stream()
                        .map(Characteristic::id)
                        .toList());
        Map<String, Reduced.Made> makes = method.data().ends().get(method.data().usualEnd());
        results.values().forEach(result -> {
            Reduced.Made made = makes.getOrDefault(result.characteristic().id(), Reduced.Made.VALUE);
            assertThat(made).isNotEqualTo(Reduced.Made.NOTHING);
            assertThat(result.made()).isEqualTo(result.upper().isPresent() ? Reduced.Made.BETWEEN : made);
            assertThat(result.working().steps())
                    .as(result.characteristic().id())
                    .anySatisfy(step ->
                            assertThat(step.value()).isEqualTo(result.value().orElseThrow()));
        });
    }

    /** Cases lie beside it in the tests, each under a line that says where its figure is from. */
    @ParameterizedTest
    @MethodSource("all")
    void eachCharacteristicHasCasesWithTheirSource(Method method) throws IOException {
        String name = "/org/ysometron/core/method/" + method.data().id() + ".txt";
        try (InputStream in = Objects.requireNonNull(MethodContractTest.class.getResourceAsStream(name), name)) {
            List<String> lines = new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .toList();
            assertThat(lines.get(0)).startsWith("# ");
            for (Characteristic characteristic : method.data().characteristics()) {
                assertThat(lines)
                        .as("a case of %s", characteristic.id())
                        .anyMatch(line -> line.startsWith(characteristic.id() + " |"));
            }
        }
    }

    /** Whatever its end makes of a figure is what comes out, with the end in words; an end of another method is refused. */
    @ParameterizedTest
    @MethodSource("all")
    void everyEndIsHandled(Method method) {
        for (End end : End.values()) {
            Map<String, Reduced.Made> makes = method.data().ends().get(end);
            boolean stepped =
                    results(
                                    method,
                                    example(method),
                                    method.data().pinned(),
                                    method.data().usualEnd())
                            .values()
                            .stream()
                            .anyMatch(result -> result.made() == Reduced.Made.BETWEEN);
            if (makes != null && end == End.HELD_TO_THE_END && stepped) {
                // The example says where it did not hold.
                assertThatThrownBy(() ->
                                results(method, example(method), method.data().pinned(), end))
                        .hasMessageContaining("one of the two is wrong");
                continue;
            }
            if (makes == null) {
                assertThatThrownBy(() ->
                                results(method, example(method), method.data().pinned(), end))
                        .hasMessageContaining(end.key())
                        .hasMessageContaining(method.data().title());
                continue;
            }
            results(method, example(method), method.data().pinned(), end).forEach((id, result) -> {
                Reduced.Made made = makes.getOrDefault(id, Reduced.Made.VALUE);
                boolean whole = made == Reduced.Made.VALUE;
                assertThat(result.made())
                        .as("%s, %s", id, end)
                        .isEqualTo(whole && result.upper().isPresent() ? Reduced.Made.BETWEEN : made);
                assertThat(result.value().isPresent()).isEqualTo(made != Reduced.Made.NOTHING);
                assertThat(result.upper().isEmpty() || whole)
                        .as("only a whole figure is an interval")
                        .isTrue();
                assertThat(result.reason())
                        .isEqualTo(
                                whole
                                        ? ""
                                        : made == Reduced.Made.AT_MOST
                                                ? end.words() + ": an upper bound"
                                                : end.because());
            });
        }
    }

    /** M26: the travel of a crosshead gives a strain at break and no modulus, which needs loads with their own deflections. */
    @Test
    void m26TravelAloneGivesNoModulus() {
        Method bending = Methods.of("three-point-bending").orElseThrow();
        Readings travel = bending.data()
                .sheet()
                .read(Map.of(
                        "width", List.of("10 mm"),
                        "thickness", List.of("4 mm"),
                        "force", List.of("118 N"),
                        "travel", List.of("7.4 mm")))
                .readings();
        Map<String, Reduced> results = results(bending, travel, bending.data().pinned(), End.BROKE);
        assertThat(results.get("flexural-strain-at-break").made()).isEqualTo(Reduced.Made.VALUE);
        assertThat(results.get("flexural-modulus").made()).isEqualTo(Reduced.Made.NOTHING);
        assertThat(results.get("flexural-modulus").reason()).contains("two loads, each with its deflection");
    }

    /** What an instrument shows beyond its range is no reading: a bound at its capacity, whatever end was given, void excepted. */
    @ParameterizedTest
    @MethodSource("all")
    void beyondTheCapacityIsABound(Method method) {
        if (method.data().endedBy().isEmpty()) {
            return;
        }
        String key = method.data().endedBy().get();
        double half = example(method).number(key) / 2;
        Map<String, Reduced> full = results(
                method,
                example(method).with(key, half),
                method.data().pinned(),
                method.data().usualEnd());
        List<Reduced> limited = method.results(
                example(method), method.data().pinned(), method.data().usualEnd(), OptionalDouble.of(half));
        for (Reduced result : limited) {
            Reduced.Made made = method.data()
                    .ends()
                    .get(End.OVER_CAPACITY)
                    .getOrDefault(result.characteristic().id(), Reduced.Made.VALUE);
            assertThat(result.made()).isEqualTo(made);
            assertThat(result.value())
                    .isEqualTo(full.get(result.characteristic().id()).value());
        }
        End out = method.data().ends().keySet().stream()
                .filter(method.data()::excludes)
                .findFirst()
                .orElseThrow();
        assertThat(method.results(example(method), method.data().pinned(), out, OptionalDouble.of(half)))
                .allMatch(result -> result.made() == Reduced.Made.NOTHING);
    }

    /**
     * Every formula is homogeneous: lengths times λ and forces times φ give what the characteristic's own dimension says, whatever
     * the numbers; a mass hangs as its weight does. (Dimensional analysis; found in any mechanics textbook.)
     */
    @ParameterizedTest
    @MethodSource("all")
    void itsFormulasAreHomogeneous(Method method) {
        double length = 1.7;
        double force = 2.3;
        Map<String, double[]> scaled = new LinkedHashMap<>();
        Readings before = example(method);
        for (Field field : method.data().sheet().fields()) {
            double[] values = before.all(field.key());
            if (values.length > 0) {
                // A grade is no quantity, though its steps may be counted in one.
                double factor = field.rubric() == null ? factor(field.dimension(), length, force) : 1;
                scaled.put(
                        field.key(),
                        java.util.Arrays.stream(values).map(x -> x * factor).toArray());
            }
        }
        Pinned pinned = method.data().pinned();
        for (Map.Entry<String, Pinned.Parameter> parameter :
                method.data().parameters().entrySet()) {
            double factor = factor(parameter.getValue().dimension(), length, force);
            pinned = pinned.with(parameter.getKey(), parameter.getValue().value() * factor);
        }
        Map<String, Reduced> first =
                results(method, before, method.data().pinned(), method.data().usualEnd());
        results(method, new Readings(scaled, Map.of()), pinned, method.data().usualEnd())
                .forEach((id, result) -> {
                    double expected =
                            Objects.requireNonNull(first.get(id)).value().orElseThrow()
                                    * (method.data()
                                                    .sheet()
                                                    .field(id)
                                                    .filter(field -> field.rubric() != null)
                                                    .isPresent()
                                            ? 1
                                            : factor(result.characteristic().dimension(), length, force));
                    assertThat(result.value().orElseThrow())
                            .as(id)
                            .isCloseTo(expected, within(1e-9 * Math.max(1e-3, Math.abs(expected))));
                });
    }

    private static double factor(Dimension dimension, double length, double force) {
        return switch (dimension) {
            case LENGTH -> length;
            case AREA -> length * length;
            case FORCE, MASS -> force;
            case DENSITY -> force / Math.pow(length, 3);
            case STRESS -> force / length / length;
            case TORQUE, ENERGY -> force * length;
            case ENERGY_PER_AREA, FORCE_PER_LENGTH -> force / length;
            case ENERGY_PER_LENGTH -> force;
            default -> 1;
        };
    }

    /** A size has one name: the same key on two sheets is the same size, or one of them would start every chart of it anew. */
    @Test
    void aSizeOfTwoMethodsIsOne() {
        Map<String, Characteristic> known = new LinkedHashMap<>();
        for (Method method : all()) {
            for (Characteristic size : Characteristics.sizes(method)) {
                assertThat(size).as(method.data().id()).isEqualTo(known.getOrDefault(size.id(), size));
                known.put(size.id(), size);
            }
        }
    }

    /** Order of readings does not matter; the name of each field is there for people. */
    @ParameterizedTest
    @MethodSource("all")
    void aSheetCanBeReadByPeople(Method method) {
        Sheet sheet = method.data().sheet();
        assertThat(sheet.fields()).extracting(Field::words).doesNotHaveDuplicates();
        assertThat(method.data().hazards()).allMatch(hazard -> hazard.length() > 10);
        assertThat(method.data().title()).hasSizeGreaterThan(3);
        assertThat(method.data().characteristics())
                .filteredOn(Characteristic::hasRatio)
                .allSatisfy(one -> assertThat(one.over(Ratio.UPRIGHT_FLAT).id()).isEqualTo("upright-flat-" + one.id()));
        Sheet.Taken unknown = sheet.read(Map.of("colour", List.of("red")));
        assertThat(unknown.problems().get(0).text()).contains("colour: the sheet has no such field");
        assertThat(Stream.of(End.values()).map(End::key)).doesNotHaveDuplicates();
    }

    // ---- the file ------------------------------------------------------------------------------------------------

    private static final String GOOD = """
            id: drop
            title: a drop
            standard: none
            equipment: weights
            minutes: 2
            hazards: [Mind your feet below.]
            designs: [hook]
            sheet:
              - {key: height, words: height, dimension: length, role: test}
            ends:
              broke: {}
              void: {all: nothing}
            characteristics:
              - {id: fall, title: Fall, dimension: length, digits: 3, better: more, definition: how far it fell}
            example: {height: 3 mm}
            """;

    /** Whatever is wrong is said with the file's name and the line. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "minutes: 2 | minutes: two | drop.yaml, line 5: 'two' is not a whole number",
                "designs: [hook] | designs: [boat] | drop.yaml, line 7: 'boat' is none of tension-bar-4",
                "dimension: length, role: test | dimension: lenght, role: test | drop.yaml, line 9: 'lenght' is none of length",
                "broke: {} | burst: {} | drop.yaml, line 11: 'burst' is no end; known are broke-in-gauge",
                "void: {all: nothing} | void: {rise: nothing} | drop.yaml, line 12: 'rise' is no characteristic of this method",
                "void: {all: nothing} | void: {all: something} | drop.yaml, line 12: 'something' is none of value",
                "example: {height: 3 mm} | example: {height: 3 N} | drop.yaml, line 15: the example cannot be read: height: 'N' is a force",
                "title: a drop | titel: a drop | drop.yaml, line 1: 'title' is missing",
                "minutes: 2 | minutes: 2, colour: red | drop.yaml, line 5",
                "digits: 3 | digits: 9 | drop.yaml, line 14: 'fall' has 9 digits",
                "hazards: [Mind your feet below.] | hazards: [] | drop.yaml, line 6: say what hurts",
                "key: height, words | key: Height, words | drop.yaml, line 9: a field needs a key in small letters",
                "void: {all: nothing} | void: {all: between} | drop.yaml, line 12: an interval is worked out by the method",
                "minutes: 2 | minutes: [2 | drop.yaml, line"
            })
    void aSlipInTheFileIsNamedWithItsLine(String good, String wrong, String said) {
        assertThat(MethodFile.read("drop.yaml", GOOD).title()).isEqualTo("a drop");
        assertThatThrownBy(() -> MethodFile.read("drop.yaml", GOOD.replace(good, wrong)))
                .isInstanceOf(org.ysometron.core.data.DataFile.Wrong.class)
                .hasMessageStartingWith(said);
    }

    /** M26: what the crosshead travelled is a nominal strain and never the other. ISO 527-1, strain and nominal strain by their words. */
    @ParameterizedTest
    @CsvSource({"extension, strain", "travel, nominal-strain"})
    void m26AnExtensionIsOfWhatItWasReadBy(String read, String gives) {
        Method tension = Methods.of("tension").orElseThrow();
        Readings readings = new Readings(
                Map.of(
                        "width",
                        new double[] {4},
                        "thickness",
                        new double[] {4},
                        "force",
                        new double[] {832},
                        read + "-at-strength",
                        new double[] {1.8},
                        read + "-at-break",
                        new double[] {2.25}),
                Map.of());
        Map<String, Reduced> results = results(
                tension, readings, tension.data().pinned(), tension.data().usualEnd());
        for (String kind : List.of("strain", "nominal-strain")) {
            for (String at : List.of("-at-strength", "-at-break")) {
                assertThat(results.get(kind + at).value().isPresent())
                        .as(kind + at)
                        .isEqualTo(kind.equals(gives));
            }
        }
        assertThat(results.values())
                .filteredOn(one -> one.characteristic().id().contains("modulus"))
                .hasSize(2)
                .allMatch(one -> one.value().isEmpty());
    }

    /** A force at yield above the largest gives no stress, and a bar that becomes shorter is a slip of whoever typed it. */
    @Test
    void whatCannotBeInTensionIsRefused() {
        Method tension = Methods.of("tension").orElseThrow();
        Reduced yield = results(
                        tension,
                        example(tension).with("yield-force", 2000),
                        tension.data().pinned(),
                        tension.data().usualEnd())
                .get("stress-at-yield");
        assertThat(yield.value()).isEmpty();
        assertThat(yield.reason()).contains("above the largest force");
        assertThatThrownBy(() -> results(
                        tension,
                        example(tension).with("extension-at-strength", 0.1),
                        tension.data().pinned(),
                        tension.data().usualEnd()))
                .hasMessageContaining("a bar grows until it breaks, got 0.1");
    }

    /** While somebody types, any field may still be empty: that is said as what it is, by every method. */
    @ParameterizedTest
    @MethodSource("all")
    void whatIsStillToBeReadIsNoFault(Method method) {
        MethodData data = method.data();
        List<Predicate<Field>> states = new ArrayList<>();
        for (Field one : data.sheet().asked()) {
            states.add(field -> !field.equals(one));
            states.add(field -> field.equals(one) || field.role() == Field.Role.SIZE);
        }
        for (Predicate<Field> read : states) {
            Map<String, double[]> numbers = new LinkedHashMap<>();
            data.sheet().fields().stream()
                    .filter(read)
                    .filter(field -> example(method).has(field.key()))
                    .forEach(field -> numbers.put(field.key(), example(method).all(field.key())));
            try {
                Map<String, Reduced> known =
                        results(method, new Readings(numbers, Map.of()), data.pinned(), data.usualEnd());
                assertThat(known).isNotEmpty();
            } catch (IllegalArgumentException said) {
                assertThat(said).hasMessageNotContaining("null");
            }
        }
    }

    /** When a reading is due is said by field, and how long a step is held by a parameter of the method. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "clock: {depth: 1 s} | drop.yaml, line 16: the sheet has no field 'depth'",
                "clock: {height: 1 N} | drop.yaml, line 16: height: 'N' is a force",
                "clock: {height: 0 s} | drop.yaml, line 16",
                "clock: {height: '2 s, when'} | drop.yaml, line 16: the sheet has no time 'when'",
                "clock: {height: '2 s, height'} | drop.yaml, line 16: the sheet has no time 'height'",
                "staircase: depth | drop.yaml, line 16: the sheet has no field 'depth'",
                "staircase: height | drop.yaml, line 16: a staircase needs a parameter 'step'",
                "later: [height] | drop.yaml, line 16: 'height' is nothing that a test may be read without",
                "aside: [height] | drop.yaml, line 16: 'height' is nothing that a test may be read without",
                "clock: {step: hold} | drop.yaml, line 16: 'hold' is no parameter of this method"
            })
    void theClockIsReadWithTheFile(String clock, String said) {
        Clock read =
                MethodFile.read("drop.yaml", GOOD + "clock: {height: 2 min}\n").clock();
        assertThat(read.rings()).containsExactly(new Clock.Ring("height", 120, ""));
        assertThat(MethodFile.read("drop.yaml", GOOD).clock().isRinging()).isFalse();
        assertThatThrownBy(() -> MethodFile.read("drop.yaml", GOOD + clock + "\n"))
                .isInstanceOf(org.ysometron.core.data.DataFile.Wrong.class)
                .hasMessageStartingWith(said);
    }

    /** A growth from 1 to 60 s is one of a minute: read a quarter late it is none, and says why (common practice, no source). */
    @Test
    void aMinuteReadLateIsNoMinute() {
        Method hold = Methods.of("timed-hold").orElseThrow();
        assertThat(hold.data().clock().rings()).extracting(Clock.Ring::seconds).containsExactly(1.0, 30.0, 60.0);
        assertThat(Methods.of("creep").orElseThrow().data().clock().rings())
                .containsExactly(new Clock.Ring("extension", 60, "at"));
        for (double at : new double[] {54, 66, 53, 75}) {
            Readings readings = example(hold).with("true-at-60-s", at);
            Reduced growth = results(
                            hold, readings, hold.data().pinned(), hold.data().usualEnd())
                    .get("hold-growth");
            assertThat(growth.value().isPresent()).as("read at %s s", at).isEqualTo(at == 54 || at == 66);
            assertThat(growth.reason().contains("read at " + (int) at + " s")).isEqualTo(at == 53 || at == 75);
        }
    }

    @Test
    void whatNobodyAskedForIsASlip() {
        assertThatThrownBy(() -> MethodFile.read("drop.yaml", GOOD + "colour: red\n"))
                .hasMessage("drop.yaml, line 16: nobody knows what 'colour' is");
        assertThatThrownBy(() -> MethodFile.read("drop.yaml", GOOD + "minutes: 3\n"))
                .hasMessageContaining("stands twice");
        assertThatThrownBy(() -> MethodFile.read("drop.yaml", "")).hasMessage("drop.yaml is empty");
        assertThat(Method.fileName(ThreePointBending.class)).isEqualTo("three-point-bending.yaml");
    }
}
