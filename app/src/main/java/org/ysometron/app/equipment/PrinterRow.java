package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** What a printer can do. */
@Entity
@Table(name = "equipment_printer")
class PrinterRow {

    @Id
    Long instrumentId;

    @Nullable
    Double nozzleMost;

    @Nullable
    Double bedMost;

    @Nullable
    Double chamberMost;

    boolean hardened;
    boolean lined;

    @Nullable
    Double plateWidth;

    @Nullable
    Double plateDepth;

    String setBy;
    Instant setAt;
}
