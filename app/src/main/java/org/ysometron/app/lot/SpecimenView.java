package org.ysometron.app.lot;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.dimension.SpecimenDesign;

/**
 * One specimen as other slices see it.
 *
 * @param label its name within the lot, such as ZX3
 * @param conditions the terms it is tested under
 * @param setId the set it was added with
 * @param sampleId the spool or bottle it was made of; null when nobody said
 * @param madeAt when it was made, by the site's clock
 * @param conditionedFrom when it went into the climate; null when it did not or nobody said
 */
public record SpecimenView(
        long id,
        long lotId,
        String label,
        Conditions conditions,
        SpecimenDesign design,
        long setId,
        @Nullable Long sampleId,
        LocalDateTime madeAt,
        @Nullable LocalDateTime conditionedFrom) {}
