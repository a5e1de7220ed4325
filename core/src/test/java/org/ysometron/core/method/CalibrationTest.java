package org.ysometron.core.method;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.ysometron.core.method.Calibration.Coverage;

class CalibrationTest {

    private static final List<Calibration> TWO = List.of(
            new Calibration(LocalDate.of(2025, 1, 10), LocalDate.of(2026, 1, 10)),
            new Calibration(LocalDate.of(2026, 2, 1), LocalDate.of(2027, 2, 1)));

    /** M45: between two calibrations with a gap an instrument is out, on their first and last days it is not. */
    @ParameterizedTest
    @CsvSource({
        "2025-01-09, OUT",
        "2025-01-10, COVERED",
        "2026-01-10, COVERED",
        "2026-01-11, OUT",
        "2026-01-31, OUT",
        "2026-02-01, COVERED",
        "2027-02-02, OUT",
    })
    void theDayDecides(LocalDate day, Coverage coverage) {
        assertThat(Calibration.on(day, TWO)).isEqualTo(coverage);
    }

    @Test
    void noneOnRecordIsUnknown() {
        assertThat(Calibration.on(LocalDate.of(2026, 3, 1), List.of())).isEqualTo(Coverage.UNKNOWN);
        assertThatThrownBy(() -> new Calibration(LocalDate.of(2026, 3, 2), LocalDate.of(2026, 3, 1)))
                .hasMessageContaining("due before it was done");
    }
}
