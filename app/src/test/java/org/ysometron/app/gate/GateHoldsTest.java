package org.ysometron.app.gate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.Owing;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Remedies;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.make.Histories;
import org.ysometron.app.plan.Setting;
import org.ysometron.app.plan.Site;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.End;

/** Each way that somebody found round the gate, closed: every test fails on the application as it was. */
class GateHoldsTest extends DemoSite {

    private static final RequestPostProcessor RELEASE =
            user("release").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("RELEASE"));

    @Autowired
    private Decisions decisions;

    @Autowired
    private Judgements judgements;

    @Autowired
    private Owing owing;

    @Autowired
    private Instruments instruments;

    @Autowired
    private Calibrations calibrations;

    @Autowired
    private Histories histories;

    @Autowired
    private Intake intake;

    @Autowired
    private Samples samples;

    @Autowired
    private Site site;

    @Autowired
    private JdbcTemplate database;

    private List<Block> of(LotView lot, Block.Kind kind) {
        return decisions.blocks(lots.named(lot.code())).stream()
                .filter(block -> block.kind() == kind)
                .toList();
    }

    /** M79: a reading stored before the decision is part of it, however close the two come. */
    @Test
    void m79NothingIsReleasedOverAReadingStoredBefore() throws Exception {
        ExecutorService two = Executors.newFixedThreadPool(2);
        try {
            for (int i = 0; i < 12; i++) {
                LotView lot = testLots.goodLot("bench");
                testLots.set(lot, Orientation.ZX, 1);
                CountDownLatch go = new CountDownLatch(1);
                Future<?> typing = two.submit(() -> {
                    go.await();
                    bench.enterAll(
                            lot,
                            List.of(
                                    testLots.width("ZX6", 1, "4.00"),
                                    testLots.thickness("ZX6", 1, "4.00"),
                                    testLots.force("ZX6", "60", End.BROKE_IN_GAUGE)),
                            "bench",
                            null);
                    return null;
                });
                Future<Decisions.DecisionView> deciding = two.submit(() -> {
                    go.await();
                    return decisions.decide(lot, Disposition.RELEASE, "All claims are supported.", "release");
                });
                go.countDown();
                boolean stored = true;
                try {
                    typing.get();
                } catch (java.util.concurrent.ExecutionException closed) {
                    assertThat(closed).hasRootCauseInstanceOf(Refusal.class);
                    stored = false;
                }
                boolean released = true;
                try {
                    deciding.get();
                } catch (java.util.concurrent.ExecutionException blocked) {
                    assertThat(blocked).hasRootCauseInstanceOf(Refusal.class);
                    released = false;
                }
                // One of them came first; never both as if the other had not been.
                assertThat(stored)
                        .as("stored %s, released %s", stored, released)
                        .isNotEqualTo(released);
                if (released) {
                    assertThat(decisions.stored(lot, 0).snapshot).doesNotContain("\"typed\":\"60\"");
                }
            }
        } finally {
            two.shutdownNow();
        }
    }

    /** What the gate checks is what the certificate prints: a calibration that verifies less makes the verdicts anew. */
    @Test
    void aCalibrationOfTheDayReachesTheGateAndTheCertificateAlike() {
        long cell = instruments
                .register(new Instruments.NewInstrument(
                        Kind.FORCE_GAUGE,
                        "cell " + UUID.randomUUID().toString().substring(0, 8),
                        OptionalDouble.of(2000),
                        0.003,
                        0,
                        Instruments.Facts.NONE))
                .id();
        calibrations.enter(cell, LocalDate.now().minusDays(30), LocalDate.now().plusDays(300), "K-1", "quality");
        LotView lot = testLots.lot();
        for (Orientation orientation : List.of(Orientation.XY, Orientation.ZX)) {
            for (int i = 1; i <= 5; i++) {
                String label = orientation.name() + i;
                bench.enter(lot, testLots.width(label, 1, "4.00"), "bench");
                bench.enter(lot, testLots.thickness(label, 1, "4.00"), "bench");
                String force = String.valueOf((orientation == Orientation.XY ? 880 : 455) + 4 * (i * 3 % 5));
                bench.enter(lot, new Bench.Entry(label, "force", 1, force, End.BROKE_IN_GAUGE, cell, force), "bench");
            }
        }
        assertThat(decisions.blocks(lot)).isEmpty();

        calibrations.enter(
                cell,
                new Calibrations.NewCalibration(
                        LocalDate.now(),
                        LocalDate.now().plusDays(300),
                        "K-2",
                        OptionalDouble.of(400),
                        Calibrations.Paper.NONE),
                "quality");

        List<Block> open = of(lot, Block.Kind.CLAIM_OPEN);
        assertThat(open).isNotEmpty();
        Judgements.Whole whole = judgements.whole(lot);
        assertThat(judgements.of(List.of(lot)).get(lot.id()))
                .extracting(Judgements.Judged::verdict)
                .isEqualTo(
                        whole.judged().stream().map(Judgements.Judged::verdict).toList());
        assertThatThrownBy(() -> decisions.decide(lot, Disposition.RELEASE, "It was fine before.", "release"))
                .isInstanceOf(Refusal.class);
    }

    /** M70: five bars that contradict are not outvoted by six of another set-up, and stand on the certificate. */
    @Test
    void m70ASetThatContradictsIsNotOutvoted() throws Exception {
        LotView lot = testLots.lot();
        long other = testLots.gauge("frame 2 load cell");
        for (int i = 1; i <= 5; i++) {
            broken(lot, "ZX" + i, 455 + 4 * (i * 3 % 5), other);
            broken(lot, "XY" + i, 560 + i, testLots.gauge("bench load cell"));
        }
        testLots.set(lot, Orientation.XY, 6);
        for (int i = 6; i <= 11; i++) {
            broken(lot, "XY" + i, 880 + 4 * (i * 3 % 5), other);
        }

        List<Block> against = of(lot, Block.Kind.OTHER_SETUP);
        assertThat(against).singleElement().satisfies(block -> assertThat(block.what())
                .contains("Tensile strength, XY flat: contradicted by", "n = 5"));
        // The one who measured gives no word about it, nor does a dot.
        give(lot, against.get(0), "bench", "HANDLING", "the grips were worn out")
                .andExpect(status().is(422));
        give(lot, against.get(0), "judge", "HANDLING", "\u00a0\u200b.").andExpect(status().is(422));
        give(lot, against.get(0), "judge", "", "the grips were worn out").andExpect(status().is(422));
        give(lot, against.get(0), "judge", "EQUIPMENT", "the grips were worn out, see the note of Monday")
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.OTHER_SETUP)).isEmpty();
        Snapshot snapshot = take(lot, Disposition.HOLD);
        assertThat(snapshot.words()).anyMatch(word -> word.contains("fault of an instrument"));
        assertThat(snapshot.claims())
                .filteredOn(claim -> claim.title().equals("Tensile strength, XY flat"))
                .singleElement()
                .satisfies(claim -> {
                    assertThat(claim.n()).isEqualTo(6);
                    assertThat(claim.beside()).anyMatch(words -> words.contains("contradicted, n = 5"));
                });
    }

    /** One figure and the ratio made of it come from the same specimens. */
    @Test
    void theRatioIsMadeOfTheSpecimensThatGiveTheStrengths() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        testLots.set(lot, Orientation.XY, 6);
        for (int i = 6; i <= 11; i++) {
            broken(lot, "XY" + i, 700 + i, testLots.gauge("frame 2 load cell"));
        }
        List<Judgements.Detail> details = judgements.details(lot);
        Judgements.Detail flat = details.stream()
                .filter(detail -> detail.claim().title().equals("Tensile strength, XY flat"))
                .findFirst()
                .orElseThrow();
        Judgements.Detail ratio = details.stream()
                .filter(detail -> detail.claim().property().isRatio())
                .findFirst()
                .orElseThrow();
        assertThat(ratio.setup()).isEqualTo(flat.setup());
        assertThat(ratio.records()).containsAll(flat.records());
    }

    /** M78: two of five at the grip are one too many; what the verdict would be with their loads is said. */
    @Test
    void m78ManyBreaksAtTheGripAskForARetest() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        testLots.set(lot, Orientation.XY, 2);
        for (int i = 1; i <= 7; i++) {
            bench.enter(lot, testLots.width("XY" + i, 1, "4.00"), "bench");
            bench.enter(lot, testLots.thickness("XY" + i, 1, "4.00"), "bench");
            bench.enter(
                    lot,
                    testLots.force(
                            "XY" + i,
                            i < 3 ? "410" : String.valueOf(880 + i),
                            i < 3 ? End.BROKE_AT_GRIP : End.BROKE_IN_GAUGE),
                    "bench");
        }
        assertThat(of(lot, Block.Kind.ENDINGS)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("2 of 7", "2 broke at grip", "With their loads counted", "would be"));
    }

    /** M78: one of five is what happens; nobody is asked. */
    @Test
    void oneBreakAtTheGripIsNoQuestion() {
        LotView lot = testLots.lot();
        for (int i = 1; i <= 5; i++) {
            bench.enter(lot, testLots.width("XY" + i, 1, "4.00"), "bench");
            bench.enter(lot, testLots.thickness("XY" + i, 1, "4.00"), "bench");
            bench.enter(
                    lot, testLots.force("XY" + i, "88" + i, i == 1 ? End.BROKE_AT_GRIP : End.BROKE_IN_GAUGE), "bench");
        }
        assertThat(of(lot, Block.Kind.ENDINGS)).isEmpty();
    }

    /** A force corrected after its result was known blocks until somebody else has looked, and says what it would have been. */
    @Test
    void aCorrectionAfterTheResultIsLookedAtBySomebodyElse() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 560, 564, 570, 556, 551);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        int i = 0;
        for (SpecimenRecord record : bench.records(lot.id())) {
            if (record.specimen().label().startsWith("XY")) {
                long reading = record.ended().orElseThrow().id();
                assertThatThrownBy(() -> bench.correct(
                                lot, reading, testLots.correction("880", End.BROKE_IN_GAUGE, "."), "bench"))
                        .isInstanceOf(Refusal.class);
                bench.correct(
                        lot,
                        reading,
                        testLots.correction(String.valueOf(880 + i++), End.BROKE_IN_GAUGE, "read the wrong line"),
                        "bench");
            }
        }
        List<Block> changed = of(lot, Block.Kind.TAKEN_OUT);
        assertThat(changed).hasSize(5).allSatisfy(block -> assertThat(block.what())
                .contains("after its result was known", "Tensile strength, XY flat would be contradicted"));
        give(lot, changed.get(0), "judge", "MISREAD", "compared with the display's own record")
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.TAKEN_OUT)).hasSize(4);
        assertThat(take(lot, Disposition.HOLD).claims())
                .filteredOn(claim -> claim.title().equals("Tensile strength, XY flat"))
                .singleElement()
                .satisfies(claim -> assertThat(claim.beside())
                        .anyMatch(words -> words.contains("as first entered it would be contradicted")));
    }

    /** A specimen is not set apart after its result by an empty note. */
    @Test
    void aSpecimenIsNotSetApartAfterItsResultWithoutACause() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 560, 884, 890, 876, 871);
        assertThatThrownBy(() -> histories.record(
                        lot, List.of("XY1"), Histories.Kind.LOADED, null, "", LocalDateTime.now(), "release"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("has its result already");
        histories.record(
                lot,
                List.of("XY1"),
                Histories.Kind.LOADED,
                Cause.HANDLING,
                "fell from the table the day before",
                LocalDateTime.now(),
                "bench");
        assertThat(of(lot, Block.Kind.TAKEN_OUT)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("XY1 was marked as loaded before"));
    }

    /** M72: dryness typed after the tests needs a reason and another account; what cannot have been is refused. */
    @Test
    void m72DrynessInOrderOfTime() {
        LotView lot = testLots.bare();
        testLots.withoutHooks(lot);
        testLots.set(lot, Orientation.XY, 5);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        LocalDateTime before = LocalDateTime.now().minusHours(2).withNano(0);
        assertThatThrownBy(() -> testLots.dry(lot, before)).hasMessageContaining("Results are known already");
        assertThatThrownBy(() -> testLots.dry(lot, lot.madeOn().minusDays(3).atStartOfDay()))
                .hasMessageContaining("the lot was made on");
        assertThatThrownBy(() -> testLots.dry(lot, LocalDateTime.now().plusDays(1)))
                .hasMessageContaining("not come yet");
        assertThatThrownBy(() -> intake.enterDrying(
                        lot,
                        null,
                        Map.of("ended", before.toString(), "temperature", "650 °C", "time", "6 h", "kept", "OPEN"),
                        UUID.randomUUID().toString(),
                        "bench"))
                .hasMessageContaining("Nothing is dried at 650 °C");
        assertThatThrownBy(() -> samples.draw(
                        lot,
                        new Samples.NewSample(
                                "S1",
                                Samples.Place.START,
                                "quality",
                                "the winder",
                                lot.madeOn().minusDays(1)),
                        "bench"))
                .hasMessageContaining("the lot was made on");
    }

    /** M74: a gauge without any calibration on record blocks as an overdue one does. */
    @Test
    void m74AGaugeNeverCalibratedBlocks() {
        long unknown = instruments
                .registerGauge("uncalibrated " + UUID.randomUUID().toString().substring(0, 8), 2000, 0.003)
                .id();
        LotView lot = testLots.lot();
        broken(lot, "XY1", 880, unknown);
        assertThat(of(lot, Block.Kind.CALIBRATION)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("No calibration on record"));
    }

    /** What a page asks for, the button beside it does; and that it was another look stays with the verdict (M73). */
    @Test
    void moreOfASetCountWithItAndAreSaid() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(lot, Orientation.ZX, "bench", 352, 400, 330, 410, 345);
        Judgements.Detail before = upright(lot);
        assertThat(before.judgement().verdict()).isEqualTo(Verdict.OPEN);
        int more = before.judgement().moreSpecimens().orElseThrow();
        http.perform(get("/lots/" + lot.code() + "/evidence").with(RELEASE))
                .andExpect(content().string(containsString("Add " + more + " more of this set")));
        String path = "/lots/" + lot.code() + "/sets/"
                + before.records().get(0).specimen().setId() + "/more";
        for (int click = 0; click < 2; click++) {
            http.perform(post(path)
                            .with(RELEASE)
                            .with(csrf())
                            .param("request", "form-of-the-page")
                            .param("count", String.valueOf(more)))
                    .andExpect(status().is3xxRedirection());
        }
        assertThat(lots.specimens(lot.id())).hasSize(10 + more);
        for (int i = 6; i <= 5 + more; i++) {
            broken(lot, "ZX" + i, 400, testLots.gauge("bench load cell"));
        }
        assertThat(upright(lot).judgement().n()).isEqualTo(5 + more);
        assertThat(judgements.whole(lot).notices())
                .singleElement()
                .asString()
                .startsWith("Looked again: ZX6")
                .contains("added to ZX1 to ZX5 by release");
    }

    /** M70: what five bars contradict, more of the same added after their result do not unsay; it blocks and is printed. */
    @Test
    void m70MoreOfTheSameDoNotUnsayWhatTheFirstSaid() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        testLots.test(lot, Orientation.XY, "bench", 780, 775, 784, 779, 781);
        assertThat(of(lot, Block.Kind.CLAIM_CONTRADICTED)).isNotEmpty();
        testLots.set(lot, Orientation.XY, 20);
        for (int i = 6; i <= 25; i++) {
            broken(lot, "XY" + i, 900 + i % 3, testLots.gauge("bench load cell"));
        }

        assertThat(of(lot, Block.Kind.CLAIM_CONTRADICTED)).isEmpty();
        List<Block> against = of(lot, Block.Kind.OTHER_SETUP);
        assertThat(against).singleElement().satisfies(block -> assertThat(block.what())
                .contains("contradicted by XY1 to XY5", "before more were added", "n = 5"));
        give(lot, against.get(0), "judge", "EQUIPMENT", "the first five hung in worn grips, changed since")
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.OTHER_SETUP)).isEmpty();
        assertThat(take(lot, Disposition.HOLD).claims())
                .filteredOn(claim -> claim.title().equals("Tensile strength, XY flat"))
                .singleElement()
                .satisfies(claim -> assertThat(claim.beside())
                        .anyMatch(words -> words.contains("before more were added: contradicted, n = 5")));
    }

    /** M70: nor what the first of both sides said of their ratio, where each strength by itself is well within its claim. */
    @Test
    void m70MoreOnOneSideDoNotUnsayTheRatio() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.ZX, "bench", 390, 388, 392, 391, 389);
        testLots.test(lot, Orientation.XY, "bench", 1000, 1004, 996, 1002, 998);
        assertThat(of(lot, Block.Kind.CLAIM_CONTRADICTED)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("Upright/flat ratio"));
        testLots.set(lot, Orientation.XY, 30);
        for (int i = 6; i <= 35; i++) {
            broken(lot, "XY" + i, 866 + i % 3, testLots.gauge("bench load cell"));
        }

        assertThat(of(lot, Block.Kind.CLAIM_CONTRADICTED)).isEmpty();
        assertThat(of(lot, Block.Kind.OTHER_SETUP)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("Upright/flat ratio: contradicted by ZX1 to ZX5", "over XY1 to XY5", "before more"));
    }

    private Judgements.Detail upright(LotView lot) {
        return judgements.details(lot).stream()
                .filter(detail -> detail.claim().title().startsWith("Tensile strength, ZX"))
                .findFirst()
                .orElseThrow();
    }

    /**
     * M73: what a lot's claims may be judged by is fixed when it is made: twice, the second look paid for, unless the site said
     * otherwise the day before. Whoever changes it once results are known changes it for lots to come.
     */
    @Test
    void m73LooksArePlannedBeforeTheFirstResult() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.ZX, "bench", 352, 400, 330, 410, 345);
        Judgements.Detail first = upright(lot);
        assertThat(first.judgement().verdict()).isEqualTo(Verdict.OPEN);
        assertThat(first.judgement().confidence()).isBetween(0.97, 0.975);
        try {
            site.change(Setting.LOOKS, Setting.LOOKS.choices().get(2), "quality");
            assertThat(site.looks(LocalDate.now())).as("made today").isEqualTo(2);
            assertThat(site.looks(LocalDate.now().plusDays(1))).isEqualTo(3);
            database.update(
                    "update plan_setting set changed_at = date_sub(changed_at, interval 30 day) where name = 'LOOKS'");
            site.change(Setting.LOOKS, Setting.LOOKS.choices().get(1), "quality");
            assertThat(site.looks(LocalDate.now().minusDays(20)))
                    .as("made under the earlier rule")
                    .isEqualTo(3);
            assertThat(site.looks(LocalDate.now().minusDays(40))).isEqualTo(2);
            assertThat(site.looks(LocalDate.now().plusDays(1))).isEqualTo(1);
        } finally {
            database.update("delete from plan_setting where name = 'LOOKS'");
            database.update("delete from plan_setting_before where name = 'LOOKS'");
        }

        // The second look is judged at what the first has left, the third settles nothing.
        testLots.set(lot, Orientation.ZX, 5);
        for (int i = 6; i <= 10; i++) {
            broken(lot, "ZX" + i, 400 + i, testLots.gauge("bench load cell"));
        }
        Judgements.Detail second = upright(lot);
        assertThat(second.judgement().n()).isEqualTo(10);
        assertThat(second.judgement().confidence()).isBetween(0.97, 0.975);
        testLots.set(lot, Orientation.ZX, 10);
        for (int i = 11; i <= 20; i++) {
            broken(lot, "ZX" + i, 450 + i, testLots.gauge("bench load cell"));
        }
        Judgements.Detail third = upright(lot);
        assertThat(third.judgement().verdict()).isEqualTo(Verdict.OPEN);
        assertThat(third.judgement().reason()).contains("more often than was planned: would be supported");
    }

    /** M14: the scatter of earlier lots carries a verdict of two where the site said so before the lot was made, and the verdict says it. */
    @Test
    void m14EarlierLotsCarryAFewOnlyWhereTheSiteSaidSoBefore() {
        Blend blend = new Blend("F-" + UUID.randomUUID().toString().substring(0, 6), "", 0);
        for (int i = 0; i < 3; i++) {
            testLots.good(blend);
        }
        LotView few = testLots.alone(blend, 2);
        testLots.test(few, Orientation.XY, "bench", 884, 889);
        testLots.refresh(few);
        assertThat(flat(few).judgement().verdict()).isEqualTo(Verdict.OPEN);
        try {
            site.change(Setting.POOLED, Setting.POOLED.choices().get(1), "quality");
            assertThat(site.pools(LocalDate.now())).as("made today").isFalse();
            assertThat(flat(few).judgement().verdict()).isEqualTo(Verdict.OPEN);
            database.update(
                    "update plan_setting set changed_at = date_sub(changed_at, interval 30 day) where name = 'POOLED'");
            Judgements.Detail carried = flat(few);
            assertThat(carried.judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
            assertThat(carried.judgement().reason())
                    .startsWith("n = 2 is below the claim's least of 5; carried by the scatter within 3 earlier lots");
        } finally {
            database.update("delete from plan_setting where name = 'POOLED'");
            database.update("delete from plan_setting_before where name = 'POOLED'");
        }
    }

    /** M73: n is what was written down before the first result; who stops at the first n that passes has looked after each. */
    @Test
    void m73WhatWasMadeForALookIsTestedForIt() throws Exception {
        LotView lot = testLots.lot();
        testLots.set(lot, Orientation.ZX, 3);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        Judgements.Detail early = upright(lot);
        assertThat(early.judgement().verdict()).isEqualTo(Verdict.OPEN);
        assertThat(early.judgement().reason())
                .startsWith("3 of the specimens made for it are not tested yet: would be supported");
        http.perform(get("/lots/" + lot.code() + "/evidence").with(RELEASE))
                .andExpect(content().string(containsString("Test the 3 that are made")));
        for (int i = 6; i <= 8; i++) {
            broken(lot, "ZX" + i, 450 + i, testLots.gauge("bench load cell"));
        }
        assertThat(upright(lot).judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
        // Three of one side and five of the other could not have borne the ratio: no look was spent on them.
        LotView other = testLots.bare();
        testLots.set(other, Orientation.XY, 5);
        testLots.set(other, Orientation.ZX, 3);
        testLots.test(other, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(other, Orientation.ZX, "bench", 450, 455, 462);
        int made = 3;
        for (int more : new int[] {2, 3}) {
            testLots.set(other, Orientation.ZX, more);
            for (int i = 1; i <= more; i++) {
                made++;
                broken(other, "ZX" + made, 450 + made, testLots.gauge("bench load cell"));
            }
        }
        Judgement ratio = judgements.details(other).stream()
                .filter(detail -> detail.claim().property().isRatio())
                .findFirst()
                .orElseThrow()
                .judgement();
        // Provisional for its material, and for nothing else.
        assertThat(ratio.reason())
                .startsWith("Provisional (material wet or unknown): would be supported.")
                .contains("over 2 planned looks");
    }

    private org.springframework.test.web.servlet.ResultActions giveUp(
            LotView lot, String specimens, String cause, String note) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/make/rework")
                .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                .with(csrf())
                .param("reworked", specimens)
                .param("kind", "GIVEN_UP")
                .param("doneAt", java.time.LocalDateTime.now().withNano(0).toString())
                .param("note", note)
                .param("cause", cause));
    }

    /** M73: one lost before any result is owed by nobody; one given up afterwards makes n smaller than was fixed, and is looked at. */
    @Test
    void m73WhatWasGivenUpIsSaid() throws Exception {
        LotView lot = testLots.lot();
        giveUp(lot, "ZX1", "", "")
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("What became")));
        giveUp(lot, "ZX1", "", "Fell behind the printer.").andExpect(status().is3xxRedirection());
        http.perform(get("/lots/" + lot.code() + "/bench").with(RELEASE))
                .andExpect(content().string(containsString("given up")));
        testLots.set(lot, Orientation.ZX, 3);
        for (int i = 2; i <= 6; i++) {
            broken(lot, "ZX" + i, 450 + i, testLots.gauge("bench load cell"));
        }
        assertThat(upright(lot).judgement().reason()).startsWith("2 of the specimens made for it are not tested yet");
        giveUp(lot, "ZX6", "HANDLING", "Bent.").andExpect(content().string(containsString("has its result")));
        giveUp(lot, "ZX7 ZX8", "", "Warped off the plate.")
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("choose why it is given up")))
                .andExpect(content().string(containsString("Warped off the plate.")));
        // Sent twice it is given up once.
        for (int sent = 0; sent < 2; sent++) {
            giveUp(lot, "ZX7 ZX8", "SEEN_DEFECT", "Warped off the plate.").andExpect(status().is3xxRedirection());
        }

        assertThat(upright(lot).judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
        List<Block> taken = of(lot, Block.Kind.TAKEN_OUT);
        assertThat(taken).hasSize(2).first().satisfies(block -> assertThat(block.what())
                .startsWith("ZX7 was given up by bench after results beside it were known (")
                .contains("Warped off the plate)")
                .contains("As first entered: Tensile strength", "would be open"));
        assertThat(judgements.whole(lot).notices())
                .contains("ZX1 was given up by bench before its test (Fell behind the printer).");
        // Whatever turns up again and is tested counts as any other.
        broken(lot, "ZX7", 455, testLots.gauge("bench load cell"));
        assertThat(upright(lot).judgement().n()).isEqualTo(6);
        assertThat(of(lot, Block.Kind.TAKEN_OUT)).hasSize(1);
    }

    /** Values that are alike in each of two set-ups, one of them beside a specimen that did not break: every page opens. */
    @Test
    void alikeValuesOpenEveryPage() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 880, 880, 880, 880);
        testLots.set(lot, Orientation.XY, 4);
        for (int i = 6; i <= 8; i++) {
            broken(lot, "XY" + i, 880, testLots.gauge("frame 2 load cell"));
        }
        testLots.set(lot, Orientation.ZX, 3);
        for (int i = 1; i <= 3; i++) {
            bench.enterAll(
                    lot,
                    List.of(
                            testLots.width("ZX" + i, 1, "4.00"),
                            testLots.thickness("ZX" + i, 1, "4.00"),
                            testLots.force("ZX" + i, "450", i == 3 ? End.NO_BREAK : End.BROKE_IN_GAUGE)),
                    "bench",
                    null);
        }
        for (String page : List.of("", "/evidence", "/decision", "/evidence/places", "/bench", "/plan")) {
            assertThat(http.perform(get("/lots/" + lot.code() + page).with(RELEASE))
                            .andReturn()
                            .getResponse()
                            .getStatus())
                    .as(page)
                    .isLessThan(500);
        }
    }

    /** A site may have it noted instead, for lots made after it said so, and its certificates then say it. */
    @Test
    void m74ASiteMayHaveItNotedInsteadForLotsToCome() {
        long bare = instruments
                .register(new Instruments.NewInstrument(
                        Kind.FORCE_GAUGE,
                        "unvouched " + UUID.randomUUID().toString().substring(0, 8),
                        OptionalDouble.of(2000),
                        0.003,
                        0,
                        Instruments.Facts.NONE))
                .id();
        LotView lot = testLots.goodLot("bench");
        testLots.set(lot, Orientation.XY, 1);
        broken(lot, "XY6", 880, bare);
        try {
            site.change(Setting.UNCALIBRATED, Setting.UNCALIBRATED.choices().get(1), "quality");
            assertThat(of(lot, Block.Kind.CALIBRATION))
                    .as("made before the site said so")
                    .hasSize(1);
            database.update("update plan_setting set changed_at = date_sub(changed_at, interval 30 day)");
            assertThat(of(lot, Block.Kind.CALIBRATION)).isEmpty();
            decisions.decide(lot, Disposition.RELEASE, "All claims are supported.", "release");
            assertThat(Snapshot.of(decisions.stored(lot, 0).snapshot).notices())
                    .singleElement()
                    .asString()
                    .contains("No calibration on record: unvouched", "has it noted here");
            assertThatThrownBy(() -> site.change(Setting.UNCALIBRATED, "whatever", "quality"))
                    .hasMessageContaining("blocks the release");
        } finally {
            site.change(Setting.UNCALIBRATED, Setting.UNCALIBRATED.usual(), "quality");
        }
    }

    /** M68: whoever drew a sample, kept a log or set a mark had a hand in the lot. */
    @Test
    void whoeverHadAHandDoesNotReleaseAlone() {
        LotView lot = testLots.goodLot("bench");
        samples.draw(
                lot,
                new Samples.NewSample("S2", Samples.Place.MIDDLE, "release", "second pallet", LocalDate.now()),
                "release");
        assertThatThrownBy(() -> decisions.decide(lot, Disposition.RELEASE, "All claims are supported.", "release"))
                .hasMessageContaining("cannot be released");
        assertThat(decisions.enterers(lot.id())).contains("release");
    }

    /** M54: a planned test that was not done blocks until it is done or left out by judgement. */
    @Test
    void aPlanLineNotDoneBlocks() {
        LotView lot = testLots.bare();
        testLots.draw(lot);
        testLots.dry(lot, LocalDateTime.now().minusHours(2));
        testLots.set(lot, Orientation.XY, 5);
        testLots.set(lot, Orientation.ZX, 5);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        assertThat(of(lot, Block.Kind.PLAN_LINE)).hasSize(3).anySatisfy(block -> assertThat(block.what())
                .contains("load of a part XY, 0 of 2"));
        testLots.withoutHooks(lot);
        assertThat(decisions.blocks(lot)).isEmpty();
    }

    /** M54: what is given up is not done: who gives all of a line up has not tested it, and leaving it out is judgement's. */
    @Test
    void m54GivingUpIsNotTesting() throws Exception {
        LotView lot = testLots.bare();
        testLots.withoutHooks(lot);
        testLots.set(lot, Orientation.XY, 5);
        testLots.set(lot, Orientation.ZX, 5);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        giveUp(lot, "ZX1 ZX2 ZX3 ZX4 ZX5", "", "Spoiled by a power cut.").andExpect(status().is3xxRedirection());

        assertThat(of(lot, Block.Kind.PLAN_LINE)).singleElement().satisfies(block -> assertThat(block.what())
                .contains("ZX, 0 of 5"));
        // The lot's plan asks for others in their place.
        http.perform(get("/lots/" + lot.code() + "/plan").with(RELEASE)).andExpect(status().isOk());
        // An empty label at the bench takes none of them in hand.
        http.perform(get("/lots/" + lot.code() + "/bench").param("specimen", "").with(RELEASE))
                .andExpect(content().string(containsString("Every specimen is tested")));
    }

    /** A correction's target is the stored reading; a form that claims otherwise changes nothing of another specimen. */
    @Test
    void aCorrectionGoesToItsOwnSpecimen() throws Exception {
        LotView lot = testLots.goodLot("bench");
        long reading = bench.records(lot.id()).stream()
                .filter(record -> record.specimen().label().equals("ZX1"))
                .findFirst()
                .orElseThrow()
                .ended()
                .orElseThrow()
                .id();
        http.perform(post("/lots/" + lot.code() + "/bench/readings/" + reading)
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("specimen", "XY5")
                        .param("field", "width-1")
                        .param("typed", "449")
                        .param("outcome", "BROKE_IN_GAUGE")
                        .param("cause", "MISREAD")
                        .param("reason", "read the wrong line"))
                .andExpect(status().is3xxRedirection());
        for (SpecimenRecord record : bench.records(lot.id())) {
            boolean own = record.specimen().label().equals("ZX1");
            assertThat(record.corrected()).hasSize(own ? 1 : 0);
        }
    }

    /** A release under concession takes two people, and covers what was known when it was signed first. */
    @Test
    void aConcessionIsSignedByTwo() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 780, 784, 790, 776, 771);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        assertThat(of(lot, Block.Kind.CLAIM_CONTRADICTED)).isNotEmpty();
        Decisions.Particulars within = new Decisions.Particulars(
                "jigs of our own workshop, not sold",
                "40 spools",
                LocalDate.now().plusDays(30),
                null,
                null,
                null,
                null);
        assertThatThrownBy(() -> decisions.propose(lot, within, "x", "release")).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> decisions.propose(lot, within, "Used where strength is no matter.", "bench"))
                .isInstanceOf(Refusal.class);
        decisions.propose(lot, within, "Used where strength is no matter.", "release");
        long id = decisions.waiting(lot.id()).orElseThrow().id();
        assertThatThrownBy(() -> decisions.countersign(lot, id, "release")).hasMessageContaining("another person");
        assertThat(lots.named(lot.code()).state()).isEqualTo(LotState.WAITING);
        decisions.countersign(lot, id, "quality");
        assertThat(lots.named(lot.code()).state()).isEqualTo(LotState.CONCEDED);
        Snapshot snapshot = Snapshot.of(decisions.stored(lot, 0).snapshot);
        assertThat(snapshot.particulars()).contains("jigs of our own workshop", "40 spools");
        assertThat(snapshot.lets()).anyMatch(words -> words.contains("contradicted"));
        http.perform(get("/lots/" + lot.code() + "/certificate").with(RELEASE))
                .andExpect(content().string(containsString("release and quality")));
    }

    /** M61: which result counts is fixed before the new one is seen; the first is kept, shown, and never averaged. */
    @Test
    void m61ARetestFixesTheRuleFirst() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 560, 564, 570, 556, 551);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);
        long set = lots.specimens(lot.id()).get(0).setId();
        Decisions.Particulars withoutCause =
                new Decisions.Particulars("", "", null, set, null, Remedies.Rule.NEW_COUNTS, null);
        assertThatThrownBy(() ->
                        decisions.decide(lot, Disposition.RETEST, withoutCause, "The grips were worn.", "release"))
                .hasMessageContaining("assignable cause");
        decisions.decide(
                lot,
                Disposition.RETEST,
                new Decisions.Particulars("", "", null, set, Cause.EQUIPMENT, Remedies.Rule.NEW_COUNTS, null),
                "The grips were worn.",
                "release");
        LotView again = lots.named(lot.code());
        assertThat(again.state()).isEqualTo(LotState.RETEST);
        assertThat(flat(again).judgement().verdict()).isEqualTo(Verdict.NOT_TESTED);
        testLots.set(again, Orientation.XY, 5);
        for (int i = 6; i <= 10; i++) {
            broken(again, "XY" + i, 880 + 4 * (i * 3 % 5), testLots.gauge("bench load cell"));
        }
        Judgements.Detail flat = flat(again);
        assertThat(flat.judgement().verdict()).isEqualTo(Verdict.SUPPORTED);
        assertThat(flat.judgement().n()).isEqualTo(5);
        assertThat(flat.beside()).anyMatch(words -> words.contains("set aside by a retest"));
        assertThat(decisions.blocks(again)).isEmpty();
    }

    /** M61: where the worse is to count, a good second set saves nothing. */
    @Test
    void theWorseOfTwoCountsWhereThatWasTheRule() {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 560, 564, 570, 556, 551);
        long set = lots.specimens(lot.id()).get(0).setId();
        decisions.decide(
                lot,
                Disposition.RETEST,
                new Decisions.Particulars("", "", null, set, null, Remedies.Rule.WORSE_COUNTS, null),
                "Nobody knows why; once more.",
                "release");
        testLots.set(lot, Orientation.XY, 5);
        for (int i = 6; i <= 10; i++) {
            broken(lot, "XY" + i, 880 + 4 * (i * 3 % 5), testLots.gauge("bench load cell"));
        }
        assertThat(flat(lot).judgement().verdict()).isEqualTo(Verdict.CONTRADICTED);
    }

    /** Material that was worked on is tested anew; what was tested before says nothing of it. */
    @Test
    void reworkSetsTheTestsBeforeAside() {
        LotView lot = testLots.goodLot("bench");
        decisions.decide(
                lot,
                Disposition.REWORK,
                new Decisions.Particulars("", "", null, null, null, null, Remedies.Kind.REDRY),
                "The bags were found open.",
                "release");
        LotView again = lots.named(lot.code());
        assertThat(again.state()).isEqualTo(LotState.REWORK);
        assertThat(flat(again).judgement().verdict()).isEqualTo(Verdict.NOT_TESTED);
    }

    /** A signature asks for the password again. */
    @Test
    void aDecisionIsSignedWithThePassword() throws Exception {
        LotView lot = testLots.goodLot("bench");
        http.perform(post("/lots/" + lot.code() + "/decision")
                        .with(RELEASE)
                        .with(csrf())
                        .param("disposition", "RELEASE")
                        .param("reason", "All claims are supported.")
                        .param("password", "nope"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("That is not the password")));
        assertThat(lots.named(lot.code()).state()).isEqualTo(LotState.WAITING);
    }

    private Judgements.Detail flat(LotView lot) {
        return judgements.details(lot).stream()
                .filter(detail -> detail.claim().title().equals("Tensile strength, XY flat"))
                .findFirst()
                .orElseThrow();
    }

    private Snapshot take(LotView lot, Disposition disposition) {
        decisions.decide(lots.named(lot.code()), disposition, "Kept for a closer look.", "release");
        return Snapshot.of(decisions.stored(lot, 0).snapshot);
    }

    /** What is fetched after a test holds the lot until it is read, or waived: with a reason, looked at by another account. */
    @Test
    void whatIsFetchedLaterIsOwedUntilItIsReadOrWaived() throws Exception {
        LotView lot = testLots.lot();
        testLots.set(lot, TestLots.line("three-point-bending", 2, 3));
        String page = "/lots/" + lot.code() + "/bench";
        for (int i = 1; i <= 3; i++) {
            bends(lot, "XY" + (5 + i), 118 + i, "later");
        }
        // Sent again, or said again, it is owed once.
        bends(lot, "XY6", 119, "LATER ");
        assertThat(of(lot, Block.Kind.READING_OWED)).singleElement().satisfies(block -> {
            assertThat(block.what()).contains("deflection at break of XY6, XY7, XY8");
            assertThat(block.isLiftedByWord()).isFalse();
        });
        http.perform(get(page).param("step", "break").with(RELEASE))
                .andExpect(content()
                        .string(org.hamcrest.Matchers.containsString("Still to be fetched, deflection at break:")));

        // Fetching breaks nothing: it needs no confirmation of the day.
        http.perform(post(page)
                        .param("specimen", "XY6")
                        .param(
                                "gauge",
                                String.valueOf(
                                        bending(lot, "XY6", "travel", "7.4").gaugeId()))
                        .param("field", "travel-1")
                        .param("typed", "7.4")
                        .param("confirm", "7.4")
                        .with(user("fetcher").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf()))
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.READING_OWED)).singleElement().satisfies(block -> assertThat(block.what())
                .doesNotContain("XY6"));
        List<Long> ids = owing.of(lot, bench.records(lot.id())).stream()
                .map(Owing.OwedView::id)
                .toList();
        for (String[] wrong : new String[][] {{"", "the record was lost"}, {String.valueOf(ids.get(0)), " . "}}) {
            http.perform(post(page + "/owed")
                            .param("owed", wrong[0])
                            .param("reason", wrong[1])
                            .param("method", "three-point-bending")
                            .with(RELEASE)
                            .with(csrf()))
                    .andExpect(status().is(422))
                    .andExpect(content().string(org.hamcrest.Matchers.containsString("value=\"" + wrong[1] + "\"")));
        }
        for (int twice = 0; twice < 2; twice++) {
            http.perform(post(page + "/owed")
                            .param("all", "true")
                            .param("reason", "the record was lost with the computer")
                            .param("method", "three-point-bending")
                            .with(user("clerk").authorities(new SimpleGrantedAuthority("ENTRY")))
                            .with(csrf()))
                    .andExpect(status().is3xxRedirection());
        }
        assertThat(of(lot, Block.Kind.READING_OWED)).isEmpty();
        Block waived = of(lot, Block.Kind.TAKEN_OUT).get(0);
        assertThat(waived.what())
                .contains(
                        "Deflection at break of XY7, XY8 was to be fetched",
                        "waived by clerk",
                        "lost with the computer");
        // Neither who measured nor who waived gives a word about it.
        for (String account : List.of("bench", "clerk")) {
            give(lot, waived, account, "EQUIPMENT", "the disk of the frame broke")
                    .andExpect(status().is(422));
        }
        give(lot, waived, "judge", "EQUIPMENT", "the disk of the frame broke, seen by us")
                .andExpect(status().is3xxRedirection());
        assertThat(of(lot, Block.Kind.TAKEN_OUT)).isEmpty();
        assertThat(take(lot, Disposition.HOLD).words()).anyMatch(word -> word.contains("seen by us"));
    }

    /** What slipped gives no figure: nobody waits for the rest of its readings. */
    @Test
    void whatCountsForNothingOwesNothing() {
        LotView lot = testLots.lot();
        testLots.set(lot, TestLots.line("three-point-bending", 2, 1));
        bench.enter(lot, bending(lot, "XY6", "width", "10.0"), "bench");
        bench.enter(lot, bending(lot, "XY6", "thickness", "4.0"), "bench");
        Bench.Entry force = bending(lot, "XY6", "force", "60");
        bench.enterTest(
                lot,
                "XY6",
                List.of(
                        new Bench.Entry("XY6", "force", 1, "60", End.SLIPPED, force.gaugeId(), "60"),
                        bending(lot, "XY6", "travel", "later")),
                "bench");
        assertThat(of(lot, Block.Kind.READING_OWED)).isEmpty();
    }

    /** Only a method that says so takes it, and only with the end of the test. */
    @Test
    void laterIsNoReadingWhereTheMethodDoesNotSaySo() {
        LotView lot = testLots.lot();
        testLots.set(lot, TestLots.line("three-point-bending", 2, 1));
        assertThatThrownBy(() -> bench.enter(lot, bending(lot, "XY6", "force", "later"), "bench"))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> bench.enter(lot, bending(lot, "XY6", "travel", "later"), "bench"))
                .hasMessageContaining("with the end of the test");
        assertThat(owing.of(lot, bench.records(lot.id()))).isEmpty();
    }

    private void bends(LotView lot, String specimen, double force, String travel) {
        if (!bench.record(lot, specimen).isTested()) {
            bench.enter(lot, bending(lot, specimen, "width", "10.0"), "bench");
            bench.enter(lot, bending(lot, specimen, "thickness", "4.0"), "bench");
        }
        bench.enterTest(
                lot,
                specimen,
                List.of(
                        bending(lot, specimen, "force", String.valueOf(force)),
                        bending(lot, specimen, "travel", travel)),
                "bench");
    }

    private Bench.Entry bending(LotView lot, String specimen, String field, String typed) {
        long gauge = testLots.instrument(bench.method(lot, specimen));
        boolean test = field.equals("force") || field.equals("travel");
        boolean over = bench.record(lot, specimen).isTested() && field.equals("travel") && !typed.equals("later");
        return new Bench.Entry(specimen, field, 1, typed, test && !over ? End.BROKE : null, gauge, typed);
    }

    private org.springframework.test.web.servlet.ResultActions give(
            LotView lot, Block block, String account, String cause, String reason) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/words")
                .with(user(account).authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                .with(csrf())
                .param("kind", block.kind().name())
                .param("subject", block.subject())
                .param("cause", cause)
                .param("reason", reason));
    }

    private void broken(LotView lot, String specimen, double force, long gauge) {
        List<Bench.Entry> entries = new ArrayList<>();
        entries.add(testLots.width(specimen, 1, "4.00"));
        entries.add(testLots.thickness(specimen, 1, "4.00"));
        entries.add(new Bench.Entry(
                specimen, "force", 1, String.valueOf(force), End.BROKE_IN_GAUGE, gauge, String.valueOf(force)));
        bench.enterAll(lot, entries, "bench", null);
    }
}
