package org.ysometron.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.ysometron.core.material.Conditioning.Weighing;

class EquilibriumTest {

    /** A site whose clock is never set. */
    private static final SiteClock STEADY = new SiteClock(ZoneOffset.UTC);

    private static final LocalDateTime IN = LocalDateTime.of(2026, 3, 2, 8, 0);

    /** Two weighings a day apart within 0.1 % of mass (common practice, no source). */
    @Test
    void weighingsEndTheWaitBeforeTheHoursDo() {
        assertThat(Conditioning.readyFrom(IN, 88, List.of(), STEADY)).isEqualTo(IN.plusHours(88));
        assertThat(Conditioning.readyFrom(
                        IN,
                        88,
                        List.of(new Weighing(IN.plusHours(20), 10.000, 0), new Weighing(IN.plusHours(44), 10.009, 0)),
                        STEADY))
                .isEqualTo(IN.plusHours(44));
    }

    @Test
    void aChangeOfATenthOfAPercentIsNoEquilibrium() {
        assertThat(Conditioning.readyFrom(
                        IN,
                        88,
                        List.of(new Weighing(IN.plusHours(20), 10.00, 0), new Weighing(IN.plusHours(44), 10.011, 0)),
                        STEADY))
                .isEqualTo(IN.plusHours(88));
    }

    @Test
    void weighingsTooNearOrFromBeforeDoNotCount() {
        assertThat(Conditioning.readyFrom(
                        IN,
                        88,
                        List.of(new Weighing(IN.plusHours(20), 10, 0), new Weighing(IN.plusHours(26), 10, 0)),
                        STEADY))
                .isEqualTo(IN.plusHours(88));
        assertThat(Conditioning.readyFrom(
                        IN,
                        88,
                        List.of(new Weighing(IN.minusHours(30), 10, 0), new Weighing(IN.plusHours(2), 10, 0)),
                        STEADY))
                .isEqualTo(IN.plusHours(88));
    }
}
