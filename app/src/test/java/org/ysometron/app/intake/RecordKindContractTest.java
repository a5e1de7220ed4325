package org.ysometron.app.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.ysometron.app.DemoSite;
import org.ysometron.app.web.Problems;

/** The contract of every kind of intake record: a good one says something, a blank one says what is missing. */
class RecordKindContractTest extends DemoSite {

    private static final Map<RecordKind, Map<String, String>> GOOD = new EnumMap<>(RecordKind.class);

    static {
        GOOD.put(RecordKind.HAND_DIAMETER, Map.of("places", "1.75 1.76\n1,74;1,75\n\n1.75\t1.75 "));
        GOOD.put(
                RecordKind.DRYING,
                Map.of(
                        "ended", "2026-03-14 09:30",
                        "temperature", "212 °F",
                        "time", "360 min",
                        "kept", "DRY_BOX",
                        "humidity", "0.14",
                        "before", "912.4",
                        "after", "0.9109 kg"));
        GOOD.put(RecordKind.FILAMENT_DENSITY, Map.of("density", "1360 kg/m³", "how", "displacement in ethanol"));
        GOOD.put(
                RecordKind.RESIN,
                Map.of("density", "1120 kg/m³", "viscosity", "0.85 Pa·s", "viscosityAt", "25", "hardness", "82 D"));
        GOOD.put(
                RecordKind.CURE_DEPTH,
                Map.of(
                        "unit", "mJ/cm²",
                        "source", "engine 2",
                        "points", "10 0.05\n20 0.12\n40 0.19\n80 0.26 ",
                        "recipe", "30"));
        GOOD.put(
                RecordKind.ARTEFACT,
                Map.of("printer", "3", "features", "x OUTER 20 20.06mm\ny inner 10 0.39in\nZ height 5 4.9"));
        GOOD.put(RecordKind.FIT, Map.of("feature", "M6 thread", "fit", "TIGHT", "correction", "tapped"));
        GOOD.put(RecordKind.SETTINGS, Map.of("printer", "printer 3", "NOZZLE_TEMPERATURE", "250", "FAN", "0 %"));
    }

    @Autowired
    private Reductions reductions;

    private Optional<Reduced> reduce(RecordKind kind, Map<String, String> typed, Problems problems) {
        return reductions.reduce(kind, typed, lots.named("SK-0130").datasheetId(), problems);
    }

    @ParameterizedTest
    @EnumSource(RecordKind.class)
    void aGoodOneSaysSomething(RecordKind kind) {
        Problems problems = new Problems();
        Optional<Reduced> reduced = reduce(kind, GOOD.get(kind), problems);

        assertThat(problems.all()).as(kind.title()).isEmpty();
        assertThat(reduced.orElseThrow().facts()).isNotEmpty().allSatisfy(fact -> assertThat(fact.value())
                .isNotBlank()
                .doesNotContain("NaN")
                .doesNotContain("Infinity"));
        assertThat(kind.hint()).endsWith(".");
    }

    /** Each required field that is left out is named at its own place, and nothing is reduced. */
    @ParameterizedTest
    @EnumSource(RecordKind.class)
    void whatIsMissingIsNamedAtItsField(RecordKind kind) {
        for (Field field : kind.fields()) {
            if (field.required()) {
                Map<String, String> typed = new HashMap<>(GOOD.get(kind));
                typed.remove(field.name());
                Problems problems = new Problems();
                assertThat(reduce(kind, typed, problems)).as(field.name()).isEmpty();
                assertThat(problems.at(field.name())).as(field.name()).contains(field.label());
            }
        }
        Problems blank = new Problems();
        assertThat(reduce(kind, Map.of(), blank)).isEmpty();
        assertThat(blank.none()).isFalse();
    }

