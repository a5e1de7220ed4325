package org.ysometron.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;

@Entity
@Table(name = "bench_confirmation")
class Confirmation {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String account;

    String method;

    LocalDate confirmedOn;
    String points;
    Instant confirmedAt;
}
