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

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.TestProducts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Topic;

/** Bounds, intervals and what was seen go from the bench to the certificate as what they are. */
class WhatTestsSayTest extends DemoSite {

    private final List<LotView> made = new ArrayList<>();

    @AfterEach
    void away() {
        away(made);
    }

    private static final OptionalDouble NONE = OptionalDouble.empty();
    private static final RequestPostProcessor ENTRY = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));
    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Judgements judgements;

    @Autowired
    private Decisions decisions;

    /** A lot whose datasheet claims at least so much of a method's first characteristic, with five specimens for it. */
    private LotView claiming(Method method, double atLeast) {
        PlannedTest test = TestLots.line(method.data().id(), method.data().rated() ? 5 : 0, 5);
        LotView lot = testProducts.lot(testProducts.claiming(
                TestProducts.atLeast(Topic.on(method.data().main()), atLeast, test.conditions())));
        made.add(lot);
        testLots.draw(lot);
        testLots.dry(lot, LocalDateTime.now().minusHours(2));
        testLots.set(lot, test);
        return lot;
    }

    private void test(LotView lot, SpecimenView specimen, @Nullable End end, String... fieldsAndTexts) {
        Method method = Methods.of(specimen.conditions().method()).orElseThrow();
        long instrument = testLots.instrument(method);
        List<Bench.Entry> entries = new ArrayList<>();
        for (int i = 0; i < fieldsAndTexts.length; i += 2) {
            entries.add(new Bench.Entry(
                    specimen.label(),
                    fieldsAndTexts[i],
                    1,
                    fieldsAndTexts[i + 1],
                    end,
                    instrument,
                    fieldsAndTexts[i + 1]));
        }
        bench.enterTest(lot, specimen.label(), entries, "bench");
    }

    private Judgements.Judged verdict(LotView lot) {
        return judgements.of(List.of(lot)).get(lot.id()).get(0);
    }

    /** M6: threads held at one step and stripped at the next are intervals in verdict, strip and certificate. */
    @Test
    void m6AStepIsAnIntervalToTheEnd() throws Exception {
        LotView lot = claiming(Methods.of("thread-stripping").orElseThrow(), 1.4);
        for (SpecimenView block : lots.specimens(lot.id())) {
            test(lot, block, End.STRIPPED, "held", "1.6 N·m", "failed", "1.8 N·m");
        }
        assertThat(verdict(lot).verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(verdict(lot).reason())
                .contains("5 of 5 results are known between two steps", "1.600 N·m and 1.800 N·m");
        http.perform(get("/lots/" + lot.code() + "/evidence").with(QUALITY))
                .andExpect(content()
                        .string(allOf(containsString("not above 1.800 N·m"), containsString("5 of them bounds"))));
        decisions.decide(lot, Disposition.RELEASE, "The one claim is supported.", "release");
        Snapshot kept = Snapshot.of(decisions.stored(lots.named(lot.code()), 1).snapshot);
        assertThat(kept.specimens())
                .hasSize(5)
                .allSatisfy(line -> assertThat(line.figures()).singleElement().satisfies(figure -> {
                    assertThat(figure.kind()).isEqualTo("BETWEEN");
                    assertThat(figure.value()).isEqualTo(1.6);
                    assertThat(figure.upper()).isEqualTo(1.8);
                }));
        http.perform(get("/lots/" + lot.code() + "/certificate").with(QUALITY))
                .andExpect(content().string(allOf(containsString("Stripping torque"), containsString("supported"))));
    }

    /** Who says that it held and types where it did not, or forgets where it did not, gets no value out of it. */
    @Test
    void readingsThatCannotBelongTogetherAreRefused() {
        LotView lot = claiming(Methods.of("thread-stripping").orElseThrow(), 1.4);
        List<SpecimenView> blocks = lots.specimens(lot.id());
        assertThatThrownBy(() -> test(lot, blocks.get(0), End.HELD_TO_THE_END, "held", "1.6 N·m", "failed", "1.8 N·m"))
                .hasMessageContaining("one of the two is wrong");
        assertThatThrownBy(() -> test(lot, blocks.get(0), End.STRIPPED, "held", "1.8 N·m", "failed", "1.6 N·m"))
                .hasMessageContaining("what held lies below what did not");
        assertThat(bench.record(lot, blocks.get(0).label()).readings()).isEmpty();
        test(lot, blocks.get(0), End.STRIPPED, "held", "1.6 N·m");
        Reduced open = bench.record(lot, blocks.get(0).label()).result().orElseThrow();
        assertThat(open.made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(open.reason()).contains("was not read");
    }

    /** A test that is over takes no more readings of what was read in it, by hand or by file; what was not read may follow. */
    @Test
    void aTestThatIsOverTakesNoMoreOfTheSame() {
        LotView lot = claiming(Methods.of("peel").orElseThrow(), 1);
        SpecimenView strip = lots.specimens(lot.id()).get(0);
        test(lot, strip, null, "width", "10.0 mm");
        test(lot, strip, End.BROKE, "force", "30 N");
        long gauge = testLots.gauge("bench load cell");
        Bench.Entry more = new Bench.Entry(strip.label(), "force", 2, "90 N", End.BROKE, gauge, "90 N");
        assertThatThrownBy(() -> bench.enter(lot, more, "bench")).hasMessageContaining("is over");
        assertThatThrownBy(() -> bench.enterAll(lot, List.of(more), "bench", null))
                .hasMessageContaining("is over");
        assertThat(bench.record(lot, strip.label()).result().orElseThrow().value())
                .hasValue(3);
        bench.enter(lot, new Bench.Entry(strip.label(), "failure", 1, "adhesive", null, gauge, ""), "bench");
        assertThat(bench.record(lot, strip.label()).readings()).hasSize(3);
    }

    /** A file has no more rights than a hand: it ends no test short of a reading, changes no end, moves no known figure. */
    @Test
    void aFileGoesByTheSameRules() {
        LotView lot = claiming(Methods.of("torsion").orElseThrow(), 40);
        List<SpecimenView> rods = lots.specimens(lot.id());
        long gauge = testLots.instrument(Methods.of("torsion").orElseThrow());
        Bench.Entry torque = new Bench.Entry(rods.get(0).label(), "torque", 1, "2.1 N·m", End.BROKE, gauge, "2.1 N·m");
        assertThatThrownBy(() -> bench.enterAll(lot, List.of(torque), "bench", null))
                .hasMessageContaining("angle at the end");

        test(lot, rods.get(1), null, "diameter", "6.02 mm");
        test(lot, rods.get(1), End.BROKE, "torque", "2.1 N·m", "angle", "200 °");
        Reduced known = bench.record(lot, rods.get(1).label()).result().orElseThrow();
        Bench.Entry late = new Bench.Entry(rods.get(1).label(), "pieces", 1, "2", End.VOID, gauge, "2");
        bench.enterAll(lot, List.of(late), "bench", null);
        assertThat(bench.record(lot, rods.get(1).label()).readings())
                .noneMatch(reading -> reading.outcome() == End.VOID);
        assertThat(bench.record(lot, rods.get(1).label()).result().orElseThrow())
                .isEqualTo(known);
        Bench.Entry second = new Bench.Entry(rods.get(1).label(), "diameter", 2, "5.20 mm", null, 0, "5.20 mm");
        assertThatThrownBy(() -> bench.enterAll(lot, List.of(second), "bench", null))
                .hasMessageContaining("would change its");
        assertThatThrownBy(() -> bench.enter(lot, second, "bench")).hasMessageContaining("would change its");
        assertThat(bench.record(lot, rods.get(1).label()).result().orElseThrow())
                .isEqualTo(known);
    }

    /** M31: what is void has a cause, by hand and by file. */
    @Test
    void m31AVoidTestSaysWhy() {
        LotView lot = claiming(Methods.of("part-load").orElseThrow(), 500);
        List<SpecimenView> hooks = lots.specimens(lot.id());
        String hook = hooks.get(0).label();
        assertThatThrownBy(() -> test(lot, hooks.get(0), End.VOID, "force", "212 N"))
                .hasMessageContaining("why it is void");
        long gauge = testLots.gauge("bench load cell");
        Bench.Entry alone = new Bench.Entry(hook, "force", 1, "212 N", End.VOID, gauge, "212 N");
        assertThatThrownBy(() -> bench.enterAll(lot, List.of(alone), "bench", null))
                .hasMessageContaining("why it is void");
        test(lot, hooks.get(0), End.VOID, "force", "212 N", "remark", "bent by hand while it was mounted");
        assertThat(bench.record(lot, hook).result().orElseThrow().made()).isEqualTo(Reduced.Made.NOTHING);
        assertThat(bench.record(lot, hook).readings()).hasSize(2);
    }

    /** M31: what is made in place of a void one is linked to it, once, and said wherever the lot is judged. */
    @Test
    void m31WhatIsMadeInItsPlaceIsLinked() throws Exception {
        LotView lot = claiming(Methods.of("part-load").orElseThrow(), 500);
        List<SpecimenView> hooks = lots.specimens(lot.id());
        test(lot, hooks.get(0), End.VOID, "force", "212 N", "remark", "bent by hand while it was mounted");
        test(lot, hooks.get(1), End.BROKE, "force", "612 N");
        String bench = "/lots/" + lot.code() + "/bench";
        http.perform(get(bench).with(ENTRY)).andExpect(content().string(containsString("Make one in place of XY1")));
        for (int i = 0; i < 2; i++) {
            http.perform(post(bench + "/specimens/XY1/replacement").with(ENTRY).with(csrf()))
                    .andExpect(status().is3xxRedirection());
        }
        http.perform(post(bench + "/specimens/XY2/replacement").with(ENTRY).with(csrf()))
                .andExpect(status().is(422));
        assertThat(lots.specimens(lot.id())).hasSize(6);
        assertThat(lots.replacements(lot.id()))
                .containsExactly(java.util.Map.entry(hooks.get(0).id(), "XY6"));
        http.perform(get(bench).with(ENTRY))
                .andExpect(content()
                        .string(allOf(
                                containsString("XY6 was made in its place"),
                                not(containsString("Make one in place of")))));
        http.perform(get("/lots/" + lot.code() + "/evidence").with(QUALITY))
                .andExpect(content().string(containsString("XY6 was made in place of XY1, whose test was void")));
    }

    /** Survivors and those that break say at least and at most: what is denied is denied, and no mean is made of them. */
    @Test
    void aDropThatBreaksIsAnUpperBound() {
        LotView lot = claiming(Methods.of("drop-impact").orElseThrow(), 3);
        List<SpecimenView> parts = lots.specimens(lot.id());
        for (SpecimenView part : parts) {
            test(lot, part, End.BROKE, "mass", "500 g", "height", "400 mm");
        }
        assertThat(verdict(lot).verdict()).isEqualTo(Verdict.CONTRADICTED);
        assertThat(judgements.details(lot).get(0).judgement().mean()).isEmpty();
    }

    /** Steps up and down: five parts, the least for a mean; it lies between the levels, and stands on page, chart and verdict. */
    @Test
    void aStaircaseHasAMean() throws Exception {
        LotView lot = claiming(Methods.of("drop-impact").orElseThrow(), 10);
        List<SpecimenView> parts = lots.specimens(lot.id());
        http.perform(post("/lots/" + lot.code() + "/bench/confirmation")
                        .param("method", "drop-impact")
                        .param("confirmed", "0", "1", "2")
                        .with(ENTRY)
                        .with(csrf()))
                .andExpect(status().is3xxRedirection());
        int[] heights = {400, 450, 400, 450, 400};
        for (int i = 0; i < heights.length; i++) {
            // The bench says how high the next one is dropped from.
            if (i > 0) {
                String next =
                        i % 2 == 1 ? " held at 400 mm: 450 mm is next" : " did not hold at 450 mm: 400 mm is next";
                http.perform(get("/lots/" + lot.code() + "/bench?step=break").with(ENTRY))
                        .andExpect(
                                content().string(containsString(parts.get(i - 1).label() + next)));
            }
            End end = heights[i] == 400 ? End.NO_BREAK : End.BROKE;
            test(lot, parts.get(i), end, "mass", "500 g", "height", heights[i] + " mm");
        }
        Judgement judged = judgements.details(lot).get(0).judgement();
        // m·g·h of 400 mm and 450 mm by hand.
        assertThat(judged.mean().getAsDouble()).isBetween(1.96133, 2.20650);
        // Five parts have a mean; bounds they cannot have.
        assertThat(judged.reason()).contains("5 parts in steps have a mean of", "no bounds yet");
        assertThat(judged.verdict()).isEqualTo(Verdict.OPEN);
        assertThat(judged.bounds()).isEqualTo(5);
        assertThat(judged.working().steps())
                .anySatisfy(step -> assertThat(step.meaning()).isEqualTo("mean of the staircase"));
    }

    /** M43: a zero read with the test voids it; noted when the result is known it takes nothing away. */
    @Test
    void m43AZeroNotedLaterTakesNothingAway() {
        LotView lot = claiming(Methods.of("part-load").orElseThrow(), 500);
        List<SpecimenView> hooks = lots.specimens(lot.id());
        test(lot, hooks.get(0), End.BROKE, "force", "612 N", "zero-change", "9 N");
        test(lot, hooks.get(1), End.BROKE, "force", "612 N");
        test(lot, hooks.get(1), null, "zero-change", "9 N");

        Reduced with = bench.record(lot, hooks.get(0).label()).result().orElseThrow();
        assertThat(with.made()).isEqualTo(Reduced.Made.NOTHING);
        assertThat(with.reason()).contains("the zero had moved by 9.000 N");
        Reduced later = bench.record(lot, hooks.get(1).label()).result().orElseThrow();
        assertThat(later.made()).isEqualTo(Reduced.Made.VALUE);
        // Corrected after the result was known, it is a change that another account looks at.
        long zero = bench.record(lot, hooks.get(0).label()).readings().stream()
                .filter(reading -> reading.field().key().equals("zero-change"))
                .findFirst()
                .orElseThrow()
                .id();
        bench.correct(
                lot,
                zero,
                new Bench.Correction("1 N", null, 0, Cause.MISREAD, "read on the wrong display", "1 N"),
                "bench");
        assertThat(bench.record(lot, hooks.get(0).label())
                        .result()
                        .orElseThrow()
                        .made())
                .isEqualTo(Reduced.Made.VALUE);
        assertThat(decisions.blocks(lot)).anySatisfy(block -> {
            assertThat(block.kind()).isEqualTo(Block.Kind.TAKEN_OUT);
            assertThat(block.what()).contains("how far the zero had moved changed from 9 N to 1 N");
        });
    }

    /** What must be read is asked for before a test can end, and none of its readings is stored until all can be. */
    @Test
    void aTestIsStoredWholeOrNotAtAll() {
        LotView lot = claiming(Methods.of("torsion").orElseThrow(), 40);
        SpecimenView rod = lots.specimens(lot.id()).get(0);
        assertThatThrownBy(() -> test(lot, rod, End.BROKE, "torque", "2.1 N·m"))
                .hasMessageContaining("angle at the end");
        assertThatThrownBy(() -> test(lot, rod, End.BROKE, "torque", "2.1 N·m", "angle", "2 N"))
                .hasMessageContaining("is a force, not an angle");
        assertThatThrownBy(() -> test(lot, rod, null, "torque", "2.1 N·m", "angle", "200 °"))
                .hasMessageContaining("Say how the test ended");
        assertThatThrownBy(() -> test(lot, rod, End.STRIPPED, "torque", "2.1 N·m", "angle", "200 °"))
                .hasMessageContaining("Say how the test ended");
        assertThat(bench.record(lot, rod.label()).readings()).isEmpty();
        test(lot, rod, End.BROKE, "torque", "2.1 N·m", "angle", "200 °");
        test(lot, rod, End.BROKE, "torque", "2.1 N·m", "angle", "200 °");
        assertThat(bench.record(lot, rod.label()).readings()).hasSize(2);
        assertThat(bench.record(lot, rod.label()).result()).isEmpty();
    }
}
