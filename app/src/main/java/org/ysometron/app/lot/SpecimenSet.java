package org.ysometron.app.lot;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;

@Entity
@Table(name = "lot_specimen_set")
class SpecimenSet {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    String request;

    SpecimenDesign design;

    @Enumerated(EnumType.STRING)
    Orientation orientation;

    @Enumerated(EnumType.STRING)
    Basis basis;

    @Enumerated(EnumType.STRING)
    Conditioning conditioning;

    double rate;
    String process;

    @Nullable
    Long sampleId;

    @Nullable
    LocalDateTime madeAt;

    @Nullable
    LocalDateTime conditionedFrom;

    String method;

    @Enumerated(EnumType.STRING)
    Notch notch;

    Build built;
    double scale;
    Setup setup;
    String climate;

    @Nullable
    LocalDateTime conditionedTo;

    @Nullable
    Long besideId;

    /** The set that these were added to after its results were known. */
    @Nullable
    Long furtherOf;

    /** The specimen in whose place this one was made, its test being void. */
    @Nullable
    Long inPlaceOf;

    String conditionedBy = "";
    String createdBy;
    Instant createdAt;

    /** An empty set made as this one, of the same sample. */
    SpecimenSet further(String newRequest) {
        SpecimenSet set = new SpecimenSet();
        set.lotId = lotId;
        set.request = newRequest;
        set.design = design;
        set.orientation = orientation;
        set.basis = basis;
        set.conditioning = conditioning;
        set.rate = rate;
        set.process = process;
        set.sampleId = sampleId;
        set.method = method;
        set.notch = notch;
        set.built = built;
        set.scale = scale;
        set.setup = setup;
        set.climate = "";
        set.besideId = besideId;
        set.furtherOf = furtherOf == null ? id : furtherOf;
        return set;
    }

    Conditions conditions() {
        String specimen = new PlannedTest.Specimen(design, notch).titleAt(scale);
        return new Conditions(method, basis, orientation, conditioning, rate, specimen, process, built);
    }

    /** When it was made, by the site's clock: as written down, else when it was entered. */
    LocalDateTime made() {
        return madeAt == null ? LocalDateTime.ofInstant(createdAt, ZoneId.systemDefault()) : madeAt;
    }
}
