package org.ysometron.app.curve;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.make.Histories;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.curve.Rules;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Reduced;

/** Records from their file to the results of a lot, and the argument about them. */
class RecordsTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));
    private static final String HEAD = "time [s];force [N];extension [mm];travel [mm]\n";

    @Autowired
    private Uploads uploads;

    @Autowired
    private Records records;

    @Autowired
    private Curves curves;

    @Autowired
    private Bench bench;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private Histories histories;

    @Autowired
    private Judgements judgements;

    private LotView lot;

    @BeforeEach
    void measured() {
        lot = testLots.lot();
        List<Bench.Entry> sizes = new ArrayList<>();
        for (int i = 1; i <= 4; i++) {
            sizes.add(testLots.width("XY" + i, 1, "4.00"));
            sizes.add(testLots.thickness("XY" + i, 1, "4.00"));
        }
        bench.enterAll(lot, sizes, "bench", null);
    }

    /** A straight pull of 16 mm² on 25 mm: 2 GPa are 1280 N/mm, 800 N and 50 MPa at 0.625 mm; the frame goes twice as far. */
    private static byte[] pull(double force, long seed) {
        Random chance = new Random(seed);
        StringBuilder text = new StringBuilder(HEAD);
        int n = 900;
        for (int i = 0; i < n + 5; i++) {
            double share = Math.min(i, n - 1) / (n - 1.0);
            double load = (i < n ? share * force : 0) + 0.05 * chance.nextGaussian();
            text.append(String.format(
                    Locale.ROOT,
                    "%.2f;%.3f;%.5f;%.5f\n",
                    i * 0.05,
                    load,
                    force / 1280 * i / (n - 1),
                    force / 640 * i / (n - 1)));
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static Uploads.Sent sent(String name, byte[] bytes) {
        return new Uploads.Sent(name, bytes);
    }

    private Uploads.Said said(Piece.By by, Second second) {
        return new Uploads.Said("tension", by, second, testLots.gauge("bench load cell"), 0);
    }

    private long stage(Uploads.Sent... sent) {
        return uploads.stage(lot, said(Piece.By.EXTENSOMETER, Second.NONE), List.of(sent), "bench");
    }

    private void taken(Uploads.Sent... sent) {
        uploads.take(lot, stage(sent), Map.of(), "bench");
    }

    private SpecimenRecord specimen(String label) {
        return bench.record(lot, label);
    }

    private Optional<Reduced> result(String label, String characteristic) {
        return specimen(label).results().stream()
                .filter(one -> one.characteristic().id().equals(characteristic))
                .findFirst();
    }

    private double value(String label, String characteristic) {
        return result(label, characteristic).orElseThrow().value().orElse(Double.NaN);
    }

    private long record(String label) {
        return records.of(lot).stream()
                .filter(one -> one.label().equals(label))
                .findFirst()
                .orElseThrow()
                .id();
    }

    /** M34: nobody reads a peak from a display or a film; the file says it, and what it says goes the way of typed readings. */
    @Test
    void m34ARecordGoesTheWayOfTypedReadings() throws Exception {
        taken(sent(lot.code() + "-XY1.csv", pull(800, 1)), sent("xy2.CSV", pull(780, 2)));
        assertThat(specimen("XY1").ended().orElseThrow().outcome()).isEqualTo(End.BROKE_IN_GAUGE);
        assertThat(value("XY1", "tension-strength")).isCloseTo(50, Percentage.withPercentage(0.3));
        assertThat(value("XY2", "tension-strength")).isCloseTo(48.75, Percentage.withPercentage(0.3));
        assertThat(value("XY1", "tension-modulus")).isCloseTo(2000, Percentage.withPercentage(1));
        assertThat(value("XY1", "strain-at-break")).isCloseTo(0.025, Percentage.withPercentage(0.6));
        assertThat(value("XY1", "energy-to-break")).isCloseTo(0.25, Percentage.withPercentage(1));
        assertThat(specimen("XY1").readings())
                .filteredOn(reading -> reading.analysis() != null)
                .extracting(reading -> reading.field().key())
                .contains("record", "force", "slope", "extension-at-break", "energy");
        String code = lot.code();
        for (String page : List.of(
                "/records",
                "/records/" + record("XY1"),
                "/records/" + record("XY1") + "/curve",
                "/records/" + record("XY1") + "/curve.csv",
                "/records/" + record("XY1") + "/drawing.svg",
                "/evidence",
                "/bench")) {
            http.perform(get("/lots/" + code + page).with(BENCH)).andExpect(status().isOk());
        }
        byte[] kept = http.perform(get("/lots/" + code + "/records/" + record("XY1") + "/file")
                        .with(BENCH))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(kept).isEqualTo(pull(800, 1));
        int packed = Objects.requireNonNull(database.queryForObject(
                "select length(packed) from curve_record where id = ?", Integer.class, record("XY1")));
        assertThat(packed).isLessThan(kept.length / 2);
    }

    @Test
    void theSameFileIsKnownAndOneRecordIsOfOneSpecimen() {
        taken(sent("XY1.csv", pull(800, 3)));
        assertThatThrownBy(() -> stage(sent("XY2.csv", pull(800, 3))))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("was taken in before");
        // The same points under another head are the same record.
        String other = new String(pull(800, 3), StandardCharsets.UTF_8).replace("force [N]", "load [N]");
        long again = stage(sent("XY2.csv", other.getBytes(StandardCharsets.UTF_8)));
        assertThatThrownBy(() -> uploads.take(lot, again, Map.of(), "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("the record of XY1");
        assertThat(specimen("XY2").isTested()).isFalse();
        // A second record of one specimen is no second test.
        long second = stage(sent("XY1.csv", pull(790, 4)));
        assertThatThrownBy(() -> uploads.take(lot, second, Map.of(), "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("has a record already");
        // Stored twice by a double click, it is stored once.
        long third = stage(sent("XY3.csv", pull(790, 5)));
        uploads.take(lot, third, Map.of(), "bench");
        uploads.take(lot, third, Map.of(), "bench");
        assertThat(records.of(lot)).hasSize(2);
    }

    @Test
    void nothingIsStoredWhereOneOfThemIsBroken() {
        String cut = new String(pull(800, 6), StandardCharsets.UTF_8);
        long id = stage(
                sent("XY1.csv", pull(800, 7)),
                sent("XY2.csv", (cut.substring(0, 4000) + "\n1;x;2;3\n").getBytes(StandardCharsets.UTF_8)));
        assertThat(uploads.preview(lot, id, Map.of()).broken()).hasSize(1);
        assertThatThrownBy(() -> uploads.take(lot, id, Map.of(), "bench")).isInstanceOf(Refusal.class);
        assertThat(records.of(lot)).isEmpty();
        long unmeasured = stage(sent("ZX1.csv", pull(400, 8)));
        assertThatThrownBy(() -> uploads.take(lot, unmeasured, Map.of(), "bench"))
                .hasMessageContaining("not measured yet");
        assertThat(specimen("XY1").isTested()).isFalse();
    }

    @Test
    void manyStandInOneFileAndAColumnNamesThem() {
        StringBuilder all = new StringBuilder("specimen;" + HEAD);
        for (String label : List.of("XY1", "XY2", "XY3")) {
            new String(pull(800, label.hashCode()), StandardCharsets.UTF_8)
                    .lines()
                    .skip(1)
                    .forEach(line -> all.append(label).append(';').append(line).append('\n'));
        }
        taken(sent("all.csv", all.toString().getBytes(StandardCharsets.UTF_8)));
        assertThat(records.of(lot)).extracting(Records.Listed::label).containsExactly("XY1", "XY2", "XY3");
    }

    /** M26: a crosshead gives travel and an apparent modulus; beside an extensometer it is a record of its own. */
    @Test
    void m26ACrossheadIsNoExtensometer() {
        long alone = uploads.stage(
                lot, said(Piece.By.CROSSHEAD, Second.NONE), List.of(sent("XY1.csv", pull(800, 9))), "bench");
        uploads.take(lot, alone, Map.of(), "bench");
        assertThat(result("XY1", "tension-modulus").orElseThrow().value()).isEmpty();
        assertThat(result("XY1", "strain-at-break").orElseThrow().value()).isEmpty();
        assertThat(value("XY1", "tension-apparent-modulus")).isPositive();
        long both = uploads.stage(
                lot, said(Piece.By.EXTENSOMETER, Second.CROSSHEAD), List.of(sent("XY2.csv", pull(800, 10))), "bench");
        uploads.take(lot, both, Map.of(), "bench");
        assertThat(value("XY2", "tension-modulus")).isCloseTo(2000, Percentage.withPercentage(1));
        // 1.25 mm over the grips' 45 mm.
        assertThat(value("XY2", "nominal-strain-at-break")).isCloseTo(0.02778, Percentage.withPercentage(1));
        assertThat(records.of(lot).stream().filter(one -> one.label().equals("XY2")))
                .extracting(Records.Listed::readBy)
                .containsExactly(Piece.By.EXTENSOMETER, Piece.By.CROSSHEAD);
        assertThatThrownBy(() -> uploads.stage(
                        lot, said(Piece.By.CROSSHEAD, Second.CROSSHEAD), List.of(sent("a.csv", pull(1, 1))), "bench"))
                .hasMessageContaining("crosshead's already");
    }

    /** M2, M45: a record that ends at the 2000 N of the register is a bound, as a typed peak is. */
    @Test
    void m2m45AGaugeThatEndedGivesABound() {
        String flat = new String(pull(2600, 11), StandardCharsets.UTF_8)
                .lines()
                .map(line -> {
                    String[] cells = line.split(";");
                    return cells[1].matches("[0-9.]+") && Double.parseDouble(cells[1]) > 2000
                            ? cells[0] + ";2000.000;" + cells[2] + ";" + cells[3]
                            : line;
                })
                .reduce((a, b) -> a + "\n" + b)
                .orElseThrow();
        taken(sent("XY1.csv", flat.getBytes(StandardCharsets.UTF_8)));
        assertThat(specimen("XY1").ended().orElseThrow().outcome()).isEqualTo(End.OVER_CAPACITY);
        assertThat(result("XY1", "tension-strength").orElseThrow().made()).isEqualTo(Reduced.Made.AT_LEAST);
        assertThat(result("XY1", "stress-at-yield").orElseThrow().value()).isEmpty();
    }

    /** M43: a zero that had moved by more than its share voids a record as it voids a typed peak. */
    @Test
    void m43AZeroThatMovedVoidsARecord() {
        bench.enterTest(
                lot,
                "XY1",
                List.of(new Bench.Entry(
                        "XY1", "zero-change", 1, "20 N", null, testLots.gauge("bench load cell"), "20 N")),
                "bench");
        taken(sent("XY1.csv", pull(800, 21)), sent("XY2.csv", pull(800, 22)));
        assertThat(result("XY1", "tension-strength").orElseThrow().made()).isEqualTo(Reduced.Made.NOTHING);
        assertThat(result("XY1", "tension-strength").orElseThrow().reason()).contains("the zero had moved");
        assertThat(result("XY2", "tension-strength").orElseThrow().made()).isEqualTo(Reduced.Made.VALUE);
    }

    /** M30: the record of a bar that was loaded before is read all the same, and is in no mean with what was not. */
    @Test
    void m30ARecordOfWhatWasLoadedBeforeStandsApart() {
        histories.record(
                lot,
                List.of("XY2"),
                Histories.Kind.LOADED,
                null,
                "pulled to 300 N to try the grips",
                LocalDateTime.now(),
                "bench");
        taken(
                sent("XY1.csv", pull(800, 31)),
                sent("XY2.csv", pull(820, 32)),
                sent("XY3.csv", pull(805, 33)),
                sent("XY4.csv", pull(795, 34)));
        assertThat(result("XY2", "tension-modulus").orElseThrow().made()).isEqualTo(Reduced.Made.VALUE);
        assertThat(judgements.apart(lot)).isNotEmpty().allSatisfy(apart -> assertThat(apart.levels())
                .anyMatch(level -> level.startsWith("loaded before: n = 1")));
    }

    /** Looked at nearer a record has the points that were recorded there, and no extreme of them is lost. */
    @Test
    void aRecordIsLookedAtNearer() throws Exception {
        StringBuilder fine = new StringBuilder(HEAD);
        int n = 20_000;
        for (int i = 0; i < n; i++) {
            double share = i / (n - 1.0);
            // One point of all stands out by 3 N.
            double load = 800 * share + (i == 12_345 ? 3 : 0);
            fine.append(
                    String.format(Locale.ROOT, "%.4f;%.4f;%.6f;%.6f\n", i * 0.001, load, 0.625 * share, 1.25 * share));
        }
        fine.append("20;0;0.63;1.26\n");
        taken(sent("XY1.csv", fine.toString().getBytes(StandardCharsets.UTF_8)));
        Records.RecordView record = records.one(lot, record("XY1"));
        Curves.Curve whole = curves.alone(record).curves().get(0);
        assertThat(whole.at().length).isLessThanOrEqualTo(2000);
        // 0.625 mm of 25 mm are 2.5 %; the point stands at 1.543 %.
        Curves.Curve near = curves.alone(record, 1.5, 1.6).curves().get(0);
        assertThat(near.at())
                .hasSizeGreaterThan(700)
                .contains(12_344, 12_345, 12_346)
                .isSorted();
        assertThat(near.x()[1]).isBetween(1.4999f, 1.502f);
        assertThat(near.x()[near.x().length - 2]).isBetween(1.598f, 1.6001f);
        // Where nothing was recorded it is the whole.
        assertThat(curves.alone(record, 90, 91).curves().get(0).at()).isEqualTo(whole.at());
        for (String query : List.of("?from=1.5&to=1.6", "?from=NaN&to=1", "?from=2&to=1", "?from=1.5")) {
            http.perform(get("/lots/" + lot.code() + "/records/" + record("XY1") + "/curve" + query)
                            .with(BENCH))
                    .andExpect(status().isOk());
        }
    }

    @Test
    void anotherAnalysisStandsBesideTheFirstUntilSomebodyDecides() {
        taken(sent("XY1.csv", pull(800, 12)));
        long id = record("XY1");
        Rules moved = new Rules(0.001, 0.01, Rules.Yield.NONE, java.util.OptionalInt.of(600));
        assertThatThrownBy(() -> records.analyse(lot, id, moved, " ", "quality"))
                .isInstanceOf(Refusal.class);
        long analysis = records.analyse(lot, id, moved, "The pieces still touched behind point 600.", "quality");
        assertThatThrownBy(() -> records.analyse(lot, id, moved, "Once more the same rules.", "quality"))
                .hasMessageContaining("already");
        double before = value("XY1", "tension-strength");
        assertThat(before).isCloseTo(50, Percentage.withPercentage(0.3));
        assertThat(records.one(lot, id).analyses())
                .hasSize(2)
                .filteredOn(Records.AnalysisView::counts)
                .hasSize(1);
        assertThatThrownBy(() -> records.count(lot, id, analysis, null, "The break lies earlier.", "quality"))
                .isInstanceOf(Refusal.class);
        records.count(lot, id, analysis, Cause.ANALYSIS, "The break lies earlier, see the clip.", "quality");
        assertThat(value("XY1", "tension-strength")).isCloseTo(50.0 * 600 / 899, Percentage.withPercentage(0.5));
        assertThat(records.one(lot, id).counting().id()).isEqualTo(analysis);
        List<ReadingView> forces = specimen("XY1").readings().stream()
                .filter(reading -> reading.field().key().equals("force"))
                .toList();
        assertThat(forces)
                .hasSize(2)
                .filteredOn(ReadingView::live)
                .singleElement()
                .satisfies(reading -> {
                    assertThat(reading.cause()).isEqualTo(Cause.ANALYSIS);
                    assertThat(reading.outcome()).isEqualTo(End.BROKE_IN_GAUGE);
                    assertThat(reading.enteredBy()).isEqualTo("quality");
                });
    }

    /** What was found on a record is not typed over, and what somebody typed is not replaced by one. */
    @Test
    void whatWasTypedAndWhatWasFoundStandBesideEachOther() {
        bench.enterTest(lot, "XY1", List.of(testLots.force("XY1", "790", End.BROKE_IN_GAUGE)), "bench");
        taken(sent("XY1.csv", pull(800, 13)));
        assertThat(value("XY1", "tension-strength")).isCloseTo(790 / 16.0, within(1e-9));
        assertThat(value("XY1", "tension-modulus")).isCloseTo(2000, Percentage.withPercentage(1));
        ReadingView slope = specimen("XY1").readings().stream()
                .filter(reading -> reading.field().key().equals("slope"))
                .findFirst()
                .orElseThrow();
        assertThatThrownBy(() -> bench.correct(
                        lot, slope.id(), testLots.correction("1500 N/mm", null, "Looks too low to me."), "bench"))
                .hasMessageContaining("work the record out again");
        assertThatThrownBy(() -> bench.enterTest(
                        lot, "XY2", List.of(new Bench.Entry("XY2", "slope", 1, "1500 N/mm", null, 0, "")), "bench"))
                .hasMessageContaining("found on a record");
        assertThatThrownBy(() -> bench.enterTest(
                        lot, "XY2", List.of(new Bench.Entry("XY2", "record", 1, "record 1", null, 0, "")), "bench"))
                .hasMessageContaining("found on a record");
    }

    @Test
    void theFormSaysWhatIsWrongAndKeepsWhatWasChosen() throws Exception {
        send("EXTENSOMETER", new MockMultipartFile("files", "XY1.csv", "text/csv", new byte[0]))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Choose a file first")));
        send("EXTENSOMETER", new MockMultipartFile("files", "XY1.csv", "text/csv", pull(800, 14)))
                .andExpect(status().is3xxRedirection());
        String german = new String(pull(800, 15), StandardCharsets.UTF_8).replace(HEAD, "t;Kraft;Weg;Traverse\n");
        long id = stage(sent("frame.csv", german.getBytes(StandardCharsets.UTF_8)));
        String address = "/lots/" + lot.code() + "/records/uploads/" + id;
        http.perform(get(address).with(BENCH)).andExpect(content().string(containsString("a unit is never guessed")));
        http.perform(post(address + "/layout")
                        .with(BENCH)
                        .with(csrf())
                        .param("r-1", "FORCE")
                        .param("u-1", "furlong")
                        .param("r-2", "EXTENSION")
                        .param("u-2", "mm"))
                .andExpect(status().is(422))
                .andExpect(content().string(allOf(containsString("is no unit of it"), containsString("furlong"))));
        http.perform(post(address + "/layout")
                        .with(BENCH)
                        .with(csrf())
                        .param("r-1", "FORCE")
                        .param("u-1", "N"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Say which column is the extension")));
        String name = "frame " + id;
        http.perform(post(address + "/layout")
                        .with(BENCH)
                        .with(csrf())
                        .param("r-1", "FORCE")
                        .param("u-1", "N")
                        .param("r-2", "EXTENSION")
                        .param("u-2", "mm")
                        .param("profile", name))
                .andExpect(status().is3xxRedirection());
        http.perform(post(address).with(BENCH).with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("No record was given its specimen")));
        String key = uploads.preview(lot, id, Map.of()).candidates().get(0).key();
        http.perform(post(address)
                        .with(BENCH)
                        .with(csrf())
                        .param("s-" + key, "XY2")
                        .param("e-" + key, "broke-at-grip"))
                .andExpect(status().is3xxRedirection());
        assertThat(specimen("XY2").ended().orElseThrow().outcome()).isEqualTo(End.BROKE_AT_GRIP);
        // The next file of that frame is read by its profile; one with another head is not.
        long profile = Objects.requireNonNull(
                database.queryForObject("select id from curve_profile where name = ?", Long.class, name));
        String next = new String(pull(770, 16), StandardCharsets.UTF_8).replace(HEAD, "t;Kraft;Weg;Traverse\n");
        long by = uploads.stage(
                lot,
                new Uploads.Said(
                        "tension", Piece.By.EXTENSOMETER, Second.NONE, testLots.gauge("bench load cell"), profile),
                List.of(sent("XY3.csv", next.getBytes(StandardCharsets.UTF_8)), sent("XY4.csv", pull(700, 17))),
                "bench");
        assertThat(uploads.preview(lot, by, Map.of()).candidates()).hasSize(1);
        assertThat(uploads.preview(lot, by, Map.of()).broken())
                .singleElement()
                .satisfies(broken -> assertThat(broken.why()).contains("as in the layout that was given"));
    }

    private ResultActions send(String by, MockMultipartFile file) throws Exception {
        return http.perform(multipart("/lots/" + lot.code() + "/records")
                .file(file)
                .with(BENCH)
                .with(csrf())
                .param("method", "tension")
                .param("by", by)
                .param("gauge", String.valueOf(testLots.gauge("bench load cell"))));
    }

    /** M2: a second extension in percent is never taken for millimetres. */
    @Test
    void m2AStrainIsNoTravel() {
        String percent = new String(pull(800, 41), StandardCharsets.UTF_8).replace("travel [mm]", "travel [%]");
        for (Second second : List.of(Second.CROSSHEAD, Second.OTHER_FACE)) {
            long id = uploads.stage(
                    lot,
                    said(Piece.By.EXTENSOMETER, second),
                    List.of(sent("XY1.csv", percent.getBytes(StandardCharsets.UTF_8))),
                    "bench");
            assertThat(uploads.preview(lot, id, Map.of()).candidates())
                    .singleElement()
                    .satisfies(one -> assertThat(one.problem()).contains("a strain"));
        }
    }

    /** Two people send a record of one specimen at once: one of them is stored, and the other is told. */
    @Test
    void twoAtOnceStoreOne() {
        List<Long> staged = List.of(stage(sent("XY1.csv", pull(800, 42))), stage(sent("XY1.csv", pull(790, 43))));
        List<String> said = staged.parallelStream()
                .map(id -> {
                    try {
                        uploads.take(lot, id, Map.of(), "bench");
                        return "stored";
                    } catch (Refusal refusal) {
                        return refusal.words();
                    }
                })
                .toList();
        assertThat(said).containsOnlyOnce("stored").anyMatch(words -> words.contains("has a record already"));
        assertThat(records.of(lot)).hasSize(1);
        assertThat(specimen("XY1").problem()).isEmpty();
    }

    /** A set stands beside another lot's of the same terms, with its mean and band; what does not count is in neither. */
    @Test
    void aSetStandsBesideAnotherLots() {
        LotView first = lot;
        taken(sent("XY1.csv", pull(800, 31)), sent("XY2.csv", pull(760, 32)));
        measured();
        long id = stage(sent("XY1.csv", pull(700, 33)), sent("XY2.csv", pull(720, 34)), sent("XY3.csv", pull(400, 35)));
        String third = uploads.preview(lot, id, Map.of()).candidates().get(2).key();
        uploads.take(lot, id, Map.of("e-" + third, "broke-at-grip"), "bench");
        Curves.Group group = curves.groups(lot).get(0);
        assertThat(curves.others(lot, group)).extracting(Curves.Other::code).contains(first.code());
        Curves.Sheet sheet = curves.sheet(group, List.of(first));
        assertThat(sheet.curves()).hasSize(3).filteredOn(Curves.Curve::counts).hasSize(2);
        Curves.Band own = Objects.requireNonNull(sheet.own());
        assertThat(own.curves()).isEqualTo(2);
        int last = own.mean().length - 1;
        // Both are straight with 2 GPa: at the strain of 700 N, 2.1875 %, the mean is 43.75 MPa.
        assertThat(own.x()[last]).isCloseTo(2.1875f, within(0.02f));
        assertThat(own.mean()[last]).isCloseTo(43.75f, within(0.3f));
        assertThat(sheet.others()).singleElement().satisfies(band -> assertThat(band.words())
                .contains(first.code())
                .contains("2 curves"));
        assertThat(Curves.csv(sheet).lines().findFirst().orElseThrow()).isEqualTo("curve,strain [%],stress [MPa]");
    }

    /** Of a lot that was decided nothing is taken in; of another lot nothing is shown. */
    @Test
    void aRecordBelongsToItsLot() throws Exception {
        taken(sent("XY1.csv", pull(800, 18)));
        long id = record("XY1");
        LotView other = testLots.lot();
        http.perform(get("/lots/" + other.code() + "/records/" + id).with(BENCH))
                .andExpect(status().isNotFound());
        http.perform(get("/lots/" + other.code() + "/records").with(BENCH))
                .andExpect(content().string(not(containsString("/records/" + id))));
        long staged = stage(sent("XY2.csv", pull(800, 19)));
        http.perform(post("/lots/" + lot.code() + "/records/uploads/" + staged)
                        .with(BENCH)
                        .with(csrf())
                        .param(
                                "e-"
                                        + uploads.preview(lot, staged, Map.of())
                                                .candidates()
                                                .get(0)
                                                .key(),
                                "void")
                        .param(
                                "s-"
                                        + uploads.preview(lot, staged, Map.of())
                                                .candidates()
                                                .get(0)
                                                .key(),
                                "XY2"))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("Say in the remark why it is void.")));
        assertThat(specimen("XY2").isTested()).isFalse();
        rejected(lot);
        // The certificate has the record as a vector drawing, frozen with the decision.
        http.perform(get("/lots/" + lot.code() + "/certificate").with(BENCH))
                .andExpect(content().string(allOf(containsString("curve-drawing"), containsString("by extensometer"))));
        assertThatThrownBy(() -> uploads.take(lot, staged, Map.of(), "bench")).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> records.analyse(
                        lot,
                        id,
                        new Rules(0.001, 0.003, Rules.Yield.NONE, java.util.OptionalInt.empty()),
                        "Later on.",
                        "quality"))
                .isInstanceOf(Refusal.class);
    }

    @Test
    void aSpecimenIsToldByTheNameOfItsFile() {
        java.util.Set<String> labels = java.util.Set.of("XY1", "XY10", "ZX1");
        assertThat(Uploads.proposed(lot, lot.code() + "-XY1.csv", labels)).isEqualTo("XY1");
        assertThat(Uploads.proposed(lot, "pull xy10 (2).txt", labels)).isEqualTo("XY10");
        assertThat(Uploads.proposed(lot, "XY1 and ZX1.csv", labels)).isEmpty();
        assertThat(Uploads.proposed(lot, "XY100.csv", labels)).isEmpty();
    }
}
