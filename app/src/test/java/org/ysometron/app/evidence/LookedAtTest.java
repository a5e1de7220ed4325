package org.ysometron.app.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.TestProducts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Irradiances;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.lot.LateEntries;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Chambers;
import org.ysometron.app.make.Doses;
import org.ysometron.app.plan.GradeWeights;
import org.ysometron.app.plan.Masters;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

/** What is graded, weighed against a master or looked at: who said it, by which scale, and what it is compared with. */
class LookedAtTest extends DemoSite {

    @Autowired
    private Masters masters;

    @Autowired
    private GradeWeights weights;

    @Autowired
    private Looks looks;

    @Autowired
    private Provisionals provisionals;

    @Autowired
    private DosePages doses;

    @Autowired
    private Doses dosesMade;

    @Autowired
    private Treatments treatments;

    @Autowired
    private Chambers chambers;

    @Autowired
    private Irradiances irradiances;

    @Autowired
    private Instruments instruments;

    @Autowired
    private LateEntries late;

    @Autowired
    private Intake intake;

    @Autowired
    private Judgements judgements;

    private Products.ProductView product;
    private LotView lot;

    @BeforeEach
    void aProductOfItsOwn() {
        confirmed("bench");
        OptionalDouble none = OptionalDouble.empty();
        product = testProducts.saying(
                new Publications.Draft(
                        new Statement(0, Topic.STORAGE, Form.STATED, "dry", none, none, none, "dry", "", Terms.NONE, 0),
                        null),
                new Publications.Draft(
                        new Statement(
                                0,
                                Topic.NOZZLE_TEMPERATURE,
                                Form.STATED,
                                "240–260 °C",
                                none,
                                OptionalDouble.of(240),
                                OptionalDouble.of(260),
                                "",
                                "",
                                Terms.NONE,
                                0),
                        null));
        lot = testProducts.lot(product);
    }

    private static Method method(String id) {
        return Methods.of(id).orElseThrow();
    }

    private List<SpecimenView> set(LotView of, String method, SpecimenDesign design, int n) {
        boolean printed = design.isPrinted();
        PlannedTest test = new PlannedTest(
                method(method),
                design,
                printed ? Orientation.XY : Orientation.NONE,
                Notch.NONE,
                printed ? Basis.SOLID : Basis.AS_SUPPLIED,
                Build.NONE,
                printed ? Conditioning.DRY : Conditioning.NONE,
                0,
                n,
                "");
        return lots.addSet(
                of.id(),
                Lots.NewSet.of(
                        UUID.randomUUID().toString(),
                        test,
                        n,
                        1,
                        new Lots.Making(null, "", of.madeOn().plusDays(1).atTime(12, 0), null)),
                "bench");
    }

    private void enter(
            LotView of, SpecimenView specimen, Map<String, List<String>> read, @Nullable End end, String by) {
        long gauge = testLots.instrument(method(specimen.conditions().method()));
        List<Bench.Entry> entries = new ArrayList<>();
        read.forEach((field, texts) -> {
            for (int i = 0; i < texts.size(); i++) {
                entries.add(new Bench.Entry(specimen.label(), field, i + 1, texts.get(i), end, gauge, texts.get(i)));
            }
        });
        bench.enterTest(of, specimen.label(), entries, by);
    }

    private void grade(SpecimenView piece, int place, String field, String grade, @Nullable End end, String by) {
        bench.enterTest(
                lot,
                piece.label(),
                List.of(new Bench.Entry(
                        piece.label(),
                        field,
                        place,
                        grade,
                        end,
                        testLots.instrument(method(piece.conditions().method())),
                        grade)),
                by);
    }

