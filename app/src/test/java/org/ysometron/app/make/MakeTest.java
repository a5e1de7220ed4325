package org.ysometron.app.make;

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
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.plan.RecipeField;
import org.ysometron.app.plan.Recipes;
import org.ysometron.app.plan.References;
import org.ysometron.app.plan.Treatments;
import org.ysometron.app.product.Products;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.Plate;

class MakeTest extends DemoSite {

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private org.ysometron.app.plan.Progress progress;

    @Autowired
    private Runs runs;

    @Autowired
    private Prints prints;

    @Autowired
    private Plans plans;

    @Autowired
    private Recipes recipes;

    @Autowired
    private Products products;

    @Autowired
    private References references;

    @Autowired
    private Treatments treatments;

    @Autowired
    private Chambers chambers;

    @Autowired
    private Histories histories;

    @Autowired
    private Boughts boughts;

    @Autowired
    private Climates climates;

    @Autowired
    private Orders orders;

    @Autowired
    private Samples samples;

    @Autowired
    private Instruments instruments;

    @Autowired
    private Judgements judgements;

    @BeforeEach
    void theBenchIsOpen() {
        confirmed("quality");
    }

    // ---- print runs --------------------------------------------------------------------------------------------

    private LotView driedLot() {
        LotView lot = testLots.bare();
        testLots.dry(lot, LocalDateTime.now().minusHours(3));
        return lot;
    }

    private Runs.NewRun run(LotView lot, String printer, int flat, int upright, @Nullable Long sample, boolean anyway) {
        List<Plans.Line> lines = plans.ofLot(lot.id()).orElseThrow().lines();
        List<Runs.Batch> batches = new java.util.ArrayList<>();
        if (flat > 0) {
            batches.add(new Runs.Batch(lines.get(0).test(), flat));
        }
        if (upright > 0) {
            batches.add(new Runs.Batch(lines.get(1).test(), upright));
        }
        Recipes.RecipeView recipe = recipes.inForce(lot.productId()).stream()
                .filter(known -> known.printer().equals(printer))
                .findFirst()
                .orElseThrow();
        return new Runs.NewRun(
                UUID.randomUUID().toString(),
                recipe.id(),
                sample,
                LocalDateTime.now().minusHours(2),
                new Runs.Surroundings("", "", "", "", ""),
                new Plate(220, 220),
                batches,
                1,
                0,
                anyway);
    }

    private void breaks(LotView lot, String label, double force) {
        bench.enterAll(
                lot,
                List.of(
                        testLots.width(label, 1, "4.00"),
                        testLots.thickness(label, 1, "4.00"),
                        testLots.force(label, String.valueOf(force), org.ysometron.core.method.End.BROKE_IN_GAUGE)),
                "bench",
                null);
    }

