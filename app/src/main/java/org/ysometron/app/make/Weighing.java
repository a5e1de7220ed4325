package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDateTime;

@Entity
@Table(name = "make_weighing")
class Weighing {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long setId;
    LocalDateTime weighedAt;
    String typed;
    double mass;
    String enteredBy;
}
