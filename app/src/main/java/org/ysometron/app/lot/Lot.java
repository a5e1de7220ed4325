package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;

@Entity
@Table(name = "lot")
class Lot {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Version
    int version;

    String code;
    Long productId;
    Long datasheetId;
    String colour;
    LocalDate madeOn;
    String size;
    String note;

    String line;
    String regrind;
    String formulation;
    String masterbatch;
    double masterbatchShare;

    @Enumerated(EnumType.STRING)
    LotState state;

    String createdBy;
    Instant createdAt;
}
