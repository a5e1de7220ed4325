package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.ysometron.core.plan.PrinterLimits.Asked;

class PrinterLimitsTest {

    private static final OptionalDouble NONE = OptionalDouble.empty();

    private static OptionalDouble of(double value) {
        return OptionalDouble.of(value);
    }

    private static PrinterLimits printer(boolean hardened, boolean lined) {
        return new PrinterLimits(of(300), of(110), NONE, hardened, lined, of(220), of(200));
    }

    @Test
    void whatGoesBeyondItIsSaidWithBothFigures() {
        assertThat(printer(true, false).beyond(new Asked(of(300), of(110), NONE, true)))
                .isEmpty();
        assertThat(printer(false, false).beyond(new Asked(of(310), of(120), of(60), true)))
                .containsExactly(
                        "its nozzle goes to 300 °C, and 310 °C are asked for",
                        "its bed goes to 110 °C, and 120 °C are asked for",
                        "its chamber is not known to be heated",
                        "its nozzle is not hardened, and fibres wear it");
    }

    /** A liner of PTFE ends at 240 °C (common practice, no source), whatever the heater could do. */
    @Test
    void aLinerEndsBeforeTheHeater() {
        assertThat(printer(true, true).beyond(new Asked(of(241), NONE, NONE, false)))
                .containsExactly("its nozzle with its liner of PTFE goes to 240 °C, and 241 °C are asked for");
        assertThat(printer(true, true).beyond(new Asked(of(240), NONE, NONE, false)))
                .isEmpty();
    }

    @Test
    void whatNobodyKnowsStandsInNobodysWay() {
        assertThat(PrinterLimits.UNKNOWN.beyond(new Asked(of(500), of(200), of(90), true)))
                .isEmpty();
        assertThat(PrinterLimits.UNKNOWN.isLarger(5000, 5000)).isFalse();
        assertThat(printer(true, false).isLarger(220, 201)).isTrue();
        assertThat(printer(true, false).isLarger(220, 200)).isFalse();
    }

    @Test
    void rangesAreChecked() {
        assertThatThrownBy(() -> new PrinterLimits(of(Double.NaN), NONE, NONE, true, false, NONE, NONE))
                .hasMessageContaining("NaN");
        assertThatThrownBy(() -> new PrinterLimits(NONE, NONE, NONE, true, false, of(0), NONE))
                .hasMessageContaining("two sides above 0 mm");
    }
}
