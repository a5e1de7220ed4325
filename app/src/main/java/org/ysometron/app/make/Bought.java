package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "make_bought")
class Bought {

    @Id
    Long setId;

    String maker;
    String machine;
    String fileRevision;
    String refusals;
    String changes;
    LocalDate receivedOn;
    String enteredBy;

    @Nullable
    Boolean passed;

    String inspection;
    String inspectedBy;

    @Nullable
    Instant inspectedAt;
}
