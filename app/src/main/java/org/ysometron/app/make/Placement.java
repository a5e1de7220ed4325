package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "make_place")
class Placement {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long runId;
    Long specimenId;
    int atRow;
    int atColumn;
    double x;
    double y;
}
