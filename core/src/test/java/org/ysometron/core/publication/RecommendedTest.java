package org.ysometron.core.publication;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.ysometron.core.quantity.Dimension;

/** M18: the recommended and the used setting are kept, with their difference. */
class RecommendedTest {

    private static final OptionalDouble NONE = OptionalDouble.empty();

    private static Recommended nozzle(double used) {
        return Recommended.beside(Dimension.TEMPERATURE, NONE, OptionalDouble.of(240), OptionalDouble.of(260), used);
    }

    @Test
    void m18WithinTheRangeNothingDiffers() {
        assertThat(nozzle(240).differs()).isFalse();
        assertThat(nozzle(260).words()).isEqualTo("as published");
        assertThat(nozzle(275)).isEqualTo(new Recommended(15, "15 K above what is published"));
        assertThat(nozzle(230)).isEqualTo(new Recommended(-10, "10 K below what is published"));
    }

    @Test
    void m18BesideAValue() {
        Recommended fan = Recommended.beside(Dimension.RATIO, OptionalDouble.of(0.5), NONE, NONE, 0.3);
        assertThat(fan.difference()).isCloseTo(-0.2, within(1e-12));
        assertThat(fan.words()).isEqualTo("20 percentage points below what is published");
        assertThat(Recommended.beside(Dimension.TIME, OptionalDouble.of(2.4), NONE, NONE, 2.9)
                        .words())
                .isEqualTo("0.500 s above what is published");
        assertThat(Recommended.beside(Dimension.TEMPERATURE, NONE, OptionalDouble.of(60), NONE, 500)
                        .differs())
                .as("at least 60 °C has no upper end")
                .isFalse();
    }

    @Test
    void nothingToCompareWith() {
        assertThatThrownBy(() -> Recommended.beside(Dimension.RATIO, NONE, NONE, NONE, 1))
                .hasMessageContaining("are needed");
        assertThatThrownBy(() -> nozzle(Double.NaN)).hasMessageContaining("NaN");
    }
}
