package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** How parts of a run ended. */
@Entity
@Table(name = "make_part")
class Part {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String request;
    Long runId;

    @Enumerated(EnumType.STRING)
    Prints.Ended ended;

    int parts;
    String note;
    String enteredBy;
    Instant enteredAt;
}