    private static Map<String, List<String>> quality(String stringing) {
        Map<String, List<String>> read = new LinkedHashMap<>();
        read.put("overhang", List.of("45"));
        read.put("bridge", List.of("40"));
        read.put("stringing", List.of(stringing));
        read.put("surface", List.of("2"));
        read.put("corner", List.of("2"));
        read.put("small-detail", List.of("2"));
        read.put("first-layers", List.of("2"));
        read.put("layer-faults", List.of("2"));
        return read;
    }

    private Reduced result(LotView of, SpecimenView specimen, String characteristic) {
        SpecimenRecord record = bench.record(of, specimen.label());
        return record.results().stream()
                .filter(one -> one.characteristic().id().equals(characteristic))
                .findFirst()
                .orElseThrow(() -> new AssertionError(record.problem()));
    }

    /** How a layer came off the film, as the bench sends it. */
    private MockHttpServletRequestBuilder released(SpecimenView piece, String typed, String by) {
        return post("/lots/" + lot.code() + "/bench")
                .param("specimen", piece.label())
                .param("gauge", String.valueOf(testLots.instrument(method("film-release"))))
                .param("field", "film-release-1")
                .param("unit", "")
                .param("confirm", "")
                .param("typed", typed)
                .param("outcome", "DONE")
                .with(user(by).authorities(new SimpleGrantedAuthority("ENTRY")))
                .with(csrf());
    }

