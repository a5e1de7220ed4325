package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.RangeVerdict.Step;
import org.ysometron.core.working.Figures;

class RangeVerdictTest {

    private static final List<Step> TOWER = List.of(
            new Step(270, false), new Step(260, true), new Step(250, true), new Step(240, true), new Step(230, false));

    private static RangeVerdict of(List<Step> steps, double low, double high) {
        return RangeVerdict.of(steps, low, high, at -> Figures.plain(at, 4) + " °C");
    }

    @Test
    void theEndThatFailsIsNamed() {
        assertThat(of(TOWER, 240, 260).verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(of(TOWER, 245, 255).verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(of(TOWER, 240, 270))
                .isEqualTo(new RangeVerdict(
                        Verdict.CONTRADICTED, "its upper end fails: 270 °C lies within and does not pass"));
        assertThat(of(TOWER, 230, 250).words()).startsWith("its lower end fails: 230 °C lies");
        assertThat(of(TOWER, 230, 270).words()).isEqualTo("both ends fail: 230 °C, 270 °C lie within and do not pass");
    }

    /** Where the tower ends short of the range nothing is said of what lies beyond. */
    @Test
    void anEndThatWasNotReachedStaysOpen() {
        assertThat(of(TOWER, 235, 255))
                .isEqualTo(new RangeVerdict(
                        Verdict.OPEN,
                        "no step fails within it, and none that passes lies at or beyond its lower end, 235 °C"));
        assertThat(of(TOWER.subList(1, 3), 240, 265).words()).contains("lower end, 240 °C or its upper end, 265 °C");
        assertThat(of(TOWER, 300, 320).verdict()).isEqualTo(Verdict.NOT_TESTED);
        assertThat(of(List.of(), 240, 260).verdict()).isEqualTo(Verdict.NOT_TESTED);
        assertThatThrownBy(() -> of(TOWER, 260, 240)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> of(TOWER, Double.NaN, 240)).isInstanceOf(IllegalArgumentException.class);
    }

    /** A step more that fails never makes a range hold; a range within one that holds, holds; order tells nothing. */
    @Test
    void aWorseTowerNeverSupportsMore() {
        for (int worse = 0; worse < TOWER.size(); worse++) {
            List<Step> steps = new java.util.ArrayList<>(TOWER);
            steps.set(worse, new Step(TOWER.get(worse).at(), false));
            assertThat(of(steps, 240, 260).verdict())
                    .isEqualTo(worse == 0 || worse == 4 ? Verdict.SUPPORTED : Verdict.CONTRADICTED);
        }
        List<Step> turned = new java.util.ArrayList<>(TOWER);
        java.util.Collections.reverse(turned);
        assertThat(of(turned, 230, 250)).isEqualTo(of(TOWER, 230, 250));
    }
}
