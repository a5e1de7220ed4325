package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** What was done to a piece of equipment. */
@Entity
@Table(name = "equipment_upkeep")
class UpkeepRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String request;
    Long instrumentId;
    LocalDate doneOn;

    @Enumerated(EnumType.STRING)
    Upkeep.Kind kind;

    String words;

    @Nullable
    Double measured;

    String enteredBy;
    Instant enteredAt;
}
