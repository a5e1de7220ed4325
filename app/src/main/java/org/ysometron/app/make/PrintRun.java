package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "make_run")
class PrintRun {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String request;
    Long lotId;
    Long recipeId;
    Long printerId;

    @Nullable
    Long sampleId;

    LocalDateTime startedAt;
    String ambient;
    String humidity;
    String spoolState;
    String nozzleHours;
    String differences;
    String enclosure = "";
    String enclosureHumidity = "";
    String noticed = "";
    double plateWidth;
    double plateDepth;
    String enteredBy;
    Instant enteredAt;
}
