package org.ysometron.app.line;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.ysometron.instruments.wire.Message;

/** One value that an instrument sent, and what became of it. */
@Entity
@Table(name = "line_press")
class PressRow extends Settled {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String serial;
    String epoch;
    long seq;
    long instrumentId;

    /** With the digits of the display; empty where its range had ended. */
    String shown;

    String unit;

    @Enumerated(EnumType.STRING)
    Message.State state;

    Instant pressedAt;
    Instant keptAt;

    /** Whether it came when nobody could know any more what it was of. */
    boolean late;
}
