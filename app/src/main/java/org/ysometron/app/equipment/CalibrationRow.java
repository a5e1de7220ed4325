package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
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

    @Nullable
    Double verifiedCapacity;

    String fileName = "";
    String fileType = "";
    byte @Nullable [] content;

    String enteredBy;
    Instant enteredAt;

    CalibrationRow() {}

    CalibrationRow(
            Long id,
            Long instrumentId,
            LocalDate doneOn,
            LocalDate dueOn,
            String certificate,
            @Nullable Double verifiedCapacity,
            String fileName,
            String enteredBy) {
        this.id = id;
        this.instrumentId = instrumentId;
        this.doneOn = doneOn;
        this.dueOn = dueOn;
        this.certificate = certificate;
        this.verifiedCapacity = verifiedCapacity;
        this.fileName = fileName;
        this.enteredBy = enteredBy;
    }

    Calibration resolve() {
        return new Calibration(doneOn, dueOn);
    }
}
