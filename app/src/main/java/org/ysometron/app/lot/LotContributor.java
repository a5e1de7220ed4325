package org.ysometron.app.lot;

import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Who entered the lot, its samples and its sets, and who conditioned them. */
@Component
class LotContributor implements Contributor {

    private final JdbcTemplate database;

    LotContributor(JdbcTemplate database) {
        this.database = database;
    }

    @Override
    public Set<String> contributors(long lotId) {
        return new TreeSet<>(database.queryForList(
                "select created_by from lot where id = ? union select entered_by from lot_sample where lot_id = ?"
                        + " union select created_by from lot_specimen_set where lot_id = ?"
                        + " union select conditioned_by from lot_specimen_set where lot_id = ? and conditioned_by <> ''"
                        + " union select entered_by from lot_late_entry where lot_id = ?",
                String.class,
                lotId,
                lotId,
                lotId,
                lotId,
                lotId));
    }

    @Override
    public boolean isEvidence() {
        return false;
    }
}
