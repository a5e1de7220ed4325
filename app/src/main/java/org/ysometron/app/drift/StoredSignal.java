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
    String words;
    int baselineVersion;
}
