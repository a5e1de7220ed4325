package org.ysometron.app.intake;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.jdbc.core.namedparam.NamedParameterJdbcTemplate;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Contributor;

/** Who entered records of intake and diameter logs. */
@Component
class IntakeContributor implements Contributor {

    private final NamedParameterJdbcTemplate database;

    IntakeContributor(NamedParameterJdbcTemplate database) {
        this.database = database;
    }

    @Override
    public Set<String> contributors(long lotId) {
        return new TreeSet<>(database.queryForList(
                "select entered_by from intake_record where lot_id = :lot union select entered_by from intake_log where lot_id = :lot",
                Map.of("lot", lotId),
                String.class));
    }

    @Override
    public boolean isEvidence() {
        return true;
    }
}
