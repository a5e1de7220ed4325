package org.ysometron.app.drift;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.method.Methods;

class DriftTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private SeriesPoints series;

    @Autowired
    private Baselines baselines;

    @Autowired
    private Signals signals;

    @Autowired
    private DriftCharts charts;

    @Autowired
    private Products products;

    @Autowired
    private Judgements judgements;

    @Autowired
    private org.springframework.jdbc.core.JdbcTemplate database;

    /** A part of a series is what stands there in the whole of it, from any place on. */
    /** Who opens the page means what wants a look: a signal at a lot that waits, or else a series that has limits. */
    @Test
    void thePageBeginsWithWhatAsksForAWord() throws Exception {
        http.perform(get("/products/skerry-bf10/drift").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content().string(not(containsString("No baseline is signed for this series"))));
    }

    @Test
    void aPartOfASeriesIsCutFromTheWhole() {
        SeriesView upright = strength("natural", Orientation.ZX);
        List<PointView> all = series.points(upright.id());

        assertThat(series.count(upright)).isEqualTo(all.size());
        assertThat(series.part(upright.id(), 0, all.size() + 5)).isEqualTo(all);
        assertThat(series.part(upright.id(), 7, 11)).isEqualTo(all.subList(7, 18));
        assertThat(series.part(upright.id(), all.size(), 3)).isEmpty();
    }

    /** The slide that the generator hid is found where it was hidden, and nowhere in the flat strength. */
    @Test
    void theHiddenSlideIsFound() {
        SeriesView upright = strength("natural", Orientation.ZX);
        SeriesView flat = strength("natural", Orientation.XY);
        Set<Long> signalled = new HashSet<>();
        Set<Long> flatSignalled = new HashSet<>();
        List<PointView> points = series.points(upright.id());
        signals.stored(points.stream().map(PointView::lotId).toList())
                .forEach((lotId, list) -> list.forEach(signal -> {
                    if (signal.seriesId() == upright.id()) {
                        signalled.add(lotId);
                    } else if (signal.seriesId() == flat.id()) {
                        flatSignalled.add(lotId);
                    }
                }));

        assertThat(points).hasSize(30);
        assertThat(flatSignalled).isEmpty();
        assertThat(signalled)
                .contains(points.get(28).lotId(), points.get(29).lotId())
                .doesNotContainAnyElementsOf(
                        points.subList(0, 20).stream().map(PointView::lotId).toList());
    }

    @Test
    void thePageNamesTheSignalInWordsAtItsPoint() throws Exception {
        SeriesView upright = strength("natural", Orientation.ZX);

        http.perform(get("/products/skerry-bf10/drift").with(QUALITY).param("series", "" + upright.id()))
                .andExpect(status().isOk())
                .andExpect(content()
                        .string(allOf(
                                containsString("beyond the lower limit"),
                                containsString("lots in a row below the centre"),
                                containsString("/lots/SK-0130"),
                                containsString("baseline version 1"))));
    }

    /** M64: the claim's edge is a wall with words of its own, never among the control limits. */
    @Test
    void theClaimsEdgeIsNoControlLimit() {
        DriftView view = charts.view(strength("natural", Orientation.ZX).id(), null);

        assertThat(view.means().walls()).singleElement().satisfies(wall -> {
            assertThat(wall.label()).contains("at least 24 MPa", "no control limit");
            assertThat(wall.below()).isTrue();
            assertThat(view.means().lines()).extracting(DriftView.Line::at).doesNotContain(wall.at());
        });
        assertThat(view.means().lines()).extracting(DriftView.Line::kind).containsExactly("centre", "limit", "limit");
        assertThat(view.strips()).hasSize(3).allSatisfy(strip -> assertThat(strip.walls())
                .isEmpty());
    }

    /** M62: what lots say later leaves a signed baseline as it was; only a new version with a reason moves it. */
    @Test
    void aBaselineIsNeverWorkedOutAnewByItself() {
        LotView first = testLots.releasedLot();
        LotView second = testLots.lot();
        testLots.test(second, Orientation.XY, "bench", 884, 880, 890, 876, 871);
        testLots.test(second, Orientation.ZX, "bench", 470, 465, 472, 468, 460);
        testLots.refresh(second);
        // The demo's slate lot was printed by a recipe; of these nobody said on what, and they are a series of their
        // own.
        SeriesView slate = strengths("slate", Orientation.ZX)
                .filter(view -> series.points(view.id()).stream().anyMatch(point -> point.lotId() == first.id()))
                .findFirst()
                .orElseThrow();
        Set<Long> both = Set.of(first.id(), second.id());
        assertThatThrownBy(() -> baselines.sign(slate.id(), both, "For the present recipe.", "quality"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(second.code() + " is waiting");
        gateOfTests.decide(second, Disposition.RELEASE, "All claims are supported.", "release");
        Baselines.BaselineView signed = baselines.sign(slate.id(), both, "For the present recipe.", "quality");

        LotView third = testLots.releasedLot();
        testLots.refresh(third);

        Baselines.BaselineView after = baselines.newest(slate.id()).orElseThrow();
        assertThat(after).isEqualTo(signed);
        assertThat(baselines.working(signed.id(), "MPa").steps()).anySatisfy(step -> {
            assertThat(step.symbol()).isEqualTo("x̄");
            assertThat(step.value()).isCloseTo(signed.centre(), within(1e-12));
        });
        assertThatThrownBy(() -> baselines.sign(slate.id(), both, " \u00a0.", "quality"))
                .isInstanceOf(Refusal.class);
        Baselines.BaselineView next = baselines.sign(
                slate.id(), Set.of(second.id(), third.id(), first.id()), "Another lot joined.", "quality");
        assertThat(next.version()).isEqualTo(signed.version() + 1);
        assertThat(baselines.all(slate.id())).contains(signed);
        assertThat(next.isProvisional()).isTrue();
        // The other tests' lots are of this colour: they are on no chart with limits.
        database.update("delete from drift_signal where series_id = ?", slate.id());
        database.update(
                "delete from drift_baseline_lot where baseline_id in (select id from drift_baseline where series_id = ?)",
                slate.id());
        database.update("delete from drift_baseline where series_id = ?", slate.id());
    }

    /** M63: the limits in force come from the change between lots, not from the scatter within them. */
    @Test
    void limitsComeFromLotToLotVariation() {
        SeriesView upright = strength("natural", Orientation.ZX);
        List<PointView> first = series.points(upright.id()).subList(0, 20);
        double meanRange = 0;
        for (int i = 1; i < first.size(); i++) {
            meanRange += Math.abs(first.get(i).mean() - first.get(i - 1).mean()) / 19;
        }

        // E₂ = 2.660 (ISO 7870-2).
        assertThat(3 * baselines.newest(upright.id()).orElseThrow().sigma())
                .isCloseTo(2.6587 * meanRange, within(1e-3));
    }

    /** M20: points and verdicts are worked out from the readings and nothing else. */
    @Test
    void everythingStoredCanBeRebuilt() {
        LotView lot = lots.named("SK-0128");
        SeriesView upright = strength("natural", Orientation.ZX);
        var points = series.points(upright.id());
        var judged = judgements.of(List.of(lot));
        var signalled = signals.of(List.of(lot));

        lots.touch(lot.id());

        assertThat(series.points(upright.id())).isEqualTo(points);
        assertThat(judgements.of(List.of(lot))).isEqualTo(judged);
        assertThat(signals.of(List.of(lot))).isEqualTo(signalled);
    }

    @Test
    void aSignalIsAnsweredByJudgementOnly() throws Exception {
        SeriesView upright = strength("natural", Orientation.ZX);
        long lot = lots.named("SK-0129").id();
        String path = "/series/" + upright.id() + "/answers";

        http.perform(post(path)
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("lot", "" + lot)
                        .param("answer", "fine"))
                .andExpect(status().isForbidden());
        http.perform(post(path)
                        .with(QUALITY)
                        .with(csrf())
                        .param("lot", "" + lot)
                        .param("answer", " "))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is missing")));
    }

    /** An answer is to a signal, not to its wording; another signal at the same point is not answered by it. */
    @Test
    void anAnswerStandsForItsSignalWhateverItIsCalled() {
        SeriesView upright = strength("natural", Orientation.ZX);
        long lot = lots.named("SK-0129").id();
        String here = " where series_id = " + upright.id() + " and lot_id = " + lot;
        signals.answer(upright.id(), lot, "The share of regrind was raised; see the line's record.", "quality");
        assertThat(answered(upright, lot)).isTrue();
        database.update("update drift_signal set words = concat('called otherwise: ', words)" + here);
        assertThat(answered(upright, lot)).isTrue();
        database.update(
                "insert into drift_signal (series_id, lot_id, rule, words, identity, baseline_version) values (?, ?, 'SPREAD',"
                        + " 'scatter', 'SPREAD:ABOVE:0', 99)",
                upright.id(),
                lot);
        assertThat(answered(upright, lot)).isFalse();
        signals.rebuild(upright.id());
        assertThat(answered(upright, lot)).isTrue();
        assertThat(database.queryForObject(
                        "select count(*) from drift_signal" + here + " and words like 'called%'", Integer.class))
                .isZero();
        // As a site of before identities has them: the answer is adopted by the signals it was given to, then reworded
        // at will.
        database.update("update drift_signal set identity = ''" + here);
        database.update("update drift_answer set identities = ''" + here);
        assertThat(answered(upright, lot)).isTrue();
        signals.rebuild(upright.id());
        database.update("update drift_signal set words = concat('called otherwise: ', words)" + here);
        assertThat(answered(upright, lot)).isTrue();
        signals.rebuild(upright.id());
        database.update("delete from drift_answer" + here);
        assertThat(answered(upright, lot)).isFalse();
    }

    private boolean answered(SeriesView of, long lot) {
        return signals.stored(List.of(lot)).get(lot).stream()
                .filter(signal -> signal.seriesId() == of.id())
                .allMatch(Signals.LotSignal::isAnswered);
    }

    @Test
    void aBaselineThatCannotBeIsSaidBesideTheField() throws Exception {
        SeriesView upright = strength("natural", Orientation.ZX);
        String path = "/series/" + upright.id() + "/baseline";

        http.perform(post(path)
                        .with(QUALITY)
                        .with(csrf())
                        .param("from", "SK-0120")
                        .param("to", "SK-0101")
                        .param("reason", "the present recipe"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("made after the last")));
        http.perform(post(path)
                        .with(QUALITY)
                        .with(csrf())
                        .param("from", "SK-0101")
                        .param("to", "nope")
                        .param("without", "SK-9")
                        .param("reason", ""))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("called &#39;nope&#39;"),
                                containsString("No lot of this series is called SK-9"),
                                containsString("The reason is missing"))));
    }

    @Test
    void aNewVersionIsSignedOnThePage() throws Exception {
        SeriesView flat = strength("natural", Orientation.XY);

        http.perform(post("/series/" + flat.id() + "/baseline")
                        .with(QUALITY)
                        .with(csrf())
                        .param("from", "SK-0101")
                        .param("to", "SK-0122")
                        .param("without", "SK-0105")
                        .param("reason", "Two more lots."))
                .andExpect(redirectedUrl("/products/skerry-bf10/drift?series=" + flat.id()));
        assertThat(baselines.newest(flat.id()).orElseThrow()).satisfies(b -> {
            assertThat(b.version()).isGreaterThan(1);
            assertThat(b.lots()).isEqualTo(21);
            assertThat(b.signedBy()).isEqualTo("quality");
        });
    }

    private SeriesView strength(String colour, Orientation orientation) {
        return strengths(colour, orientation).findFirst().orElseThrow();
    }

    private Stream<SeriesView> strengths(String colour, Orientation orientation) {
        return series.ofProduct(products.named("skerry-bf10").id()).stream()
                .filter(view -> view.colour().equals(colour)
                        && view.property().equals(Methods.usual().data().main()))
                .filter(view -> view.conditions().orientation() == orientation);
    }

    /** Limits that lie close to one another, far from the claim's edges: each label is read by itself, each line stays in place. */
    @Test
    void labelsDoNotStandOnOneAnother() {
        List<DriftView.Line> lines = new DriftView.Chart(
                        "Lot means",
                        "MPa",
                        330,
                        List.of(),
                        List.of(
                                new DriftView.Line("centre", 100, "M0 100", "centre"),
                                new DriftView.Line("limit", 98, "M0 98", "upper"),
                                new DriftView.Line("limit", 102, "M0 102", "lower"),
                                new DriftView.Line("limit", 200, "M0 200", "far")),
                        List.of(),
                        List.of(),
                        "",
                        null,
                        List.of())
                .lines();
        assertThat(lines).extracting(DriftView.Line::label).containsExactly("centre", "upper", "lower", "far");
        assertThat(lines).extracting(DriftView.Line::path).containsExactly("M0 100", "M0 98", "M0 102", "M0 200");
        assertThat(lines.get(0).at() - lines.get(1).at()).isGreaterThan(12);
        assertThat(lines.get(2).at() - lines.get(0).at()).isGreaterThan(12);
        assertThat(lines.get(3).at()).isEqualTo(200);
    }

    /** Which rules are on is signed with the baseline; none, or one that does not exist, is refused and what was typed stays. */
    @Test
    void rulesAreSignedWithTheBaseline() throws Exception {
        SeriesView flat = strength("natural", Orientation.XY);
        Baselines.BaselineView before = baselines.newest(flat.id()).orElseThrow();
        assertThat(before.rules()).isEqualTo(ChartRules.USUAL);
        assertThat(baselines.lessened(flat.id())).isEmpty();
        List<PointView> points = series.points(flat.id());
        String first = lots.lot(points.get(0).lotId()).code();
        String last = lots.lot(points.get(19).lotId()).code();
        for (String wrong : List.of("", "SOMETHING")) {
            http.perform(post("/series/" + flat.id() + "/baseline")
                            .with(QUALITY)
                            .with(csrf())
                            .param("from", first)
                            .param("to", last)
                            .param("reason", "The first twenty lots by the present recipe.")
                            .param("rules", "", wrong))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("The first twenty lots by the present recipe.")));
        }
        assertThat(baselines.newest(flat.id())).contains(before);
        http.perform(post("/series/" + flat.id() + "/baseline")
                        .with(QUALITY)
                        .with(csrf())
                        .param("from", first)
                        .param("to", last)
                        .param("reason", "The first twenty lots by the present recipe.")
                        .param("seen", "yes")
                        .param("rules", "", "BEYOND_LIMITS", "SIX_CLIMBING_OR_FALLING"))
                .andExpect(status().is3xxRedirection());
        Baselines.BaselineView after = baselines.newest(flat.id()).orElseThrow();
        try {
            assertThat(after.rules().names()).containsExactly("BEYOND_LIMITS", "SIX_CLIMBING_OR_FALLING");
            assertThat(after.size()).isPresent();
            // What a lot's record and its certificate say of a chart that is kept by fewer rules.
            assertThat(baselines.lessened(flat.id()).orElseThrow())
                    .contains(
                            "eight in a row on one side",
                            "a change from the lot before",
                            "version " + after.version(),
                            "quality")
                    .doesNotContain("six climbing");
            assertThat(baselines.working(after.id(), "MPa").steps())
                    .anySatisfy(step -> assertThat(step.symbol()).startsWith("σ("));
            // A form that does not ask for rules leaves those in force.
            assertThat(charts.view(flat.id(), null).cost())
                    .contains("six climbing or falling", "half of all charts with limits from 20 lots");
        } finally {
            database.update("delete from drift_baseline_lot where baseline_id = ?", after.id());
            database.update("delete from drift_baseline where id = ?", after.id());
            signals.rebuild(flat.id());
        }
    }

    /** What adds up over lots is signed with its numbers, drawn in a strip of its own, and asks at the lots at which it speaks. */
    @Test
    void chartsThatAddUpAreSignedWithTheirNumbers() throws Exception {
        SeriesView upright = strength("natural", Orientation.ZX);
        Baselines.BaselineView before = baselines.newest(upright.id()).orElseThrow();
        http.perform(sums(upright, "2", "nothing", "12", "9"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("&#39;2&#39; is not between 0.05 and 0.5"),
                                containsString("&#39;nothing&#39; is not between 2 and 4"),
                                containsString("&#39;12&#39; is not between 2 and 10"),
                                containsString("is not between 0 and 2.5"),
                                containsString("value=\"nothing\""),
                                containsString("value=\"9\""))));
        assertThat(baselines.newest(upright.id())).contains(before);
        try {
            http.perform(sums(upright, "0.1", "2.814", "4.5", "0")).andExpect(status().is3xxRedirection());
            DriftView drawn = charts.view(upright.id(), null);
            assertThat(drawn.strips()).hasSize(4);
            assertThat(drawn.strips().get(2).name()).contains("EWMA, λ 0.1");
            assertThat(drawn.strips().get(3)).satisfies(strip -> {
                assertThat(strip.unit()).isEqualTo("σ");
                assertThat(strip.lines()).extracting(DriftView.Line::label).contains("h 4.5");
                assertThat(strip.dots()).filteredOn(DriftView.Dot::signal).isNotEmpty();
            });
            // The strip and what is stored for the gate are one truth, in sight and out of it.
            Set<String> spoken = database
                    .queryForList(
                            "select lot.code from drift_signal join lot on lot.id = lot_id where series_id = ? and rule = 'CUSUM'",
                            String.class,
                            upright.id())
                    .stream()
                    .collect(Collectors.toSet());
            assertThat(drawn.strips().get(3).dots())
                    .filteredOn(DriftView.Dot::signal)
                    .extracting(DriftView.Dot::lot)
                    .allMatch(spoken::contains);
            assertThat(drawn.signals()).anySatisfy(row -> assertThat(row.words())
                    .contains("lots that add up to too much below the centre"));
            // What was answered before, of fewer rules, is not lost beside what they say now.
            assertThat(drawn.signals())
                    .filteredOn(row -> row.lot().equals("SK-0127"))
                    .singleElement()
                    .satisfies(row -> {
                        assertThat(row.answer()).isNull();
                        assertThat(row.inPart()).isNotNull();
                        assertThat(row.inPart().answer()).startsWith("Seen;");
                    });
            assertThat(baselines.lessened(upright.id()).orElseThrow()).contains("eight in a row on one side");
            http.perform(sums(upright, "0.1", "2.814", "8", "0")).andExpect(status().is3xxRedirection());
            // A wider interval is a milder rule: the one of before is told.
            assertThat(baselines.lessened(upright.id()).orElseThrow())
                    .contains("CUSUM, k 0.5, h 4.5, head start 0")
                    .doesNotContain("EWMA");
        } finally {
            database.update(
                    "delete from drift_baseline_lot where baseline_id in (select id from drift_baseline where series_id = ? and version > ?)",
                    upright.id(),
                    before.version());
            database.update(
                    "delete from drift_baseline where series_id = ? and version > ?", upright.id(), before.version());
            database.update("delete from drift_signal where series_id = ?", upright.id());
            signals.rebuild(upright.id());
        }
    }

    /** What people say changed stands on the charts of its product at the lot that followed, once, and on every product's where it concerns all. */
    @Test
    void whatSomebodySaysChangedIsDrawn() throws Exception {
        SeriesView upright = strength("natural", Orientation.ZX);
        SeriesView foreign = series.ofAll().stream()
                .filter(one -> one.productId() != upright.productId())
                .filter(one -> series.count(one) > 3)
                .findFirst()
                .orElseThrow();
        String words = "Grips with new faces " + UUID.randomUUID();
        String day = series.points(upright.id()).get(9).madeOn().toString();
        for (String[] wrong : new String[][] {
            {day, "", words},
            {day, "WEATHER", words},
            {day, "EQUIPMENT", " "},
            {"2999-01-01", "EQUIPMENT", words},
            {"soon", "EQUIPMENT", words}
        }) {
            http.perform(event(
                            upright,
                            wrong[0],
                            wrong[1],
                            wrong[2],
                            "",
                            UUID.randomUUID().toString()))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("class=\"wrong\"")));
        }
        try {
            String request = UUID.randomUUID().toString();
            for (int sent = 0; sent < 2; sent++) {
                http.perform(event(upright, day, "EQUIPMENT", words, "", request))
                        .andExpect(status().is3xxRedirection());
            }
            http.perform(event(upright, day, "EQUIPMENT", words, "", "")).andExpect(status().is(422));
            DriftView drawn = charts.view(upright.id(), null);
            assertThat(drawn.events())
                    .filteredOn(event -> event.words().contains(words))
                    .singleElement()
                    .satisfies(event -> {
                        assertThat(event.words())
                                .startsWith(day + ", equipment: ")
                                .contains("(quality, written down on ");
                        assertThat(event.x())
                                .isEqualTo(drawn.means().dots().get(9).x());
                    });
            assertThat(charts.view(foreign.id(), null).events())
                    .noneMatch(event -> event.words().contains(words));
            String everywhere = "New climate cabinet " + UUID.randomUUID();
            // Said of one product first, it is still said of all.
            for (String all : List.of("", "yes")) {
                http.perform(event(
                                upright,
                                "",
                                "NOTE",
                                everywhere,
                                all,
                                UUID.randomUUID().toString()))
                        .andExpect(status().is3xxRedirection());
            }
            // Behind the newest lot it stands at the edge.
            assertThat(charts.view(foreign.id(), null).events())
                    .filteredOn(event -> event.words().contains(everywhere))
                    .singleElement()
                    .satisfies(event -> {
                        assertThat(event.words()).endsWith("(quality, every product)");
                        assertThat(event.x()).isEqualTo(Sight.RIGHT);
                    });
        } finally {
            database.update("delete from drift_event where words like 'Grips with new%' or words like 'New climate%'");
        }
    }

    /** A note at one lot stands at its point, on its own chart and on no other; it asks for no day. */
    @Test
    void aNoteStandsAtItsPoint() throws Exception {
        SeriesView upright = strength("natural", Orientation.ZX);
        SeriesView flat = strength("natural", Orientation.XY);
        List<PointView> seen = series.newest(upright.id(), 30);
        String code = lots.lot(seen.get(5).lotId()).code();
        String words = "Broken by two hands in turn " + UUID.randomUUID();
        String request = UUID.randomUUID().toString();
        try {
            for (String[] wrong : new String[][] {{"T-none", ""}, {code, "yes"}}) {
                http.perform(event(upright, "", "NOTE", words, wrong[1], request)
                                .param("lot", wrong[0]))
                        .andExpect(status().is(422))
                        .andExpect(content().string(containsString("id=\"w-at-lot\"")))
                        .andExpect(content().string(containsString(words)));
            }
            http.perform(event(upright, "", "NOTE", words, "", request).param("lot", " " + code + " "))
                    .andExpect(status().is3xxRedirection());
            DriftView drawn = charts.view(upright.id(), null);
            assertThat(drawn.events())
                    .filteredOn(event -> event.words().contains(words))
                    .singleElement()
                    .satisfies(event -> {
                        assertThat(event.words()).startsWith(code + ", this chart alone, note: ");
                        assertThat(event.x())
                                .isEqualTo(drawn.means().dots().get(5).x());
                        assertThat(event.y())
                                .isEqualTo(drawn.means().dots().get(5).y());
                    });
            assertThat(charts.view(flat.id(), null).events())
                    .noneMatch(event -> event.words().contains(words));
            assertThat(charts.view(upright.id(), series.count(upright) - 30).events())
                    .as("out of sight")
                    .noneMatch(event -> event.words().contains(words));
        } finally {
            database.update("delete from drift_event where words like 'Broken by two hands%'");
        }
    }

    private static MockHttpServletRequestBuilder event(
            SeriesView of, String day, String kind, String words, String everywhere, String request) {
        return post("/series/" + of.id() + "/events")
                .with(QUALITY)
                .with(csrf())
                .param("day", day)
                .param("kind", kind)
                .param("words", words)
                .param("everywhere", everywhere)
                .param("request", request);
    }

    private MockHttpServletRequestBuilder sums(SeriesView of, String lambda, String limit, String h, String start) {
        List<PointView> points = series.points(of.id());
        return post("/series/" + of.id() + "/baseline")
                .with(QUALITY)
                .with(csrf())
                .param("from", lots.lot(points.get(0).lotId()).code())
                .param("to", lots.lot(points.get(19).lotId()).code())
                .param("reason", "The first twenty lots by the present recipe.")
                .param("seen", "yes")
                .param("rules", "", "BEYOND_LIMITS", "EWMA", "CUSUM")
                .param("lambda", lambda)
                .param("limit", limit)
                .param("k", "0.5")
                .param("h", h)
                .param("start", start);
    }

    /** Limits that were signed before they followed n stay as they were signed, for every n. */
    @Test
    void limitsOfBeforeStayAsTheyWereSigned() {
        SeriesView flat = strength("natural", Orientation.XY);
        Baselines.BaselineView signed = baselines.newest(flat.id()).orElseThrow();
        assertThat(signed.limits().upper(2)).isGreaterThan(signed.limits().upper(50));
        database.update("update drift_baseline set size = null where id = ?", signed.id());
        try {
            Baselines.BaselineView before = baselines.newest(flat.id()).orElseThrow();
            assertThat(before.limits().upper(2)).isEqualTo(before.limits().upper(50));
            assertThat(charts.view(flat.id(), null).baseline().followsN()).isFalse();
            assertThat(baselines
                            .anew(flat.id(), signed.version())
                            .orElseThrow()
                            .limits()
                            .upper(2))
                    .isCloseTo(before.limits().upper(2), within(1e-9));
        } finally {
            database.update(
                    "update drift_baseline set size = ? where id = ?",
                    signed.size().orElseThrow(),
                    signed.id());
        }
    }

    /** M67: no capability of a series that is not stable, with the reason; of one that is, with its interval. */
    @Test
    void m67CapabilityIsRefusedOfASeriesThatIsNotStable() {
        DriftView upright = charts.view(strength("natural", Orientation.ZX).id(), 30);
        DriftView flat = charts.view(strength("natural", Orientation.XY).id(), 30);

        assertThat(upright.capability()).isNotNull();
        assertThat(upright.capability().headline()).startsWith("No capability is told: it slides since about SK-01");
        assertThat(flat.capability()).isNotNull();
        assertThat(flat.capability().headline()).matches("Ppk \\(lower edge\\) \\d\\.\\d\\d \\(95 %: .*");
        assertThat(flat.capability().sentences().get(0)).contains("Cpk", "degrees of freedom", "30 lots");
    }

    /** A chart that is kept by fewer rules says so on the certificate of each lot that is set against it. */
    @Test
    void fewerRulesStandOnTheCertificate() throws Exception {
        LotView first = testLots.releasedLot();
        LotView second = released(884, 880, 890, 876, 871);
        SeriesView slate = strengths("slate", Orientation.ZX)
                .filter(view -> series.points(view.id()).stream().anyMatch(point -> point.lotId() == first.id()))
                .findFirst()
                .orElseThrow();
        Baselines.BaselineView signed = baselines.sign(
                slate.id(),
                Set.of(first.id(), second.id()),
                ChartRules.named(List.of("BEYOND_LIMITS")),
                "The gauge jumps from lot to lot.",
                "quality");
        try {
            LotView third = released(883, 881, 889, 877, 872);
            http.perform(get("/lots/" + third.code() + "/certificate").with(QUALITY))
                    .andExpect(status().isOk())
                    .andExpect(content()
                            .string(allOf(
                                    containsString("is kept without a rule: eight in a row on one side"),
                                    containsString("The gauge jumps from lot to lot."))));
            http.perform(get("/lots/" + second.code() + "/certificate").with(QUALITY))
                    .andExpect(content().string(not(containsString("is kept without a rule"))));
        } finally {
            database.update("delete from drift_signal where series_id = ?", slate.id());
            database.update("delete from drift_baseline_lot where baseline_id = ?", signed.id());
            database.update("delete from drift_baseline where id = ?", signed.id());
        }
    }

    private LotView released(double... flat) {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", flat);
        testLots.test(lot, Orientation.ZX, "bench", 470, 465, 472, 468, 460);
        testLots.refresh(lot);
        gateOfTests.decide(lot, Disposition.RELEASE, "All claims are supported.", "release");
        return lots.named(lot.code());
    }
}
