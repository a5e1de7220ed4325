package org.ysometron.app.lot;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Component;

/** Who entered the lot, its samples and its sets, and who conditioned them. */
@Component
class LotContributor implements Contributor {

    private final NamedParameterJdbcTemplate database;

    LotContributor(NamedParameterJdbcTemplate database) {
        this.database = database;
    }

    @Override
    public Set<String> contributors(long lotId) {
        return new TreeSet<>(database.queryForList(
                "select created_by from lot where id = :lot union select entered_by from lot_sample where lot_id = :lot"
                        + " union select created_by from lot_specimen_set where lot_id = :lot"
                        + " union select conditioned_by from lot_specimen_set where lot_id = :lot and conditioned_by <> ''"
                        + " union select entered_by from lot_late_entry where lot_id = :lot",
                Map.of("lot", lotId),
                String.class));
    }

    @Override
    public boolean isEvidence() {
        return false;
    }
}
