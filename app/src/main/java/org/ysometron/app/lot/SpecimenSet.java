package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;

@Entity
@Table(name = "lot_specimen_set")
class SpecimenSet {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    String request;

    @Enumerated(EnumType.STRING)
    SpecimenDesign design;

    @Enumerated(EnumType.STRING)
    Orientation orientation;

    @Enumerated(EnumType.STRING)
    Basis basis;

    @Enumerated(EnumType.STRING)
    Conditioning conditioning;

    double rate;
    String createdBy;
    Instant createdAt;

    Conditions conditions() {
        return new Conditions("tension", basis, orientation, conditioning, rate, design.title());
    }
}
