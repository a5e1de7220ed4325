package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;

class CheckStandardTest {

    /** A mass of 10 kg weighs 98.0665 N (SI definition of the kilogram-force). */
    @Test
    void aReadingOutsideTheToleranceIsSaid() {
        CheckStandard mass = new CheckStandard(98.0665, 0.5, "N");
        assertThat(mass.fault(98.5)).isEmpty();
        assertThat(mass.fault(98.5665)).isEmpty();
        assertThat(mass.fault(99.2))
                .hasValueSatisfying(words -> assertThat(words).contains("99.20 N", "1.1 N too high"));
        assertThat(mass.fault(97)).hasValueSatisfying(words -> assertThat(words).contains("too low"));
    }

    @Test
    void aToleranceOfNothingIsRefused() {
        assertThatThrownBy(() -> new CheckStandard(98, 0, "N")).hasMessageContaining("tolerance above zero");
    }
}
