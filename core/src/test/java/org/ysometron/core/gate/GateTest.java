package org.ysometron.core.gate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.gate.Gate.ChartSignal;
import org.ysometron.core.gate.Gate.JudgedClaim;

class GateTest {

    @Test
    void onlySupportedClaimsAndAnsweredSignalsLetALotThrough() {
        assertThat(Gate.blocks(List.of(claim(Verdict.SUPPORTED)), List.of(new ChartSignal("upright", true)), List.of()))
                .isEmpty();
        assertThat(Gate.blocks(List.of(), List.of(), List.of())).hasSize(1);
    }

    @Test
    void everyOtherVerdictBlocksAndSaysWhoLiftsIt() {
        for (Verdict verdict : Verdict.values()) {
            if (verdict != Verdict.SUPPORTED) {
                List<Block> blocks = Gate.blocks(List.of(claim(verdict)), List.of(), List.of());
                assertThat(blocks).as(verdict.words()).hasSize(1);
                assertThat(blocks.get(0).how()).isNotBlank();
                assertThat(blocks.get(0).what()).contains(verdict.words());
            }
        }
    }

    /** M14: a single specimen leaves its claim open, and an open claim blocks. */
    @Test
    void anOpenClaimBlocksWithTheNumberThatWouldSettleIt() {
        List<Block> blocks = Gate.blocks(List.of(claim(Verdict.OPEN)), List.of(), List.of());

        assertThat(blocks).singleElement().satisfies(block -> {
            assertThat(block.kind()).isEqualTo(Block.Kind.CLAIM_OPEN);
            assertThat(block.how()).isEqualTo("Test 4 more.");
        });
    }

    @Test
    void anUnansweredSignalIsForJudgement() {
        assertThat(Gate.blocks(
                        List.of(claim(Verdict.SUPPORTED)),
                        List.of(new ChartSignal("upright strength", false)),
                        List.of()))
                .singleElement()
                .satisfies(block -> assertThat(block.lifter()).isEqualTo(Right.JUDGEMENT));
    }

    /** M68: whoever entered readings cannot release alone; holding and rejecting need no second person. */
    @Test
    void theOneWhoEnteredReadingsCannotReleaseAlone() {
        assertThat(Gate.refusals(Disposition.RELEASE, List.of(), "release", Set.of("bench", "release")))
                .singleElement()
                .satisfies(block -> assertThat(block.kind()).isEqualTo(Block.Kind.SAME_PERSON));
        assertThat(Gate.refusals(Disposition.RELEASE, List.of(), "release", Set.of("bench")))
                .isEmpty();
        assertThat(Gate.refusals(Disposition.REJECT, List.of(), "release", Set.of("release")))
                .isEmpty();
        assertThat(Gate.refusals(Disposition.HOLD, List.of(), "release", Set.of("release")))
                .isEmpty();
    }

    private static JudgedClaim claim(Verdict verdict) {
        return new JudgedClaim("Tensile strength, ZX upright", verdict, "Reason.", 1, 5, OptionalInt.of(4), false);
    }

    /** What is measured on the material itself is missing at intake, not among the specimens. */
    @Test
    void aClaimOnTheMaterialIsSettledAtIntake() {
        for (Verdict verdict : List.of(Verdict.NOT_TESTED, Verdict.OPEN)) {
            JudgedClaim density = new JudgedClaim("Density", verdict, "Reason.", 1, 3, OptionalInt.of(2), true);

            assertThat(Gate.blocks(List.of(density), List.of(), List.of()))
                    .singleElement()
                    .satisfies(block -> {
                        assertThat(block.kind()).isEqualTo(Block.Kind.INTAKE_CLAIM);
                        assertThat(block.how()).contains("at intake");
                    });
        }
    }

    @Test
    void aProductThatClaimsNothingIsNotReleasedForThat() {
        assertThat(Gate.blocks(List.of(), List.of(), List.of()))
                .singleElement()
                .satisfies(block -> assertThat(block.kind()).isEqualTo(Block.Kind.NOTHING_CLAIMED));
    }
}
