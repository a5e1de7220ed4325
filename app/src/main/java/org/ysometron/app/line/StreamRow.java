package org.ysometron.app.line;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** One test that an instrument streamed. */
@Entity
@Table(name = "line_stream")
class StreamRow extends Settled {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String serial;
    String epoch;
    long stream;
    long instrumentId;
    String unit;
    String wayUnit;
    int points;
    boolean ended;
    Instant begunAt;

    /** The specimen that was in hand at the bench as it began, and its lot; none where nobody saw it begin. */
    @Nullable
    Long begunLot;

    @Nullable
    String begunFor;
}
