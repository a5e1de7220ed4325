package org.ysometron.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class SaturationTest {

    private static final double[] DOSES = {0, 0, 0, 2, 2, 2, 8, 8, 8, 24, 24, 24};
    private static final double[] YELLOW = {0.05, -0.08, 0.03, 2.21, 2.35, 2.10, 6.05, 6.22, 5.88, 8.61, 8.83, 8.70};

    /** R 4.2.2: nls(y ~ a + b * (1 - exp(-d / c))), and uniroot on the deviance of lm for the bounds of c as they are defined. */
    @Test
    void asAReferenceFitsIt() {
        Saturation fit = Saturation.fit(DOSES, YELLOW, 0.95);
        assertThat(fit.start()).isCloseTo(0.011292871, within(1e-5));
        assertThat(fit.change()).isCloseTo(9.019426161, within(1e-5));
        assertThat(fit.constant()).isCloseTo(7.196928442, within(1e-5));
        assertThat(fit.residual()).isCloseTo(0.11815568, within(1e-7));
        assertThat(fit.lower()).isCloseTo(6.7103364, within(1e-5));
        assertThat(fit.upper().orElseThrow()).isCloseTo(7.7337249, within(1e-5));
        // −c·ln 0.05 by hand: 7.1969 × 2.9957.
        assertThat(fit.plateau()).isCloseTo(21.560, within(1e-3));
    }

    /** A straight line has no end that anybody saw. */
    @Test
    void whereItDoesNotEndNoEndIsSaid() {
        Saturation fit =
                Saturation.fit(new double[] {0, 0, 1, 1, 2, 2}, new double[] {0.0, 0.1, 1.0, 1.1, 2.05, 1.95}, 0.95);
        assertThat(fit.upper()).isEmpty();
        assertThat(fit.lower()).isPositive();
    }

    @Property
    void theUnitOfTheDoseDoesNotMatter(@ForAll @DoubleRange(min = 0.01, max = 1000) double unit) {
        Saturation fit = Saturation.fit(Arrays.stream(DOSES).map(x -> x * unit).toArray(), YELLOW, 0.95);
        assertThat(fit.constant() / unit).isCloseTo(7.196928442, within(1e-4));
        assertThat(fit.change()).isCloseTo(9.019426161, within(1e-4));
    }

    /** Share of sets whose bounds hold the true constant, three of each dose: 95 % within what 1,000 sets scatter by. */
    @Test
    void itsBoundsKeepTheirLevel() {
        Random chance = new Random(8);
        int held = 0;
        int sets = 1000;
        for (int set = 0; set < sets; set++) {
            double[] y = Arrays.stream(DOSES)
                    .map(x -> 9 * (1 - Math.exp(-x / 7)) + 0.3 * chance.nextGaussian())
                    .toArray();
            Saturation fit = Saturation.fit(DOSES, y, 0.95);
            held += fit.lower() <= 7 && fit.upper().orElse(Double.MAX_VALUE) >= 7 ? 1 : 0;
        }
        assertThat((double) held / sets).isBetween(0.93, 0.97);
    }

    @Test
    void rangesAreChecked() {
        assertThatThrownBy(() -> Saturation.fit(new double[] {0, 1, 1, 1}, new double[4], 0.95))
                .hasMessageContaining("three doses");
        assertThatThrownBy(() -> Saturation.fit(new double[] {0, 1, 2, Double.NaN}, new double[4], 0.95))
                .hasMessageContaining("needed");
        assertThatThrownBy(() -> Saturation.fit(new double[] {0, 1, 2, 3}, new double[4], 0.95))
                .hasMessageContaining("nothing changes");
    }
}
