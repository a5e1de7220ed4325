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
    int places;

    @Nullable
    Double resolution;

    @Nullable
    Double rangeLow;

    String rates;

    @Nullable
    Double compliance;

    @Nullable
    Double freeSwingLoss;

    String rig;
    String note;

    /** Symbol of the unit that its display is set to; empty for the working unit. */
    String display = "";

    /** The number that its maker gave it, by which it names itself where it is connected; null where nobody said. */
    @Nullable
    String serial;
}
