package org.ysometron.app.evidence;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.ysometron.core.plan.Bridging;

@Entity
@Table(name = "evidence_bridge")
class Bridge {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long oldSeriesId;
    Long newSeriesId;
    int lots;
    double difference;
    double lowerEnd;
    double upperEnd;
    double margin;

    @Enumerated(EnumType.STRING)
    Bridging.Finding finding;

    double takenOff;
    String reason;
    String decidedBy;
    Instant decidedAt;

    /** Standard uncertainty of what is taken off, common to every point that it is taken off from. */
    double uncertainty() {
        return Bridging.uncertainty(lots, lowerEnd, upperEnd);
    }

    /** Whether the two share a chart from then on. */
    boolean joins() {
        return finding != Bridging.Finding.APART;
    }
}
