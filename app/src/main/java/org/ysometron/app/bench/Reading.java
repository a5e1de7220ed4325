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
import org.ysometron.core.method.End;

@Entity
@Table(name = "bench_reading")
class Reading {

    static final Byte LIVE = 1;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long specimenId;

    /** Key of a field of the method's sheet. */
    String field;

    int place;
    String typed;

    /** In the working unit; none for a word. */
    @Nullable
    Double value;

    /** How the test ended; with the one reading that closed it. */
    @Enumerated(EnumType.STRING)
    @Nullable
    End outcome;

    Long instrumentId;
    String enteredBy;
    Instant enteredAt;

    @Nullable
    Long importId;

    /** The analysis of a record that it was found by; none for what was typed. */
    @Nullable
    Long analysisId;

    /** What a connected instrument sent it by; none for what was typed. */
    @Nullable
    Long pressId;

    @Nullable
    Byte live;

    @Nullable
    Long replacesId;

    String reason;
    String cause = "";
    String rig = "";

    /** Which revision of the site's method was in force. */
    int methodRevision = 1;
}
