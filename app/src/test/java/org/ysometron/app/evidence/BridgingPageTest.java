package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.plan.SiteMethods;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;

class BridgingPageTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Bridges bridges;

    @Autowired
    private SeriesPoints series;

    @Autowired
    private Instruments instruments;

    @Autowired
    private JdbcTemplate sql;

    @Autowired
    private SiteMethods methods;

    @Autowired
    private Products products;

    @Autowired
    private ReferenceTests references;

    private long rigged(String name, String rig) {
        return instruments
                .register(new Instruments.NewInstrument(
                        org.ysometron.app.equipment.Kind.FORCE_GAUGE,
                        name,
                        OptionalDouble.of(9000),
                        0.003,
                        0,
                        new Instruments.Facts(
                                1,
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                "",
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                rig,
                                "")))
                .id();
    }

    private void breaks(LotView lot, String label, double force, long gauge) {
        bench.enterAll(
                lot,
                List.of(
                        testLots.width(label, 1, "4.00"),
                        testLots.thickness(label, 1, "4.00"),
                        new Bench.Entry(
                                label,
                                "force",
                                1,
                                String.valueOf(force),
                                End.BROKE_IN_GAUGE,
                                gauge,
                                String.valueOf(force))),
                "bench",
                null);
    }

    private SeriesPoints.SeriesView strengths(LotView lot, String setup) {
        testLots.refresh(lot);
        return series.everyOf(lot.productId()).stream()
                .filter(view -> view.property().equals(Methods.usual().data().main())
                        && view.colour().equals(lot.colour())
                        && view.conditions().orientation() == Orientation.XY
                        && view.setup().words().equals(setup))
                .findFirst()
                .orElseThrow();
    }

    /** M44: another rig starts its own series; lots broken in both decide by how much the new one is off. */
    @Test
    void m44ANewRigStartsASeriesAndABridgingStudyJoinsIt() throws Exception {
        long old = rigged("cell A of this test", "frame A");
        long fresh = rigged("cell B of this test", "frame B");
        LotView last = testLots.lot();
        for (int i = 0; i < 4; i++) {
            LotView lot = i == 3 ? last : testLots.lot();
            breaks(lot, "XY1", 880 + i, old);
            breaks(lot, "XY2", 896 + i, fresh);
        }
        LotView another = testLots.lot();
        breaks(another, "XY1", 880, old);
        SeriesPoints.SeriesView frameA = strengths(last, "frame A");
        SeriesPoints.SeriesView frameB = strengths(last, "frame B");
        assertThat(series.points(frameA.id())).hasSize(5);
        assertThat(series.points(frameB.id())).hasSize(4);
        LotView onlyNew = testLots.lot();
        breaks(onlyNew, "XY1", 900, fresh);

        Bridges.Study study = bridges.of(last.productId()).stream()
                .filter(candidate ->
                        candidate.fresh().id() == frameB.id() && candidate.old().id() == frameA.id())
                .findFirst()
                .orElseThrow();
        assertThat(Bridges.compare(study, 0.5).difference()).isEqualTo(1.0);
        bridges.decide(
                last.productId(), frameA.id(), frameB.id(), new Bridges.Decided(0.5, false, "new frame"), "quality");
        assertThat(series.points(frameA.id())).hasSize(6);
        assertThat(series.points(frameA.id()))
                .filteredOn(point -> point.lotId() == onlyNew.id())
                .singleElement()
                .satisfies(point -> assertThat(point.mean()).isEqualTo(900 / 16.0 - 1));
        assertThat(series.ofProduct(last.productId())).doesNotContain(frameB);
    }

    /** Small bars beside standard ones: two designs are offered once three lots were tested with both, and the numbers decide whether they share a chart. */
    @Test
    void twoDesignsOfOneBarMayShareAChart() throws Exception {
        SpecimenDesign other =
                Methods.of("tension").orElseThrow().data().designs().get(1);
        Blend blend = new Blend("F-" + UUID.randomUUID().toString().substring(0, 6), "", 0);
        double width = other.nominal("width").orElseThrow();
        double thickness = other.nominal("thickness").orElseThrow();
        List<LotView> made = new ArrayList<>();
        double[] off = {0.1, -0.1, 0.05};
        for (int i = 0; i < 3; i++) {
            LotView lot = testLots.alone(blend);
            made.add(lot);
            testLots.set(lot, TestLots.line("tension", other, 5, 1));
            breaks(lot, "XY1", 880 + 4 * i, testLots.gauge("bench load cell"));
            double strength = (880 + 4 * i) / 16.0 + off[i];
            bench.enterAll(
                    lot,
                    List.of(
                            new Bench.Entry("XY6", "width", 1, String.valueOf(width), null, 0, ""),
                            new Bench.Entry("XY6", "thickness", 1, String.valueOf(thickness), null, 0, ""),
                            testLots.force("XY6", String.valueOf(strength * width * thickness), End.BROKE_IN_GAUGE)),
                    "bench",
                    null);
            testLots.refresh(lot);
            List<Bridges.Study> so = ofDesigns(lot);
            assertThat(so).hasSize(i < 2 ? 0 : 1);
        }
        LotView last = made.get(2);
        Bridges.Study study = ofDesigns(last).get(0);
        assertThat(study.pairs()).hasSize(3);
        String page = "/products/" + products.product(last.productId()).code() + "/bridging";
        http.perform(get(page).with(QUALITY))
                .andExpect(content()
                        .string(containsString(study.fresh().conditions().design())));
        bridges.decide(
                last.productId(),
                study.old().id(),
                study.fresh().id(),
                new Bridges.Decided(1.0, false, "small bars to save material"),
                "quality");
        assertThat(series.sharing(study.old().id()))
                .singleElement()
                .asString()
                .startsWith("Lots of " + study.fresh().conditions().design() + " share this chart");
        away(made);
    }

    private List<Bridges.Study> ofDesigns(LotView lot) {
        return bridges.of(lot.productId()).stream()
                .filter(study -> study.old().blend().equals(lot.blend()) && !study.isOfSetups())
                .filter(study ->
                        study.fresh().property().equals(Methods.usual().data().main()))
                .toList();
    }

    /**
     * A known difference of 1 MPa inside a margin of 1.5 is taken off where that is wanted, and every point it was taken off says how
     * well it is known: differences 0.9, 1, 1.1 MPa scatter by 0.1, so that their mean is uncertain by 0.1/√3 = 0.058.
     */
    @Test
    void aKnownDifferenceInsideTheMarginIsTakenOffWhereThatIsWanted() throws Exception {
        long old = rigged("cell D of this test", "frame D");
        long fresh = rigged("cell E of this test", "frame E");
        LotView last = testLots.lot();
        double[] forces = {894.4, 896, 897.6};
        for (int i = 0; i < 3; i++) {
            LotView lot = i == 2 ? last : testLots.lot();
            breaks(lot, "XY1", 880, old);
            breaks(lot, "XY2", forces[i], fresh);
        }
        SeriesPoints.SeriesView frameD = strengths(last, "frame D");
        SeriesPoints.SeriesView frameE = strengths(last, "frame E");
        String page = "/products/" + products.product(last.productId()).code() + "/bridging";
        http.perform(get(page)
                        .with(QUALITY)
                        .param("series", String.valueOf(frameE.id()))
                        .param("old", String.valueOf(frameD.id()))
                        .param("margin", "1.5 MPa"))
                .andExpect(content()
                        .string(allOf(
                                containsString("They are known to differ all the same"),
                                containsString("Take the difference off"))));
        http.perform(post(page)
                        .with(QUALITY)
                        .with(csrf())
                        .param("series", String.valueOf(frameE.id()))
                        .param("old", String.valueOf(frameD.id()))
                        .param("margin", "1.5 MPa")
                        .param("takeOff", "true")
                        .param("reason", "Another frame since spring."))
                .andExpect(status().is3xxRedirection());
        LotView onlyNew = testLots.lot();
        breaks(onlyNew, "XY1", 900, fresh);
        testLots.refresh(onlyNew);
        assertThat(series.points(frameD.id()))
                .filteredOn(point -> point.lotId() == onlyNew.id())
                .singleElement()
                .satisfies(point -> assertThat(point.mean()).isCloseTo(900 / 16.0 - 1, within(1e-9)));
        http.perform(get("/products/" + products.product(last.productId()).code() + "/drift")
                        .param("series", String.valueOf(frameD.id()))
                        .with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("1.00 MPa taken off by a bridging study, uncertain by 0.058"),
                                containsString("taken off, uncertain by 0.058 for all of them together"))));
    }

    /** The demo's second frame: five lots by both ways, about 0.6 MPa apart, decided on the page. */
    @Test
    void m44TheDemosSecondFrameIsJoinedWithItsOffset() throws Exception {
        Products.ProductView dunlin = products.named("dunlin-c2");
        Bridges.Study study = bridges.of(dunlin.id()).stream()
                .filter(candidate -> candidate.fresh().setup().words().equals("frame 2, screw grips"))
                .findFirst()
                .orElseThrow();
        String page = "/products/dunlin-c2/bridging";
        http.perform(get(page)
                        .param("series", String.valueOf(study.fresh().id()))
                        .param("old", String.valueOf(study.old().id()))
                        .param("margin", "some")
                        .with(QUALITY))
                .andExpect(content().string(containsString("is no margin")));
        // A margin is not free: what takes more than half of the room to the claim's edge matters.
        http.perform(get(page)
                        .param("series", String.valueOf(study.fresh().id()))
                        .param("old", String.valueOf(study.old().id()))
                        .param("margin", "1000 MPa")
                        .with(QUALITY))
                .andExpect(content().string(containsString("such a difference matters")));
        http.perform(get(page)
                        .param("series", String.valueOf(study.fresh().id()))
                        .param("old", String.valueOf(study.old().id()))
                        .param("margin", "0.4 MPa")
                        .with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("Over 5 lots new minus old is 0.6"),
                                containsString("once the difference is taken off"))));
        http.perform(post(page)
                        .with(QUALITY)
                        .with(csrf())
                        .param("series", String.valueOf(study.fresh().id()))
                        .param("old", String.valueOf(study.old().id()))
                        .param("margin", "0.4 MPa")
                        .param("reason", ""))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("What was changed and why is missing")));
        int before = series.points(study.old().id()).size();
        http.perform(post(page)
                        .with(QUALITY)
                        .with(csrf())
                        .param("series", String.valueOf(study.fresh().id()))
                        .param("old", String.valueOf(study.old().id()))
                        .param("margin", "0.4 MPa")
                        .param("reason", "Second frame set up in spring."))
                .andExpect(status().is3xxRedirection());
        assertThat(series.points(study.old().id())).hasSize(before);
        assertThat(series.ofProduct(dunlin.id()))
                .extracting(SeriesPoints.SeriesView::id)
                .doesNotContain(study.fresh().id());
        http.perform(get("/products/dunlin-c2/drift")
                        .param("series", String.valueOf(study.old().id()))
                        .with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("Lots of frame 2, screw grips share this chart, with 0.6"),
                                containsString("by a study of 5 lots"))));
        http.perform(get(page).with(QUALITY))
                .andExpect(content().string(allOf(containsString("Decided by quality"), containsString("taken off"))));
        assertThatThrownBy(() -> bridges.decide(
                        dunlin.id(),
                        study.old().id(),
                        study.fresh().id(),
                        new Bridges.Decided(0.4, false, "again"),
                        "quality"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("decided already");
    }

    /** M28: what is broken under another revision of the method is in a series of its own. */
    @Test
    void m28ANewRevisionOfAMethodStartsASeries() {
        LotView lot = testLots.lot();
        long cell = rigged("cell C of this test", "frame C");
        breaks(lot, "XY1", 880, cell);
        methods.pin(Methods.usual(), List.of("50 mm", "5 N", "25 mm"), "Checked with another preload.", "quality");
        try {
            breaks(lot, "XY2", 880, cell);
            assertThat(series.points(strengths(lot, "frame C").id())).hasSize(1);
            String rev = "frame C, tension rev " + methods.of(Methods.usual()).revision();
            assertThat(series.points(strengths(lot, rev).id())).hasSize(1);
        } finally {
            // Away again, so that other tests' readings stay together; the application itself never takes one back.
            sql.update("delete from plan_method where method = 'tension'");
        }
    }

    /** M37, M66: the reference lot stood while Skerry slid, and moved with Curlew's light engine. */
    @Test
    void m37TheReferenceLotTellsTheMaterialFromTheMachine() throws Exception {
        LotView sliding = lots.named("SK-0130");
        assertThat(references.beside(
                        sliding,
                        lots.specimens(sliding.id()).stream()
                                .filter(bar -> bar.conditions().orientation() == Orientation.ZX)
                                .findFirst()
                                .orElseThrow()
                                .conditions()))
                .hasValueSatisfying(words -> assertThat(words).contains("what differs is the material"));
        http.perform(get("/products/skerry-bf10/drift")
                        .param("series", String.valueOf(upright(sliding).id()))
                        .with(QUALITY))
                .andExpect(content().string(containsString("The reference lot stands where it stood")));

        for (String code : List.of("CW-0018", "CW-0019", "CW-0020")) {
            LotView stiff = lots.named(code);
            assertThat(references.beside(
                            stiff, lots.specimens(stiff.id()).get(0).conditions()))
                    .hasValueSatisfying(
                            words -> assertThat(words).contains("outside its own", "before the material is blamed"));
        }
        LotView early = lots.named("CW-0014");
        assertThat(references.beside(early, lots.specimens(early.id()).get(0).conditions()))
                .hasValueSatisfying(words -> assertThat(words).contains("one of its first 6 tests"));
        // The step must not widen the limits that show it.
        http.perform(get("/products/curlew-r70/drift")
                        .param(
                                "series",
                                String.valueOf(flat(lots.named("CW-0020")).id()))
                        .with(QUALITY))
                .andExpect(content().string(containsString("The reference lot moved too")));
    }

    private SeriesPoints.SeriesView flat(LotView lot) {
        return series.ofProduct(lot.productId()).stream()
                .filter(view -> view.property().equals(Methods.usual().data().main())
                        && view.setup().isNone())
                .findFirst()
                .orElseThrow();
    }

    private SeriesPoints.SeriesView upright(LotView lot) {
        return series.ofProduct(lot.productId()).stream()
                .filter(view -> view.property().equals(Methods.usual().data().main())
                        && view.colour().equals("natural")
                        && view.setup().isNone()
                        && view.conditions().orientation() == Orientation.ZX)
                .findFirst()
                .orElseThrow();
    }
}
