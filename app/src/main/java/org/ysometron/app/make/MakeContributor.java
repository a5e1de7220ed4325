package org.ysometron.app.make;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Contributor;

/** Who printed, cured, reworked, weighed, marked, ordered or inspected. */
@Component
class MakeContributor implements Contributor {

    private static final String SPECIMENS = " in (select id from lot_specimen where lot_id = :lot)";
    private static final String SETS = " in (select id from lot_specimen_set where lot_id = :lot)";

    private final NamedParameterJdbcTemplate database;

    MakeContributor(NamedParameterJdbcTemplate database) {
        this.database = database;
    }

    @Override
    public Set<String> contributors(long lotId) {
        return new TreeSet<>(database.queryForList(
                "select entered_by from make_run where lot_id = :lot"
                        + " union select entered_by from make_chamber where lot_id = :lot"
                        + " union select given_by from make_order where lot_id = :lot"
                        + " union select entered_by from make_rework where specimen_id" + SPECIMENS
                        + " union select entered_by from make_mark where specimen_id" + SPECIMENS
                        + " union select entered_by from make_weighing where set_id" + SETS
                        + " union select entered_by from make_bought where set_id" + SETS
                        + " union select inspected_by from make_bought where inspected_by <> '' and set_id" + SETS,
                Map.of("lot", lotId),
                String.class));
    }

    @Override
    public boolean isEvidence() {
        return true;
    }
}
