package org.ysometron.app.gate;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Something that newer arithmetic says otherwise of a decided lot. */
@Entity
@Table(name = "gate_recomputed")
class RecomputedRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long decisionId;
    String what;
    String was;
    String wouldBe;
    Instant foundAt;

    @Nullable
    String answer;

    @Nullable
    String answeredBy;

    @Nullable
    Instant answeredAt;
}
