package org.ysometron.app.drift;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "drift_signal")
class StoredSignal {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long seriesId;
    Long lotId;
    String rule;

    /** Rule, side and first lot of the run; empty in a row of before identities, until it is worked out anew. */
    String identity;

    String words;
    int baselineVersion;
}
