package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDateTime;

@Entity
@Table(name = "make_rework")
class Rework {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long specimenId;

    @Enumerated(EnumType.STRING)
    Histories.Kind kind;

    String note;
    String cause = "";
    LocalDateTime doneAt;
    String enteredBy;
    Instant enteredAt;
}
