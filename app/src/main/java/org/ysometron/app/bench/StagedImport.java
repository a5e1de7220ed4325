package org.ysometron.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A file of readings: kept as it came, looked at first, then taken in whole or not at all. */
@Entity
@Table(name = "bench_import")
class StagedImport {

    static final String STAGED = "STAGED";
    static final String TAKEN = "TAKEN";

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    String fileName;

    @org.hibernate.annotations.JdbcTypeCode(java.sql.Types.CHAR)
    String sha256;

    @org.hibernate.annotations.JdbcTypeCode(java.sql.Types.LONGVARCHAR)
    String content;

    Long gaugeId;
    String state;
    int rowCount;
    String stagedBy;
    Instant stagedAt;
}
