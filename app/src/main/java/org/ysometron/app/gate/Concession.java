package org.ysometron.app.gate;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.sql.Types;
import java.time.Instant;
import java.time.LocalDate;
import org.hibernate.annotations.JdbcTypeCode;

@Entity
@Table(name = "gate_concession")
class Concession {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    String scope;
    String amount;
    LocalDate untilDay;
    String reason;

    @JdbcTypeCode(Types.LONGVARCHAR)
    String covers;

    String signedBy;
    Instant signedAt;
    boolean ended;
}
