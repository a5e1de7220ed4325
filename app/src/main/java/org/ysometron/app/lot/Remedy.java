package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "lot_remedy")
class Remedy {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;

    @Enumerated(EnumType.STRING)
    Remedies.Kind kind;

    @Nullable
    Long setId;

    String cause;

    @Enumerated(EnumType.STRING)
    Remedies.Rule rule;

    String reason;
    String orderedBy;
    Instant orderedAt;
}