    /** A quantity of the wrong dimension is refused at its field, and a value too long is not taken. */
    @ParameterizedTest
    @EnumSource(RecordKind.class)
    void aWrongDimensionIsRefusedAtItsField(RecordKind kind) {
        for (Field field : kind.fields()) {
            if (field.kind() == Field.Kind.QUANTITY) {
                for (String bad : List.of("5 N", "five", "-3", "x".repeat(300))) {
                    Map<String, String> typed = new HashMap<>(GOOD.get(kind));
                    typed.put(field.name(), bad);
                    Problems problems = new Problems();
                    assertThat(reduce(kind, typed, problems))
                            .as(field.name() + " " + bad)
                            .isEmpty();
                    assertThat(problems.at(field.name()))
                            .as(field.name() + " " + bad)
                            .isNotBlank();
                }
            }
            if (field.kind() == Field.Kind.CHOICE) {
                Map<String, String> typed = new HashMap<>(GOOD.get(kind));
                typed.put(field.name(), "SOMETHING");
                Problems problems = new Problems();
                assertThat(reduce(kind, typed, problems)).isEmpty();
                assertThat(problems.at(field.name())).contains("cannot be chosen");
            }
        }
    }

    /** The example beside a field can be typed as it stands. */
    @ParameterizedTest
    @EnumSource(RecordKind.class)
    void everyExampleCanBeTyped(RecordKind kind) {
        for (Field field : kind.fields()) {
            if (field.kind() == Field.Kind.QUANTITY) {
                Map<String, String> typed = new HashMap<>(GOOD.get(kind));
                typed.put(field.name(), field.example().replaceAll("^.* or ", ""));
                Problems problems = new Problems();
                reduce(kind, typed, problems);
                assertThat(problems.at(field.name()))
                        .as(field.name() + " " + field.example())
                        .isNull();
            }
        }
    }

    /** Units are converted on the way in: 212 °F are 100 °C, 360 min are 6 h, 0.9109 kg are 910.9 g. */
    @Test
    void unitsAreConverted() {
        Reduced.Dried dried = (Reduced.Dried) reduce(RecordKind.DRYING, GOOD.get(RecordKind.DRYING), new Problems())
                .orElseThrow();
        Reduced.Resin resin = (Reduced.Resin) reduce(RecordKind.RESIN, GOOD.get(RecordKind.RESIN), new Problems())
                .orElseThrow();

        assertThat(dried.record().temperature()).isCloseTo(100, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(dried.record().hours()).isCloseTo(6, org.assertj.core.data.Offset.offset(1e-9));
        assertThat(dried.facts()).anyMatch(fact -> fact.value().startsWith("0.16 % of the mass before drying"));
        assertThat(resin.density().getAsDouble()).isCloseTo(1.12, org.assertj.core.data.Offset.offset(1e-12));
        assertThat(resin.viscosity().getAsDouble()).isCloseTo(850, org.assertj.core.data.Offset.offset(1e-9));
    }

    /** A viscosity without its temperature, a drier that gains mass, a humidity of 18: each said at its field. */
    @Test
    void whatMakesNoSenseTogetherIsSaid() {
        Problems viscosity = new Problems();
        reduce(RecordKind.RESIN, Map.of("viscosity", "850 mPa·s"), viscosity);
        assertThat(viscosity.at("viscosityAt")).contains("without its temperature");

        Map<String, String> gaining = new HashMap<>(GOOD.get(RecordKind.DRYING));
        gaining.put("after", "950 g");
        Problems mass = new Problems();
        reduce(RecordKind.DRYING, gaining, mass);
        assertThat(mass.at("")).contains("a smaller one after");

        Map<String, String> humid = new HashMap<>(GOOD.get(RecordKind.DRYING));
        humid.put("humidity", "18");
        Problems humidity = new Problems();
        reduce(RecordKind.DRYING, humid, humidity);
        // People who write 18 beside a humidity mean percent; the field says so.
        assertThat(humidity.at("humidity")).isNull();
        humid.put("humidity", "118");
        Problems above = new Problems();
        reduce(RecordKind.DRYING, humid, above);
        assertThat(above.at("humidity")).contains("at most 100 %");

        Map<String, String> hours = new HashMap<>(GOOD.get(RecordKind.DRYING));
        hours.put("time", "6");
        assertThat(((Reduced.Dried)
                                reduce(RecordKind.DRYING, hours, new Problems()).orElseThrow())
                        .record()
                        .hours())
                .isEqualTo(6);
    }
}
