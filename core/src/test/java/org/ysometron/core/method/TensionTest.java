package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.reading.Readings;
import org.ysometron.core.working.Step;

class TensionTest {

    private static final double AREA = 16.0398;
    private static final OptionalDouble ANY = OptionalDouble.empty();

    private static Reduced strength(double force, End end, OptionalDouble capacity) {
        return strength(new double[] {4.00, 4.02, 4.04}, new double[] {3.98, 4.00, 3.99}, force, end, capacity);
    }

    private static Reduced strength(
            double[] widths, double[] thicknesses, double force, End end, OptionalDouble capacity) {
        Method tension = new Tension();
        Readings readings = new Readings(
                Map.of("width", widths, "thickness", thicknesses, "force", new double[] {force}), Map.of());
        return tension.results(readings, tension.data().pinned(), end, capacity).get(0);
    }

    /** σ = F/A₀ (ISO 527-1) worked by hand: 4.02 · 3.99 = 16.0398 mm²; 801.99 N / 16.0398 mm² = 50 MPa. */
    @Test
    void strengthIsForceOverMeasuredArea() {
        Reduced result = strength(801.99, End.BROKE_IN_GAUGE, OptionalDouble.of(2000));

        assertThat(result.made()).isEqualTo(Reduced.Made.VALUE);
        assertThat(result.value().getAsDouble()).isCloseTo(50.0, within(1e-12));
        assertThat(result.notes()).isEmpty();
        assertThat(result.working().steps()).extracting(Step::symbol).containsExactly("w", "t", "A₀", "F", "σ");
        assertThat(result.working().steps().get(2).value()).isCloseTo(AREA, within(1e-12));
    }

