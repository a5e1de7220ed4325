package org.ysometron.app.drift;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "drift_baseline")
class Baseline {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long seriesId;
    int version;
    int lots;
    double centre;
    double sigma;
    double meanRange;
    double rangeUpper;

    @Nullable
    Double spread;

    /** Harmonic mean of its lots' n; null where its limits are the same for every n, as they were signed. */
    @Nullable
    Double size;

    /** Names of the rules that were signed with it. */
    String rules;

    String signedBy;
    Instant signedAt;
    String reason;
}
