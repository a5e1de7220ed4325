package org.ysometron.app.gate;

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
import org.ysometron.core.gate.Disposition;

@Entity
@Table(name = "gate_decision")
class Decision {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    int revision;

    @Enumerated(EnumType.STRING)
    Disposition disposition;

    String reason;
    String particulars = "";
    String decidedBy;
    String secondBy = "";
    Instant decidedAt;

    @JdbcTypeCode(Types.LONGVARCHAR)
    String snapshot;

    @JdbcTypeCode(Types.CHAR)
    String sha256;
}