    /** M2: at or above the gauge's capacity the value is a bound, whatever the outcome typed. */
    @Test
    void aForceAtTheGaugesCapacityIsABound() {
        Reduced atCapacity = strength(500, End.BROKE_IN_GAUGE, OptionalDouble.of(500));
        Reduced beyond = strength(563, End.BROKE_IN_GAUGE, OptionalDouble.of(500));

        assertThat(atCapacity.made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(beyond.made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(beyond.value().getAsDouble()).isCloseTo(500 / AREA, within(1e-12));
        assertThat(beyond.notes()).anyMatch(note -> note.contains("capacity of 500.0 N"));
        assertThat(beyond.working().steps().get(0).numbers()).contains("563.0 N", "500.0 N");
        assertThat(strength(499.9, End.BROKE_IN_GAUGE, OptionalDouble.of(500)).made())
                .isEqualTo(Reduced.Made.VALUE);
        // What slipped is left out, whatever the gauge showed.
        assertThat(strength(600, End.SLIPPED, OptionalDouble.of(500)).made()).isEqualTo(Reduced.Made.NOTHING);
    }

    /** M2: the warning comes before the test and names the gauge that would do. */
    @Test
    void headroomNamesTheSmallestGaugeThatFits() {
        Headroom.Gauge small = new Headroom.Gauge("hook gauge", 500);
        Headroom.Gauge middle = new Headroom.Gauge("bench cell", 2000);
        Headroom.Gauge large = new Headroom.Gauge("frame cell", 10000);

        assertThat(Headroom.warning(28, 16, small, List.of(small, large, middle)))
                .get()
                .asString()
                .contains("448 N", "90 %", "hook gauge", "bench cell")
                .doesNotContain("frame cell");
        assertThat(Headroom.warning(25, 16, small, List.of())).isEmpty();
        assertThat(Headroom.warning(700, 16, large, List.of(small, middle)))
                .get()
                .asString()
                .contains("smaller specimen");
    }

    @Test
    void overCapacityBelowTheCapacityIsAContradiction() {
        assertThatThrownBy(() -> strength(400, End.OVER_CAPACITY, OptionalDouble.of(500)))
                .hasMessageContaining("400.0 N")
                .hasMessageContaining("500.0 N");
    }

    /** What counts for nothing keeps its figure for showing; a bound says why it is one. */
    @ParameterizedTest
    @EnumSource(names = {"BROKE_IN_GAUGE", "BROKE_AT_GRIP", "SLIPPED", "NO_BREAK", "OVER_CAPACITY"})
    void everyEndSaysWhatItMakesOfTheReading(End end) {
        Reduced result = strength(400, end, ANY);
        boolean whole = end == End.BROKE_IN_GAUGE;
        boolean nothing = end == End.SLIPPED || end == End.BROKE_AT_GRIP;

        assertThat(result.made())
                .isEqualTo(whole ? Reduced.Made.VALUE : nothing ? Reduced.Made.NOTHING : Reduced.Made.AT_LEAST);
        assertThat(result.reason()).isEqualTo(whole ? "" : end.because());
        assertThat(result.shown().getAsDouble()).isCloseTo(400 / AREA, within(1e-12));
        assertThat(result.value().isPresent()).isEqualTo(!nothing);
    }

    @Test
    void fewerReadingsAreAllowedAndMarked() {
        Section section = Section.rectangle(new double[] {4.0}, new double[] {4.0, 4.1});

        assertThat(section.notes())
                .containsExactly(
                        "One reading of the width; three are wanted.",
                        "Two readings of the thickness; three are wanted.");
        assertThat(strength(new double[] {4.0}, new double[] {4.0, 4.1}, 400, End.BROKE_IN_GAUGE, ANY)
                        .notes())
                .isEqualTo(section.notes());
        assertThatThrownBy(() -> Section.rectangle(new double[0], new double[] {4}))
                .hasMessageContaining("width");
        assertThatThrownBy(() -> Section.rectangle(new double[] {4}, new double[] {-4}))
                .hasMessageContaining("thickness");
    }

    @Property
    void doublingTheForceDoublesTheStrength(@ForAll @DoubleRange(min = 1, max = 1e4) double force) {
        double once = strength(force, End.BROKE_IN_GAUGE, ANY).value().getAsDouble();
        double twice = strength(2 * force, End.BROKE_IN_GAUGE, ANY).value().getAsDouble();

        assertThat(twice).isCloseTo(2 * once, within(1e-9));
    }

    /** M43: a zero that moved by more than a hundredth of what was read takes the figure out of the mean; it is still shown. */
    @ParameterizedTest
    @org.junit.jupiter.params.provider.CsvSource({"0, VALUE", "8, VALUE", "8.01, NOTHING", "20, NOTHING"})
    void m43AZeroThatMovedVoidsTheResult(double moved, Reduced.Made made) {
        Method tension = new Tension();
        Map<String, double[]> numbers = Map.of(
                "width", new double[] {4},
                "thickness", new double[] {4},
                "force", new double[] {800},
                "zero-change", new double[] {moved});
        Reduced result = tension.results(
                        new Readings(numbers, Map.of()), tension.data().pinned(), End.BROKE_IN_GAUGE, ANY)
                .get(0);

        assertThat(result.made()).isEqualTo(made);
        assertThat(result.shown()).hasValue(50);
        assertThat(result.reason().isEmpty()).isEqualTo(made == Reduced.Made.VALUE);
        if (made == Reduced.Made.NOTHING) {
            assertThat(result.reason()).contains("the zero had moved by").contains("more than 1 %");
        }
    }

    /** M3, M4: a rig or a fixture that gives way before the specimen leaves a lower bound, and what did not break as well. */
    @Test
    void m3AndM4WhatEndsFirstLeavesABound() {
        Method shear = new DoubleShear();
        Readings readings = new Readings(Map.of("diameter", new double[] {5}, "force", new double[] {1420}), Map.of());
        for (End end : List.of(End.FIXTURE_GAVE_WAY, End.NO_BREAK)) {
            Reduced result =
                    shear.results(readings, shear.data().pinned(), end, ANY).get(0);
            assertThat(result.made()).isEqualTo(Reduced.Made.AT_LEAST);
            assertThat(result.reason()).endsWith("a lower bound");
        }
    }

    /** M5: only complete and hinged breaks make values; a partial one is shown and counts for nothing, none is a bound. */
    @Test
    void m5OnlyBreaksThatAverageTogetherAreAveraged() {
        Method impact = new PendulumImpact();
        Readings readings = impact.data().sheet().read(impact.data().example()).readings();
        for (var expected : Map.of(
                        End.COMPLETE, Reduced.Made.VALUE,
                        End.HINGED, Reduced.Made.VALUE,
                        End.PARTIAL, Reduced.Made.NOTHING,
                        End.NONE, Reduced.Made.AT_LEAST)
                .entrySet()) {
            assertThat(impact.results(readings, impact.data().pinned(), expected.getKey(), ANY))
                    .allMatch(result -> result.made() == expected.getValue());
        }
    }
}
