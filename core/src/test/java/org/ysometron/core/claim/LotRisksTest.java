package org.ysometron.core.claim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class LotRisksTest {

    private static final OptionalDouble NONE = OptionalDouble.empty();

    /** The same told by running it: lots drawn, their specimens' mean set against the drawn-in edge; within three standard errors of 200,000. */
    @Test
    void theRisksAreThoseOfLotsThatAreDrawn() {
        // 95 % of Student's t with 4 degrees of freedom, printed tables; 97.725 % as R's qt(0.97725, 4)
        drawn(GuardBand.ONE_SIDED, 2.1318);
        drawn(GuardBand.EXPANDED, 2.8693);
        drawn(GuardBand.NONE, 0);
    }

    private static void drawn(GuardBand band, double t) {
        SplittableRandom chance = new SplittableRandom(106);
        int runs = 200_000;
        int wrongly = 0;
        int heldBack = 0;
        int beyond = 0;
        for (int run = 0; run < runs; run++) {
            double truth = 28 + 1.5 * chance.nextGaussian();
            double mean = truth + 2 / Math.sqrt(5) * chance.nextGaussian();
            boolean keeps = truth >= 26;
            boolean supported = mean - t * 2 / Math.sqrt(5) >= 26;
            beyond += keeps ? 0 : 1;
            wrongly += supported && !keeps ? 1 : 0;
            heldBack += !supported && keeps ? 1 : 0;
        }
        LotRisks risks = LotRisks.of(28, 1.5, 2, 5, OptionalDouble.of(26), NONE, band);

        assertThat(risks.beyond()).isCloseTo(beyond / (double) runs, within(0.002));
        assertThat(risks.wrongly()).isCloseTo(wrongly / (double) runs, within(3 * Math.sqrt(risks.wrongly() / runs)));
        assertThat(risks.heldBack()).isCloseTo(heldBack / (double) runs, within(0.0035));
    }

    /** More specimens hold back fewer good lots; a mirrored claim has the same risks; another unit changes none. */
    @Test
    void moreSpecimensHoldBackFewer() {
        LotRisks five = LotRisks.of(28, 1.5, 2, 5, OptionalDouble.of(26), NONE, GuardBand.ONE_SIDED);
        LotRisks ten = LotRisks.of(28, 1.5, 2, 10, OptionalDouble.of(26), NONE, GuardBand.ONE_SIDED);
        assertThat(ten.heldBack()).isLessThan(five.heldBack());
        LotRisks mirrored = LotRisks.of(-28, 1.5, 2, 5, NONE, OptionalDouble.of(-26), GuardBand.ONE_SIDED);
        assertThat(mirrored.wrongly()).isCloseTo(five.wrongly(), within(1e-12));
        LotRisks kilo = LotRisks.of(0.028, 0.0015, 0.002, 5, OptionalDouble.of(0.026), NONE, GuardBand.ONE_SIDED);
        assertThat(kilo.heldBack()).isCloseTo(five.heldBack(), within(1e-9));
        for (int n : new int[] {1, 1001}) {
            assertThatThrownBy(() -> LotRisks.of(28, 1, 1, n, OptionalDouble.of(26), NONE, GuardBand.ONE_SIDED))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }
}
