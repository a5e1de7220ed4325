package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.ysometron.core.gate.Block;

@Entity
@Table(name = "lot_word")
class Word {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;

    @Enumerated(EnumType.STRING)
    Block.Kind kind;

    String subject;
    String cause;

    String reason;
    String givenBy;
    Instant givenAt;
}
