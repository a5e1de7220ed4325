package org.ysometron.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.method.Outcome;

@Entity
@Table(name = "bench_reading")
class Reading {

    static final Byte LIVE = 1;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long specimenId;

    @Enumerated(EnumType.STRING)
    Quantity quantity;

    int place;
    String typed;
    double value;

    @Enumerated(EnumType.STRING)
    @Nullable
    Outcome outcome;

    Long instrumentId;
    String enteredBy;
    Instant enteredAt;

    @Nullable
    Long importId;

    @Nullable
    Byte live;

    @Nullable
    Long replacesId;

    String reason;
    String cause = "";
    String rig = "";
}
