package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "equipment_check_reading")
class CheckReading {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long standardId;
    String typed;
    double value;
    String enteredBy;
    Instant enteredAt;
}
