package org.ysometron.app.bench;

import java.util.HashSet;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Contributor;

/** Who entered or corrected readings, or waived what was owed. */
@Component
class BenchContributor implements Contributor {

    private final ReadingRepository readings;
    private final OwedRepository owed;

    BenchContributor(ReadingRepository readings, OwedRepository owed) {
        this.owed = owed;
        this.readings = readings;
    }

    @Override
    public Set<String> contributors(long lotId) {
        Set<String> all = new HashSet<>(readings.enterers(lotId));
        all.addAll(owed.waivers(lotId));
        return all;
    }

    @Override
    public boolean isEvidence() {
        return true;
    }
}
