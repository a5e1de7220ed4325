package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.ManyToOne;
import jakarta.persistence.Table;

@Entity
@Table(name = "lot_specimen")
class Specimen {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;

    @ManyToOne(fetch = FetchType.LAZY)
    SpecimenSet set;

    String label;
    int place;

    SpecimenView view() {
        return new SpecimenView(
                id,
                lotId,
                label,
                set.conditions(),
                set.design,
                set.id,
                set.sampleId,
                set.made(),
                set.conditionedFrom,
                set.scale,
                set.setup,
                set.createdAt,
                set.besideId);
    }
}