    private Judgements.Judged strength(LotView lot, Orientation orientation) {
        return judgements.of(List.of(lot)).getOrDefault(lot.id(), List.of()).stream()
                .filter(judged -> judged.claim().title().equals("Tensile strength, " + orientation.words()))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aRunGivesItsSpecimensAnIdentityAPlaceAndAnOrder() {
        LotView lot = driedLot();
        Runs.NewRun run = run(lot, "printer 1", 5, 5, null, false);
        runs.print(lot, run, "bench");
        runs.print(lot, run, "bench");

        List<SpecimenView> made = lots.specimens(lot.id());
        assertThat(made).hasSize(10).allSatisfy(specimen -> assertThat(specimen.setup())
                .isEqualTo(Setup.printed("printer 1", 1)));
        assertThat(made).extracting(SpecimenView::code).doesNotHaveDuplicates();
        assertThat(runs.of(lot)).singleElement().satisfies(view -> {
            assertThat(view.placed()).hasSize(10);
            assertThat(view.recipe().printer()).isEqualTo("printer 1");
        });
        assertThat(orders.number(lot.id())).isPresent();
    }

    /** M52: the spool ends before the set: said before anything is printed, and printed anyway only when somebody says so. */
    @Test
    void m52ARunThatTheSampleDoesNotLastForIsRefused() throws Exception {
        LotView lot = driedLot();
        Samples.SampleView spool = samples.draw(
                lot,
                new Samples.NewSample(
                        "S1",
                        Samples.Place.MIDDLE,
                        "quality",
                        "shelf",
                        lot.madeOn(),
                        new Samples.Holds("12 g", java.util.OptionalDouble.of(12))),
                "quality");
        assertThatThrownBy(() -> runs.print(lot, run(lot, "printer 1", 5, 0, spool.id(), false), "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("takes 15 g and S1 holds 12 g")
                .hasMessageContaining("ends before the set");
        assertThat(lots.specimens(lot.id())).isEmpty();
        http.perform(get("/lots/" + lot.code() + "/plan").with(QUALITY))
                .andExpect(content().string(containsString("draw another before anything is printed")));
        runs.print(lot, run(lot, "printer 1", 5, 0, spool.id(), true), "bench");
        assertThat(lots.specimens(lot.id())).hasSize(5);
    }

    /** M57: one specimen from each of two machines is n = 1 of each, never a mean of two. */
    @Test
    void m57AMachineIsALevelAndNotPooled() throws Exception {
        LotView lot = driedLot();
        runs.print(lot, run(lot, "printer 1", 1, 0, null, false), "bench");
        runs.print(lot, run(lot, "printer 2", 1, 0, null, false), "bench");
        breaks(lot, "XY1", 880);
        breaks(lot, "XY2", 800);

        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(1);
        assertThat(judgements.apart(lot)).singleElement().satisfies(apart -> {
            assertThat(apart.levels())
                    .anyMatch(level -> level.contains("printer 1, recipe 1: n = 1, mean 55.00 MPa"))
                    .anyMatch(level -> level.matches("printer 2, recipe \\d+: n = 1, mean 50.00 MPa"));
            assertThat(apart.finding()).contains("cannot be told apart");
        });
        http.perform(get("/lots/" + lot.code() + "/evidence").with(QUALITY))
                .andExpect(content().string(containsString("Set apart, and in no mean together")));
    }

    /** With more from each machine the variance between them is shown: 880 ± 8 and 800 ± 8 N on 16 mm². */
    @Test
    void m57TheVarianceBetweenMachinesIsShown() {
        LotView lot = driedLot();
        runs.print(lot, run(lot, "printer 1", 3, 0, null, false), "bench");
        runs.print(lot, run(lot, "printer 2", 3, 0, null, false), "bench");
        double[] forces = {872, 880, 888, 792, 800, 808};
        for (int i = 0; i < 6; i++) {
            breaks(lot, "XY" + (i + 1), forces[i]);
        }
        // By hand: s = 0.5 MPa in each; MS_between = 3·2·2.5² = 37.5, component (37.5 − 0.25)/3 = 12.42, √ = 3.5 MPa.
        assertThat(judgements.apart(lot)).singleElement().satisfies(apart -> assertThat(apart.finding())
                .contains("within set-ups 0.50 MPa", "add 3.5 MPa"));
        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(3);
    }

    @Test
    void aRunFromAnotherProductsRecipeOrTheFutureIsRefused() throws Exception {
        LotView lot = driedLot();
        long foreign = recipes.inForce(lots.named("CW-0021").productId()).get(0).id();
        http.perform(form(lot, "runs")
                        .param("startedAt", "2026-01-02 10:00")
                        .param("count-0", "2")
                        .param("recipe", String.valueOf(foreign)))
                .andExpect(status().is(422))
                .andExpect(
                        content().string(allOf(containsString("for another product"), containsString("value=\"2\""))));
        http.perform(form(lot, "runs")
                        .param("startedAt", "2999-01-02 10:00")
                        .param("count-0", "2")
                        .param(
                                "recipe",
                                String.valueOf(
                                        recipes.inForce(lot.productId()).get(0).id())))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("cannot have begun after now")));
        http.perform(form(lot, "runs").param("startedAt", "yesterday").param("count-0", "two"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is not a date with its time")));
        http.perform(form(lot, "runs")
                        .param(
                                "startedAt",
                                LocalDateTime.now().minusHours(1).withNano(0).toString())
                        .param("count-0", "60")
                        .param("plateWidth", "90 mm")
                        .param("plateDepth", "90 mm")
                        .param(
                                "recipe",
                                String.valueOf(
                                        recipes.inForce(lot.productId()).get(0).id())))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("does not hold 60 specimens")));
        assertThat(lots.specimens(lot.id())).isEmpty();
    }

    // ---- identity ----------------------------------------------------------------------------------------------

    /** M32: a label finds its specimen wherever it is read; a code misread finds nothing. */
    @Test
    void m32ACodeFindsItsSpecimenAndAMisreadOneDoesNot() throws Exception {
        LotView lot = testLots.lot();
        SpecimenView bar = lots.specimens(lot.id()).get(6);
        http.perform(get("/").param("find", bar.code().toLowerCase(java.util.Locale.ROOT))
                        .with(QUALITY))
                .andExpect(redirectedUrl("/lots/" + lot.code() + "/bench?specimen=" + bar.label()));
        http.perform(get("/lots/" + lot.code() + "/bench")
                        .param("specimen", bar.code())
                        .with(QUALITY))
                .andExpect(content().string(containsString("big-code\">" + bar.label())));
        char last = bar.code().charAt(bar.code().length() - 1);
        String misread = bar.code().substring(0, bar.code().length() - 1) + (last == 'A' ? 'B' : 'A');
        http.perform(get("/").param("find", misread).with(QUALITY)).andExpect(status().isNotFound());
        String page = http.perform(get("/lots/" + lot.code() + "/labels").with(QUALITY))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(page.split("label-card", -1)).hasSize(11);
        assertThat(page).contains(bar.code());
    }

    // ---- chambers ----------------------------------------------------------------------------------------------

    /** The first line of the lot's plan, of so many, after a programme. */
    private PlannedTest after(LotView lot, int n, String programme) {
        PlannedTest first = plans.ofLot(lot.id()).orElseThrow().lines().get(0).test();
        return first.of(n).after(programme);
    }

    private long trial(LotView lot, Treatments.Status status) {
        return treatments
                .freeze(
                        lot.productId(),
                        Treatments.Kind.ANNEAL,
                        "slow anneal " + UUID.randomUUID().toString().substring(0, 6),
                        "120 °C, 60 min\n80 °C, 120 min",
                        Treatments.Pose.LYING,
                        status,
                        "own study 12",
                        "quality")
                .id();
    }

    private Chambers.NewChamber annealing(LotView lot, long treatment, Treatments.Pose pose, List<String> inside) {
        long oven = instruments.all().stream()
                .filter(i -> i.name().equals("oven 1"))
                .findFirst()
                .orElseThrow()
                .id();
        return new Chambers.NewChamber(
                UUID.randomUUID().toString(),
                treatment,
                oven,
                LocalDateTime.now().minusMinutes(30),
                2,
                2,
                5,
                Chambers.Placing.SHUFFLED,
                pose,
                inside,
                "");
    }

    /** M10: parts of one set in two poses are not averaged, and an effect that goes with the pose is called confounded. */
    @Test
    void m10APoseOfItsOwnIsKeptApartAndConfoundingIsSaid() throws Exception {
        LotView lot = testLots.lot();
        long treatment = trial(lot, Treatments.Status.REFERENCE);
        chambers.treat(lot, annealing(lot, treatment, Treatments.Pose.LYING, List.of("XY1", "XY2", "XY3")), "bench");
        chambers.treat(lot, annealing(lot, treatment, Treatments.Pose.STANDING, List.of("XY4", "XY5")), "bench");
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        histories.record(lot, List.of("XY1"), Histories.Kind.SUPPORTS, null, "", LocalDateTime.now(), "bench");

        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(3);
        assertThat(judgements.apart(lot)).singleElement().satisfies(apart -> assertThat(apart.levels())
                .anyMatch(level -> level.startsWith("annealed standing: n = 2")));

        LotView other = testLots.lot();
        long again = trial(other, Treatments.Status.REFERENCE);
        chambers.treat(other, annealing(other, again, Treatments.Pose.LYING, List.of("XY1", "XY2")), "bench");
        assertThat(chambers.confounded(other)).isEmpty();
        chambers.treat(other, annealing(other, again, Treatments.Pose.STANDING, List.of("ZX1", "ZX2")), "bench");
        http.perform(get("/lots/" + other.code() + "/make").with(QUALITY))
                .andExpect(content().string(containsString("orientation is confounded with pose in the chamber")));
        http.perform(get("/lots/" + other.code() + "/evidence").with(QUALITY))
                .andExpect(content().string(containsString("is confounded with pose")));
    }

    @Test
    void m10PlacesChangeFromCycleToCycle() {
        LotView lot = testLots.lot();
        chambers.treat(
                lot,
                annealing(
                        lot,
                        trial(lot, Treatments.Status.REFERENCE),
                        Treatments.Pose.LYING,
                        List.of("XY1", "XY2", "XY3", "XY4", "XY5")),
                "bench");
        Chambers.ChamberView run = chambers.of(List.of(lot.id())).get(lot.id()).get(0);
        assertThat(run.placed()).hasSize(10);
        for (SpecimenView bar :
                run.placed().stream().map(Chambers.Placed::specimen).distinct().toList()) {
            assertThat(run.placed().stream()
                            .filter(placed -> placed.specimen().id() == bar.id())
                            .map(Chambers.Placed::place))
                    .hasSize(2)
                    .doesNotHaveDuplicates();
        }
        assertThat(run.endsAt()).isEqualTo(run.beganAt().plusMinutes(2 * 180));
    }

    /** M40: a programme has a source and a status; one on trial gives a series of its own. */
    @Test
    void m40AProgrammeNeedsItsSourceAndATrialIsKeptApart() throws Exception {
        http.perform(post("/products/skerry-bf10/treatments")
                        .with(QUALITY)
                        .with(csrf())
                        .param("kind", "ANNEAL")
                        .param("name", "guessed")
                        .param("pose", "LYING")
                        .param("steps", "120 °C, 60 min")
                        .param("treatmentSource", ""))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("a guessed one is nobody&#39;s to repeat"), containsString("guessed"))));
        http.perform(post("/products/skerry-bf10/treatments")
                        .with(QUALITY)
                        .with(csrf())
                        .param("kind", "ANNEAL")
                        .param("name", "hot")
                        .param("pose", "LYING")
                        .param("steps", "a while, warm")
                        .param("treatmentSource", "study 3"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is no step; expected a temperature and a time")));
        LotView lot = testLots.lot();
        chambers.treat(
                lot,
                annealing(lot, trial(lot, Treatments.Status.TRIAL), Treatments.Pose.LYING, List.of("XY1", "XY2")),
                "bench");
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        histories.record(lot, List.of("XY3"), Histories.Kind.SUPPORTS, null, "", LocalDateTime.now(), "bench");
        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(3);
    }

    /** Who is planned after a programme counts with it alone: not before it, not after another, and not without. */
    @Test
    void aPlannedProgrammeIsTheOneThatCounts() throws Exception {
        LotView lot = testLots.lot();
        Treatments.TreatmentView own = treatments.treatment(trial(lot, Treatments.Status.TRIAL));
        PlannedTest annealed = after(lot, 3, own.title());
        lots.addSet(
                lot.id(),
                Lots.NewSet.of(
                        UUID.randomUUID().toString(), annealed, 3, 1, new Lots.Making(null, own.title(), null, null)),
                "bench");
        List<SpecimenView> made = lots.specimens(lot.id()).stream()
                .filter(specimen -> specimen.conditions().process().equals(own.title()))
                .toList();
        assertThat(histories.states(made)).hasSize(3).allSatisfy((id, state) -> assertThat(state)
                .isEqualTo("in no run of " + own.title()));
        // The form of a run holds who waits for it, and the calendar has it before the test.
        String labels = made.stream().map(SpecimenView::label).collect(java.util.stream.Collectors.joining(" "));
        http.perform(get("/lots/" + lot.code() + "/make").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("in no run of it: " + labels),
                                containsString("value=\"" + labels + "\""))));
        assertThat(progress.of(List.of(lot)).get(lot.id()).untreated())
                .containsExactlyInAnyOrderElementsOf(
                        made.stream().map(SpecimenView::id).toList());
        chambers.treat(
                lot,
                annealing(
                        lot,
                        own.id(),
                        Treatments.Pose.LYING,
                        List.of(made.get(0).label(), made.get(1).label())),
                "bench");
        long other = trial(lot, Treatments.Status.REFERENCE);
        chambers.treat(
                lot,
                annealing(
                        lot,
                        other,
                        Treatments.Pose.LYING,
                        List.of(made.get(1).label(), made.get(2).label())),
                "bench");
        String title = treatments.treatment(other).title();
        assertThat(histories.states(made))
                .doesNotContainKey(made.get(0).id())
                .containsEntry(made.get(1).id(), title)
                .containsEntry(made.get(2).id(), title + ", in no run of " + own.title());
        http.perform(get("/lots/" + lot.code() + "/plan").with(QUALITY))
                .andExpect(content().string(containsString("<option value=\"" + own.title() + "\"")));
    }

    /** A programme frozen afterwards sets nothing apart, whatever it is called: results are not put away by naming. */
    @Test
    void aProgrammeNamedAfterwardsSetsNothingApart() {
        LotView lot = testLots.lot();
        String name = "late anneal " + UUID.randomUUID().toString().substring(0, 6);
        PlannedTest annealed = after(lot, 2, name + ", rev 1");
        add(lot, annealed, 1);
        treatments.freeze(
                lot.productId(),
                Treatments.Kind.ANNEAL,
                name,
                "80 °C, 60 min",
                Treatments.Pose.LYING,
                Treatments.Status.REFERENCE,
                "own study 13",
                "quality");
        assertThat(lots.specimens(lot.id()))
                .anyMatch(specimen -> specimen.conditions().process().equals(name + ", rev 1"));
        assertThat(histories.states(lots.specimens(lot.id()))).isEmpty();
    }

    @Test
    void aCureGoesIntoNoOvenAndNotMoreGoInThanFit() {
        LotView lot = testLots.lot();
        long treatment = trial(lot, Treatments.Status.REFERENCE);
        Chambers.NewChamber full = annealing(lot, treatment, Treatments.Pose.LYING, List.of("XY1", "XY2", "XY3"));
        Chambers.NewChamber small = new Chambers.NewChamber(
                full.request(),
                treatment,
                full.chamberId(),
                full.beganAt(),
                1,
                1,
                2,
                full.placing(),
                full.pose(),
                full.specimens(),
                "");
        assertThatThrownBy(() -> chambers.treat(lot, small, "bench")).hasMessageContaining("do not fit 1 × 2 places");
        long cure = instruments.all().stream()
                .filter(i -> i.name().equals("cure chamber"))
                .findFirst()
                .orElseThrow()
                .id();
        Chambers.NewChamber wrong = new Chambers.NewChamber(
                full.request(),
                treatment,
                cure,
                full.beganAt(),
                1,
                2,
                5,
                full.placing(),
                full.pose(),
                full.specimens(),
                "");
        assertThatThrownBy(() -> chambers.treat(lot, wrong, "bench")).hasMessageContaining("choose an oven");
    }

    // ---- rework ------------------------------------------------------------------------------------------------

    /** M39: a bar straightened by heat is measured again before it is broken, and its result stays apart. */
    @Test
    void m39AFlattenedBarIsMeasuredAgain() throws Exception {
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        http.perform(form(lot, "rework")
                        .param("reworked", "XY1")
                        .param("kind", "FLATTENED")
                        .param("doneAt", LocalDateTime.now().withNano(0).toString())
                        .param("note", "90 °C between plates"))
                .andExpect(redirectedUrl("/lots/" + lot.code() + "/make#rework"));
        http.perform(post("/lots/" + lot.code() + "/bench")
                        .with(QUALITY)
                        .with(csrf())
                        .param("specimen", "XY1")
                        .param("field", "force-1")
                        .param("typed", "880")
                        .param("outcome", "BROKE_IN_GAUGE")
                        .param("gauge", String.valueOf(testLots.gauge("bench load cell"))))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("was flattened by heat after it was measured"),
                                containsString("value=\"880\""))));
        // A file of readings is no way round it.
        assertThatThrownBy(() -> bench.enterAll(
                        lot,
                        List.of(testLots.force("XY1", "880", org.ysometron.core.method.End.BROKE_IN_GAUGE)),
                        "bench",
                        null))
                .hasMessageContaining("flattened by heat after it was measured");
        for (var record : bench.records(lot.id())) {
            for (var reading : record.readings()) {
                bench.correct(
                        lot,
                        reading.id(),
                        testLots.correction(
                                reading.field().key().equals("width") ? "4.05" : "3.95", null, "flattened by heat"),
                        "bench");
            }
        }
        bench.enter(lot, testLots.force("XY1", "880", org.ysometron.core.method.End.BROKE_IN_GAUGE), "bench");
        testLots.set(lot, Orientation.XY, 1);
        breaks(lot, "XY6", 880);
        assertThat(judgements.apart(lot)).singleElement().satisfies(apart -> assertThat(apart.levels())
                .anyMatch(level -> level.startsWith("flattened by heat: n = 1")));
    }

    /** Whatever a form of the page refuses stands at that form: a text too long is no silent 422. */
    @Test
    void whatIsTooLongIsSaidAtItsForm() throws Exception {
        LotView lot = testLots.lot();
        org.ysometron.core.plan.PlannedTest dry = org.ysometron.app.TestLots.line("tension", 5, 2);
        testLots.set(
                lot,
                new org.ysometron.core.plan.PlannedTest(
                        dry.method(),
                        dry.design(),
                        dry.orientation(),
                        dry.notch(),
                        dry.basis(),
                        dry.build(),
                        Conditioning.CONDITIONED,
                        dry.rate(),
                        2,
                        ""));
        String[][] wrong = {
            {"climate", "atmosphere", "The climate has 130 characters"},
            {"runs", "ambient", "The room has 130 characters"},
            {"marks", "words", "What was read has 130 characters"}
        };
        for (String[] one : wrong) {
            http.perform(form(lot, one[0])
                            .param(one[1], "x".repeat(130))
                            .param("startedAt", "2026-01-01 10:00")
                            .param("kind", "READ"))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString(one[2])));
        }
    }

    /** M41: a thread cut again before the test stays with the specimen and apart from the others. */
    @Test
    void m41AThreadCutAgainIsKeptWithTheSpecimen() throws Exception {
        LotView lot = testLots.lot();
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        histories.record(
                lot,
                List.of("XY2"),
                Histories.Kind.RECUT,
                org.ysometron.core.gate.Cause.HANDLING,
                "thread cut again with an M5 die",
                LocalDateTime.now(),
                "bench");
        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(4);
        http.perform(get("/lots/" + lot.code() + "/make").with(QUALITY))
                .andExpect(content().string(containsString("thread cut again: thread cut again with an M5 die")));
        http.perform(form(lot, "rework")
                        .param("reworked", "XY99")
                        .param("kind", "CUT")
                        .param("doneAt", "2026-01-01 10:00"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("XY99")));
    }

    /** M30: what was loaded before its test is tested all the same, and is never in one mean with what was not. */
    @Test
    void m30WhatWasLoadedBeforeStandsApart() {
        LotView lot = testLots.lot();
        histories.record(
                lot,
                List.of("XY2"),
                Histories.Kind.LOADED,
                null,
                "hung with 200 N for a day",
                LocalDateTime.now(),
                "bench");
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(4);
        assertThat(judgements.apart(lot)).singleElement().satisfies(apart -> assertThat(apart.levels())
                .anyMatch(level -> level.startsWith("loaded before: n = 1")));
    }

    // ---- order -------------------------------------------------------------------------------------------------

    /** M42: the bench follows an order by chance that is kept, and goes on in it when specimens are added. */
    @Test
    void m42TheBenchFollowsTheOrderThatWasGiven() throws Exception {
        LotView lot = testLots.lot();
        http.perform(form(lot, "order")).andExpect(status().is3xxRedirection());
        long number = orders.number(lot.id()).orElseThrow();
        http.perform(form(lot, "order")).andExpect(status().is3xxRedirection());
        assertThat(orders.number(lot.id())).contains(number);

        List<SpecimenView> all = lots.specimens(lot.id());
        var turns = orders.turns(lot.id(), all);
        SpecimenView first =
                all.stream().filter(bar -> turns.get(bar.id()) == 1).findFirst().orElseThrow();
        http.perform(get("/lots/" + lot.code() + "/bench?step=measure").with(QUALITY))
                .andExpect(content().string(containsString("big-code\">" + first.label())));
        http.perform(get("/lots/" + lot.code() + "/specimen-sheet").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("by chance from number " + number),
                                containsString("not in accordance"),
                                containsString(first.code()))));
    }

    // ---- bought in ---------------------------------------------------------------------------------------------

    /** M36: specimens from outside count for nothing until somebody has looked at them. */
    @Test
    void m36BoughtInSpecimensWaitForTheirInspection() throws Exception {
        LotView lot = driedLot();
        MockHttpServletRequestBuilder delivery = form(lot, "bought")
                .param("line", "0")
                .param("count", "5")
                .param("maker", "outside service B")
                .param("machine", "their machine 2")
                .param("fileRevision", "B2")
                .param("receivedOn", lot.madeOn().plusDays(1).toString());
        http.perform(form(lot, "bought")
                        .param("line", "0")
                        .param("count", "5")
                        .param("maker", "outside service B")
                        .param("machine", "their machine 2")
                        .param("fileRevision", "B2")
                        .param("receivedOn", lot.madeOn().plusDays(1).toString())
                        .param("refusals", "a wall under 2 mm"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("say what was changed in the file"),
                                containsString("outside service B"))));
        http.perform(delivery).andExpect(redirectedUrl("/lots/" + lot.code() + "/make#bought"));
        for (int i = 1; i <= 5; i++) {
            breaks(lot, "XY" + i, 880 + 4 * (i * 3 % 5));
        }
        assertThat(strength(lot, Orientation.XY).verdict()).isNotEqualTo(Verdict.SUPPORTED);
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content().string(containsString("bought in and not inspected")));

        long set = lots.specimens(lot.id()).get(0).setId();
        boughts.inspect(lot, set, true, "sizes and layers looked at, no voids", "quality");
        http.perform(get("/lots/" + lot.code() + "/decision").with(QUALITY))
                .andExpect(content().string(not(containsString("bought in"))));
        assertThat(lots.specimens(lot.id()).get(0).setup().maker())
                .isEqualTo("made by outside service B on their machine 2, file B2");
    }

    // ---- conditioning ------------------------------------------------------------------------------------------

    @Test
    void weighingsEndTheConditioningBeforeItsHours() {
        LotView lot = lots.named("DN-0051");
        Climates.SetClimate set = climates.of(lot).get(0);
        LocalDateTime in = java.util.Objects.requireNonNull(set.in());
        assertThat(set.ready()).isEqualTo(in.plusHours(88));
        climates.weigh(lot, set.setId(), "8.5635 g", in.plusHours(81), "", "bench");
        assertThat(climates.of(lot).get(0).ready()).isEqualTo(in.plusHours(81));
        climates.move(lot, set.setId(), in, in.plusHours(50), "", "", "bench");
        assertThat(climates.cutShort(List.of(lot), lots.specimens(lot.id())).values())
                .singleElement()
                .asString()
                .contains("before it was ready");
        climates.move(lot, set.setId(), in, null, "", "", "bench");
        assertThatThrownBy(() -> climates.weigh(lot, set.setId(), "8 N", in.plusHours(82), "", "bench"))
                .hasMessageContaining("is a force, not a mass");
        assertThatThrownBy(() -> climates.move(lot, set.setId(), in, in.minusHours(1), "", "", "bench"))
                .hasMessageContaining("come out before it went in");
    }

    /** M37: a retained lot leaves its product's charts and its decision; it is tested beside others and counted down. */
    @Test
    void m37ARetainedLotIsTestedBesideOthers() throws Exception {
        LotView kept = testLots.lot();
        testLots.test(kept, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.refresh(kept);
        assertThat(judgements.sizesOf(kept.id()).keySet()).isNotEmpty();
        LotView before = references.of(kept.productId()).orElseThrow().lot();
        try {
            references.retain(kept, 2, 8, 4, "quality");
            testLots.refresh(kept);
            assertThat(judgements.sizesOf(kept.id()).keySet()).isEmpty();
            http.perform(post("/lots/" + kept.code() + "/decision")
                            .with(user("release")
                                    .authorities(
                                            new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("RELEASE")))
                            .with(csrf())
                            .param("disposition", "REJECT")
                            .param("reason", "too old by now")
                            .param("password", "release"))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("is kept as reference")));
            LotView lot = driedLot();
            Runs.NewRun plain = run(lot, "printer 1", 3, 0, null, false);
            Runs.NewRun beside = new Runs.NewRun(
                    plain.request(),
                    plain.recipeId(),
                    null,
                    plain.startedAt(),
                    plain.surroundings(),
                    plain.plate(),
                    plain.batches(),
                    1,
                    5,
                    false);
            runs.print(lot, beside, "bench");
            assertThat(references.of(kept.productId()).orElseThrow().stock()).isEqualTo(3);
            assertThat(references.of(kept.productId()).orElseThrow().runsOut()).isTrue();
            assertThat(runs.of(lot).get(0).placed()).hasSize(8);
            assertThatThrownBy(() -> runs.print(
                            lot,
                            new Runs.NewRun(
                                    UUID.randomUUID().toString(),
                                    plain.recipeId(),
                                    null,
                                    plain.startedAt(),
                                    plain.surroundings(),
                                    plain.plate(),
                                    plain.batches(),
                                    1,
                                    5,
                                    false),
                            "bench"))
                    .hasMessageContaining("material for 3 specimens, not for 5");
        } finally {
            references.retain(before, 5, 24, 24, "quality");
        }
    }

    // ---- what is not comparable --------------------------------------------------------------------------------

    private void add(LotView lot, PlannedTest test, double scale) {
        lots.addSet(
                lot.id(), Lots.NewSet.of(UUID.randomUUID().toString(), test, 5, scale, Lots.Making.UNKNOWN), "quality");
    }

    /** M13: bars printed at half scale by intention are not compared with a claim on whole ones, however strong. */
    @Test
    void m13AnotherScaleIsAnotherSpecimen() {
        LotView lot = driedLot();
        PlannedTest bars = plans.ofLot(lot.id()).orElseThrow().lines().get(0).test();
        add(lot, bars, 0.5);
        for (int i = 1; i <= 5; i++) {
            bench.enterAll(
                    lot,
                    List.of(
                            testLots.width("XY" + i, 1, "2.00"),
                            testLots.thickness("XY" + i, 1, "2.00"),
                            testLots.force("XY" + i, "240", org.ysometron.core.method.End.BROKE_IN_GAUGE)),
                    "bench",
                    null);
        }
        assertThat(strength(lot, Orientation.XY).verdict()).isEqualTo(Verdict.NOT_COMPARABLE);
        assertThat(strength(lot, Orientation.XY).reason()).contains("scaled 0.5");
    }

    /** M29: as-printed bars with walls and infill are no evidence for a claim on solid ones. */
    @Test
    void m29HollowBarsDoNotCarryASolidClaim() {
        LotView lot = driedLot();
        PlannedTest solid = plans.ofLot(lot.id()).orElseThrow().lines().get(0).test();
        add(
                lot,
                new PlannedTest(
                        solid.method(),
                        solid.design(),
                        solid.orientation(),
                        solid.notch(),
                        Basis.AS_PRINTED,
                        TestLots.GYROID,
                        solid.conditioning(),
                        solid.rate(),
                        5,
                        ""),
                1);
        for (int i = 1; i <= 5; i++) {
            breaks(lot, "XY" + i, 1200);
        }
        assertThat(strength(lot, Orientation.XY).verdict()).isEqualTo(Verdict.NOT_COMPARABLE);
        assertThat(strength(lot, Orientation.XY).reason()).contains("basis: claimed solid, tested as printed");
    }

    /** A gross error on one bar alone is no scaled model; it waits for an engineer's word all the same. */
    @Test
    void m13AGrossErrorWaitsForAWord() throws Exception {
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.50"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        assertThatThrownBy(() -> bench.enter(
                        lot, testLots.force("XY1", "990", org.ysometron.core.method.End.BROKE_IN_GAUGE), "bench"))
                .hasMessageContaining("XY1 more than 10 % off nominal size");
        word(lot, org.ysometron.core.gate.Block.Kind.SIZE_GATE, "First layer squashed; the area is measured.")
                .andExpect(status().is3xxRedirection());
        bench.enter(lot, testLots.force("XY1", "990", org.ysometron.core.method.End.BROKE_IN_GAUGE), "bench");
        assertThat(strength(lot, Orientation.XY).n()).isEqualTo(1);
    }

    private Runs.NewRun with(Runs.NewRun run, List<Runs.Used> used) {
        return new Runs.NewRun(
                run.request(),
                run.recipeId(),
                run.sampleId(),
                run.startedAt(),
                run.surroundings(),
                used,
                run.plate(),
                run.batches(),
                run.scale(),
                run.reference(),
                run.anyway());
    }

    /** What differed from the recipe is a field: what matters is a set-up of its own, a temperature within 3 K is not. */
    @Test
    void whatDifferedInARunIsAFieldAndSplitsWhereItMatters() {
        LotView lot = driedLot();
        Runs.NewRun one = run(lot, "printer 1", 1, 0, null, false);
        runs.print(
                lot,
                with(
                        one,
                        List.of(
                                new Runs.Used(RecipeField.FAN, "30 %", "draught in the room"),
                                new Runs.Used(RecipeField.NOZZLE, "257 °C", ""))),
                "bench");
        runs.print(
                lot,
                with(
                        run(lot, "printer 1", 1, 0, null, false),
                        List.of(new Runs.Used(RecipeField.NOZZLE, "257 °C", ""))),
                "bench");
        assertThat(lots.specimens(lot.id()))
                .extracting(SpecimenView::setup)
                .containsExactly(Setup.printed("printer 1", 1).changed("Fan 30 %"), Setup.printed("printer 1", 1));
        assertThat(Setup.ofKey(Setup.printed("printer 1", 1).changed("Fan 30 %").key()))
                .isEqualTo(Setup.printed("printer 1", 1).changed("Fan 30 %"));
        assertThat(runs.of(lot).get(0).differed())
                .extracting(Runs.Differed::words)
                .containsExactly(
                        "Fan 30 % instead of 10 %: draught in the room",
                        "Nozzle 257 °C instead of 255 °C (too little to matter)");
        for (Runs.Used wrong : List.of(
                new Runs.Used(RecipeField.FAN, "10 %", ""),
                new Runs.Used(RecipeField.NOZZLE, "257 mm", ""),
                new Runs.Used(RecipeField.FAN, " ", ""))) {
            assertThatThrownBy(() ->
                            runs.print(lot, with(run(lot, "printer 1", 1, 0, null, false), List.of(wrong)), "bench"))
                    .isInstanceOf(Refusal.class);
        }
    }

    /** Numbers of a run are numbers, and what somebody noticed is none. */
    @Test
    void whatIsTypedOfARunIsChecked() throws Exception {
        LotView lot = driedLot();
        String[][] wrong = {
            {"enclosure", "45 %", "The enclosure's temperature"},
            {"enclosureHumidity", "140 %", "The enclosure's humidity"},
            {"noticed", "smells 3 of 5", "a remark, never a figure"},
            {"used-0", "30 %", "Say which setting was '30 %'"}
        };
        for (String[] one : wrong) {
            http.perform(form(lot, "runs").param(one[0], one[1]).param("startedAt", "2026-01-01 10:00"))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString(one[2].replace("'", "&#39;"))));
        }
    }

    /** Prints are data: parts that ended so and so, entered once, with shares by lot, printer and recipe. */
    @Test
    void howPartsEndedIsCounted() {
        Products.ProductView product = products.named("skerry-bf10");
        LotView lot = driedLot();
        runs.print(lot, run(lot, "printer 1", 5, 0, null, false), "bench");
        long run = runs.of(lot).get(0).id();
        Map<Prints.Ended, Integer> ended = Map.of(Prints.Ended.GOOD, 4, Prints.Ended.CAME_LOOSE, 1);
        prints.enter(lot, run, ended, "a corner lifted", "once-" + lot.code(), "bench");
        prints.enter(lot, run, ended, "a corner lifted", "once-" + lot.code(), "bench");
        Prints.Share own = prints.ofProduct(product.id()).byLot().stream()
                .filter(share -> share.what().equals(lot.code()))
                .findFirst()
                .orElseThrow();
        assertThat(own.share().of()).isEqualTo(5);
        // R 4.2.2: binom.test(4, 5)$conf.int is 0.284 to 0.995.
        assertThat(own.words()).isEqualTo("80 % (28 to 99 %)");
        assertThat(own.others()).isEqualTo("1 came loose");
        assertThatThrownBy(() -> prints.enter(lot, run, Map.of(), "", "none-" + lot.code(), "bench"))
                .hasMessageContaining("how many parts");
        assertThatThrownBy(() -> prints.enter(lot, run + 100_000, ended, "", "other", "bench"))
                .hasMessageContaining("print run");
    }

    /** A change of recipe splits the chart: what is printed by the next revision is on a series of its own. */
    @Test
    void anotherRecipeIsAnotherSeries() {
        LotView lot = driedLot();
        runs.print(lot, run(lot, "printer 1", 1, 0, null, false), "bench");
        breaks(lot, "XY1", 880);
        Recipes.RecipeView now = recipes.inForce(lot.productId()).stream()
                .filter(recipe -> recipe.printer().equals("printer 2"))
                .findFirst()
                .orElseThrow();
        Map<RecipeField, String> hotter = new java.util.EnumMap<>(now.entries());
        hotter.put(RecipeField.NOZZLE, "262 °C");
        Recipes.RecipeView next = recipes.freeze(
                products.product(lot.productId()),
                now.printerId(),
                hotter,
                Recipes.Status.TUNED,
                "own study 4",
                "Layers came apart.",
                "quality");
        assertThat(next.revision()).isEqualTo(now.revision() + 1);
        assertThat(next.differences(now)).containsExactly("Nozzle 258 °C → 262 °C");
        assertThatThrownBy(() -> recipes.freeze(
                        products.product(lot.productId()),
                        now.printerId(),
                        hotter,
                        Recipes.Status.TUNED,
                        "own study 4",
                        "Layers came apart once more.",
                        "quality"))
                .hasMessageContaining("Nothing differs");
        runs.print(lot, run(lot, "printer 2", 1, 0, null, false), "bench");
        breaks(lot, "XY2", 880);
        testLots.refresh(lot);
        assertThat(judgements.sizesOf(lot.id()).keySet()).hasSizeGreaterThanOrEqualTo(6);
        assertThat(judgements.apart(lot)).singleElement().satisfies(apart -> assertThat(apart.levels())
                .anyMatch(level -> level.startsWith("printer 2, recipe " + next.revision())));
    }

    @Test
    void aTestThatRunsForDaysIsMarkedAndCounted() throws Exception {
        LotView lot = driedLot();
        PlannedTest hook = plans.ofLot(lot.id()).orElseThrow().lines().get(2).test();
        add(lot, hook, 1);
        String pulled = lots.specimens(lot.id()).get(0).label();
        assertThatThrownBy(() -> bench.enter(lot, testLots.width(pulled, 1, "8.00"), "bench"))
                .hasMessageContaining("'width' is no field of load of a part");
        http.perform(form(lot, "marks")
                        .param("marked", pulled)
                        .param("words", "")
                        .param("kind", "DONE"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is tested at the bench")));
        PlannedTest creep = new PlannedTest(
                org.ysometron.core.method.Methods.of("creep").orElseThrow(),
                org.ysometron.core.dimension.SpecimenDesign.TENSION_BAR_4,
                Orientation.ZX,
                PlannedTest.Notch.NONE,
                org.ysometron.core.claim.Basis.SOLID,
                Build.NONE,
                org.ysometron.core.claim.Conditioning.DRY,
                0,
                1,
                "");
        add(lot, creep, 1);
        String label = "ZX1";
        http.perform(form(lot, "marks").param("marked", label).param("words", "612 N"))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("begun, read or done"), containsString("612 N"))));
        http.perform(form(lot, "marks")
                        .param("marked", label)
                        .param("words", "612 N")
                        .param("kind", "DONE"))
                .andExpect(redirectedUrl("/lots/" + lot.code() + "/make#marks"));
        http.perform(get("/lots/" + lot.code() + "/make").with(QUALITY))
                .andExpect(content().string(containsString("done 612 N")));
        // Marked as done it is done: the calendar waits for it no longer.
        assertThat(progress.of(List.of(lot)).get(lot.id()).tested())
                .containsExactly(lots.specimens(lot.id()).stream()
                        .filter(specimen -> specimen.label().equals(label))
                        .findFirst()
                        .orElseThrow()
                        .id());
        http.perform(form(lot, "marks").param("marked", "XY77").param("kind", "DONE"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("XY77")));
    }

    private static MockHttpServletRequestBuilder form(LotView lot, String what) {
        return post("/lots/" + lot.code() + "/make/" + what).with(QUALITY).with(csrf());
    }
}
