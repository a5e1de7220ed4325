package org.ysometron.app.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.dimension.DiameterLogFile;

/** Diameter logs: streamed in whole or not at all, drawn at every zoom from what was stored. */
class LogTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));

    @Autowired
    private Logs logs;

    @Autowired
    private LogChart chart;

    @Autowired
    private LogUploads uploads;

    @Autowired
    private JdbcTemplate database;

    private LotView lot() {
        String code = "G-" + UUID.randomUUID().toString().substring(0, 8);
        return lots.enter(
                new Lots.NewLot(
                        code, "dunlin-c2", "fern", java.time.LocalDate.now().minusDays(1), "", ""),
                "bench");
    }

    private static byte[] file(int rows) {
        StringBuilder text = new StringBuilder("position [mm],x [mm],y [mm]\n");
        for (int i = 0; i < rows; i++) {
            double d = 1.75 + 0.01 * Math.sin(i / 9.0);
            text.append(String.format(Locale.ROOT, "%d,%.4f,%.4f%n", i * 2, d + 0.005, d - 0.005));
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private ResultActions stream(LotView lot, byte[] bytes, String job) throws Exception {
        return http.perform(post("/lots/" + lot.code() + "/logs/stream")
                .with(BENCH)
                .with(csrf())
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .param("job", job)
                .param("name", "gauge.csv")
                .content(bytes));
    }

    private static String job() {
        return UUID.randomUUID().toString();
    }

    private int rowsOf(String table) {
        Integer count = database.queryForObject("select count(*) from " + table, Integer.class);
        return count == null ? -1 : count;
    }

    @Test
    void aLogIsReadStoredAndDrawnAtEveryZoom() throws Exception {
        LotView lot = lot();
        String job = job();
        stream(lot, file(40_000), job)
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.state").value("done"));
        Logs.LogView log = logs.of(lot.id()).get(0);
        DiameterLog.Result result = logs.result(log.id());

        assertThat(log.rows()).isEqualTo(40_000);
        assertThat(result.mean()).isCloseTo(1.75, within(1e-4));
        assertThat(result.wobble().orElseThrow().wavelength()).isCloseTo(2 * Math.PI * 9 * 2, within(1.0));

        LogChart.Trace whole = chart.trace(log, result, log.first(), log.last());
        assertThat(whole.single()).isFalse();
        assertThat(whole.envelope()).startsWith("M").endsWith("z");
        LogChart.Trace near = chart.trace(log, result, 30_000, 30_200);
        assertThat(near.single()).isTrue();
        assertThat(near.first().split("L")).hasSize(101);
        assertThat(near.left()).isNotNull();
        // Every stored reading is the one that was sent, to the float's last digit.
        Stretch.Reading stored = logs.readings(log.id(), 30_000, 30_000).get(0);
        double sent = 1.75 + 0.01 * Math.sin(15_000 / 9.0) + 0.005;
        assertThat(stored.x()).isCloseTo(sent, within(6e-5));
        assertThat(stored.position()).isEqualTo(30_000);

        http.perform(get("/lots/" + lot.code() + "/logs/" + log.id()).with(BENCH))
                .andExpect(content().string(containsString("wobbles every 113 mm")));
        http.perform(get("/lots/" + lot.code() + "/logs/" + log.id() + "?from=30000&to=30200")
                        .with(BENCH))
                .andExpect(content().string(containsString("101 readings, each drawn")));
        http.perform(get("/lots/" + lot.code() + "/logs/" + log.id() + "?from=a")
                        .with(BENCH))
                .andExpect(status().isBadRequest());
        http.perform(get("/lots/" + lot.code() + "/logs/jobs/" + job).with(BENCH))
                .andExpect(jsonPath("$.rows").value(40_000));
        http.perform(get("/lots/" + lot.code() + "/logs/jobs/" + job)
                        .with(user("other").authorities(new SimpleGrantedAuthority("ENTRY"))))
                .andExpect(status().isNotFound());
    }

    /** A row that cannot be read after stretches were written leaves none of them behind. */
    @Test
    void aBadFileLeavesNothingBehind() throws Exception {
        LotView lot = lot();
        byte[] good = file(40_000);
        int stretches = rowsOf("intake_log_stretch");
        int heads = rowsOf("intake_log");
        for (String tail : List.of("100000,NaN,1.75\n", "100000,-1,1.75\n", "3,1.75,1.75\n", "100000,1.75\n")) {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            bytes.write(good);
            bytes.write(tail.getBytes(StandardCharsets.UTF_8));
            stream(lot, bytes.toByteArray(), job())
                    .andExpect(status().is(422))
                    .andExpect(jsonPath("$.message").value(containsString("Row 40002")))
                    .andExpect(jsonPath("$.message").value(containsString("Nothing was stored")));
        }
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write(good);
        }
        byte[] cut = java.util.Arrays.copyOf(packed.toByteArray(), packed.size() - 500);
        stream(lot, cut, job())
                .andExpect(status().is(422))
                .andExpect(jsonPath("$.message").value(containsString("ends too early")));
        stream(lot, "nonsense".getBytes(StandardCharsets.UTF_8), job()).andExpect(status().is(422));
        stream(lot, "position [mm],x [mm],y [mm]\n1,1.75,1.75\n".getBytes(StandardCharsets.UTF_8), job())
                .andExpect(jsonPath("$.message").value(containsString("two at least")));

        assertThat(rowsOf("intake_log_stretch")).isEqualTo(stretches);
        assertThat(rowsOf("intake_log")).isEqualTo(heads);
        // The same bytes whole and packed are taken in.
        stream(lot, packed.toByteArray(), job()).andExpect(status().isOk());
    }

    /** A double click, and the same file again on another day. */
    @Test
    void theSameFileIsStoredOnce() throws Exception {
        LotView lot = lot();
        byte[] file = file(2000);
        String job = job();
        stream(lot, file, job).andExpect(status().isOk());
        stream(lot, file, job).andExpect(status().isOk());
        stream(lot, file, job())
                .andExpect(status().is(422))
                .andExpect(jsonPath("$.message").value(containsString("already has this file")));
        assertThat(logs.of(lot.id())).hasSize(1);
    }

    @Test
    void anUploadCanBeStoppedAndAConnectionMayBreak() throws Exception {
        LotView lot = lot();
        byte[] file = file(60_000);
        String job = job();
        InputStream stopping = new ByteArrayInputStream(file) {
            @Override
            public synchronized int read(byte[] into, int from, int length) {
                if (pos > file.length / 2) {
                    uploads.cancel(lot, job, "bench");
                }
                return super.read(into, from, Math.min(length, 4096));
            }
        };
        assertThat(uploads.read(lot, null, "f", stopping, "bench", job).state()).isEqualTo(LogUploads.State.CANCELLED);
        InputStream breaking = new ByteArrayInputStream(file) {
            @Override
            public synchronized int read(byte[] into, int from, int length) {
                if (pos > file.length / 2) {
                    throw new java.io.UncheckedIOException(new IOException("connection reset"));
                }
                return super.read(into, from, Math.min(length, 4096));
            }
        };
        assertThat(uploads.read(lot, null, "f", breaking, "bench", job()).message())
                .contains("stopped coming in");
        assertThat(logs.of(lot.id())).isEmpty();
    }

    /** Without a script the whole form is sent; a bad file is answered on a page of its own. */
    @Test
    void theWayWithoutAScript() throws Exception {
        LotView lot = lot();
        http.perform(multipart("/lots/" + lot.code() + "/logs")
                        .file(new MockMultipartFile("file", "g.csv", "text/csv", file(3000)))
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(status().is3xxRedirection());
        http.perform(multipart("/lots/" + lot.code() + "/logs")
                        .file(new MockMultipartFile(
                                "file", "g.csv", "text/csv", "x,y\n".getBytes(StandardCharsets.UTF_8)))
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(status().is(422))
                .andExpect(content().string(containsString("no column for position")));
    }

    /** While a file comes in the lot is anybody's: nothing is locked between two stretches, and no connection held. */
    @Test
    void aLogOnItsWayLocksNothing() throws Exception {
        LotView lot = lot();
        byte[] file = file(60_000);
        boolean[] tried = {false};
        InputStream slow = new ByteArrayInputStream(file) {
            @Override
            public synchronized int read(byte[] into, int from, int length) {
                if (!tried[0] && pos > file.length / 2) {
                    tried[0] = true;
                    // Anybody may lock the lot at once; with a lock on it this fails instead of waiting.
                    database.queryForList("select id from lot where id = ? for update nowait", lot.id());
                    testLots.set(lot, Orientation.XY, 1);
                    assertThat(logs.of(lot.id())).isEmpty();
                }
                return super.read(into, from, Math.min(length, 4096));
            }
        };
        assertThat(uploads.read(lot, null, "f", slow, "bench", job()).state()).isEqualTo(LogUploads.State.DONE);
        assertThat(tried[0]).isTrue();
        assertThat(logs.of(lot.id()).get(0).rows()).isEqualTo(60_000);
    }

    /** A lot decided while its file came in takes it no more, and nothing of it stays. */
    @Test
    void aLotDecidedMeanwhileTakesNoLog() throws Exception {
        LotView lot = lot();
        int heads = rowsOf("intake_log");
        byte[] file = file(20_000);
        InputStream deciding = new ByteArrayInputStream(file) {
            @Override
            public synchronized int read(byte[] into, int from, int length) {
                if (pos > file.length / 2) {
                    database.update("update lot set state = 'REJECTED' where id = ?", lot.id());
                }
                return super.read(into, from, Math.min(length, 4096));
            }
        };
        LogUploads.JobView ended = uploads.read(lot, null, "f", deciding, "bench", job());
        assertThat(ended.state()).isEqualTo(LogUploads.State.REFUSED);
        assertThat(ended.message()).contains("its record is closed");
        assertThat(rowsOf("intake_log")).isEqualTo(heads);
    }

    /** Half a megabyte that unpacks to half a gigabyte of blank lines, and numbers that no gauge gives. */
    @Test
    void bombsAreRefusedEarly() throws Exception {
        LotView lot = lot();
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(packed)) {
            gzip.write("position [mm],x [mm],y [mm]\n0,1.75,1.75\n".getBytes(StandardCharsets.UTF_8));
            byte[] blanks = new byte[1 << 20];
            java.util.Arrays.fill(blanks, (byte) '\n');
            for (int i = 0; i < 500; i++) {
                gzip.write(blanks);
            }
        }
        byte[] bomb = packed.toByteArray();
        int[] taken = {0};
        InputStream counted = new ByteArrayInputStream(bomb) {
            @Override
            public synchronized int read(byte[] into, int from, int length) {
                int read = super.read(into, from, Math.min(length, 4096));
                taken[0] += Math.max(read, 0);
                return read;
            }
        };
        LogUploads.JobView ended = uploads.read(lot, null, "f", counted, "bench", job());
        assertThat(ended.message()).contains("MB without a reading follow");
        assertThat(taken[0]).isLessThan(bomb.length / 4);
        for (String row : List.of("1e300,1.75,1.75", "2,1e300,1.75", "2,1.75,1e300", "2,1.75f,1.75", "2,0x1p1,1.75")) {
            stream(
                            lot,
                            ("position [mm],x [mm],y [mm]\n0,1.75,1.75\n" + row + "\n")
                                    .getBytes(StandardCharsets.UTF_8),
                            job())
                    .andExpect(status().is(422))
                    .andExpect(jsonPath("$.message").value(containsString("Row 3")));
        }
    }

    @Test
    void aFileThatDribblesGivesItsPlaceUp() {
        assertThatThrownBy(() -> logs.store(
                        lot(),
                        null,
                        "f",
                        new Timely(new ByteArrayInputStream(file(10)), java.time.Duration.ofNanos(-1)),
                        "bench"))
                .isInstanceOf(Timely.TooSlow.class);
    }

    /** A name with a folder, a NUL and three hundred letters is stored as a name. */
    @Test
    void aNameOfAFileIsStoredAsAName() throws Exception {
        LotView lot = lot();
        String name = "../x/" + "g".repeat(300) + "\u0000\u202e.csv";
        assertThat(uploads.read(lot, null, name, new ByteArrayInputStream(file(20)), "bench", job())
                        .state())
                .isEqualTo(LogUploads.State.DONE);
        assertThat(logs.of(lot.id()).get(0).fileName())
                .hasSize(200)
                .endsWith("g.csv")
                .doesNotContain("/");
    }

    @Test
    void aClosedLotTakesNoLog() {
        LotView closed = lots.named("DN-0041");
        assertThatThrownBy(() -> logs.store(closed, null, "f", new ByteArrayInputStream(file(10)), "bench"))
                .hasMessageContaining("its record is closed");
        assertThatThrownBy(() -> DiameterLogFile.read(new ByteArrayInputStream(new byte[0]), (z, x, y) -> {}))
                .hasMessageContaining("empty");
    }
}
