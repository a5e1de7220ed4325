package org.ysometron.app.lot;

import org.ysometron.core.claim.Conditions;
import org.ysometron.core.dimension.SpecimenDesign;

/**
 * One specimen as other slices see it.
 *
 * @param label its name within the lot, such as ZX3
 * @param conditions the terms it is tested under
 */
public record SpecimenView(long id, long lotId, String label, Conditions conditions, SpecimenDesign design) {}
