package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.End;

class GateTest extends DemoSite {

    private static final RequestPostProcessor RELEASE =
            user("release").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("RELEASE"));

    @Autowired
    private Decisions decisions;

    /** The lot that the generator spoilt must not be released. */
    @Test
    void theBadLotIsRefusedWithWhatBlocksIt() throws Exception {
        http.perform(post("/lots/SK-0129/decision")
                        .with(RELEASE)
                        .with(csrf())
                        .param("disposition", "RELEASE")
                        .param("reason", "It looks fine")
                        .param("password", "release"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("cannot be released"),
                                containsString("Tensile strength, ZX upright: contradicted"),
                                containsString("unanswered"),
                                containsString("It looks fine"))));
        assertThat(lots.named("SK-0129").state()).isEqualTo(LotState.WAITING);
    }

    /** M14: with a single specimen the claim stays open and the lot stays in. */
    @Test
    void oneSpecimenIsNotEnough() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 1500);
        testLots.test(lot, Orientation.ZX, "bench", 1500);

        assertThat(decisions.blocks(lot)).anySatisfy(block -> {
            assertThat(block.kind()).isEqualTo(Block.Kind.CLAIM_OPEN);
            assertThat(block.how()).isEqualTo("Test 4 more.");
        });
        assertThatThrownBy(() -> decisions.decide(lot, Disposition.RELEASE, "strong enough", "release"))
                .isInstanceOf(Refusal.class);
    }

    /** M68: the one who entered a reading cannot release alone, with every other block lifted. */
    @Test
    void whoeverMeasuredDoesNotReleaseAlone() throws Exception {
        LotView lot = testLots.goodLot("release");
        assertThat(decisions.blocks(lot)).isEmpty();

        http.perform(post("/lots/" + lot.code() + "/decision")
                        .with(RELEASE)
                        .with(csrf())
                        .param("disposition", "RELEASE")
                        .param("reason", "everything looks right")
                        .param("password", "release"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("cannot release it alone")));
        assertThat(decisions
                        .decide(lot, Disposition.RELEASE, "second pair of eyes", "other")
                        .disposition())
                .isEqualTo(Disposition.RELEASE);
    }

    /** M68: the rights themselves are separate. */
    @Test
    void decidingNeedsTheRightOfRelease() throws Exception {
        http.perform(post("/lots/SK-0129/decision")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("disposition", "REJECT")
                        .param("reason", "bad"))
                .andExpect(status().isForbidden());
    }

    @Test
    void aReleaseFreezesWhatItRestedOn() throws Exception {
        LotView lot = testLots.goodLot("bench");
        Decisions.DecisionView made = decisions.decide(lot, Disposition.RELEASE, "All claims supported.", "release");
        Decision stored = decisions.stored(lot, 1);
        Snapshot snapshot = Snapshot.of(stored.snapshot);

        assertThat(made.sha256()).isEqualTo(Snapshot.hash(stored.snapshot)).hasSize(64);
        assertThat(made.intact()).isTrue();
        assertThat(snapshot.claims()).hasSize(7).allMatch(claim -> claim.verdict()
                .equals("supported"));
        assertThat(snapshot.specimens())
                .hasSize(10)
                .allMatch(line -> line.readings().size() == 3);
        assertThat(snapshot.enteredBy()).containsExactly("bench");
        // Signed twice, by a double click, it is one decision.
        assertThat(decisions
                        .decide(lot, Disposition.RELEASE, "All claims supported.", "release")
                        .revision())
                .isEqualTo(1);
        // The record is closed; who decides in a second tab is told, and keeps what was typed.
        http.perform(post("/lots/" + lot.code() + "/decision")
                        .with(RELEASE)
                        .with(csrf())
                        .param("disposition", "HOLD")
                        .param("reason", "Second thoughts about XY1.")
                        .param("password", "release"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("Your decision was not taken."),
                                containsString("Your reason was: Second thoughts about XY1."))));
        assertThatThrownBy(() -> bench.enter(lot, testLots.width("XY1", 2, "4.00"), "bench"))
                .hasMessageContaining("released");
        http.perform(get("/lots/" + lot.code() + "/certificate").with(RELEASE))
                .andExpect(content()
                        .string(allOf(
                                containsString(made.sha256()),
                                containsString("Certificate of test results"),
                                not(containsString("no longer has the hash")))));
        http.perform(get("/lots/" + lot.code() + "/record.json").with(RELEASE)).andExpect(result -> assertThat(
                        Snapshot.hash(result.getResponse().getContentAsString(java.nio.charset.StandardCharsets.UTF_8)))
                .isEqualTo(made.sha256()));
    }

    @Test
    void aHeldLotCanBeDecidedAgainAsANewRevision() {
        LotView lot = testLots.goodLot("bench");

        decisions.decide(lot, Disposition.HOLD, "Waiting for a second look.", "release");
        decisions.decide(lots.named(lot.code()), Disposition.RELEASE, "Second look done.", "release");

        assertThat(decisions.of(lot.id()))
                .extracting(Decisions.DecisionView::revision)
                .containsExactly(2, 1);
        assertThat(Snapshot.of(decisions.stored(lot, 1).snapshot).disposition()).isEqualTo("hold");
    }

    @Test
    void aDecisionNeedsAReasonAndAChoice() throws Exception {
        LotView lot = testLots.goodLot("bench");

        http.perform(post("/lots/" + lot.code() + "/decision")
                        .with(RELEASE)
                        .with(csrf())
                        .param("disposition", "RELEASE")
                        .param("password", "release"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("The reason is missing")));
        http.perform(post("/lots/" + lot.code() + "/decision")
                        .with(RELEASE)
                        .with(csrf())
                        .param("reason", "x"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Choose what becomes of the lot")));
    }

    /** M2: specimens that outlast the gauge bear a minimum claim as bounds; their ratio is said to be unknown. */
    @Test
    void boundsBearTheClaimAndTheRatioStaysOpen() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        List<org.ysometron.app.bench.Bench.Entry> entries = new java.util.ArrayList<>();
        for (int i = 1; i <= 5; i++) {
            entries.add(testLots.width("ZX" + i, 1, "4.00"));
            entries.add(testLots.thickness("ZX" + i, 1, "4.00"));
            entries.add(new org.ysometron.app.bench.Bench.Entry(
                    "ZX" + i, "force", 1, "530", End.BROKE_IN_GAUGE, testLots.gauge("hook gauge"), "530"));
        }
        bench.enterAll(lot, entries, "bench", null);

        // The demo's hook gauge is out of calibration as well, which is a block of its own.
        assertThat(decisions.blocks(lot))
                .filteredOn(block -> block.kind() != Block.Kind.CALIBRATION)
                .singleElement()
                .satisfies(block -> assertThat(block.what()).contains("Upright/flat ratio: open", "only bounds"));
    }
}