    /** M7: at the bench a grade outside its scale is refused with the scale's ends, and each grade stands there drawn. */
    @Test
    void m7AGradeOutsideItsScaleIsRefusedAtTheBench() throws Exception {
        SpecimenView piece =
                set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1).get(0);
        confirmed("bench", "film-release");
        http.perform(released(piece, "4", "bench"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is no grade of the scale")))
                .andExpect(content().string(containsString("0 (blocked on the film) to 3 (comes off smoothly)")))
                .andExpect(content().string(containsString("data-grade=\"3\"")));
        assertThat(bench.record(lot, piece.label()).readings()).isEmpty();
    }

    /** M59: one scoring a person. The same account grades a thing once, another stands beside it, and a change needs a reason. */
    @Test
    void m59OnePersonGradesAThingOnce() {
        SpecimenView piece =
                set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1).get(0);
        grade(piece, 1, "film-release", "3", End.DONE, "bench");
        assertThatThrownBy(() -> grade(piece, 2, "film-release", "1", null, "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("You graded this already: what the layer does 3")
                .hasMessageContaining("with a reason");
        grade(piece, 2, "film-release", "2", null, "quality");
        Reduced both = result(lot, piece, "film-release");
        assertThat(both.made()).isEqualTo(Reduced.Made.BETWEEN);
        assertThat(both.value()).hasValue(2);
        assertThat(both.upper()).hasValue(3);
        assertThat(bench.record(lot, piece.label()).readings())
                .extracting(reading -> reading.enteredBy())
                .containsExactly("bench", "quality");
    }

    /** What cannot belong together is said where it is read, and not when the crucible comes out of the furnace. */
    @Test
    void aCrucibleThatLosesItsSampleIsSaidAtTheBalance() {
        SpecimenView piece =
                set(lot, "filler-content", SpecimenDesign.SAMPLE_PIECE, 1).get(0);
        grade(piece, 1, "crucible", "24.31 g", null, "bench");
        assertThatThrownBy(() -> grade(piece, 1, "with-sample", "20 g", null, "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("weighs no more than empty: 20 and 24.31 g");
        grade(piece, 1, "with-sample", "27.35 g", null, "bench");
    }

    /** What is taken off the sample as supplied is not printed: that its material was not dried makes nothing of it provisional. */
    @Test
    void aPieceOfTheSampleAsksForNoDrying() {
        LotView wet = testLots.bare();
        testLots.set(
                wet,
                new PlannedTest(
                        method("moisture-content"),
                        SpecimenDesign.SAMPLE_PIECE,
                        Orientation.NONE,
                        Notch.NONE,
                        Basis.AS_SUPPLIED,
                        Build.NONE,
                        Conditioning.NONE,
                        0,
                        2,
                        ""));
        assertThat(provisionals.of(List.of(wet)).getOrDefault(wet.id(), List.of()))
                .isEmpty();
        testLots.set(wet, TestLots.line("tension", 5, 2));
        assertThat(provisionals.of(List.of(wet)).get(wet.id())).isNotEmpty();
    }

    /** A claim of which no tested specimen gives a figure says why; what another method tested is no lesser evidence of it. */
    @Test
    void aClaimWithoutAFigureSaysWhy() {
        PlannedTest plaques = TestLots.line("colour-of-plaque", SpecimenDesign.PLAQUE, 0, 1);
        PlannedTest blocks = TestLots.line("shore-d", SpecimenDesign.HARDNESS_BLOCK, 0, 1);
        Products.ProductView claiming = testProducts.saying(
                new Publications.Draft(
                        TestProducts.claim(
                                Topic.on(Characteristics.of("colour-difference").orElseThrow()),
                                Form.AT_MOST,
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                OptionalDouble.of(1.5),
                                "",
                                plaques.conditions()),
                        null),
                new Publications.Draft(
                        TestProducts.claim(
                                Topic.on(Characteristics.of("shore-d").orElseThrow()),
                                Form.AT_LEAST,
                                OptionalDouble.empty(),
                                OptionalDouble.of(70),
                                OptionalDouble.empty(),
                                "",
                                blocks.conditions()),
                        null));
        LotView masterless = testProducts.lot(claiming);
        testLots.set(masterless, plaques);
        List<Bench.Entry> entries = new ArrayList<>();
        Map.of("thickness", "2.0", "l", "60", "a", "1", "b", "-3").forEach((field, typed) -> {
            for (int place = 1; place <= 3; place++) {
                entries.add(new Bench.Entry(
                        "XY1", field, place, typed, End.DONE, testLots.instrument(plaques.method()), typed));
            }
        });
        bench.enterTest(masterless, "XY1", entries, "bench");
        assertThat(judgements.of(List.of(masterless)).get(masterless.id()))
                .extracting(Judgements.Judged::reason)
                .containsExactlyInAnyOrder(
                        "1 specimen was tested, and none gives it: no master of this colour is signed.",
                        "No specimen has been tested yet.");
    }

    /** What boxes of a lot ask for stands beside the recipe, so that the factor in force can be multiplied by it. */
    @Test
    void anExtrusionCheckIsSaidAtTheRecipe() throws Exception {
        for (SpecimenView box : set(lot, "extrusion-check", SpecimenDesign.WALL_BOX, 2)) {
            grade(box, 1, "wall", "0.50 mm", End.DONE, "bench");
        }
        http.perform(get("/products/" + product.code() + "/recipes").with(user("bench")))
                .andExpect(content()
                        .string(containsString("Extrusion factor by the wall 0.900, 2 boxes of lot " + lot.code())));
    }

    /** Whoever makes a known grade milder by grading beside it leaves a trace, and another account looks at it; who is harder does not. */
    @Test
    void aKinderSecondGradeIsLookedAtByAnother() {
        SpecimenView harder =
                set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1).get(0);
        grade(harder, 1, "film-release", "2", End.DONE, "bench");
        grade(harder, 2, "film-release", "1", null, "quality");
        assertThat(late.of(List.of(lot.id()))).isEmpty();
        SpecimenView kinder =
                set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1).get(0);
        grade(kinder, 1, "film-release", "0", End.DONE, "bench");
        grade(kinder, 2, "film-release", "3", null, "quality");
        assertThat(late.of(List.of(lot.id()))).singleElement().satisfies(entry -> {
            assertThat(entry.what())
                    .startsWith(kinder.label() + " graded by a second person")
                    .contains("kinder");
            assertThat(entry.by()).isEqualTo("quality");
        });
    }

    /** Two at one piece: what the second typed is not lost, and who was first is said where the next is asked for. */
    @Test
    void whoComesSecondIsToldAndMayStandBeside() throws Exception {
        SpecimenView piece =
                set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1).get(0);
        grade(piece, 1, "film-release", "3", End.DONE, "bench");
        confirmed("quality", "film-release");
        http.perform(released(piece, "1", "quality"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("has this reading already: 3, by bench")))
                .andExpect(content().string(containsString("id=\"in-film-release-2\"")))
                .andExpect(content().string(containsString("value=\"1\"")));
    }

    private void weigh() {
        Map<String, Integer> entries = new LinkedHashMap<>();
        GradeWeights.elements(method("print-quality")).forEach(element -> entries.put(element.key(), 1));
        weights.write(
                product, method("print-quality"), entries, "All alike, until customers say otherwise.", "quality");
    }

    /** M22: sums are computed, by weights that were there before; lots of one sum share their place. */
    @Test
    void m22NothingIsSummedByWeightsThatCameAfter() throws Exception {
        enter(lot, set(lot, "print-quality", SpecimenDesign.QUALITY_PIECE, 1).get(0), quality("0"), End.DONE, "bench");
        weigh();
        assertThatThrownBy(this::weigh).hasMessageContaining("Nothing differs from the weights that stand");
        Looks.Graded before = looks.lotByLot(product).get(0);
        assertThat(before.rows()).singleElement().satisfies(row -> {
            assertThat(row.sum()).isEmpty();
            assertThat(row.note()).contains("no weights stood before");
        });
        List<LotView> later = new ArrayList<>();
        for (String stringing : List.of("1", "1", "3")) {
            LotView next = lots.enter(
                    new Lots.NewLot(
                            product.code() + "-" + (later.size() + 2),
                            product.code(),
                            "natural",
                            lot.madeOn().plusDays(1),
                            "",
                            ""),
                    "bench");
            later.add(next);
            enter(
                    next,
                    set(next, "print-quality", SpecimenDesign.QUALITY_PIECE, 1).get(0),
                    quality(stringing),
                    End.DONE,
                    "bench");
        }
        Map<String, Looks.LotRow> rows = new LinkedHashMap<>();
        looks.lotByLot(product).get(0).rows().forEach(row -> rows.put(row.lot(), row));
        assertThat(rows.get(later.get(0).code()).place()).isEqualTo("1, tied");
        assertThat(rows.get(later.get(1).code()).place()).isEqualTo("1, tied");
        assertThat(rows.get(later.get(2).code()).place()).isEqualTo("3");
        // By hand: overhang 45 of 75 is 3/5, bridge 40 of 100 is 4/10, stringing 1 is 2/3, five elements at their best:
        // 6.667/8.
        assertThat(rows.get(later.get(0).code()).sum()).isEqualTo("83 %");
        http.perform(get("/products/" + product.code() + "/grades")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("1, tied")));
        assertThatThrownBy(() ->
                        weights.write(product, method("print-quality"), Map.of(), "Because of it all.", "quality"))
                .hasMessageContaining("a weight from 0 to 10");
        away(later);
    }

