package org.ysometron.app.curve;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.curve.Piece;

/** Files that were sent together: looked at first, then taken in whole or not at all. */
@Entity
@Table(name = "curve_upload")
class Upload {

    static final String STAGED = "STAGED";
    static final String TAKEN = "TAKEN";

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    String method;

    @Enumerated(EnumType.STRING)
    Piece.By readBy;

    @Enumerated(EnumType.STRING)
    Second secondBy;

    Long instrumentId;

    /** Empty until one was found or said. */
    String layout = "";

    /** Files that were taken before, one a line. */
    String passedOver = "";

    /** The stream of an instrument that it is; null for files. */
    @Nullable
    Long streamId;

    String state;
    String stagedBy;
    Instant stagedAt;
}
