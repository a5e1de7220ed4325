package org.ysometron.app.drift;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "drift_baseline_lot")
class BaselineLot {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long baselineId;
    Long lotId;
    double mean;

    @Nullable
    Double sd;

    int n;
}
