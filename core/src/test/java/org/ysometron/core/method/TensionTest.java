package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.working.Step;

class TensionTest {

    private static final Section BAR =
            Section.rectangle(new double[] {4.00, 4.02, 4.04}, new double[] {3.98, 4.00, 3.99});

    /** σ = F/A₀ (ISO 527-1) worked by hand: 4.02 · 3.99 = 16.0398 mm²; 801.99 N / 16.0398 mm² = 50 MPa. */
    @Test
    void strengthIsForceOverMeasuredArea() {
        Result result = Tension.strength(BAR, 801.99, Outcome.BROKE_IN_GAUGE, OptionalDouble.of(2000));

        assertThat(BAR.area()).isCloseTo(16.0398, within(1e-12));
        assertThat(result.kind()).isEqualTo(Result.Kind.MEASURED);
        assertThat(result.value()).isCloseTo(50.0, within(1e-12));
        assertThat(result.notes()).isEmpty();
        assertThat(result.working().steps()).extracting(Step::symbol).containsExactly("w", "t", "A₀", "F", "σ");
    }

    /** M2: at or above the gauge's capacity the value is a bound, whatever the outcome typed. */
    @Test
    void aForceAtTheGaugesCapacityIsABound() {
        Result atCapacity = Tension.strength(BAR, 500, Outcome.BROKE_IN_GAUGE, OptionalDouble.of(500));
        Result beyond = Tension.strength(BAR, 563, Outcome.BROKE_IN_GAUGE, OptionalDouble.of(500));

        assertThat(atCapacity.kind()).isEqualTo(Result.Kind.AT_LEAST);
        assertThat(beyond.kind()).isEqualTo(Result.Kind.AT_LEAST);
        assertThat(beyond.value()).isCloseTo(500 / 16.0398, within(1e-12));
        assertThat(beyond.notes()).anyMatch(note -> note.contains("capacity"));
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
        assertThatThrownBy(() -> Tension.strength(BAR, 400, Outcome.OVER_CAPACITY, OptionalDouble.of(500)))
                .hasMessageContaining("400")
                .hasMessageContaining("500");
    }

    @ParameterizedTest
    @EnumSource(Outcome.class)
    void everyOutcomeSaysWhatItMakesOfTheReading(Outcome outcome) {
        Result result = Tension.strength(BAR, 400, outcome, OptionalDouble.empty());

        assertThat(result.kind()).isEqualTo(outcome.kind());
        assertThat(result.reason().isEmpty()).isEqualTo(outcome == Outcome.BROKE_IN_GAUGE);
        assertThat(result.value()).isFinite();
    }

    @Test
    void fewerReadingsAreAllowedAndMarked() {
        Section section = Section.rectangle(new double[] {4.0}, new double[] {4.0, 4.1});

        assertThat(section.notes())
                .containsExactly(
                        "One reading of the width; three are wanted.",
                        "Two readings of the thickness; three are wanted.");
        assertThatThrownBy(() -> Section.rectangle(new double[0], new double[] {4}))
                .hasMessageContaining("width");
        assertThatThrownBy(() -> Section.rectangle(new double[] {4}, new double[] {-4}))
                .hasMessageContaining("thickness");
    }

    @Property
    void doublingTheForceDoublesTheStrength(@ForAll @DoubleRange(min = 1, max = 1e4) double force) {
        double once = Tension.strength(BAR, force, Outcome.BROKE_IN_GAUGE, OptionalDouble.empty())
                .value();
        double twice = Tension.strength(BAR, 2 * force, Outcome.BROKE_IN_GAUGE, OptionalDouble.empty())
                .value();

        assertThat(twice).isCloseTo(2 * once, within(1e-9));
    }
}
