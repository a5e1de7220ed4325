package org.ysometron.app.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.ReadingView;
import org.ysometron.app.curve.Records;
import org.ysometron.app.curve.Uploads;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.curve.Piece;
import org.ysometron.core.method.End;
import org.ysometron.instruments.standin.StandIn;
import org.ysometron.instruments.standin.Trouble;
import org.ysometron.instruments.wire.Ledger;
import org.ysometron.instruments.wire.Message;

/** Connected instruments, from their line to the readings of a lot; the instruments are the stand-ins. */
class LineTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));
    private static final RequestPostProcessor QUALITY =
            user("quality").authorities(new SimpleGrantedAuthority("ENTRY"), new SimpleGrantedAuthority("JUDGEMENT"));
    private static final AtomicInteger NUMBER = new AtomicInteger();

    @Autowired
    private Lines lines;

    @Autowired
    private Presses presses;

    @Autowired
    private Streams streams;

    @Autowired
    private Instruments instruments;

    @Autowired
    private Uploads uploads;

    @Autowired
    private Records records;

    @Autowired
    private JdbcTemplate database;

    @TempDir
    private Path folder;

    private final List<StandIn> on = new ArrayList<>();
    private LotView lot;

    @BeforeEach
    void lot() {
        lot = testLots.lot();
    }

    @AfterEach
    void off() {
        lines.lines().forEach(line -> lines.remove(line.id()));
        on.forEach(StandIn::close);
        on.clear();
        away(List.of(lot));
    }

    private static String serial(String kind) {
        return kind + "-T" + NUMBER.incrementAndGet();
    }

    private long register(Kind kind, String serial, OptionalDouble capacity) {
        return instruments
                .register(new Instruments.NewInstrument(
                        kind,
                        "connected " + serial,
                        capacity,
                        capacity.isPresent() ? 0.005 : 0,
                        capacity.isPresent() ? 0 : 0.01,
                        Instruments.Facts.NONE,
                        serial))
                .id();
    }

    private StandIn switchedOn(StandIn.Model model) {
        StandIn one = new StandIn(model, folder, 0);
        on.add(one);
        return one;
    }

    private void listen(StandIn one) {
        lines.add("line", "127.0.0.1:" + one.port(), "quality");
    }

    /** Waits for what another thread brings about; a minute is for a machine under load. */
    private static void until(String what, BooleanSupplier there) {
        Instant end = Instant.now().plus(Duration.ofMinutes(1));
        while (!there.getAsBoolean()) {
            assertThat(Instant.now()).as(what).isBefore(end);
            try {
                Thread.sleep(20);
            } catch (InterruptedException ended) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private Presses.PressView press(StandIn one, long instrument, double truth) {
        int before = presses.waiting(List.of(instrument)).size();
        one.press(truth);
        until("a press of " + truth, () -> presses.waiting(List.of(instrument)).size() > before);
        return presses.waiting(List.of(instrument)).get(before);
    }

    private ResultActions typed(String specimen, String field, String text, Object press) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/bench")
                .with(BENCH)
                .with(csrf())
                .param("specimen", specimen)
                .param("field", field)
                .param("unit", "")
                .param("confirm", text)
                .param("press", String.valueOf(press))
                .param("typed", text));
    }

    private List<ReadingView> readings(String label) {
        return bench.record(lot, label).readings().stream()
                .filter(ReadingView::live)
                .toList();
    }

    private String problem() {
        return lines.lines().get(0).problem();
    }

    /** A press is one reading, of the instrument that sent it, with the digits that it showed, and of no other specimen. */
    @Test
    void aPressIsOneReading() throws Exception {
        StandIn calipers = switchedOn(StandIn.Model.calipers(serial("CL")));
        long id = register(Kind.CALIPERS, calipers.model().serial(), OptionalDouble.empty());
        listen(calipers);
        Presses.PressView sent = press(calipers, id, 4.1);
        assertThat(sent.text()).matches("4\\.\\d{2} mm");

        typed("XY1", "width-1", sent.text(), sent.id()).andExpect(status().is3xxRedirection());
        assertThat(readings("XY1")).singleElement().satisfies(reading -> {
            assertThat(reading.typed()).isEqualTo(sent.text());
            assertThat(reading.instrument().id()).isEqualTo(id);
            assertThat(reading.sent()).isTrue();
        });
        // Sent again by a page that heard no answer: once all the same.
        typed("XY1", "width-1", sent.text(), sent.id()).andExpect(status().is3xxRedirection());
        assertThat(readings("XY1")).hasSize(1);
        assertThat(presses.waiting(List.of(id))).isEmpty();
        // Into another field, or another specimen: it is that of the first.
        typed("XY2", "width-1", sent.text(), sent.id())
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is taken already: " + lot.code() + " XY1, width 1")));
        assertThat(readings("XY2")).isEmpty();
    }

    @Test
    void whatWasSentIsNotWhatSomebodyWrites() throws Exception {
        StandIn calipers = switchedOn(StandIn.Model.calipers(serial("CL")));
        long id = register(Kind.CALIPERS, calipers.model().serial(), OptionalDouble.empty());
        listen(calipers);
        Presses.PressView sent = press(calipers, id, 4.02);
        typed("XY1", "width-1", "3.99 mm", sent.id())
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("is not that")))
                // What was typed stands, and which press it was said to be.
                .andExpect(content().string(containsString("value=\"3.99 mm\"")))
                .andExpect(content().string(containsString("name=\"press\" value=\"" + sent.id() + "\"")));
        assertThat(readings("XY1")).isEmpty();
        assertThat(presses.waiting(List.of(id))).hasSize(1);
        // Left, with a word why; without one it is not.
        assertThatThrownBy(() -> presses.leave(sent.id(), "", "bench")).isInstanceOf(Refusal.class);
        presses.leave(sent.id(), "pressed while it was wiped", "bench");
        assertThat(presses.waiting(List.of(id))).isEmpty();
        typed("XY1", "width-1", sent.text(), sent.id()).andExpect(status().is(422));
        assertThat(readings("XY1")).isEmpty();
    }

    /** One that nobody registered is refused, keeps what was pressed, and is taken once it is in the register. */
    @Test
    void anUnknownInstrumentWaitsForTheRegister() throws Exception {
        StandIn gauge = switchedOn(StandIn.Model.forceGauge(serial("FG")));
        gauge.press(310);
        listen(gauge);
        until("it is refused", () -> problem().contains("no instrument of the register has that serial number"));
        http.perform(get("/instruments").with(QUALITY))
                .andExpect(status().isOk())
                .andExpect(content().string(containsString(gauge.model().serial())));
        assertThat(gauge.waiting()).isEqualTo(1);
        long id = register(Kind.FORCE_GAUGE, gauge.model().serial(), OptionalDouble.of(500));
        until("it is taken", () -> presses.waiting(List.of(id)).size() == 1);
        // Nobody can know any more what it was of: it fills no field by itself.
        assertThat(presses.waiting(List.of(id)).get(0).late()).isTrue();
        until("the instrument forgets", () -> gauge.waiting() == 0);
    }

    @Test
    void anotherInstrumentAtItsPlaceIsAskedAbout() throws Exception {
        StandIn first = switchedOn(StandIn.Model.calipers(serial("CL")));
        register(Kind.CALIPERS, first.model().serial(), OptionalDouble.empty());
        int port = first.port();
        listen(first);
        until("it is heard", () -> !lines.connected().isEmpty());
        first.close();
        StandIn second = new StandIn(StandIn.Model.calipers(serial("CL")), folder, port);
        on.add(second);
        long id = register(Kind.CALIPERS, second.model().serial(), OptionalDouble.empty());
        second.press(4);
        until("it is refused", () -> problem()
                .contains("answers where " + first.model().serial() + " did before"));
        assertThat(presses.waiting(List.of(id))).isEmpty();
        http.perform(post("/instruments/places/" + lines.lines().get(0).id() + "/exchange")
                        .with(QUALITY)
                        .with(csrf()))
                .andExpect(status().is3xxRedirection());
        until("it is taken", () -> presses.waiting(List.of(id)).size() == 1);
    }

    /** M2 and M45: what the instrument says of its range and its unit is held against the register. */
    @Test
    void m2m45RangeAndUnitAreThoseOfTheRegister() {
        StandIn gauge = switchedOn(StandIn.Model.forceGauge(serial("FG")));
        // It ends at 500 N, and somebody wrote down 5000.
        register(Kind.FORCE_GAUGE, gauge.model().serial(), OptionalDouble.of(5000));
        listen(gauge);
        until("it is refused", () -> problem().contains("ends at 500 N, and the register has"));
        lines.lines().forEach(line -> lines.remove(line.id()));

        StandIn mistaken = switchedOn(StandIn.Model.balance(serial("BL")));
        register(Kind.CALIPERS, mistaken.model().serial(), OptionalDouble.empty());
        listen(mistaken);
        until("it is refused", () -> problem().contains("shows 'g', which a calipers does not"));
    }

    /** M2: beyond its range an instrument shows nothing, and that is a bound and no reading. */
    @Test
    void m2BeyondTheRangeIsABound() throws Exception {
        for (int place = 1; place <= 3; place++) {
            bench.enter(lot, testLots.width("XY1", place, "4.00"), "bench");
            bench.enter(lot, testLots.thickness("XY1", place, "4.00"), "bench");
        }
        StandIn gauge = switchedOn(StandIn.Model.forceGauge(serial("FG")));
        long id = register(Kind.FORCE_GAUGE, gauge.model().serial(), OptionalDouble.of(500));
        listen(gauge);
        Presses.PressView over = press(gauge, id, 640);
        assertThat(over.isOver()).isTrue();
        assertThat(over.text()).isEqualTo("500 N");
        Bench.Entry broke =
                new Bench.Entry("XY1", "force", 1, over.text(), End.BROKE_IN_GAUGE, id, over.text()).sentBy(over.id());
        assertThatThrownBy(() -> bench.enter(lot, broke, "bench"))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("its range had ended");
        bench.enter(
                lot,
                new Bench.Entry("XY1", "force", 1, over.text(), End.OVER_CAPACITY, id, over.text()).sentBy(over.id()),
                "bench");
        assertThat(bench.record(lot, "XY1").result().orElseThrow().made().name())
                .isEqualTo("AT_LEAST");
    }

    /** M43: a zero that has crept is pressed like anything else, and voids the test. */
    @Test
    void m43AZeroThatCreptIsPressed() throws Exception {
        bench.enter(lot, testLots.width("XY1", 1, "4.00"), "bench");
        bench.enter(lot, testLots.thickness("XY1", 1, "4.00"), "bench");
        StandIn gauge = switchedOn(StandIn.Model.forceGauge(serial("FG")));
        long id = register(Kind.FORCE_GAUGE, gauge.model().serial(), OptionalDouble.of(500));
        listen(gauge);
        Presses.PressView peak = press(gauge, id, 420);
        Presses.PressView zero = press(gauge, id, 20);
        bench.enterTest(
                lot,
                "XY1",
                List.of(
                        new Bench.Entry("XY1", "force", 1, peak.text(), End.BROKE_IN_GAUGE, id, peak.text())
                                .sentBy(peak.id()),
                        new Bench.Entry("XY1", "zero-change", 1, zero.text(), null, id, zero.text()).sentBy(zero.id())),
                "bench");
        assertThat(bench.record(lot, "XY1").result().orElseThrow().made().name())
                .isEqualTo("NOTHING");
        assertThat(bench.record(lot, "XY1").result().orElseThrow().reason()).contains("zero had moved");
    }

    /** A unit that somebody switched goes with each value: 4.02 mm stay 4.02 mm, shown as 0.158 in. */
    @Test
    void m2AUnitThatWasSwitchedGoesWithTheValue() throws Exception {
        StandIn calipers = switchedOn(StandIn.Model.calipers(serial("CL")));
        long id = register(Kind.CALIPERS, calipers.model().serial(), OptionalDouble.empty());
        listen(calipers);
        calipers.unit();
        Presses.PressView sent = press(calipers, id, 4.02);
        assertThat(sent.text()).endsWith(" in");
        typed("XY1", "width-1", sent.text(), sent.id()).andExpect(status().is3xxRedirection());
        // 1 in is 25.4 mm (exact, agreement of 1959); the display has steps of 0.001 in.
        assertThat(readings("XY1").get(0).value()).isBetween(4.02 - 0.03, 4.02 + 0.03);
    }

    /** A balance does not measure a width. */
    @Test
    void aValueGoesWhereItsInstrumentReads() throws Exception {
        StandIn gauge = switchedOn(StandIn.Model.torqueMeter(serial("TQ")));
        long id = register(Kind.TORQUE_GAUGE, gauge.model().serial(), OptionalDouble.of(5));
        listen(gauge);
        Presses.PressView sent = press(gauge, id, 4.02);
        typed("XY1", "width-1", sent.text(), sent.id()).andExpect(status().is(422));
        assertThat(readings("XY1")).isEmpty();
    }

    /** A line that drops, repeats and changes bytes, and both ends switched off and on: all of it is there, once. */
    @Test
    void everyPressIsKeptOnceWhateverTheLineDoes() throws Exception {
        StandIn calipers = switchedOn(StandIn.Model.calipers(serial("CL")));
        long id = register(Kind.CALIPERS, calipers.model().serial(), OptionalDouble.empty());
        AtomicInteger port = new AtomicInteger(calipers.port());
        int n = 60;
        try (Trouble line = new Trouble(port::get, 0.03, 7)) {
            lines.add("line", "127.0.0.1:" + line.port(), "quality");
            for (int i = 1; i <= n; i++) {
                calipers.press(i);
                if (i % 20 == 0) {
                    calipers.again();
                    port.set(calipers.port());
                }
                if (i % 25 == 0) {
                    lines.stop();
                    lines.start();
                }
                Thread.sleep(5);
            }
            until("all of it", () -> calipers.waiting() == 0);
        }
        List<Double> kept = presses.waiting(List.of(id)).stream()
                .map(one -> Double.valueOf(one.text().replace(" mm", "")))
                .toList();
        assertThat(kept).hasSize(n);
        for (int i = 0; i < n; i++) {
            assertThat(kept.get(i)).isBetween(i + 0.95, i + 1.05);
        }
    }

    /** M34: the peak is found on the stream itself; one stream is one record. M26: a crosshead gives no modulus. */
    @Test
    void m34m26AStreamBecomesOneRecord() throws Exception {
        for (int place = 1; place <= 3; place++) {
            bench.enter(lot, testLots.width("XY1", place, "4.00"), "bench");
            bench.enter(lot, testLots.thickness("XY1", place, "4.00"), "bench");
            bench.enter(lot, testLots.width("XY2", place, "4.00"), "bench");
            bench.enter(lot, testLots.thickness("XY2", place, "4.00"), "bench");
        }
        StandIn tester = switchedOn(StandIn.Model.pullTester(serial("PT")));
        long id = register(Kind.FORCE_GAUGE, tester.model().serial(), OptionalDouble.of(2000));
        listen(tester);
        tester.pull(800, 1200, 200);
        until("the stream", () -> streams.waiting(List.of(id)).stream().anyMatch(Streams.StreamView::ended));
        Streams.StreamView stream = streams.waiting(List.of(id)).get(0);
        assertThat(streams.rows(stream.id()).lines()).hasSize(stream.points());

        String page = http.perform(post("/lots/" + lot.code() + "/records/streams")
                        .with(BENCH)
                        .with(csrf())
                        .param("stream", String.valueOf(stream.id()))
                        .param("method", "tension")
                        .param("specimen", "XY1")
                        .param("readBy", "CROSSHEAD"))
                .andExpect(status().is3xxRedirection())
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        long upload = Long.parseLong(page.substring(page.lastIndexOf('/') + 1));
        // Looked at twice: it is taken by what is stored first.
        long second = uploads.stage(lot, "tension", Piece.By.CROSSHEAD, stream.id(), "XY2", "bench");
        assertThat(uploads.take(lot, upload, Map.of(), "bench")).isTrue();
        assertThat(records.of(lot)).singleElement().satisfies(record -> {
            assertThat(record.label()).isEqualTo("XY1");
            assertThat(record.points()).isEqualTo(stream.points());
        });
        assertThat(readings("XY1").stream()
                        .filter(reading -> reading.field().key().equals("force"))
                        .findFirst()
                        .orElseThrow()
                        .value())
                .isBetween(797.0, 803.0);
        assertThat(readings("XY1")).noneMatch(reading -> reading.field().key().equals("slope"));
        assertThatThrownBy(() -> uploads.take(lot, second, Map.of(), "bench")).isInstanceOf(Refusal.class);
        assertThat(readings("XY2")).noneMatch(reading -> reading.field().key().equals("force"));
        assertThat(streams.waiting(List.of(id))).isEmpty();
        assertThat(database.queryForObject("select used_for from line_stream where id = ?", String.class, stream.id()))
                .isEqualTo(lot.code() + " XY1, record");
    }

    /** A length outside is said while the spool is still wound; the spool becomes one log. */
    @Test
    void aSpoolIsFollowedWhileItIsWound() throws Exception {
        StandIn gauge = switchedOn(StandIn.Model.diameterGauge(serial("DG")));
        long id = register(Kind.DIAMETER_GAUGE, gauge.model().serial(), OptionalDouble.empty());
        listen(gauge);
        Thread winds = new Thread(() -> {
            try {
                gauge.wind(60, 10);
            } catch (InterruptedException ended) {
                Thread.currentThread().interrupt();
            }
        });
        winds.start();
        String page = "/lots/" + lot.code() + "/logs/winding?part=true";
        // The lump lies at 24 m: it is said before the spool is full.
        until("the lump", () -> {
            try {
                return http.perform(get(page).with(BENCH))
                        .andReturn()
                        .getResponse()
                        .getContentAsString()
                        .contains("mm, too thick");
            } catch (Exception failed) {
                throw new IllegalStateException(failed);
            }
        });
        Streams.StreamView running = streams.waiting(List.of(id)).get(0);
        assertThat(running.ended()).isFalse();
        wind(running.id()).andExpect(status().is(422)).andExpect(content().string(containsString("still running")));
        until("its end", () -> streams.waiting(List.of(id)).get(0).ended());
        winds.join();
        wind(running.id()).andExpect(status().is3xxRedirection());
        wind(running.id()).andExpect(status().is(422)).andExpect(content().string(containsString("is taken already")));
        assertThat(database.queryForList("select row_count from intake_log where lot_id = ?", Long.class, lot.id()))
                .containsExactly((long) streams.stream(running.id()).points());
        assertThat(database.queryForObject(
                        "select share_outside from intake_log where lot_id = ?", Double.class, lot.id()))
                // Thirty centimetres of sixty metres.
                .isBetween(0.004, 0.006);
    }

    private ResultActions wind(long stream) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/logs/winding")
                .with(BENCH)
                .with(csrf())
                .param("stream", String.valueOf(stream)));
    }

    /** A pull that somebody saw and left stands on the lot: another account looks at it before the lot leaves. */
    @Test
    void aTestThatWasLeftIsLookedAtByAnother() throws Exception {
        StandIn tester = switchedOn(StandIn.Model.pullTester(serial("PT")));
        long id = register(Kind.FORCE_GAUGE, tester.model().serial(), OptionalDouble.of(2000));
        listen(tester);
        tester.pull(500, 1200, 200);
        until("the stream", () -> streams.waiting(List.of(id)).stream().anyMatch(Streams.StreamView::ended));
        long stream = streams.waiting(List.of(id)).get(0).id();
        begun(stream, "XY9").andExpect(status().is4xxClientError());
        begun(stream, "XY3").andExpect(status().is2xxSuccessful());
        // Said once: who says it again, of another, changes nothing.
        begun(stream, "XY4").andExpect(status().is2xxSuccessful());
        assertThat(streams.stream(stream).begunFor()).isEqualTo("XY3");
        http.perform(post("/instruments/streams/" + stream)
                        .with(BENCH)
                        .with(csrf())
                        .param("reason", ""))
                .andExpect(status().is(422));
        http.perform(post("/instruments/streams/" + stream)
                        .with(BENCH)
                        .with(csrf())
                        .param("reason", "it slid out of the grips, the bar is whole"))
                .andExpect(status().is3xxRedirection());
        assertThat(gateOfTests.blocks(lot)).anySatisfy(block -> assertThat(block.toString())
                .contains("XY3: a test that was streamed")
                .contains("slid out of the grips"));
        http.perform(get("/instruments").with(QUALITY))
                .andExpect(content().string(containsString("slid out of the grips")));
    }

    private ResultActions begun(long stream, String specimen) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/bench/line/streams")
                .with(BENCH)
                .with(csrf())
                .param("stream", String.valueOf(stream))
                .param("specimen", specimen));
    }

    /** Two benches that take one press at the same moment: one has it, the other is told. */
    @Test
    void twoBenchesAndOnePress() throws Exception {
        StandIn calipers = switchedOn(StandIn.Model.calipers(serial("CL")));
        long id = register(Kind.CALIPERS, calipers.model().serial(), OptionalDouble.empty());
        listen(calipers);
        for (int place = 1; place <= 3; place++) {
            Presses.PressView sent = press(calipers, id, 4.02);
            String field = "width-" + place;
            ExecutorService benches = Executors.newFixedThreadPool(2);
            try {
                List<Future<Integer>> answers = new ArrayList<>();
                for (String label : List.of("XY1", "XY2")) {
                    answers.add(benches.submit(() -> typed(label, field, sent.text(), sent.id())
                            .andReturn()
                            .getResponse()
                            .getStatus()));
                }
                List<Integer> statuses = new ArrayList<>();
                for (Future<Integer> answer : answers) {
                    statuses.add(answer.get());
                }
                assertThat(statuses).containsExactlyInAnyOrder(302, 422);
            } finally {
                benches.shutdown();
            }
            assertThat(readings("XY1").size() + readings("XY2").size()).isEqualTo(place);
        }
    }

    /** A file in the drop folder is one instrument's rows; the same file again is the same rows. */
    @Test
    void aDroppedFileIsTakenOnce() throws Exception {
        List<Message.Numbered> kept = new ArrayList<>();
        Ledger ledger = new Ledger() {
            @Override
            public long last(Message.Hello from) {
                if (from.serial().equals("NO-1")) {
                    throw new IllegalStateException("no such instrument");
                }
                return kept.stream().mapToLong(Message.Numbered::seq).max().orElse(0);
            }

            @Override
            public void take(Message.Hello from, List<Message.Numbered> rows) {
                kept.addAll(rows);
            }
        };
        String text = "serial,value,unit,state\nCL-9,4.10,mm,ok\nCL-9,4.02,mm,\nCL-9,,mm,over\n";
        List<String> said = new ArrayList<>();
        FolderDriver driver = new FolderDriver(folder.toString());
        drop("a.csv", text);
        drop("b.csv", "serial,value,unit\nNO-1,3,mm\n");
        drop("c.csv", "serial,value,unit\nCL-9,4.o,mm\n");
        drop("d.csv", "\u0000\u0001");
        drop("e.csv", "");
        try (Driver.Listening listening = driver.open("drop", ledger, said::add)) {
            assertThat(listening).isNotNull();
            until(
                    "the files",
                    () -> Files.exists(folder.resolve("taken/a.csv"))
                            && Files.exists(folder.resolve("refused/e.csv.txt")));
            drop("again.csv", text);
            until("the copy", () -> Files.exists(folder.resolve("taken/again.csv")));
        }
        assertThat(kept).hasSize(3);
        Message.Reading first = (Message.Reading) kept.get(0);
        assertThat(first.value().orElseThrow()).hasToString("4.10");
        assertThat(((Message.Reading) kept.get(2)).state()).isEqualTo(Message.State.OVER);
        // What the register refuses stays, and is said; what nobody can read goes aside with a word.
        assertThat(folder.resolve("b.csv")).exists();
        assertThat(said).anyMatch(words -> words.contains("b.csv stays where it is"));
        assertThat(Files.readString(folder.resolve("refused/c.csv.txt"))).contains("line 2", "'4.o' is no number");
        assertThat(folder.resolve("refused/d.csv.txt")).exists();
    }

    private void drop(String name, String text) throws Exception {
        Path file = Files.writeString(folder.resolve(name), text);
        Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(5)));
    }

    @Test
    void aPlaceThatIsNoneIsRefusedBesideItsField() throws Exception {
        for (String place : List.of("", "nowhere", "127.0.0.1:0", "127.0.0.1:70000", "x y:7", "http://127.0.0.1:80")) {
            http.perform(post("/instruments/places")
                            .with(QUALITY)
                            .with(csrf())
                            .param("way", "line")
                            .param("place", place))
                    .andExpect(status().is(422))
                    .andExpect(content().string(containsString("class=\"wrong\" role=\"alert\"")));
        }
        http.perform(post("/instruments/places")
                        .with(QUALITY)
                        .with(csrf())
                        .param("way", "x")
                        .param("place", "a:1"))
                .andExpect(status().is(422));
        assertThat(lines.lines()).isEmpty();
    }
}
