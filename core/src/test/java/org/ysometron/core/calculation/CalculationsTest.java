package org.ysometron.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The contract of every calculation offered by name. */
class CalculationsTest {

    static List<Calculation> all() {
        return Calculations.all();
    }

    @Test
    void namesAreUnique() {
        assertThat(Calculations.all()).extracting(Calculation::name).doesNotHaveDuplicates();
    }

    /** The working leads to the answer: one of its steps, in the answer's digits, is the main figure. */
    @ParameterizedTest
    @MethodSource("all")
    void itsWorkingLeadsToItsAnswer(Calculation calculation) {
        Answer answer = calculation.compute(calculation.example());

        double found = answer.value().orElseThrow();
        assertThat(answer.working().steps())
                .as("%s answers %s", calculation.name(), found)
                .anySatisfy(step -> {
                    assertThat(step.hasValue()).isTrue();
                    assertThat(step.value()).isEqualTo(found);
                });
    }

    @ParameterizedTest
    @MethodSource("all")
    void anInputItDoesNotKnowIsRefused(Calculation calculation) {
        Map<String, Object> given = new HashMap<>(calculation.example());
        given.put("typo", 1);

        assertThatThrownBy(() -> calculation.compute(given))
                .isInstanceOf(CaseProblem.class)
                .hasMessageContaining("typo")
                .hasMessageContaining(calculation.name());
    }

    @ParameterizedTest
    @MethodSource("all")
    void aMissingInputIsNamed(Calculation calculation) {
        for (Input input : calculation.inputs()) {
            if (input.required()) {
                Map<String, Object> given = new HashMap<>(calculation.example());
                given.remove(input.name());
                assertThatThrownBy(() -> calculation.compute(given))
                        .hasMessageContaining(input.name() + ": it is missing");
            }
        }
    }

    /** M1: units are checked here as at the bench. */
    @Test
    void aTorqueIsNoForce() {
        Calculation tension = Calculations.named("tension-strength").orElseThrow();

        assertThatThrownBy(() -> tension.compute(Map.of("width", 4, "thickness", 4, "force", "12 Nm")))
                .hasMessageContaining("is a torque, not a force");
        assertThat(tension.compute(Map.of("width", "0.4 cm", "thickness", List.of(4), "force", "0.8 kN"))
                        .value())
                .hasValue(50);
    }

    @Test
    void rangesAreChecked() {
        Calculation bounds = Calculations.named("mean-bounds").orElseThrow();

        assertThatThrownBy(() -> bounds.compute(Map.of("values", List.of(1, 2), "confidence", 95)))
                .isInstanceOf(CaseProblem.class)
                .hasMessageContaining("confidence");
        assertThatThrownBy(() -> bounds.compute(Map.of("values", List.of("1 MPa", "x"))))
                .isInstanceOf(CaseProblem.class);
    }
}
