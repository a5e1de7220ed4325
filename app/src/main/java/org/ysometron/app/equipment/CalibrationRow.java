package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.ysometron.core.method.Calibration;

@Entity
@Table(name = "equipment_calibration")
class CalibrationRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long instrumentId;
    LocalDate doneOn;
    LocalDate dueOn;
    String certificate;
    String enteredBy;
    Instant enteredAt;

    Calibration resolve() {
        return new Calibration(doneOn, dueOn);
    }
}
