package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDateTime;

@Entity
@Table(name = "make_chamber")
class ChamberRun {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String request;
    Long lotId;
    Long treatmentId;
    Long chamberId;
    LocalDateTime beganAt;
    int cycles;
    int atRows;
    int atColumns;
    long seed;
    String reached;
    String enteredBy;
    Instant enteredAt;
}
