package org.ysometron.app.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.RunRule;
import org.ysometron.core.drift.Signal;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The invented lots really hide what their generator says, and nothing else by chance. */
class SkerryTruthTest {

    private final SkerryTruth truth = new SkerryTruth(30);

    @Test
    void theSameLotAlwaysGivesTheSameReadings() {
        assertThat(truth.bars(7, Orientation.ZX)).isEqualTo(new SkerryTruth(30).bars(7, Orientation.ZX));
    }

    @Test
    void theSlideIsInTheUprightStrengthAndNotInTheFlat() {
        assertThat(signals(Orientation.XY)).isEmpty();
        List<Signal> upright = signals(Orientation.ZX);
        assertThat(upright).isNotEmpty().allMatch(signal -> signal.last() >= truth.slideFrom());
        assertThat(upright).anyMatch(signal -> signal.rule() == RunRule.EIGHT_ON_ONE_SIDE);
        assertThat(upright)
                .anyMatch(signal -> signal.last() == truth.badLot() && signal.rule() == RunRule.BEYOND_LIMITS);
    }

    private List<Signal> signals(Orientation orientation) {
        double[] means = new double[30];
        for (int lot = 0; lot < means.length; lot++) {
            means[lot] = truth.bars(lot, orientation).stream()
                    .filter(bar -> !bar.atGrip())
                    .mapToDouble(SkerryTruthTest::strength)
                    .average()
                    .orElseThrow();
        }
        double[] baseline = java.util.Arrays.copyOf(means, SkerryTruth.BASELINE_LOTS);
        IndividualsLimits limits = IndividualsLimits.of(baseline, "MPa");
        return RunRule.signals(means, limits.centre(), limits.sigma(), RunRule.USUAL);
    }

    static double strength(SkerryTruth.Bar bar) {
        double width =
                bar.widths().stream().mapToDouble(Double::parseDouble).average().orElseThrow();
        double thickness = bar.thicknesses().stream()
                .mapToDouble(Double::parseDouble)
                .average()
                .orElseThrow();
        Typed force = Typed.read("force", bar.force(), UnitOfMeasure.working(Dimension.FORCE));
        return ((Typed.Accepted) force).value() / (width * thickness);
    }

    /** A site of any size: the lots that the workshop is making have codes of their own. */
    @Test
    void noTwoLotsHaveOneCode() {
        for (int lots : new int[] {30, 31, 32, 500}) {
            java.util.Set<String> codes = new java.util.HashSet<>();
            for (int lot = 0; lot < lots + 2; lot++) {
                assertThat(codes.add(SkerryTruth.code(lot))).isTrue();
            }
        }
        assertThat(SkerryTruth.code(30)).isEqualTo("SK-0131");
    }
}
