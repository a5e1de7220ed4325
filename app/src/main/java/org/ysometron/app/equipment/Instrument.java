package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "equipment_instrument")
class Instrument {

    enum Kind {
        FORCE_GAUGE,
        CALIPERS
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    Kind kind;

    String name;

    @Nullable
    Double capacity;

    double relativeUncertainty;
    double absoluteUncertainty;

    Instrument() {}

    Instrument(
            Kind kind, String name, @Nullable Double capacity, double relativeUncertainty, double absoluteUncertainty) {
        this.kind = kind;
        this.name = name;
        this.capacity = capacity;
        this.relativeUncertainty = relativeUncertainty;
        this.absoluteUncertainty = absoluteUncertainty;
    }
}
