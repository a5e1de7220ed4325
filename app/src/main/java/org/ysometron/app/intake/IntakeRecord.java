package org.ysometron.app.intake;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.sql.Types;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "intake_record")
class IntakeRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;

    @Nullable
    Long sampleId;

    @Enumerated(EnumType.STRING)
    RecordKind kind;

    String request;

    @JdbcTypeCode(Types.LONGVARCHAR)
    String entries;

    boolean live;

    @Nullable
    Long replacesId;

    String reason;
    String enteredBy;
    Instant enteredAt;
}
