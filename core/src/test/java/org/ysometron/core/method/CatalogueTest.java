package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The catalogue of methods, and whether a gauge, a hammer or a check standard suits what is to come. */
class CatalogueTest {

    private static final List<Headroom.Gauge> REGISTER = List.of(
            new Headroom.Gauge("frame cell", 10_000),
            new Headroom.Gauge("bench cell", 2000),
            new Headroom.Gauge("hook gauge", 500));

    /** A sheet says by which standard, on what, what is read and what hurts; a part of that missing is a slip. */
    @ParameterizedTest
    @EnumSource(TestMethod.class)
    void everyMethodIsWhole(TestMethod method) {
        assertThat(method.standard()).matches("ISO \\d.*|no standard cited; common practice");
        assertThat(method.designs()).isNotEmpty();
        assertThat(method.readings()).isNotEmpty().allMatch(reading -> reading.length() > 5);
        assertThat(method.hazard()).endsWith(".").contains(" ");
        assertThat(method.equipment().words()).isNotBlank();
        assertThat(method.benchMinutes()).isBetween(1, 120);
        assertThat(TestMethod.titled(method.title())).contains(method);
        assertThat(method.accordance()).startsWith(method.title() + " after " + method.standard());
        assertThat(method.accordance().contains("not in accordance"))
                .isEqualTo(!method.deviations().isEmpty());
        if (!method.equipment().unit().isEmpty()) {
            assertThat(UnitOfMeasure.find(method.equipment().unit())).isPresent();
        }
    }

    /** Common practice, no source: what breaks under load or is struck throws pieces; what hangs or is warmed does not. */
    @Test
    void whatBreaksThrowsPieces() {
        assertThat(TestMethod.values())
                .filteredOn(TestMethod::throwsPieces)
                .contains(TestMethod.TENSION, TestMethod.IMPACT_NOTCHED, TestMethod.PART_LOAD)
                .doesNotContain(TestMethod.CREEP, TestMethod.HEAT, TestMethod.TORSION);
        assertThat(TestMethod.values()).filteredOn(TestMethod::isReduced).containsExactly(TestMethod.TENSION);
        assertThat(TestMethod.titled("no such method")).isEmpty();
        assertThat(SpecimenDesign.TENSION_BAR_4.shape().toString()).isNotBlank();
    }

    /** Words of an outcome are those on the sheet, each its own. */
    @Test
    void outcomesHaveWords() {
        assertThat(List.of(Outcome.values()))
                .extracting(Outcome::words)
                .doesNotHaveDuplicates()
                .allMatch(words -> words.matches("[a-z ]{5,}"));
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

    /** 1 N/mm² is 1 MPa by definition; nothing is worked out of a force that is none. */
    @Test
    void stressIsForceOverArea() {
        assertThat(Tension.stress(448, 16)).isEqualTo(28);
        Section bar = Section.rectangle(new double[] {4}, new double[] {4});
        for (double force : new double[] {0, -1, Double.POSITIVE_INFINITY, Double.NaN}) {
            assertThatThrownBy(() -> Tension.strength(bar, force, Outcome.BROKE_IN_GAUGE, OptionalDouble.empty()))
                    .hasMessageContaining("a force above zero is needed");
        }
        assertThat(Tension.strength(bar, 1e-3, Outcome.BROKE_IN_GAUGE, OptionalDouble.of(500))
                        .value())
                .isCloseTo(6.25e-5, within(1e-12));
        // At the capacity it is a bound, just below it a value.
        assertThat(Tension.strength(bar, 500, Outcome.BROKE_IN_GAUGE, OptionalDouble.of(500))
                        .kind())
                .isEqualTo(Result.Kind.AT_LEAST);
        assertThat(Tension.strength(bar, 499.9, Outcome.BROKE_IN_GAUGE, OptionalDouble.of(500))
                        .kind())
                .isEqualTo(Result.Kind.MEASURED);
        // What slipped is left out, whatever the gauge showed.
        assertThat(Tension.strength(bar, 600, Outcome.SLIPPED, OptionalDouble.of(500))
                        .kind())
                .isEqualTo(Result.Kind.EXCLUDED);
    }
}
