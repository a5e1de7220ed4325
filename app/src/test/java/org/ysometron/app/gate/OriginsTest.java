package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.material.Blend;

/** Where the tested material came from, and what the lot was mixed by. */
class OriginsTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));

    @Autowired
    private Decisions decisions;

    @Autowired
    private Judgements judgements;

    private List<Block> of(LotView lot, Block.Kind kind) {
        return decisions.blocks(lots.named(lot.code())).stream()
                .filter(block -> block.kind() == kind)
                .toList();
    }

    /** The lot that left before, as the database finds it, beside the same looked for among all lots one by one. */
    @Test
    void theLotThatLeftBeforeIsTheNewestOfItsColour() {
        testLots.releasedLot();
        testLots.releasedLot();
        List<LotView> all = Stream.of(LotState.values())
                .flatMap(state -> lots.page(Set.of(state), 0, 1000, true).lots().stream())
                .toList();
        Comparator<LotView> order = Comparator.comparing(LotView::madeOn).thenComparing(LotView::id);
        Set<LotState> left = Set.of(LotState.RELEASED, LotState.CONCEDED, LotState.BROUGHT_IN);
        Map<Long, Long> expected = new HashMap<>();
        for (LotView lot : all) {
            all.stream()
                    .filter(other -> other.productId() == lot.productId()
                            && other.colour().equals(lot.colour())
                            && left.contains(other.state())
                            && order.compare(other, lot) < 0)
                    .max(order)
                    .ifPresent(before -> expected.put(lot.id(), before.id()));
        }
        Map<Long, Long> found = new HashMap<>();
        lots.shippedBefore(all.stream().map(LotView::id).toList())
                .forEach((lot, before) -> found.put(lot, before.id()));

        assertThat(expected).hasSizeGreaterThan(30);
        assertThat(found).isEqualTo(expected);
    }

    /** M50: nobody knows who picked what was tested. */
    @Test
    void m50ALotWithoutASampleSaysSoAndStaysUntilSomebodyElseAnswers() throws Exception {
        LotView lot = testLots.bare();
        assertThat(of(lot, Block.Kind.NO_SAMPLE)).hasSize(1);
        word(lot, Block.Kind.NO_SAMPLE, "Spool 7 was handed over by the line; its label is in the file.")
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.NO_SAMPLE)).isEmpty();
        LotView drawn = testLots.bare();
        testLots.draw(drawn);
        assertThat(of(drawn, Block.Kind.NO_SAMPLE)).isEmpty();
    }

    /** M51: formulation and masterbatch, its share included, split the series and are said before the lot leaves. */
    @Test
    void m51AnotherBlendIsSaidAndSplitsTheSeries() throws Exception {
        LotView before = testLots.releasedLot();
        LotView other = testLots.good(new Blend("F9", "SL-9", 2.5));
        testLots.refresh(other);
        assertThat(of(other, Block.Kind.OTHER_BLEND))
                .singleElement()
                .extracting(Block::what)
                .asString()
                .contains("formulation F9 (before: not on record)", "SL-9 at 2.5 %", before.code());
        assertThat(judgements.sizesOf(other.id()).keySet())
                .isNotEmpty()
                .doesNotContainAnyElementsOf(judgements.sizesOf(before.id()).keySet());
        LotView share = testLots.good(new Blend("F9", "SL-9", 3));
        LotView same = testLots.good(new Blend("f9", "sl-9", 2.5));
        testLots.refresh(same);
        assertThat(judgements.sizesOf(share.id()).keySet())
                .doesNotContainAnyElementsOf(judgements.sizesOf(other.id()).keySet());
        assertThat(judgements.sizesOf(same.id()).keySet())
                .isEqualTo(judgements.sizesOf(other.id()).keySet());
        assertThatThrownBy(() -> decisions.decide(other, Disposition.RELEASE, "All claims are supported.", "release"))
                .hasMessageContaining("one thing stands");
        word(other, Block.Kind.OTHER_BLEND, "F9 has the same polymer; the first three lots are tested in full.")
                .andExpect(status().is3xxRedirection());
        assertThat(of(other, Block.Kind.OTHER_BLEND)).isEmpty();
        // Held, so that the lots of other tests are not compared with it; the record says what it was made by and the
        // word.
        decisions.decide(other, Disposition.HOLD, "Waits for the customer's own test.", "release");
        http.perform(get("/lots/" + other.code() + "/certificate").with(BENCH))
                .andExpect(content()
                        .string(Matchers.allOf(
                                Matchers.containsString("formulation F9, masterbatch SL-9 at 2.5 %"),
                                Matchers.containsString("F9 has the same polymer"),
                                Matchers.containsString("Sample S1"))));
    }

    @Test
    void aShareWithoutItsMasterbatchIsRefusedAtItsField() throws Exception {
        String code = "B-" + UUID.randomUUID().toString().substring(0, 8);
        http.perform(post("/lots/new")
                        .with(BENCH)
                        .with(csrf())
                        .param("code", code)
                        .param("product", "skerry-bf10|natural")
                        .param("madeOn", LocalDate.now().toString())
                        .param("masterbatchShare", "2 %"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(Matchers.containsString("A share of 2 %, but of which masterbatch?")));
        http.perform(post("/lots/new")
                        .with(BENCH)
                        .with(csrf())
                        .param("code", code)
                        .param("product", "skerry-bf10|natural")
                        .param("madeOn", LocalDate.now().toString())
                        .param("grade", "NA-1")
                        .param("masterbatchShare", "1,5"))
                .andExpect(status().is3xxRedirection());
        assertThat(lots.named(code).blend()).isEqualTo(new Blend("", "NA-1", 1.5));
        http.perform(get("/lots/new").with(BENCH)).andExpect(content().string(Matchers.containsString("NA-1")));
    }
}
