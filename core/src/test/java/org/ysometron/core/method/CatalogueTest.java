package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.reading.Field;

/** The catalogue of methods, and whether a gauge, a hammer or a check standard suits what is to come. */
class CatalogueTest {

    private static final List<Headroom.Gauge> REGISTER = List.of(
            new Headroom.Gauge("frame cell", 10_000),
            new Headroom.Gauge("bench cell", 2000),
            new Headroom.Gauge("hook gauge", 500));

    static List<Method> all() {
        return Methods.all();
    }

    /** A file says by which standard, on what, what is read and what hurts; a part of that missing is a slip. */
    @ParameterizedTest
    @MethodSource("all")
    void everyMethodIsWhole(Method method) {
        MethodData data = method.data();
        assertThat(data.standard()).matches("ISO \\d.*|no standard cited; common practice");
        assertThat(data.designs()).isNotEmpty();
        assertThat(data.hazards()).isNotEmpty().allMatch(hazard -> hazard.contains(" "));
        assertThat(data.minutes()).isBetween(1, 120);
        assertThat(data.days()).isBetween(0, 60);
        assertThat(data.accordance()).startsWith(data.title()).contains(data.standard());
        assertThat(data.accordance().contains("not in accordance"))
                .isEqualTo(!data.deviations().isEmpty());
        assertThat(data.sheet().of(Field.Role.TEST)).contains(data.closing());
        assertThat(data.excludes(data.usualEnd())).isFalse();
        if (!data.equipment().unit().isEmpty()) {
            assertThat(UnitOfMeasure.find(data.equipment().unit())).isPresent();
        }
        assertThat(Methods.titleOf(data.id())).isEqualTo(data.title());
    }

    /** Common practice, no source: what breaks under load or is struck throws pieces; what hangs or is warmed does not. */
    @Test
    void whatBreaksThrowsPieces() {
        assertThat(Methods.all())
                .filteredOn(method -> method.data().equipment().throwsPieces())
                .extracting(method -> method.data().id())
                .contains("tension", "pendulum-impact", "part-load")
                .doesNotContain("creep", "heat-under-load", "torsion");
        assertThat(Methods.of("no-such-method")).isEmpty();
        assertThat(Methods.titleOf("no-such-method")).isEqualTo("no-such-method");
        assertThat(Methods.all()).extracting(method -> method.data().title()).doesNotHaveDuplicates();
        assertThat(Methods.usual().data().id()).isEqualTo("tension");
        assertThat(new Tension()).isEqualTo(Methods.usual()).hasSameHashCodeAs(Methods.usual());
        assertThat(new Tension()).isNotEqualTo(new Peel());
        assertThat(SpecimenDesign.TENSION_BAR_4.shape().toString()).isNotBlank();
    }

    /** Ids are one each over all that can be claimed; a ratio knows what it is of, a size which field it reads. */
    @Test
    void aCharacteristicIsFoundByItsId() {
        assertThat(Characteristics.all()).extracting(Characteristic::id).doesNotHaveDuplicates();
        assertThat(Characteristics.all())
                .allSatisfy(one -> assertThat(Characteristics.of(one.id())).contains(one))
                .allSatisfy(
                        one -> assertThat(one.unit()).isEqualTo(one.dimension().workingUnit()));
        assertThat(Characteristics.of("section-diameter").orElseThrow().base()).isEqualTo("diameter");
        Characteristic ratio = Characteristics.of("upright-flat-shear-strength").orElseThrow();
        assertThat(ratio.isRatio()).isTrue();
        assertThat(Characteristics.base(ratio).id()).isEqualTo("shear-strength");
        assertThat(Characteristics.of("upright-flat-turns-to-failure")).isPresent();
        assertThat(Characteristics.of("upright-flat-creep-strain")).isEmpty();
        assertThatThrownBy(
                        () -> Characteristics.base(Characteristics.of("density").orElseThrow()))
                .hasMessageContaining("density");
    }

    /** Words of an end are those on the sheet, each its own. */
    @Test
    void endsHaveWords() {
        assertThat(List.of(End.values()))
                .extracting(End::words)
                .doesNotHaveDuplicates()
                .allMatch(words -> words.matches("[a-z ]{4,}"));
    }

    /** M2: four fifths are still room, and the smallest gauge with room is named. */
    @ParameterizedTest
    @CsvSource({
        "25,      500, ''",
        "25.01,   500, bench cell (2000 N)",
        "99.99,   500, bench cell (2000 N)",
        "100,     500, bench cell (2000 N)",
        "100.01,  500, frame cell (10000 N)",
        "500,     500, frame cell (10000 N)",
        "500.01,  500, smaller specimen design"
    })
    void fourFifthsAreRoom(double strength, double capacity, String next) {
        var warning = Headroom.warning(strength, 16, new Headroom.Gauge("this one", capacity), REGISTER);

        if (next.isEmpty()) {
            assertThat(warning).isEmpty();
        } else {
            assertThat(warning).hasValueSatisfying(words -> assertThat(words).contains(next));
        }
    }

    /** A twentieth is enough; below it the smallest that resolves and holds the load is named. */
    @ParameterizedTest
    @CsvSource({
        "500, ''",
        "499.9, Use bench cell (2000 N).",
        "400.1, Use bench cell (2000 N).",
        "400, Use hook gauge (500 N).",
        "25, Use hook gauge (500 N).",
        "24.9, larger specimen design"
    })
    void aTwentiethIsResolved(double load, String next) {
        var warning = Headroom.tooCoarse(load, new Headroom.Gauge("frame cell", 10_000), REGISTER);

        if (next.isEmpty()) {
            assertThat(warning).isEmpty();
        } else {
            assertThat(warning).hasValueSatisfying(words -> assertThat(words).contains(next));
        }
    }

    /** ISO 13802: 10 % to 80 % of the hammer's energy, both ends valid; hammers of 0.5, 1, 2, 4 and 5 J. */
    @ParameterizedTest
    @CsvSource({
        "0.4,  4, ''",
        "3.2,  4, ''",
        "0.39, 4, Use the hammer of 0.5 J.",
        "0.3999, 4, Use the hammer of 0.5 J.",
        "0.41, 5, Use the hammer of 1 J.",
        "0.8,  0.5, Use the hammer of 1 J.",
        "0.81, 0.5, Use the hammer of 2 J.",
        "3.21, 4, Use the hammer of 5 J.",
        "4.1,  4, No hammer in the register fits.",
        "0.04, 4, No hammer in the register fits."
    })
    void aHammerFitsFromATenthToFourFifths(double energy, double hammer, String next) {
        var warning = Headroom.pendulum(energy, hammer, 5, 4, 2, 1, 0.5);

        if (next.isEmpty()) {
            assertThat(warning).isEmpty();
        } else {
            assertThat(warning).hasValueSatisfying(words -> assertThat(words).endsWith(next));
        }
    }

    /** 1.1 is one tenth from 1, as typed, though the double of their difference is larger than that of 0.1. */
    @Test
    void anErrorOfJustTheToleranceIsLetPass() {
        CheckStandard block = new CheckStandard(1, 0.1, "mm");

        assertThat(1.1 - 1).isGreaterThan(0.1);
        assertThat(block.fault(1.1)).isEmpty();
        assertThat(block.fault(0.9)).isEmpty();
        assertThat(block.fault(1.1001)).isPresent();
        assertThat(block.fault(0.8999))
                .hasValueSatisfying(words -> assertThat(words).contains("too low"));
    }
}
