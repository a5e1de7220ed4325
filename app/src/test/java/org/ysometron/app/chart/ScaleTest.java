package org.ysometron.app.chart;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

class ScaleTest {

    /** Values that differ in their last bits alone, or by all that there is: the ticks come to an end. */
    @Test
    @Timeout(20)
    void ticksComeToAnEnd() {
        for (double value : new double[] {50, 1e-9, 1e15, -3e8}) {
            assertThat(Scale.holding(List.of(value, Math.nextUp(value)), 0, 100).ticks(6))
                    .as("around %s", value)
                    .hasSizeBetween(1, 30);
        }
        assertThat(Scale.holding(List.of(-1e300, 1e300), 0, 100).ticks(6)).hasSizeBetween(2, 30);
        assertThat(Scale.holding(List.of(0.0, 100.0), 0, 100).ticks(5))
                .extracting(Scale.Tick::label)
                .containsExactly("0", "50", "100");
    }
}
