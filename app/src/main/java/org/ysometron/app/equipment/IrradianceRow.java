package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;

/** What light a place of a chamber has. */
@Entity
@Table(name = "equipment_irradiance")
class IrradianceRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long instrumentId;
    int place;
    double irradiance;
    LocalDate measuredOn;
    String enteredBy;
    Instant enteredAt;
}
