package org.ysometron.app.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
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
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;

/** What arrives at the bench: records as typed, the state of the material, sizes before strength. */
class IntakeTest extends DemoSite {

    @BeforeEach
    void theBenchIsOpen() {
        confirmed("quality");
    }

    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));

    @Autowired
    private Intake intake;

    @Autowired
    private MaterialResults material;

    @Autowired
    private Samples samples;

    private static MockHttpServletRequestBuilder record(LotView lot, String kind, Map<String, String> fields) {
        MockHttpServletRequestBuilder request = post("/lots/" + lot.code() + "/intake")
                .with(QUALITY)
                .with(csrf())
                .param("kind", kind)
                .param("request", UUID.randomUUID().toString());
        fields.forEach((name, value) -> request.param("f-" + name, value));
        return request;
    }

    private LotView lotOf(String product, String colour) {
        String code = "I-" + UUID.randomUUID().toString().substring(0, 8);
        return lots.enter(
                new Lots.NewLot(code, product, colour, java.time.LocalDate.now().minusDays(1), "", ""), "bench");
    }

    private String page(LotView lot, String path) throws Exception {
        return http.perform(get("/lots/" + lot.code() + path).with(QUALITY))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
    }

    /** M8: bars of a spool that nobody dried are provisional: no verdict, no point, no release, and what to do is said. */
    @Test
    void aWetSpoolIsTestedForNothing() throws Exception {
        LotView lot = testLots.bare();
        testLots.withoutHooks(lot);
        testLots.set(lot, Orientation.XY, 5);
        testLots.set(lot, Orientation.ZX, 5);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);

        assertThat(page(lot, "/evidence")).contains("Provisional (material wet or unknown): would be supported");
        assertThat(page(lot, "/decision"))
                .contains("XY1 to XY5: results are provisional", "Dry 6 h at 100 °C, print the specimens again");
        assertThat(page(lot, "/intake")).contains("wet or unknown", "do not count");

        // Drying it afterwards helps no bar that is printed already.
        testLots.dry(lot, LocalDateTime.now().plusSeconds(30));
        assertThat(page(lot, "/decision")).contains("The drying ended after the specimens were made.");
    }

    /** M8, M11: bars printed again from dry material count alone; the wet ones are kept and never pooled with them. */
    @Test
    void aDrySetStandsInForTheWetOne() throws Exception {
        LotView lot = testLots.bare();
        LocalDateTime wetMade = LocalDateTime.now().minusHours(5).withNano(0);
        set(lot, Orientation.XY, Conditioning.DRY, "", wetMade, null);
        set(lot, Orientation.ZX, Conditioning.DRY, "", wetMade, null);
        testLots.test(lot, Orientation.XY, "bench", 500, 500, 500, 500, 500);
        testLots.dry(lot, LocalDateTime.now().minusHours(3));
        testLots.set(lot, Orientation.XY, 5);
        testLots.set(lot, Orientation.ZX, 5);
        for (int i = 6; i <= 10; i++) {
            broken(lot, "XY" + i, 880 + 4 * (i * 3 % 5));
            broken(lot, "ZX" + i, 450 + 3 * (i * 3 % 5));
        }

        String decision = page(lot, "/decision");
        assertThat(decision).doesNotContain("provisional").doesNotContain("contradicted");
        assertThat(page(lot, "/evidence")).doesNotContain("Provisional");
    }

    private void broken(LotView lot, String specimen, double force) {
        bench.enter(lot, testLots.width(specimen, 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness(specimen, 1, "4.00"), "bench");
        bench.enter(
                lot,
                testLots.force(specimen, String.valueOf(force), org.ysometron.core.method.End.BROKE_IN_GAUGE),
                "bench");
    }

    private void set(
            LotView lot,
            Orientation orientation,
            Conditioning conditioning,
            String process,
            LocalDateTime made,
            LocalDateTime climate) {
        lots.addSet(
                lot.id(),
                new Lots.NewSet(
                        UUID.randomUUID().toString(),
                        SpecimenDesign.TENSION_BAR_4,
                        orientation,
                        Basis.SOLID,
                        conditioning,
                        5,
                        5,
                        new Lots.Making(null, process, made, climate)),
                "bench");
    }

    /** M9: dry filament says nothing of the printed part's clock: tested an hour after printing it is early. */
    @Test
    void theConditioningClockIsNotTheDryingClock() throws Exception {
        LotView lot = testLots.bare();
        testLots.dry(lot, LocalDateTime.now().minusHours(2));
        set(
                lot,
                Orientation.XY,
                Conditioning.CONDITIONED,
                "",
                null,
                LocalDateTime.now().minusHours(1).withNano(0));
        set(lot, Orientation.ZX, Conditioning.CONDITIONED, "", null, null);
        testLots.test(lot, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        testLots.test(lot, Orientation.ZX, "bench", 450, 455, 462, 447, 458);

        assertThat(page(lot, "/decision"))
                .contains("XY1 to XY5: results are provisional. tested early", "conditioned since nobody knows when")
                .contains("Condition a new set");
        LotView old = testLots.bare();
        testLots.dry(old, LocalDateTime.now().minusHours(200));
        set(
                old,
                Orientation.XY,
                Conditioning.CONDITIONED,
                "",
                LocalDateTime.now().minusHours(190).withNano(0),
                LocalDateTime.now().minusHours(100).withNano(0));
        testLots.test(old, Orientation.XY, "bench", 880, 884, 890, 876, 871);
        assertThat(page(old, "/decision")).doesNotContain("provisional");
    }

    /** M12: bars cured by another exposure are not what the claim speaks of, and are not compared. */
    @Test
    void anotherExposureIsNotComparable() throws Exception {
        LotView lot = lotOf("curlew-r70", "grey");
        set(lot, Orientation.XY, Conditioning.DRY, "3.2 s a layer; cured 60 min at 60 °C", null, null);
        testLots.test(lot, Orientation.XY, "bench", 980, 984, 990, 976, 971);

        assertThat(page(lot, "/evidence"))
                .contains("Not comparable", "exposure and cure: claimed 2.4 s a layer", "tested 3.2 s a layer");
    }

    /** M12: a resin's set without its exposure and cure is not taken in. */
    @Test
    void aResinSetNamesItsExposure() throws Exception {
        LotView lot = lotOf("curlew-r70", "grey");
        http.perform(post("/lots/" + lot.code() + "/sets")
                        .with(QUALITY)
                        .with(csrf())
                        .param("orientation", "XY")
                        .param("count", "5")
                        .param("rate", "5")
                        .param("madeAt", "yesterday"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("Exposure and cure is missing"), containsString("date with its time"))));
    }

    /** M18: the setting that works here stands beside the one that is recommended, with the difference. */
    @Test
    void recommendedAndUsedSettingsAreKept() throws Exception {
        LotView lot = testLots.bare();
        http.perform(record(
                        lot, "SETTINGS", Map.of("printer", "printer 3", "NOZZLE_TEMPERATURE", "272 °C", "FAN", "15 %")))
                .andExpect(status().is3xxRedirection());

        assertThat(page(lot, "/intake"))
                .contains("272 °C; recommended 255 °C (245–265 °C); difference +17 °C; outside the range")
                .contains("15 %; recommended 0–20 %; difference +5 %");
    }

    /** M50: a sample tells who drew it and from where; without that it is not taken in, and what was typed stays. */
    @Test
    void aSampleTellsWhoDrewItAndWhere() throws Exception {
        LotView lot = testLots.bare();
        assertThat(page(lot, "/intake")).contains("nobody can tell who picked what is tested");
        http.perform(post("/lots/" + lot.code() + "/samples")
                        .with(QUALITY)
                        .with(csrf())
                        .param("label", "S1")
                        .param("place", "START"))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("Who drew it is missing"),
                                containsString("Where it was taken from is missing"),
                                containsString("value=\"S1\""))));
        http.perform(post("/lots/" + lot.code() + "/samples")
                        .with(QUALITY)
                        .with(csrf())
                        .param("label", "s1")
                        .param("place", "START")
                        .param("drawnBy", "quality")
                        .param("drawnFrom", "pallet 3"))
                .andExpect(status().is3xxRedirection());
        assertThat(page(lot, "/intake")).contains("pallet 3", "One sample only");
        assertThat(samples.of(lot.id())).singleElement().satisfies(s -> assertThat(s.label())
                .isEqualTo("S1"));
    }

    /** M58: spools, places and lots are counted apart, and one spool is said to be one. */
    @Test
    void oneSpoolIsSaidToBeOne() throws Exception {
        LotView lot = lotOf("dunlin-c2", "fern");
        http.perform(record(lot, "HAND_DIAMETER", Map.of("places", "1.75 1.76\n1.74 1.75\n1,76 1,76\n1.75\n1.75 1.74")))
                .andExpect(status().is3xxRedirection());

        MaterialResults.Result result = material.of(lot).get(0);
        assertThat(result.property()).isEqualTo(OfMaterial.FILAMENT_DIAMETER);
        assertThat(result.values()).hasSize(1);
        assertThat(result.values()[0]).isCloseTo(1.751, within(1e-9));
        assertThat(result.counts()).isEqualTo("1 spool, 5 places");
        // Five places cannot speak for 99.9 % of a length, as a log does: k is near 8 for n = 5 (ISO 16269-6), s is
        // 0.007 mm.
        assertThat(page(lot, "/evidence"))
                .contains(
                        "The claim (between 1.7 and 1.8 mm) lies between the bounds", "1 more place should settle it");

        LotView measured = lotOf("dunlin-c2", "fern");
        StringBuilder places = new StringBuilder();
        for (int i = 0; i < 30; i++) {
            places.append(i % 2 == 0 ? "1.755 1.745\n" : "1.76 1.75\n");
        }
        http.perform(record(measured, "HAND_DIAMETER", Map.of("places", places.toString())))
                .andExpect(status().is3xxRedirection());
        assertThat(page(measured, "/evidence")).contains("place (99.9 % of all)", "claimed between 1.7 and 1.8 mm");
        // Where two diameters were taken at each place the ovality is verified as well; where one was, there is none.
        assertThat(material.of(measured))
                .filteredOn(found -> found.property().equals(OfMaterial.FILAMENT_OVALITY))
                .singleElement()
                .satisfies(found -> assertThat(found.values()[0]).isCloseTo(0.01, within(1e-9)));
        LotView single = lotOf("dunlin-c2", "fern");
        http.perform(record(single, "HAND_DIAMETER", Map.of("places", "1.75\n1.74\n1.76")))
                .andExpect(status().is3xxRedirection());
        assertThat(material.of(single))
                .extracting(MaterialResults.Result::property)
                .containsExactly(OfMaterial.FILAMENT_DIAMETER);
    }

    /** What cannot be read is said at its field with 422, and nothing typed is lost. */
    @Test
    void wrongEntriesComeBackAsTyped() throws Exception {
        LotView lot = testLots.bare();
        http.perform(record(
                        lot,
                        "DRYING",
                        Map.of("ended", "noon", "temperature", "100 N", "time", "", "kept", "OPEN", "humidity", "118")))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(
                                containsString("is a force, not a temperature"),
                                containsString("For is missing"),
                                containsString("type 18 %"),
                                containsString("value=\"100 N\""))));
        http.perform(record(lot, "HAND_DIAMETER", Map.of("places", "1.75 1.76\n1.74 thick")))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("line 2"), containsString("1.74 thick"))));
        http.perform(record(lot, "ARTEFACT", Map.of("printer", "3", "features", "X outer 20")))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Line 1: &#39;X outer 20&#39;")));
        LotView resin = lotOf("plover-f30", "clear");
        http.perform(record(resin, "CURE_DEPTH", Map.of("unit", "s", "source", "e", "points", "1 0.3\n2 0.2\n3 0.1")))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("does not grow with the exposure")));
        http.perform(get("/lots/" + lot.code() + "/intake").with(QUALITY).param("form", "NOTHING"))
                .andExpect(status().isNotFound());
        assertThat(intake.records(List.of(lot))).isEmpty();
    }

    /** A record sent twice is one; a correction needs a reason and keeps the first. */
    @Test
    void aCorrectionKeepsTheFirst() throws Exception {
        LotView lot = testLots.bare();
        MockHttpServletRequestBuilder once = record(lot, "HAND_DIAMETER", Map.of("places", "1.75 1.76\n1.74 1.75"));
        http.perform(once).andExpect(status().is3xxRedirection());
        http.perform(once).andExpect(status().is3xxRedirection());
        assertThat(intake.records(List.of(lot))).hasSize(1);
        long id = intake.records(List.of(lot)).get(0).id();

        Map<String, String> mended = Map.of("places", "1.75 1.76\n1.76 1.75");
        http.perform(record(lot, "HAND_DIAMETER", mended).param("replaces", String.valueOf(id)))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("The reason of the correction is missing")));
        http.perform(record(lot, "HAND_DIAMETER", mended)
                        .param("replaces", String.valueOf(id))
                        .param("reason", "misread the vernier"))
                .andExpect(status().is3xxRedirection());

        assertThat(intake.records(List.of(lot)))
                .extracting(Intake.RecordView::live)
                .containsExactly(false, true);
        assertThat(page(lot, "/intake")).contains("corrected, no longer counts", "misread the vernier");
        assertThat(material.of(lot).get(0).values()[0]).isCloseTo(1.755, within(1e-9));
    }

    /** M13: a scaled model or a no-go fit stops the lot until an engineer gives a word with a reason. */
    @Test
    void sizeComesBeforeStrength() throws Exception {
        LotView lot = testLots.goodLot("bench");
        assertThat(page(lot, "/decision")).contains("Nothing: every planned test is done");
        StringBuilder features = new StringBuilder();
        for (double n : new double[] {10, 20, 40}) {
            features.append("X outer ").append(n).append(' ').append(n * 1.02).append('\n');
            features.append("X inner ").append(n).append(' ').append(n * 1.02).append('\n');
            features.append("Y outer ").append(n).append(' ').append(n * 1.02).append('\n');
            features.append("Y inner ")
                    .append(n)
                    .append(' ')
                    .append(n * 1.02 + 0.001)
                    .append('\n');
        }
        http.perform(record(lot, "ARTEFACT", Map.of("printer", "printer 3", "features", features.toString())))
                .andExpect(status().is3xxRedirection());
        http.perform(record(lot, "FIT", Map.of("feature", "M6 thread", "fit", "NO_GO", "correction", "tapped")))
                .andExpect(status().is3xxRedirection());

        assertThat(page(lot, "/decision"))
                .contains("the model was scaled by 1.0200", "Fit check, M6 thread: no-go", "Give a word about it");
        word(lot, org.ysometron.core.gate.Block.Kind.SIZE_GATE, "").andExpect(status().is(422));
        word(lot, org.ysometron.core.gate.Block.Kind.SIZE_GATE, "artefact alone was printed from an old file")
                .andExpect(status().is3xxRedirection());
        assertThat(page(lot, "/decision"))
                .doesNotContain("the model was scaled by")
                .contains("artefact alone was printed from an old file");
    }

    /** M75: the size gate's tolerance is the site's, whatever the form says; the word about it is another account's. */
    @Test
    void m75WhoMeasuresSetsNeitherTheToleranceNorGivesTheWord() throws Exception {
        LotView lot = testLots.lot();
        http.perform(record(
                        lot, "ARTEFACT", Map.of("printer", "printer 3", "features", "X outer 20 20.9", "gate", "5 mm")))
                .andExpect(status().is3xxRedirection());
        LotView beside = testLots.lot();
        intake.enter(
                beside,
                "ARTEFACT",
                Map.of("printer", "printer 3", "features", "X outer 20 20.9", "gate", "5 mm"),
                UUID.randomUUID().toString(),
                "bench");
        assertThat(gateOfTests.blocks(beside))
                .as("without a form")
                .anyMatch(block -> block.kind() == org.ysometron.core.gate.Block.Kind.SIZE_GATE);
        org.ysometron.core.gate.Block shut = gateOfTests.blocks(lot).stream()
                .filter(block -> block.kind() == org.ysometron.core.gate.Block.Kind.SIZE_GATE)
                .findFirst()
                .orElseThrow();

        http.perform(post("/lots/" + lot.code() + "/words")
                        .with(user("quality").authorities(new SimpleGrantedAuthority("JUDGEMENT")))
                        .with(csrf())
                        .param("kind", shut.kind().name())
                        .param("subject", shut.subject())
                        .param("cause", "")
                        .param("reason", "The artefact alone was printed from an old file."))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("entered evidence of this lot")));
        word(lot, shut.kind(), "The artefact alone was printed from an old file.")
                .andExpect(status().is3xxRedirection());
    }

    /** M13, M56: while the size gate is shut nothing is broken; said beside the field, with the value still there. */
    @Test
    void whatFailedItsGateIsNotBroken() throws Exception {
        LotView lot = testLots.lot();
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        http.perform(record(lot, "ARTEFACT", Map.of("printer", "printer 3", "features", "X outer 20 20.9")))
                .andExpect(status().is3xxRedirection());

        http.perform(post("/lots/" + lot.code() + "/bench")
                        .with(QUALITY)
                        .with(csrf())
                        .param("specimen", "XY1")
                        .param("field", "force-1")
                        .param("typed", "881")
                        .param("outcome", "BROKE_IN_GAUGE")
                        .param("gauge", String.valueOf(testLots.gauge("bench load cell"))))
                .andExpect(status().is(422))
                .andExpect(content()
                        .string(allOf(containsString("Size comes before strength"), containsString("value=\"881\""))));
        bench.enter(lot, testLots.width("XY1", 2, "4.01"), "bench");
    }

    /** M8, M9: said at the bench before the specimen is in the grips, not after. */
    @Test
    void theBenchWarnsBeforeABarIsBroken() throws Exception {
        LotView lot = testLots.bare();
        set(
                lot,
                Orientation.XY,
                Conditioning.CONDITIONED,
                "",
                null,
                LocalDateTime.now().minusHours(1).withNano(0));

        assertThat(page(lot, "/bench"))
                .contains("Material wet or unknown: its result will be provisional", "Not conditioned yet: before");
    }

    @Test
    void theSameErrorOnTwoPrintersIsNamedSystematic() throws Exception {
        LotView lot = testLots.bare();
        for (String printer : List.of("printer 3", "printer 4")) {
            http.perform(
                            record(
                                    lot,
                                    "ARTEFACT",
                                    Map.of(
                                            "printer",
                                            printer,
                                            "features",
                                            "X outer 10 10.101\nX outer 20 20.099\nX outer 40 40.1\nX inner 10 9.9\nX inner 20 19.901")))
                    .andExpect(status().is3xxRedirection());
        }
        assertThat(page(lot, "/intake")).contains("Systematic: edge offset in X on both printers");
    }

    /** A raw-material lot is followed forwards to every lot made of it. */
    @Test
    void rawMaterialIsTracedForwards() throws Exception {
        http.perform(get("/raw?code=BF-0301").with(QUALITY))
                .andExpect(content()
                        .string(allOf(
                                containsString("went into 3 lots"),
                                containsString("SK-0104"),
                                not(containsString("SK-0107")))));
        http.perform(get("/raw?code=none").with(QUALITY))
                .andExpect(content().string(containsString("went into no lot")));
    }

    /** The one who entered what the release rests on is among those who cannot release alone. */
    @Test
    void intakeCountsAsEntering() throws Exception {
        LotView lot = testLots.goodLot("bench");
        http.perform(post("/lots/" + lot.code() + "/intake")
                        .with(user("release").authorities(new SimpleGrantedAuthority("ENTRY")))
                        .with(csrf())
                        .param("kind", "FIT")
                        .param("request", UUID.randomUUID().toString())
                        .param("f-feature", "M6 thread")
                        .param("f-fit", "GO"))
                .andExpect(status().is3xxRedirection());
        http.perform(post("/lots/" + lot.code() + "/decision")
                        .with(user("release")
                                .authorities(
                                        new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("RELEASE")))
                        .with(csrf())
                        .param("disposition", "RELEASE")
                        .param("reason", "everything looks right")
                        .param("password", "release"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("cannot release it alone")));
    }
}
