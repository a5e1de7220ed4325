package org.ysometron.app.bench;

import java.util.HashSet;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Contributor;

/** Who entered or corrected readings. */
@Component
class BenchContributor implements Contributor {

    private final ReadingRepository readings;

    BenchContributor(ReadingRepository readings) {
        this.readings = readings;
    }

    @Override
    public Set<String> contributors(long lotId) {
        return new HashSet<>(readings.enterers(lotId));
    }

    @Override
    public boolean isEvidence() {
        return true;
    }
}
