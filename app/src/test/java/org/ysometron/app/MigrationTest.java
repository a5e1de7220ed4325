package org.ysometron.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationVersion;
import org.junit.jupiter.api.Test;
import org.ysometron.app.store.SetupMigration;
import org.ysometron.app.web.SentFile;

/** Data of an older version must still open: rows of version 1 are carried over by the migrations that came since. */
class MigrationTest {

    private static final String URL = TestDatabase.url("migration");

    private static void migrate(MigrationVersion target) {
        migrate(URL, target);
    }

    private static void migrate(String url, MigrationVersion target) {
        Flyway.configure()
                .dataSource(url, "ysometron", TestDatabase.PASSWORD)
                .locations("classpath:db/migration")
                .javaMigrations(new SetupMigration())
                .target(target)
                .load()
                .migrate();
    }

    /**
     * A migration that has left is never changed: a site that ran it would refuse to open. Each has its line here from the day it is made; a line
     * is never altered.
     */
    @Test
    void noMigrationThatHasLeftIsAltered() throws IOException {
        Path migrations = Path.of("src/main/resources/db/migration");
        Map<String, String> sums = new TreeMap<>();
        try (Stream<Path> files = Files.list(migrations)) {
            for (Path file : files.toList()) {
                sums.put(file.getFileName().toString(), SentFile.sha256(Files.readAllBytes(file)));
            }
        }
        Map<String, String> written = new TreeMap<>();
        for (String line : Files.readAllLines(Path.of("src/test/resources/migrations.txt"))) {
            String[] parts = line.split(" ");
            written.put(parts[0], parts[1]);
        }

        assertThat(sums).isEqualTo(written);
    }

