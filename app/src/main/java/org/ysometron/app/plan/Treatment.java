package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "plan_treatment")
class Treatment {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;

    @Enumerated(EnumType.STRING)
    Treatments.Kind kind;

    String name;
    int revision;
    String steps;
    int minutes;

    @Enumerated(EnumType.STRING)
    Treatments.Pose pose;

    @Enumerated(EnumType.STRING)
    Treatments.Status status;

    String source;
    String frozenBy;
    Instant frozenAt;
}
