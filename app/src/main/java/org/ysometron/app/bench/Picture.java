package org.ysometron.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.sql.Types;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.jspecify.annotations.Nullable;

/** A photograph of a specimen, as it was drawn anew. */
@Entity
@Table(name = "bench_picture")
class Picture {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long specimenId;

    /** Of the file as it came. */
    @JdbcTypeCode(Types.CHAR)
    String sha256;

    String fileName;
    String shows;
    int width;
    int height;

    /** Millimetres from its left to its right edge; null where nobody said. */
    @Nullable
    Double across;

    /** Where it broke, as shares of width and height; null where nobody said. */
    @Nullable
    Double markAcross;

    @Nullable
    Double markDown;

    @JdbcTypeCode(Types.LONGVARBINARY)
    byte[] content;

    @JdbcTypeCode(Types.LONGVARBINARY)
    byte[] thumbnail;

    String takenInBy;
    Instant takenInAt;

    /** Who found that it does not belong here; null while it does. */
    @Nullable
    String struckBy;

    String struckReason = "";
}
