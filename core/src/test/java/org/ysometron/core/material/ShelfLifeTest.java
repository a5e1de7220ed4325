package org.ysometron.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Counted on a calendar by hand. */
class ShelfLifeTest {

    private static final ShelfLife YEAR = new ShelfLife(LocalDate.of(2024, 2, 29), 365);

    @Test
    void theLastDayStillCounts() {
        assertThat(YEAR.until()).isEqualTo(LocalDate.of(2025, 2, 28));
        assertThat(YEAR.isPast(LocalDate.of(2025, 2, 28))).isFalse();
        assertThat(YEAR.isPast(LocalDate.of(2025, 3, 1))).isTrue();
        assertThat(YEAR.past(LocalDate.of(2025, 3, 10))).isEqualTo(10);
        assertThat(YEAR.past(LocalDate.of(2024, 3, 1))).isZero();
    }

    @Test
    void aTestOfBeforeSaysNothing() {
        assertThat(YEAR.isTestedAgain(Optional.of(LocalDate.of(2025, 2, 28)))).isFalse();
        assertThat(YEAR.isTestedAgain(Optional.of(LocalDate.of(2025, 3, 1)))).isTrue();
        assertThat(YEAR.isTestedAgain(Optional.empty())).isFalse();
        assertThatThrownBy(() -> new ShelfLife(LocalDate.of(2024, 1, 1), 0)).hasMessageContaining("got 0");
    }
}
