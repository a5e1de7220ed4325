package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.End;

/** What is odd about a lot is found, drawn, answered by somebody else, and printed; nothing is left out by itself. */
class OddTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("judge").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    private final List<LotView> made = new ArrayList<>();

    @Autowired
    private Judgements judgements;

    @AfterEach
    void away() {
        away(made);
    }

    /** Of a blend of its own: how the lots of other tests scatter is no measure of it. */
    private LotView alone() {
        LotView lot = testLots.alone();
        made.add(lot);
        return lot;
    }

    private LotView lot(double... flat) {
        LotView lot = alone();
        testLots.set(lot, Orientation.XY, flat.length - 5);
        testLots.test(lot, Orientation.XY, "bench", flat);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        return lot;
    }

    private List<Block> of(LotView lot, Block.Kind kind) {
        return gateOfTests.blocks(lot).stream()
                .filter(block -> block.kind() == kind)
                .toList();
    }

    private String page(LotView lot) throws Exception {
        return http.perform(get("/lots/" + lot.code() + "/odd").with(QUALITY))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString();
    }

    @Test
    void anUnansweredOddResultStandsInTheWayAndItsAnswerIsPrinted() throws Exception {
        LotView lot = lot(880, 884, 890, 876, 871, 610);
        List<Block> odd = of(lot, Block.Kind.ODD_RESULT);
        assertThat(odd).singleElement().satisfies(block -> assertThat(block.what())
                .contains("XY6", "far below the others", "Without it"));
        assertThat(page(lot))
                .contains("XY6, Tensile strength", "Not answered yet", "with it: mean", "without: mean", "Keep it");

        // Nothing is left out by itself.
        assertThat(judgements.details(lot).stream()
                        .filter(detail -> detail.claim().title().startsWith("Tensile strength, XY"))
                        .map(detail -> detail.judgement().n()))
                .containsExactly(6);

        word(lot, Block.Kind.ODD_RESULT, " ").andExpect(status().is(422));
        http.perform(post("/lots/" + lot.code() + "/words")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                        .with(csrf())
                        .param("kind", "ODD_RESULT")
                        .param("subject", odd.get(0).subject())
                        .param("reason", "It looked sound to me."))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("entered evidence of this lot")));
        word(lot, Block.Kind.ODD_RESULT, "The fracture face is sound: the material says so.")
                .andExpect(status().is3xxRedirection());

        assertThat(of(lot, Block.Kind.ODD_RESULT)).isEmpty();
        assertThat(page(lot))
                .contains("Answered by judge: The fracture face is sound")
                .doesNotContain("Keep it");
        gateOfTests.decide(lot, Disposition.REJECT, "A weak specimen among six.", "release");
        http.perform(get("/lots/" + lot.code() + "/certificate").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("The fracture face is sound"),
                                containsString("a result far from the others of its set"))));
    }

    @Test
    void whoExcludesItNamesACauseAndItIsAnotherMatterThen() throws Exception {
        LotView lot = lot(880, 884, 890, 876, 871, 610);
        ReadingView low = bench.records(lot.id()).stream()
                .filter(record -> record.specimen().label().equals("XY6"))
                .flatMap(record -> record.ended().stream())
                .findFirst()
                .orElseThrow();
        assertThat(page(lot)).contains("/bench/readings/" + low.id());
        bench.correct(
                lot,
                low.id(),
                new Bench.Correction("610", End.BROKE_AT_GRIP, 0, Cause.AT_GRIP, "jaw marks across the break", "610"),
                "bench");

        assertThat(of(lot, Block.Kind.ODD_RESULT)).isEmpty();
        assertThat(of(lot, Block.Kind.TAKEN_OUT)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("broke at the grip: jaw marks"));
        assertThat(page(lot)).contains("Nothing odd");
    }

    @Test
    void twoGroupsInOneSetAreAskedAboutAndAskedAgainWithAnotherResult() throws Exception {
        LotView lot = lot(800, 905, 803, 900, 798, 903, 801, 898);
        List<Block> found = of(lot, Block.Kind.SURPRISE);
        assertThat(found).singleElement().satisfies(block -> assertThat(block.what())
                .contains("falls into two groups", "XY1", "XY3", "XY5", "XY7"));
        word(lot, Block.Kind.SURPRISE, "Two rolls of tape under the grips; written down.")
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.SURPRISE)).isEmpty();

        long first = bench.records(lot.id()).stream()
                .filter(record -> record.specimen().label().equals("XY1"))
                .flatMap(record -> record.ended().stream())
                .findFirst()
                .orElseThrow()
                .id();
        bench.correct(lot, first, testLots.correction("799", End.BROKE_IN_GAUGE, "read the wrong line"), "bench");
        assertThat(of(lot, Block.Kind.SURPRISE))
                .as("of as many results, one of them read anew")
                .hasSize(1);
        word(lot, Block.Kind.SURPRISE, "Still the two rolls of tape.").andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.SURPRISE)).isEmpty();

        testLots.set(lot, Orientation.XY, 1);
        bench.enterAll(
                lot,
                List.of(
                        testLots.width("XY9", 1, "4.00"),
                        testLots.thickness("XY9", 1, "4.00"),
                        testLots.force("XY9", "902", End.BROKE_IN_GAUGE)),
                "bench",
                null);
        assertThat(of(lot, Block.Kind.SURPRISE))
                .anySatisfy(block -> assertThat(block.what()).contains("falls into two groups"));
    }

    @Test
    void notesThatContradictTheEndAreAskedAbout() throws Exception {
        LotView lot = lot(880, 884, 890, 876, 871, 879);
        bench.enter(
                lot,
                new Bench.Entry("XY2", "broke-at", 1, "at the other end", null, testLots.gauge("bench load cell"), ""),
                "bench");
        assertThat(of(lot, Block.Kind.SURPRISE))
                .singleElement()
                .satisfies(
                        block -> assertThat(block.what())
                                .isEqualTo(
                                        "XY2: it is said to have broken in the gauge length, and is noted to have broken at the other end."));
        assertThat(page(lot)).contains("End and notes disagree, XY2");
    }

    @Test
    void uprightAboveFlatIsAskedAbout() throws Exception {
        LotView lot = alone();
        testLots.test(lot, Orientation.XY, "bench", 450, 455, 462, 447, 458);
        testLots.test(lot, Orientation.ZX, "bench", 880, 884, 890, 876, 871);
        assertThat(of(lot, Block.Kind.SURPRISE))
                .anySatisfy(block -> assertThat(block.what()).contains("is above the flat specimens"));
    }

    /** M8: what is tested wet counts for nothing, and is not called empty. */
    @Test
    void m8WhatDoesNotCountYetIsSaidToBeTested() throws Exception {
        LotView lot = testLots.bare();
        made.add(lot);
        testLots.draw(lot);
        testLots.set(lot, Orientation.XY, 6);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871, 610);
        assertThat(of(lot, Block.Kind.ODD_RESULT)).isEmpty();
        assertThat(page(lot))
                .contains("counts for nothing yet, and is looked at once it does. XY1 to XY6")
                .doesNotContain("Nothing of this lot has a value yet");
    }

    @Test
    void aLotWithoutAResultSaysWhereResultsComeFrom() throws Exception {
        LotView lot = testLots.bare();
        made.add(lot);
        http.perform(get("/lots/" + lot.code() + "/odd").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("Nothing of this lot has a value yet"),
                                not(containsString("Keep it")))));
    }
}
