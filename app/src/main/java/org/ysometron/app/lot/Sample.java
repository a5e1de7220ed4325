package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "lot_sample")
class Sample {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    String label;

    @Enumerated(EnumType.STRING)
    Samples.Place place;

    String drawnBy;
    String drawnFrom;
    LocalDate drawnOn;
    String enteredBy;

    @Nullable
    Double holds;

    String holdsTyped;
}
