package org.ysometron.app.bench;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Results;

/** Tells the rooms before the bench whether a result is known already. */
@Component
class KnownResults implements Results {

    private final ReadingRepository readings;

    KnownResults(ReadingRepository readings) {
        this.readings = readings;
    }

    @Override
    public Map<Long, Instant> known(Collection<Long> specimens) {
        Map<Long, Instant> known = new HashMap<>();
        if (!specimens.isEmpty()) {
            readings.knownOf(specimens).forEach(row -> known.put(row.id(), row.at()));
        }
        return known;
    }
}
