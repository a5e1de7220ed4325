package org.ysometron.app.curve;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.curve.Piece;

/** The record of one specimen; never changed. */
@Entity
@Immutable
@Table(name = "curve_record")
class RecordRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long specimenId;

    /** Of several records of one test: by extensometer first, by crosshead behind it. */
    int place;

    /** The file that it stood in; none where an instrument sent it. */
    @Nullable
    Long fileId;

    String name;
    int points;

    @Enumerated(EnumType.STRING)
    Piece.By readBy;

    @Nullable
    Double compliance;

    @Nullable
    Double capacity;

    Long instrumentId;

    @JdbcTypeCode(java.sql.Types.LONGVARBINARY)
    byte[] packed;

    String sha256;
    String takenBy;
    Instant takenAt;
}
