package org.ysometron.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestLots;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;

class ImportTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));

    @Autowired
    private Imports imports;

    @Autowired
    private Owing owing;

    /** The same two specimens, written in the ways that exports are written. */
    @ParameterizedTest
    @CsvSource(delimiter = '@', textBlock = """
            specimen,width_1 [mm],thickness_1 [mm],force [N],outcome~XY1,4.00,4.00,880,broke in gauge~XY2,4.02,3.99,871,slipped
            specimen;width_1 [mm];thickness_1 [mm];force [kN];outcome~XY1;4,00;4,00;0,880;Broke in gauge~XY2;4,02;3,99;0,871;slipped
            Specimen;Width (mm);Thickness (mm);Force (N);Outcome~xy1;4.00;4.00;880;broke_in_gauge~XY2;4.02;3.99;871;SLIPPED
            specimen,width_1_mm,thickness_1_mm,force_n,outcome~XY1,4.00,4.00,880,~XY2,4.02,3.99,871,slipped
            specimen,width,thickness,force,outcome~XY1,4.00 mm,0.400 cm,880 N,broke in gauge~XY2,4.02 mm,3.99 mm,0.871 kN,slipped
            """)
    void delimitersDecimalCommasAndUnitsAreRecognised(String file) {
        LotView lot = testLots.lot();

        Imports.Preview preview = stage(lot, "\uFEFF" + file.replace("~", "\r\n"));

        assertThat(preview.bad()).isEmpty();
        assertThat(preview.isReady()).isTrue();
        assertThat(preview.readings()).isEqualTo(6);
        assertThat(bench.records(lot.id())).allMatch(record -> record.readings().isEmpty());
        imports.take(lot, preview.id(), false, "bench");
        SpecimenRecord first = bench.records(lot.id()).get(0);
        assertThat(first.result().orElseThrow().shown().orElseThrow()).isEqualTo(55.0);
        assertThat(SpecimenRecord.kind(bench.records(lot.id()).get(1).result().orElseThrow()))
                .isEqualTo("EXCLUDED");
    }

    /** What the preview does not name, taking in does not refuse: a lot decided meanwhile, a reading entered meanwhile. */
    @Test
    void thePreviewNamesWhatTakingInWouldRefuse() {
        LotView lot = testLots.lot();
        Imports.Preview before = stage(lot, "specimen,width_1 [mm]\nXY1,4.00\n");
        assertThat(before.isReady()).isTrue();
        bench.enterAll(lot, List.of(testLots.width("XY1", 1, "4.01")), "bench", null);
        assertThat(imports.preview(lot, before.id()).bad()).singleElement().satisfies(bad -> assertThat(bad.reason())
                .contains("has this reading already, as 4.01"));
        Imports.Preview other = stage(lot, "specimen,width_1 [mm]\nXY2,4.00\n");
        gateOfTests.decide(lot, org.ysometron.core.gate.Disposition.REJECT, "Goes to regrind, by the line.", "release");
        assertThat(imports.preview(lots.named(lot.code()), other.id()).bad())
                .singleElement()
                .satisfies(bad -> assertThat(bad.reason()).contains("takes no more entries"));
    }

    /** A sheet that grows is pasted day after day: what is stored just so is passed over, what differs is named. */
    @Test
    void aSheetThatGrowsIsPastedAgain() {
        LotView lot = testLots.lot();
        String head = "specimen\twidth_1 [mm]\tthickness_1 [mm]\tforce [N]\toutcome\n";
        imports.take(lot, stage(lot, head + "XY1\t4,00\t4,00\t880\tslipped\n").id(), false, "bench");
        Imports.Preview grown = stage(lot, head + "XY1\t4.0\t4,00\t880\tslipped\nXY2\t4,02\t3,99\t871\t\n");
        assertThat(grown.bad()).isEmpty();
        assertThat(grown.known()).isEqualTo(3);
        assertThat(grown.readings()).isEqualTo(3);
        imports.take(lot, grown.id(), false, "bench");
        assertThat(bench.record(lot, "XY1").readings()).hasSize(3);
        assertThat(bench.record(lot, "XY2").isTested()).isTrue();
        Imports.Preview same = stage(lot, head + "XY2\t4,02\t3,99\t871\tbroke in gauge\n");
        assertThat(same.isReady()).isFalse();
        assertThat(same.bad()).isEmpty();
        assertThat(stage(lot, head + "XY2\t4,03\t3,99\t871\tslipped\n").bad())
                .extracting(Imports.Bad::column)
                .containsExactlyInAnyOrder("width 1", "outcome");
    }

    /** A cell that says later is no reading: what it stands for is owed, and the next file brings it. */
    @Test
    void aCellMaySayThatItsReadingComesLater() {
        LotView lot = testLots.lot();
        testLots.set(lot, TestLots.line("three-point-bending", 2, 2));
        String head = "specimen,width_1 [mm],thickness_1 [mm],force [N],travel [mm]\n";
        Imports.Preview preview = stage(lot, head + "XY6,10.0,4.0,118,later\nXY7,10.0,4.0,later,7.1\n");
        assertThat(preview.bad()).extracting(Imports.Bad::column).contains("force");
        imports.take(lot, stage(lot, head + "XY6,10.0,4.0,118,later\n").id(), false, "bench");
        assertThat(owing.of(lot, bench.records(lot.id())))
                .extracting(Owing.OwedView::specimen, Owing.OwedView::words)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("XY6", "deflection at break"));
        Imports.Preview next = stage(lot, head + "XY6,10.0,4.0,118,7.4\n");
        assertThat(next.bad()).isEmpty();
        imports.take(lot, next.id(), false, "bench");
        assertThat(owing.of(lot, bench.records(lot.id()))).isEmpty();
    }

    /** What is doubted in a file is asked about, as at the bench: mended, or meant by who looked at it. */
    @Test
    void aDoubtInAFileCanBeMeant() throws Exception {
        LotView lot = testLots.lot();
        Imports.Preview preview = stage(lot, "specimen,width_1 [mm]\nXY1,40.0\nXY2,4.01\nXY3,\n");
        assertThat(preview.bad()).isEmpty();
        assertThat(preview.doubts()).singleElement().satisfies(doubt -> {
            assertThat(doubt.column()).isEqualTo("width 1");
            assertThat(doubt.reason()).contains("decimal point slipped");
        });
        String page = "/lots/" + lot.code() + "/import/" + preview.id();
        http.perform(post(page).with(BENCH).with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("say that it is meant")));
        assertThat(bench.records(lot.id())).allMatch(record -> record.readings().isEmpty());
        http.perform(post(page).param("meant", "true").with(BENCH).with(csrf())).andExpect(status().is3xxRedirection());
        assertThat(bench.record(lot, "XY1").at("width", 1)).get().satisfies(r -> assertThat(r.value())
                .isEqualTo(40));
        assertThat(bench.record(lot, "XY3").readings()).isEmpty();
    }

    /** A lot of two methods has a blank file for each, filled in as far as one has come. */
    @Test
    void eachMethodHasItsBlankFile() throws Exception {
        LotView lot = testLots.lot();
        testLots.set(lot, TestLots.line("torsion", 10, 2));
        String page = "/lots/" + lot.code() + "/import";
        http.perform(get(page).with(BENCH)).andExpect(content().string(containsString("blank.csv?method=torsion")));
        String blank = http.perform(
                        get(page + "/blank.csv").param("method", "torsion").with(BENCH))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(blank)
                .contains("torque [N·m]")
                .doesNotContain("force [N]", "-XY1,")
                .contains("-XY6,", "-XY7,");
        assertThat(imports.preview(
                        lot,
                        imports.stage(
                                lot,
                                "blank.csv",
                                blank.getBytes(StandardCharsets.UTF_8),
                                testLots.instrument(Methods.of("torsion").orElseThrow()),
                                "bench")))
                .satisfies(preview -> {
                    assertThat(preview.bad()).isEmpty();
                    assertThat(preview.isReady()).isFalse();
                });
    }

    /** A size that comes after the break would move a known figure: the preview says so, and not only the button behind it. */
    @Test
    void aSizeAfterTheBreakIsNamedInThePreview() {
        LotView lot = testLots.lot();
        testLots.test(lot, org.ysometron.core.claim.Orientation.XY, "bench", 880);
        assertThat(stage(lot, "specimen,width_2 [mm]\nXY1,4.10\n").bad())
                .singleElement()
                .satisfies(bad -> assertThat(bad.reason()).contains("would change its Tensile strength"));
        assertThat(stage(lot, "specimen,width_2 [mm]\nXY1,4.00\n").isReady()).isTrue();
    }

    /** Cells pasted come back as they were typed: after a refusal, and from the preview to be mended. */
    @Test
    void whatWasPastedComesBack() throws Exception {
        LotView lot = testLots.lot();
        String block = "specimen\tcolour\nXY1\tred\n";
        String page = "/lots/" + lot.code() + "/import";
        http.perform(multipart(page)
                        .param("pasted", block)
                        .param("gauge", "" + gauge())
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("is not known"), containsString("XY1\tred"))));
        http.perform(multipart(page).param("pasted", " ").with(BENCH).with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("paste a block of cells")));
        http.perform(multipart(page).param("pasted", block).with(BENCH).with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("register it first"), containsString("XY1\tred"))));
        String preview = http.perform(multipart(page)
                        .param("pasted", "specimen\twidth_1 [mm]\nXY1\tvier\n")
                        .param("gauge", "" + gauge())
                        .with(BENCH)
                        .with(csrf()))
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        String id = java.util.Objects.requireNonNull(preview).replaceAll(".*/", "");
        http.perform(get(preview).with(BENCH)).andExpect(content().string(containsString("again=" + id)));
        http.perform(get(page).param("again", id).with(BENCH))
                .andExpect(content().string(containsString("XY1\tvier")));
    }

    /** A column copied without its head lands where it is said to begin: bar by bar in the order of the bench, field by field. */
    @Test
    void cellsWithoutTheirHeadAreLedToTheirPlaces() throws Exception {
        LotView lot = testLots.lot();
        String page = "/lots/" + lot.code() + "/import";
        // A comma is a decimal sign, an empty line a bar that was passed over, and the second column goes on as the
        // sheet does.
        String preview = http.perform(multipart(page)
                        .param("pasted", "4,01\t3,99\n\n0.158 in\t4,02\n")
                        .param("into", "tension/width-3")
                        .param("from", "xy2")
                        .param("gauge", "" + gauge())
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        http.perform(get(Objects.requireNonNull(preview)).with(BENCH))
                .andExpect(content().string(containsString("Its columns: width 3, thickness 1.")));
        http.perform(post(preview).with(BENCH).with(csrf())).andExpect(status().is3xxRedirection());
        assertThat(bench.record(lot, "XY2").at("width", 3)).get().satisfies(reading -> assertThat(reading.value())
                .isEqualTo(4.01));
        assertThat(bench.record(lot, "XY2").at("thickness", 1)).get().satisfies(reading -> assertThat(reading.value())
                .isEqualTo(3.99));
        assertThat(bench.record(lot, "XY3").readings()).isEmpty();
        assertThat(bench.record(lot, "XY4").at("width", 3)).get().satisfies(reading -> assertThat(reading.value())
                .isEqualTo(4.0132));
        String[][] wrong = {
            {"4.01", "tension/colour-1", "", "which reading the first column holds"},
            {"4.01", "torsion/angle-1", "", "which reading the first column holds"},
            {"4.01", "tension/width-1", "ZX9", "is no specimen of tension"},
            {"4\n4\n4\n4\n4\n4\n4\n4", "tension/width-1", "ZX1", "8 rows, but 5 specimens from ZX1 on"},
            {"880\t4.1\t3\t4\t5\t6\t7\t8\t9\t10\t11\t12\t13\t14", "tension/force-1", "", "columns, but only"},
            {"4,01\t3,99\n4\t4", "", "", "say below what the first column"},
            {"width_1 [mm]\n4", "", "", "say below what the first column"}
        };
        for (String[] one : wrong) {
            http.perform(multipart(page)
                            .param("pasted", one[0])
                            .param("into", one[1])
                            .param("from", one[2])
                            .param("gauge", "" + gauge())
                            .with(BENCH)
                            .with(csrf()))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString(one[3])));
        }
    }

    /** A test cannot end short of a reading, change how it ended, or be void without a cause: said in the preview. */
    @Test
    void thePreviewNamesWhatCannotBelongTogether() {
        LotView lot = testLots.lot();
        assertThat(stage(lot, "specimen,force [N],outcome\nXY1,880,void\n").bad())
                .singleElement()
                .satisfies(bad -> assertThat(bad.reason()).contains("needs its reason in a column 'remark'"));
        assertThat(stage(lot, "specimen,force [N],outcome,remark\nXY1,880,void,bent by hand\n")
                        .bad())
                .isEmpty();
        assertThat(stage(lot, "specimen,pieces,outcome\nXY1,2,slipped\n").bad())
                .singleElement()
                .satisfies(bad -> assertThat(bad.reason()).contains("needs the force beside it"));
        testLots.set(lot, TestLots.line("torsion", 10, 1));
        assertThat(imports.preview(lot, torqueAlone(lot)).bad())
                .singleElement()
                .satisfies(bad -> assertThat(bad.reason()).contains("'angle' is missing"));
        bench.enterAll(
                lot,
                List.of(
                        testLots.width("XY1", 1, "4.01"),
                        new Bench.Entry("XY1", "force", 1, "880", End.BROKE_IN_GAUGE, gauge(), "880")),
                "bench",
                null);
        assertThat(stage(lot, "specimen,pieces,outcome\nXY1,2,slipped\n").bad())
                .singleElement()
                .satisfies(bad -> assertThat(bad.reason()).contains("its test is over"));
    }

    private long torqueAlone(LotView lot) {
        String rod = lots.specimens(lot.id()).stream()
                .filter(specimen -> specimen.conditions().method().equals("torsion"))
                .findFirst()
                .orElseThrow()
                .label();
        String file = "specimen,torque [N·m],outcome\n" + rod + ",2.1,broke\n";
        return imports.stage(
                lot,
                "torque.csv",
                file.getBytes(StandardCharsets.UTF_8),
                testLots.instrument(Methods.of("torsion").orElseThrow()),
                "bench");
    }

    private long gauge() {
        return testLots.gauge("bench load cell");
    }

    /** A head that is a hundred thousand blanks is refused at once; a matcher that tries each split took minutes. */
    @Test
    void aHeadOfBlanksIsRefusedAtOnce() {
        LotView lot = testLots.lot();
        String head = "specimen,force [" + " ".repeat(100_000) + "\nXY1,880\n";
        org.junit.jupiter.api.Assertions.assertTimeoutPreemptively(
                java.time.Duration.ofSeconds(20),
                () -> assertThatThrownBy(() -> stage(lot, head)).hasMessageContaining("is no head"));
        assertThatThrownBy(() -> stage(lot, "specimen,width_1 [mm]\n" + "XY1,4.00\n".repeat(1001)))
                .hasMessageContaining("more than 1000 rows");
    }

    /** M1: an import without units is refused. */
    @ParameterizedTest
    @CsvSource(delimiter = '@', textBlock = """
            specimen,width_1,thickness_1 [mm]~XY1,4.00,4.00           @ width 1@4.00@no unit
            specimen,width_1 [mm],force [N]~XY9,4.00,880               @ specimen@XY9@no such specimen
            specimen,width_1 [mm]~XY1,4.00~xy1,4.01                    @ specimen@xy1@row 2 already
            specimen,width_1 [N]~XY1,4.00                              @ width 1@4.00@is a force, not a length
            specimen,force [N],outcome~XY1,880,exploded                @ outcome@exploded@broke in gauge
            specimen,width_1 [mm],outcome~XY1,4.00,slipped             @ outcome@slipped@needs the force
            specimen,width_1 [mm]~XY1,abc                              @ width 1@abc@is not a number
            specimen,width_1 [mm]~XY1,-4.0                             @ width 1@-4.0@not above zero
            specimen,force [N]~XY1,NaN                                 @ force@NaN@is not a number
            specimen,width_1 [mm]~XY1,4.00,5                           @ row@3 cells@more cells than columns
            """)
    void aBadRowIsNamedAndNothingIsTakenIn(String file, String column, String found, String reason) {
        LotView lot = testLots.lot();

        Imports.Preview preview = stage(lot, file.strip().replace("~", "\n"));

        assertThat(preview.bad()).anySatisfy(bad -> {
            assertThat(bad.column()).isEqualTo(column);
            assertThat(bad.found()).isEqualTo(found);
            assertThat(bad.reason()).contains(reason);
            assertThat(bad.line()).isGreaterThan(1);
        });
        assertThatThrownBy(() -> imports.take(lot, preview.id(), false, "bench"))
                .isInstanceOf(Refusal.class);
        assertThat(bench.records(lot.id())).allMatch(record -> record.readings().isEmpty());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '@', textBlock = """
            ''                                    @ empty
            specimen,width_1 [mm]                 @ no row of readings
            width_1 [mm]~4.00                     @ there is no column
            specimen,colour~XY1,red               @ colour' is not known
            specimen,width_1 [mm],width_1 [mm]~XY1,4,4 @ stands there twice
            specimen,width_1 [furlong]~XY1,4      @ furlong
            """)
    void aFileWhoseHeadMakesNoSenseIsRefusedWhole(String file, String said) {
        assertThatThrownBy(() -> ReadingFile.read(
                        file.replace("~", "\n"), java.util.Map.of("width", 3, "thickness", 3, "force", 1)))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining(said);
    }

    /** M19's half: the same file twice is recognised. */
    @Test
    void theSameFileIsNeverTakenTwice() {
        LotView lot = testLots.lot();
        String file = "specimen,width_1 [mm],thickness_1 [mm],force [N]\nXY1,4.00,4.00,880\n";
        Imports.Preview first = stage(lot, file);

        imports.take(lot, first.id(), false, "bench");
        imports.take(lot, first.id(), false, "bench");
        Imports.Preview again = stage(lot, file);

        assertThat(again.taken()).isTrue();
        assertThat(again.id()).isEqualTo(first.id());
        assertThat(bench.records(lot.id()).get(0).readings()).hasSize(3);
    }

    @Test
    void aSpecimenThatHasReadingsIsNotOverwritten() {
        LotView lot = testLots.lot();
        testLots.test(lot, org.ysometron.core.claim.Orientation.XY, "bench", 880);

        Imports.Preview preview = stage(lot, "specimen,force [N]\nXY1,700\n");

        assertThat(preview.bad()).singleElement().satisfies(bad -> assertThat(bad.reason())
                .contains("has this reading already, as 880.0"));
    }

    @Test
    void throughThePages() throws Exception {
        LotView lot = testLots.lot();
        String path = "/lots/" + lot.code() + "/import";
        MockMultipartFile nonsense =
                new MockMultipartFile("file", "photo.png", "image/png", new byte[] {(byte) 0x89, 0, (byte) 0xff, 3});

        http.perform(multipart(path)
                        .file(nonsense)
                        .param("gauge", "" + testLots.gauge("bench load cell"))
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("not a text file")));
        http.perform(multipart(path).with(BENCH).with(csrf())).andExpect(status().is(422));
        http.perform(get(path + "/blank.csv").with(BENCH))
                .andExpect(
                        content().string(allOf(containsString("width_1 [mm]"), containsString(lot.code() + "-ZX5"))));
        http.perform(get(path + "/999999").with(BENCH)).andExpect(status().isNotFound());
        http.perform(post(path + "/999999").with(BENCH).with(csrf())).andExpect(status().isNotFound());
    }

    private Imports.Preview stage(LotView lot, String text) {
        long id = imports.stage(
                lot, "readings.csv", text.getBytes(StandardCharsets.UTF_8), testLots.gauge("bench load cell"), "bench");
        return imports.preview(lot, id);
    }
}
