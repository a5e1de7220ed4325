package org.ysometron.app.store;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Counters of what verdicts rest on besides their own lot: they only rise, so a sum of them tells whether anything was
 * written since something was derived.
 */
@Component
public class Revisions {

    /** Instruments, calibrations and what the site has set. */
    public static final String REGISTER = "register";

    private final JdbcTemplate database;

    Revisions(JdbcTemplate database) {
        this.database = database;
    }

    /** What is published about a product, and what it is. */
    public static String product(long productId) {
        return "product-" + productId;
    }

    /** The points of a product's lots. */
    public static String history(long productId) {
        return "history-" + productId;
    }

    /** Says that something of this kind was written; part of the step that wrote it. */
    public void raise(String scope) {
        database.update(
                "insert into site_revision (scope, revision) values (?, 1) on duplicate key update revision = revision + 1",
                scope);
    }

    /** All counters by scope; one that was never raised is left out. */
    public Map<String, Long> all() {
        Map<String, Long> found = new HashMap<>();
        database.query("select scope, revision from site_revision", row -> {
            found.put(row.getString(1), row.getLong(2));
        });
        return found;
    }

    /** The sum of these counters. */
    public static long sum(Map<String, Long> all, Collection<String> scopes) {
        return scopes.stream().mapToLong(scope -> all.getOrDefault(scope, 0L)).sum();
    }
}