    private static Map<String, List<String>> colour(String b) {
        return Map.of(
                "thickness", List.of("2.00"),
                "l", List.of("50"),
                "a", List.of("2.5"),
                "b", List.of(b));
    }

    private void propose(String colour, String l, String a, String b, String by) {
        masters.propose(
                product,
                method("colour-of-plaque"),
                colour,
                Map.of("master-l", l, "master-a", a, "master-b", b),
                "plaque M1, in the cabinet",
                "First master of the colour.",
                by);
    }

    /** A master counts once another account has signed it; the pair is the 20th of those published with CIEDE2000 (from memory). */
    @Test
    void aMasterIsSignedByAnother() throws Exception {
        SpecimenView plaque =
                set(lot, "colour-of-plaque", SpecimenDesign.PLAQUE, 1).get(0);
        enter(lot, plaque, colour("0"), End.DONE, "bench");
        assertThat(result(lot, plaque, "colour-difference").reason()).contains("no master of this colour is signed");
        propose("natural", "58", "24", "15", "quality");
        propose("natural", "58", "24", "15", "quality");
        assertThat(masters.of(product.id())).as("sent twice, proposed once").hasSize(1);
        long id = masters.of(product.id()).get(0).id();
        assertThat(result(lot, plaque, "colour-difference").made()).isEqualTo(Reduced.Made.NOTHING);
        assertThatThrownBy(() -> masters.sign(product.id(), id, "quality"))
                .hasMessageContaining("another account does");
        masters.sign(product.id(), id, "release");
        masters.sign(product.id(), id, "release");
        assertThat(result(lot, plaque, "colour-difference").value().orElseThrow())
                .isCloseTo(19.4535, within(5e-5));
        assertThat(bench.record(lot, plaque.label()).master().words())
                .contains("signed by release")
                .contains("after the lot was made");
        // The second one is signed when the lot is there already: the first goes on to hold for it.
        propose("natural", "50", "2.5", "0", "quality");
        masters.sign(product.id(), masters.of(product.id()).get(1).id(), "release");
        assertThat(result(lot, plaque, "colour-difference").value().orElseThrow())
                .isCloseTo(19.4535, within(5e-5));
        http.perform(get("/lots/" + lot.code() + "/looks")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("difference to the master 19")))
                .andExpect(content().string(containsString("signed by release")));
    }

    @Test
    void aMasterIsOfTheProductsColourAndWhole() {
        assertThatThrownBy(() -> propose("puce", "58", "24", "15", "quality"))
                .hasMessageContaining("one of the product's colours");
        assertThatThrownBy(() -> propose("natural", "58", "24 MPa", "15", "quality"))
                .hasMessageContaining("'MPa' is a stress, not a colour coordinate");
        assertThatThrownBy(() -> propose("natural", "", "24", "15", "quality"))
                .hasMessageContaining("Type the lightness L*");
    }

    /** M38: a colour judged from one spool: plaques, samples and lots are told apart, and one lot is said to be one lot only. */
    @Test
    void m38OneLotIsSaidToBeOneLotOnly() throws Exception {
        SpecimenView plaque =
                set(lot, "colour-of-plaque", SpecimenDesign.PLAQUE, 1).get(0);
        enter(lot, plaque, colour("0"), End.DONE, "bench");
        http.perform(get("/lots/" + lot.code() + "/looks")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(content()
                        .string(containsString("1 plaque of which sample nobody said, of one lot: one lot only.")))
                .andExpect(content().string(containsString("What differs from spool to spool is unknown.")));
        LotView next = lots.enter(
                new Lots.NewLot(
                        product.code() + "-2",
                        product.code(),
                        "natural",
                        lot.madeOn().plusDays(1),
                        "",
                        ""),
                "bench");
        enter(next, set(next, "colour-of-plaque", SpecimenDesign.PLAQUE, 1).get(0), colour("0.2"), End.DONE, "bench");
        http.perform(get("/lots/" + lot.code() + "/looks")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(content().string(containsString("1 other lot of natural was measured")))
                .andExpect(content().string(not(containsString("one lot only"))));
    }

    /** A hollow piece takes the sets of its print out of the count until a print is found solid; it counts itself. */
    @Test
    void aHollowPieceSuspendsItsPrint() {
        masters.propose(
                product,
                method("fill-by-weighing"),
                "natural",
                Map.of("density", "1.36 g/cm³"),
                "bar M1, moulded",
                "Density of the solid.",
                "quality");
        masters.sign(product.id(), masters.of(product.id()).get(0).id(), "release");
        set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 1);
        SpecimenView bar =
                set(lot, "fill-by-weighing", SpecimenDesign.BENDING_BAR, 1).get(0);
        Map<String, List<String>> read = new LinkedHashMap<>(Map.of(
                "length", List.of("80"),
                "width", List.of("10"),
                "thickness", List.of("4"),
                "mass", List.of("4.30 g")));
        enter(lot, bar, read, End.DONE, "bench");
        assertThat(provisionals.of(List.of(lot)).get(lot.id()))
                .noneMatch(one -> String.join("", one.reasons()).contains("fill"));
        SpecimenView hollow =
                set(lot, "fill-by-weighing", SpecimenDesign.BENDING_BAR, 1).get(0);
        read.put("mass", List.of("4.00 g"));
        enter(lot, hollow, read, End.DONE, "bench");
        // By hand: (4.30 + 4.00)/2 over 4.352 g is 95.4 %.
        assertThat(provisionals.of(List.of(lot)).get(lot.id()))
                .filteredOn(one -> String.join("", one.reasons()).contains("fill"))
                .singleElement()
                .satisfies(one -> {
                    assertThat(one.reasons().get(0))
                            .contains("95.4 %, below 97.0 %")
                            .contains("bubbles of a wet spool");
                    assertThat(one.remedy()).contains("dry the material");
                });
    }

    /** Off a spool there is no orientation: labels and terms say none, and a print run refuses such a line. */
    @Test
    void aPieceOfTheSampleLiesOnNoPlate() {
        SpecimenView strand =
                set(lot, "strand-brittleness", SpecimenDesign.STRAND, 1).get(0);
        assertThat(strand.label()).isEqualTo("P1");
        assertThat(strand.conditions().words())
                .contains("as supplied")
                .doesNotContain("NONE")
                .doesNotContain("XY");
        enter(lot, strand, Map.of("held", List.of("4 mm")), End.DONE, "bench");
        Reduced held = result(lot, strand, "bending-diameter");
        assertThat(held.made()).isEqualTo(Reduced.Made.AT_MOST);
        assertThat(held.value()).hasValue(4);
        assertThatThrownBy(() -> new PlannedTest(
                        method("strand-brittleness"),
                        SpecimenDesign.STRAND,
                        Orientation.XY,
                        Notch.NONE,
                        Basis.SOLID,
                        Build.NONE,
                        Conditioning.DRY,
                        0,
                        5,
                        ""))
                .hasMessageContaining("no orientation, for a piece that is not printed");
    }

    /** A step that is typed twice is said at once, and not when the whole tower is over. */
    @Test
    void aStepOfATowerStandsOnce() {
        SpecimenView tower =
                set(lot, "temperature-tower", SpecimenDesign.STEPPED_TOWER, 1).get(0);
        step(tower, 1, "240 °C");
        assertThatThrownBy(() -> step(tower, 2, "513.15 K"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("was read already");
        step(tower, 2, "250 °C");
        assertThat(bench.record(lot, tower.label()).readings()).hasSize(8);
    }

    private void step(SpecimenView tower, int place, String at) {
        List<Bench.Entry> entries = new ArrayList<>();
        Map.of("nozzle", at, "step-stringing", "0", "step-surface", "2", "step-spike", "2")
                .forEach((field, typed) -> entries.add(new Bench.Entry(
                        tower.label(),
                        field,
                        place,
                        typed,
                        null,
                        testLots.instrument(method("temperature-tower")),
                        typed)));
        bench.enterTest(lot, tower.label(), entries, "bench");
    }

    /** A tight thread is set beside its artefact; without one nobody can say why it is tight. */
    @Test
    void aTightThreadIsSetBesideItsArtefact() {
        SpecimenView bolt = set(lot, "printed-thread", SpecimenDesign.BOLT, 1).get(0);
        grade(bolt, 1, "fit-as-printed", "1", End.DONE, "bench");
        assertThat(looks.of(lot).pieces().get(0).beside())
                .hasValueSatisfying(said -> assertThat(said).contains("cannot be told apart"));
        intake.enter(
                lot,
                "ARTEFACT",
                Map.of(
                        "printer",
                        "printer 3",
                        "features",
                        "X outer 10 10.16\nX outer 20 20.17\nX inner 10 9.84\nX inner 20 19.83"),
                UUID.randomUUID().toString(),
                "bench");
        assertThat(looks.of(lot).pieces().get(0).beside())
                .hasValueSatisfying(
                        said -> assertThat(said).contains("printer 3").contains("Edges grew"));
    }

    /** A tower's steps are read one after another before it is over, and its ends lie between neighbours. */
    @Test
    void aTowerIsReadStepByStep() {
        SpecimenView tower =
                set(lot, "temperature-tower", SpecimenDesign.STEPPED_TOWER, 1).get(0);
        String[][] steps = {
            {"240 °C", "0", "0", "0"}, {"250 °C", "0", "2", "2"}, {"260 °C", "1", "2", "2"}, {"270 °C", "3", "2", "2"}
        };
        for (int i = 0; i < steps.length; i++) {
            List<Bench.Entry> entries = new ArrayList<>();
            String[] fields = {"nozzle", "step-stringing", "step-surface", "step-spike"};
            for (int f = 0; f < fields.length; f++) {
                entries.add(new Bench.Entry(
                        tower.label(),
                        fields[f],
                        i + 1,
                        steps[i][f],
                        i == steps.length - 1 ? End.DONE : null,
                        testLots.instrument(method("temperature-tower")),
                        steps[i][f]));
            }
            bench.enterTest(lot, tower.label(), entries, "bench");
        }
        Reduced lowest = result(lot, tower, "nozzle-lowest");
        assertThat(lowest.value()).hasValue(240);
        assertThat(lowest.upper()).hasValue(250);
        assertThat(looks.of(lot).towers()).singleElement().satisfies(seen -> {
            assertThat(seen.steps()).extracting(Looks.Step::at).containsExactly("270 °C", "260 °C", "250 °C", "240 °C");
            assertThat(seen.steps()).extracting(Looks.Step::passes).containsExactly(false, true, true, false);
            // What is published is a claim: the tower names the end that does not hold, and so does the certificate.
            assertThat(seen.against()).singleElement().satisfies(against -> {
                assertThat(against.place()).startsWith("technical datasheet revision");
                assertThat(against.said().verdict()).isEqualTo(Verdict.CONTRADICTED);
                assertThat(against.said().words())
                        .isEqualTo("its lower end fails: 240 °C lies within and does not pass");
            });
        });
        assertThat(judgements.whole(lot).notices()).anySatisfy(notice -> assertThat(notice)
                .startsWith("A published range does not hold by " + tower.label())
                .contains("240–260 °C", "lower end"));
    }

    private void exposed(String programme, int seconds, double yellow, int n) {
        Treatments.TreatmentView known = treatments.freeze(
                product.id(),
                Treatments.Kind.EXPOSE,
                programme,
                "4.0 mW/cm², " + seconds + " s",
                Treatments.Pose.LYING,
                Treatments.Status.TRIAL,
                "own study",
                "quality");
        yellows(known.title(), yellow, n);
    }

    private List<SpecimenView> yellows(String process, double yellow, int n) {
        PlannedTest test = new PlannedTest(
                method("colour-change"),
                SpecimenDesign.PLAQUE,
                Orientation.XY,
                Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                Conditioning.DRY,
                0,
                n,
                process);
        List<SpecimenView> made = lots.addSet(
                lot.id(),
                Lots.NewSet.of(
                        UUID.randomUUID().toString(),
                        test,
                        n,
                        1,
                        new Lots.Making(null, process, lot.madeOn().plusDays(1).atTime(12, 0), null)),
                "bench");
        for (int i = 0; i < made.size(); i++) {
            enter(
                    lot,
                    made.get(i),
                    Map.of(
                            "l", List.of("90"),
                            "a", List.of("0"),
                            "b", List.of("3"),
                            "l-after", List.of("90"),
                            "a-after", List.of("0"),
                            "b-after", List.of(String.valueOf(3 + yellow + 0.1 * (i - 1)))),
                    End.DONE,
                    "bench");
        }
        return made;
    }

    /** Doses are those of the programmes, each figure stands beside that of none, and a plateau is said with its interval. */
    @Test
    void aChangeIsShownByItsDose() throws Exception {
        yellows("", 0.1, 3);
        exposed("weak light", 500, 2.2, 3);
        exposed("light", 2000, 6.1, 3);
        exposed("strong light", 6000, 8.7, 3);
        DosePages.Series yellowing = doses.of(lot).stream()
                .filter(series -> series.title().equals("Yellowing"))
                .findFirst()
                .orElseThrow();
        assertThat(yellowing.groups())
                .extracting(DosePages.Group::dose)
                .containsExactly("0 mJ/cm²", "2000 mJ/cm²", "8000 mJ/cm²", "24000 mJ/cm²");
        // By hand: 0.1 either side has s = 0.1; Welch of three and three, t(4) 2.776 · 0.1 · √(2/3) = 0.2267.
        assertThat(yellowing.groups().get(1).change()).startsWith("+2.10 CIELAB ± 0.23 CIELAB");
        assertThat(yellowing.ends()).contains("95 % of the change is done at").contains("least squares");
        http.perform(get("/lots/" + lot.code() + "/doses")
                        .with(user("bench").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString("24000 mJ/cm²")));
        assertThatThrownBy(() -> treatments.freeze(
                        product.id(),
                        Treatments.Kind.EXPOSE,
                        "no light",
                        "60 °C, 60 min",
                        Treatments.Pose.LYING,
                        Treatments.Status.TRIAL,
                        "own study",
                        "quality"))
                .hasMessageContaining("expected an irradiance and a time");
    }

    /** At places that were measured a specimen's dose is its own: the light there times the seconds of the programme. */
    @Test
    void aDoseIsThatOfItsPlace() {
        long chamber = instruments.ofKind(Kind.CURE_CHAMBER).get(0).id();
        Treatments.TreatmentView light = treatments.freeze(
                product.id(),
                Treatments.Kind.EXPOSE,
                "half an hour",
                "4.0 mW/cm², 30 min",
                Treatments.Pose.LYING,
                Treatments.Status.TRIAL,
                "own study",
                "quality");
        List<SpecimenView> made = set(lot, "film-release", SpecimenDesign.QUALITY_PIECE, 2);
        LocalDate day = lot.madeOn().plusDays(2);
        irradiances.enter(chamber, List.of("3 mW/cm²", "50 W/m²"), day.minusDays(1), "bench");
        chambers.treat(
                lot,
                new Chambers.NewChamber(
                        UUID.randomUUID().toString(),
                        light.id(),
                        chamber,
                        day.atTime(9, 0),
                        1,
                        1,
                        2,
                        Chambers.Placing.FIXED,
                        Treatments.Pose.LYING,
                        made.stream().map(SpecimenView::label).toList(),
                        ""),
                "bench");
        // By hand: 3 and 5 mW/cm² for 1800 s.
        assertThat(dosesMade.of(lot, made).values())
                .extracting(Doses.Dose::value)
                .containsExactlyInAnyOrder(5400.0, 9000.0);
        assertThat(dosesMade.of(lot, made).values()).allMatch(Doses.Dose::measured);
        assertThatThrownBy(() -> irradiances.enter(chamber, List.of("3 N"), day, "bench"))
                .hasMessageContaining("Place 1");
        assertThatThrownBy(() -> irradiances.enter(chamber, List.of("3"), day.minusDays(1), "bench"))
                .hasMessageContaining("on record already");
    }
}
