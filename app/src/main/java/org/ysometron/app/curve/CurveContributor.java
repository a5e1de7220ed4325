package org.ysometron.app.curve;

import java.util.HashSet;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Contributor;

/** Who took records in, or worked them out otherwise. */
@Component
class CurveContributor implements Contributor {

    private final RecordRepository records;
    private final AnalysisRepository analyses;

    CurveContributor(RecordRepository records, AnalysisRepository analyses) {
        this.records = records;
        this.analyses = analyses;
    }

    @Override
    public Set<String> contributors(long lotId) {
        Set<String> all = new HashSet<>(records.takers(lotId));
        all.addAll(analyses.makers(lotId));
        return all;
    }

    @Override
    public boolean isEvidence() {
        return true;
    }
}
