package org.ysometron.app.drift;

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

@Entity
@Table(name = "drift_event")
class Event {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    /** Of the form that it was entered by: sent twice, it is entered once. */
    String request;

    /** Null for what concerns the charts of every product. */
    @Nullable
    Long productId;

    /** With the lot where it is a note at one lot of one chart; null for an event, which stands by its day. */
    @Nullable
    Long seriesId;

    @Nullable
    Long lotId;

    LocalDate happenedOn;

    @Enumerated(EnumType.STRING)
    Events.Kind kind;

    String words;
    String enteredBy;
    Instant enteredAt;
}
