package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.ysometron.app.plan.Treatments;

@Entity
@Table(name = "make_chamber_place")
class ChamberPlace {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long runId;
    Long specimenId;
    int cycle;
    int place;

    @Enumerated(EnumType.STRING)
    Treatments.Pose pose;
}
