package org.ysometron.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.core.io.support.EncodedResource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.init.ScriptUtils;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.ysometron.app.evidence.Derivations;

/**
 * A site of 61 lots as version 11 of the database kept it, taken before methods got a room of their own, opens: no reading, answer or
 * certificate is another than before, and all that is derived comes out of the readings as it stood.
 */
@SpringBootTest(properties = {"ysometron.demo=false", "ysometron.derive-every=1h"})
@AutoConfigureMockMvc
class OlderSiteTest {

    private static final String DATABASE = "older";

    /** Of each table what people typed or signed, by key. */
    private static final Map<String, String> KEPT = Map.of(
            "readings",
            "select id, concat_ws('|', specimen_id, lower(field), place, typed, value, replace(outcome, 'DID_NOT_BREAK', 'NO_BREAK'), instrument_id, entered_by, entered_at, live, replaces_id, reason, rig, cause)"
                    + " from bench_reading",
            "answers",
            "select id, concat_ws('|', series_id, lot_id, words, answer, answered_by, answered_at) from drift_answer",
            "decisions",
            "select id, concat_ws('|', lot_id, revision, disposition, reason, decided_by, sha256, snapshot) from gate_decision",
            "lots",
            "select id, concat_ws('|', code, state, made_on, colour) from lot");

    /** Of each table what is worked out, in words that hang on no key of its own. */
    private static final Map<String, String> DERIVED = Map.of(
            "verdicts",
            "select concat_ws(' ', lot_id, claim_id), concat_ws('|', verdict, reason, n, more) from evidence_judgement",
            "points",
            "select concat_ws(' ', series_id, lot_id), concat_ws('|', made_on, n, round(mean, 9), round(sd, 9), bounds, taken_off)"
                    + " from evidence_point",
            "signals",
            "select concat_ws(' ', series_id, lot_id, rule), concat_ws('|', words, baseline_version) from drift_signal");

    private static Map<String, Map<String, String>> before = Map.of();

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private Derivations derivations;

    @Autowired
    private MockMvc http;

    @DynamicPropertySource
    static void olderSite(DynamicPropertyRegistry registry) throws IOException, SQLException {
        try (Connection connection =
                DriverManager.getConnection(TestDatabase.url(DATABASE), "ysometron", TestDatabase.PASSWORD)) {
            load(connection);
            before = read(new JdbcTemplate(
                    new org.springframework.jdbc.datasource.SingleConnectionDataSource(connection, true)));
        }
        TestDatabase.register(registry, DATABASE);
    }

    private static void load(Connection connection) throws IOException, SQLException {
        String script;
        try (InputStream in = new GZIPInputStream(
                Objects.requireNonNull(OlderSiteTest.class.getResourceAsStream("site-of-version-11.sql.gz")))) {
            script = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        try (Statement sql = connection.createStatement()) {
            sql.execute("set foreign_key_checks = 0");
        }
        ScriptUtils.executeSqlScript(
                connection,
                new EncodedResource(new ByteArrayResource(script.getBytes(StandardCharsets.UTF_8)), "UTF-8"));
        try (Statement sql = connection.createStatement()) {
            sql.execute("set foreign_key_checks = 1");
        }
    }

    private static Map<String, Map<String, String>> read(JdbcTemplate database) {
        Map<String, Map<String, String>> rows = new TreeMap<>();
        // What a reading is of was called its quantity before a method had a sheet of its own.
        boolean older = database.queryForList("show columns from bench_reading like 'quantity'")
                        .size()
                > 0;
        for (Map<String, String> tables : List.of(KEPT, DERIVED)) {
            tables.forEach((name, query) -> rows.put(
                    name,
                    database
                            .query(
                                    older ? query.replace("lower(field)", "lower(quantity)") : query,
                                    (row, number) -> Map.entry(row.getString(1), row.getString(2)))
                            .stream()
                            .collect(Collectors.toMap(
                                    Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a + " and " + b, TreeMap::new))));
        }
        return rows;
    }

    /** Everything derived is thrown away and made anew from the readings: nothing of it is another than it was. */
    @Test
    void nothingOfItIsAnother() {
        assertThat(before.get("readings")).hasSizeGreaterThan(3000);
        assertThat(before.get("verdicts")).hasSizeGreaterThan(300);
        assertThat(before.get("signals")).isNotEmpty();
        database.update("insert into site_revision (scope, revision) values ('register', 1)"
                + " on duplicate key update revision = revision + 1");
        database.update("delete from evidence_judgement where lot_id in (select id from lot where state = 'WAITING')");
        database.update(
                "update evidence_point set mean = mean + 1 where lot_id in (select id from lot where state = 'WAITING')");

        derivations.refresh(database.queryForList("select id from product", Long.class));

        Map<String, Map<String, String>> after = read(database);
        before.forEach((table, rows) -> assertThat(after.get(table)).as(table).containsExactlyEntriesOf(rows));
    }

    /** Its pages open, those of lots long decided too. */
    @Test
    void itsPagesOpen() throws Exception {
        List<String> codes = database.queryForList("select code from lot order by id", String.class);
        for (int i = 0; i < codes.size(); i += 9) {
            for (String page : List.of("", "/evidence", "/decision", "/bench")) {
                http.perform(get("/lots/" + codes.get(i) + page)
                                .with(user("release")
                                        .authorities(
                                                new SimpleGrantedAuthority("ENTRY"),
                                                new SimpleGrantedAuthority("JUDGEMENT"),
                                                new SimpleGrantedAuthority("RELEASE"))))
                        .andExpect(status().isOk());
            }
        }
    }
}