    /** Limits that were signed before they followed n keep the rules of then, and are the same for every n. */
    @Test
    void limitsOfBeforeKeepWhatWasSigned() throws SQLException {
        String url = TestDatabase.url("migration_of_limits");
        migrate(url, MigrationVersion.fromVersion("24"));
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            sql.execute("set foreign_key_checks = 0");
            sql.execute(
                    "insert into drift_baseline (series_id, version, lots, centre, sigma, mean_range, range_upper, signed_by,"
                            + " signed_at, reason) values (1, 1, 20, 28, 0.6, 0.68, 2.2, 'quality', now(), 'first twenty')");
        }
        migrate(url, MigrationVersion.LATEST);
        assertThat(texts(url, "select concat(coalesce(size, 'every n'), ': ', rules) from drift_baseline"))
                .containsExactly("every n: BEYOND_LIMITS EIGHT_ON_ONE_SIDE SPREAD_BEYOND_LIMIT");
    }

    /** Events that were written down before their forms had keys stay, each with a key of its own. */
    @Test
    void eventsOfBeforeStay() throws SQLException {
        String url = TestDatabase.url("migration_of_events");
        migrate(url, MigrationVersion.fromVersion("29"));
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            for (int i = 0; i < 2; i++) {
                sql.execute("insert into drift_event (happened_on, kind, words, entered_by, entered_at) values"
                        + " ('2026-01-01', 'NOTE', 'a new climate cabinet', 'quality', now())");
            }
        }
        migrate(url, MigrationVersion.LATEST);
        assertThat(texts(url, "select concat(words, ', ', request) from drift_event order by id"))
                .containsExactly("a new climate cabinet, before-1", "a new climate cabinet, before-2");
    }

    @Test
    void claimsOfTheFirstVersionBecomeStatements() throws SQLException {
        migrate(MigrationVersion.fromVersion("1"));
        try (Connection connection = DriverManager.getConnection(URL, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            sql.execute(
                    "insert into product (code, name, material, colours, caution) values ('a', 'A', 'PP', 'x', '')");
            sql.execute("insert into product_datasheet (product_id, revision, valid_from) values (1, 1, '2025-01-01')");
            sql.execute(
                    "insert into product_claim (datasheet_id, place, property, as_typed, lower_edge, upper_edge,"
                            + " minimum_n, method, basis, orientation, conditioning, rate, design) values"
                            + " (1, 1, 'TENSILE_STRENGTH', 'at least 50 MPa', 50, null, 5, 'tension', 'SOLID', 'XY', 'DRY', 5, 'd'),"
                            + " (1, 2, 'SECTION_WIDTH', '4 mm ± 0.1 mm', 3.9, 4.1, 5, 'tension', 'SOLID', 'XY', 'DRY', 5, 'd')");
            sql.execute(
                    "insert into lot (version, code, product_id, datasheet_id, colour, made_on, size, note, state,"
                            + " created_by, created_at) values (0, 'L', 1, 1, 'x', '2025-02-01', '', '', 'WAITING', 'b', now())");
            sql.execute("insert into lot_specimen_set (lot_id, request, design, orientation, basis, conditioning, rate,"
                    + " created_by, created_at) values (1, 'r', 'TENSION_BAR_4', 'XY', 'SOLID', 'DRY', 5, 'b', now())");
            sql.execute("insert into equipment_instrument (kind, name, capacity, relative_uncertainty,"
                    + " absolute_uncertainty) values ('FORCE_GAUGE', 'g', 500, 0.005, 0)");
            sql.execute(
                    "insert into evidence_series (product_id, colour, property, method, basis, orientation,"
                            + " conditioning, rate, design) values (1, 'x', 'TENSILE_STRENGTH', 'tension', 'SOLID', 'XY', 'DRY', 5, 'd')");
        }
        migrate(MigrationVersion.LATEST);
        try (Connection connection = DriverManager.getConnection(URL, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            ResultSet rows =
                    sql.executeQuery("select s.topic, s.form, s.as_typed, p.kind, l.code from product_statement s"
                            + " join product_publication p on p.id = s.publication_id join lot l on l.datasheet_id = p.id"
                            + " order by s.place");
            rows.next();
            assertThat(rows.getString(1)).isEqualTo("TENSILE_STRENGTH");
            assertThat(rows.getString(2)).isEqualTo("AT_LEAST");
            assertThat(rows.getString(3)).isEqualTo("50 MPa");
            assertThat(rows.getString(4)).isEqualTo("DATASHEET");
            assertThat(rows.getString(5)).isEqualTo("L");
            rows.next();
            assertThat(rows.getString(2)).isEqualTo("BETWEEN");
            assertThat(rows.getString(3)).isEqualTo("4 mm ± 0.1 mm");
            ResultSet set =
                    sql.executeQuery("select s.method, s.notch, s.scale, s.setup, i.places, i.rig, e.setup, e.process"
                            + " from lot_specimen_set s, equipment_instrument i, evidence_series e");
            set.next();
            assertThat(set.getString(1)).isEqualTo("tension");
            assertThat(set.getString(2)).isEqualTo("NONE");
            assertThat(set.getDouble(3)).isEqualTo(1);
            assertThat(set.getInt(5)).isEqualTo(1);
            for (int column : new int[] {4, 6, 7, 8}) {
                assertThat(set.getString(column)).isEmpty();
            }
        }
    }

    /** Walls and infill in words stay in words, where they stand in the key of their series already. */
    @Test
    void aBuildInWordsStaysInTheKeyOfItsSeries() throws SQLException {
        String url = TestDatabase.url("migration_of_builds");
        migrate(url, MigrationVersion.fromVersion("16"));
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            sql.execute("set foreign_key_checks = 0");
            for (String process : new String[] {"", "annealed 80 °C"}) {
                sql.execute("insert into plan_line (place, method, design, orientation, notch, basis, build,"
                        + " conditioning, rate, n, process, expected, deviation) values (1, 'part-load', 'HOOK', 'XY',"
                        + " 'NONE', 'AS_PRINTED', '3 walls, 20 % gyroid', 'DRY', 5, 2, '" + process + "', '', '')");
            }
            sql.execute("insert into evidence_series (product_id, colour, property, method, basis, orientation,"
                    + " conditioning, rate, design, process) values (1, 'x', 'part-load', 'part-load', 'AS_PRINTED', 'XY',"
                    + " 'DRY', 5, 'hook', '3 walls, 20 % gyroid; annealed 80 °C')");
        }
        migrate(url, MigrationVersion.LATEST);
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            ResultSet lines = sql.executeQuery("select l.process, l.built, s.process, s.built from plan_line l"
                    + " left join evidence_series s on s.process = l.process and s.built = l.built order by l.id");
            lines.next();
            assertThat(lines.getString(1)).isEqualTo("3 walls, 20 % gyroid");
            assertThat(lines.getString(2)).isEmpty();
            lines.next();
            assertThat(lines.getString(1)).isEqualTo("3 walls, 20 % gyroid; annealed 80 °C");
            assertThat(lines.getString(3)).isEqualTo(lines.getString(1));
        }
    }

    /** A set-up in one text becomes factors, by the makings and rigs on record; what was alike stays alike. */
    @Test
    void aSetUpInOneTextBecomesFactors() throws SQLException {
        String url = TestDatabase.url("migration_of_setups");
        migrate(url, MigrationVersion.fromVersion("1"));
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            sql.execute(
                    "insert into product (code, name, material, colours, caution) values ('a', 'A', 'PP', 'x', '')");
            sql.execute("insert into product_datasheet (product_id, revision, valid_from) values (1, 1, '2025-01-01')");
            sql.execute(
                    "insert into lot (version, code, product_id, datasheet_id, colour, made_on, size, note, state,"
                            + " created_by, created_at) values (0, 'L', 1, 1, 'x', '2025-02-01', '', '', 'WAITING', 'b', now())");
            sql.execute("insert into equipment_instrument (kind, name, capacity, relative_uncertainty,"
                    + " absolute_uncertainty) values ('FORCE_GAUGE', 'g', 500, 0.005, 0)");
        }
        migrate(url, MigrationVersion.fromVersion("17"));
        String bought = "made by works; hall 2 on machine A, file 3";
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement()) {
            sql.execute("set foreign_key_checks = 0");
            for (String setup : new String[] {"printer 1, recipe 2", bought}) {
                sql.execute(
                        "insert into lot_specimen_set (lot_id, request, design, orientation, basis, conditioning, rate,"
                                + " setup, created_by, created_at) values (1, '" + setup.length()
                                + "', 'TENSION_BAR_4', 'XY', 'SOLID', 'DRY', 5, '" + setup + "', 'b', now())");
            }
            int place = 0;
            for (String rig : new String[] {"frame 1, wedge grips", "frame 1, wedge grips; with a spacer"}) {
                sql.execute(
                        "insert into bench_reading (lot_id, specimen_id, field, place, typed, value, instrument_id, live,"
                                + " reason, entered_by, entered_at, rig) values (1, 1, 'force', " + ++place
                                + ", '5 N', 5, 1, 1, '', 'b', now(), '" + rig + "')");
            }
            for (String setup : new String[] {
                "",
                "printer 1, recipe 2",
                "printer 1, recipe 2; frame 1, wedge grips",
                "printer 1, recipe 2; frame 1, wedge grips; loaded before, dried again",
                "printer 1, recipe 2; frame 1, wedge grips; with a spacer",
                "frame 1, wedge grips",
                "thread cut again",
                bought + "; frame 1, wedge grips"
            }) {
                sql.execute("insert into evidence_series (product_id, colour, property, method, basis, orientation,"
                        + " conditioning, rate, design, setup) values (1, 'x', 'p', 'tension', 'SOLID', 'XY',"
                        + " 'DRY', 5, 'bar', '" + setup + "')");
            }
        }
        migrate(url, MigrationVersion.LATEST);
        assertThat(texts(url, "select setup from lot_specimen_set order by id"))
                .containsExactly("printer=printer 1|recipe=2", "maker=" + bought);
        assertThat(texts(url, "select setup from evidence_series order by id"))
                .containsExactly(
                        "",
                        "printer=printer 1|recipe=2",
                        "printer=printer 1|recipe=2|rig=frame 1, wedge grips",
                        "printer=printer 1|recipe=2|rig=frame 1, wedge grips|rework=loaded before, dried again",
                        "printer=printer 1|recipe=2|rig=frame 1, wedge grips; with a spacer",
                        "rig=frame 1, wedge grips",
                        "rework=thread cut again",
                        "maker=" + bought + "|rig=frame 1, wedge grips");
    }

    private static List<String> texts(String url, String query) throws SQLException {
        List<String> found = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection(url, "ysometron", TestDatabase.PASSWORD);
                Statement sql = connection.createStatement();
                ResultSet rows = sql.executeQuery(query)) {
            while (rows.next()) {
                found.add(rows.getString(1));
            }
        }
        return found;
    }
}
