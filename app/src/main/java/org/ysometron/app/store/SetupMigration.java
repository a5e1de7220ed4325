package org.ysometron.app.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.core.claim.Setup;

/**
 * Set-ups of before, one joined text, become factors. A text is taken apart by what is on record beside it, the makings of the sets and
 * the rigs of the readings, so that series and sets that were alike are alike afterwards, and no chart is cut.
 */
@Component
public class SetupMigration implements JavaMigration {

    private static final String PARTED = "; ";
    private static final Pattern BY_RECIPE = Pattern.compile("(.*), recipe (\\d{1,9})", Pattern.DOTALL);

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("18");
    }

    @Override
    public String getDescription() {
        return "factors of a setup";
    }

    @Override
    public @Nullable Integer getChecksum() {
        return null;
    }

    @Override
    public boolean canExecuteInTransaction() {
        return true;
    }

    @Override
    public void migrate(Context context) throws SQLException {
        Connection connection = context.getConnection();
        try (Statement sql = connection.createStatement()) {
            sql.execute("alter table lot_specimen_set modify column setup varchar(300) not null default ''");
            sql.execute("alter table evidence_series modify column setup varchar(300) not null default ''");
        }
        Map<String, Setup> makings = new LinkedHashMap<>();
        longestFirst(texts(connection, "select distinct setup from lot_specimen_set where setup <> ''"))
                .forEach(text -> makings.put(text, making(text)));
        List<String> rigs = longestFirst(texts(connection, "select distinct rig from bench_reading where rig <> ''"));
        for (Map.Entry<String, Setup> making : makings.entrySet()) {
            put(connection, "lot_specimen_set", making.getKey(), making.getValue());
        }
        for (String text : texts(connection, "select distinct setup from evidence_series where setup <> ''")) {
            put(connection, "evidence_series", text, apart(text, makings, rigs));
        }
    }

    /** The factors of a text of before. */
    static Setup apart(String text, Map<String, Setup> makings, List<String> rigs) {
        String made = makings.keySet().stream()
                .filter(known -> begins(text, known))
                .findFirst()
                .orElse("");
        String rest = after(text, made);
        String rig =
                rigs.stream().filter(known -> begins(rest, known)).findFirst().orElse("");
        return makings.getOrDefault(made, Setup.NONE).tested(rig, after(rest, rig));
    }

    private static Setup making(String text) {
        Matcher byRecipe = BY_RECIPE.matcher(text);
        return byRecipe.matches()
                ? Setup.printed(byRecipe.group(1), Integer.parseInt(byRecipe.group(2)))
                : Setup.bought(text);
    }

    private static boolean begins(String text, String part) {
        return text.equals(part) || text.startsWith(part + PARTED);
    }

    private static String after(String text, String part) {
        return part.isEmpty() ? text : text.equals(part) ? "" : text.substring(part.length() + PARTED.length());
    }

    private static List<String> longestFirst(List<String> texts) {
        texts.sort(Comparator.comparing(String::length).reversed());
        return texts;
    }

    private static List<String> texts(Connection connection, String query) throws SQLException {
        List<String> found = new ArrayList<>();
        try (Statement sql = connection.createStatement();
                ResultSet rows = sql.executeQuery(query)) {
            while (rows.next()) {
                found.add(rows.getString(1));
            }
        }
        return found;
    }

    private static void put(Connection connection, String table, String text, Setup setup) throws SQLException {
        try (PreparedStatement sql =
                connection.prepareStatement("update " + table + " set setup = ? where binary setup = ?")) {
            sql.setString(1, setup.key());
            sql.setString(2, text);
            sql.executeUpdate();
        }
    }
}
