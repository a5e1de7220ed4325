package org.ysometron.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** A reading that is fetched after its test. */
@Entity
@Table(name = "bench_owed")
class Owed {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long specimenId;

    /** Key of a field of the method's sheet. */
    String field;

    String saidBy;
    Instant saidAt;

    /** Who said that it will not come; null while it is to. */
    @Nullable
    String waivedBy;

    @Nullable
    Instant waivedAt;

    String waivedReason = "";
}
