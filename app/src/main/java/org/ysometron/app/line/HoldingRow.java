package org.ysometron.app.line;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** The bench that has an instrument: what is pressed goes there. */
@Entity
@Table(name = "line_holding")
class HoldingRow {

    @Id
    Long instrumentId;

    /** The page that it was taken on. */
    String station;

    String heldBy;
    Instant heldAt;
}
