package org.ysometron.app.lot;

import java.time.LocalDate;
import org.ysometron.core.material.Blend;

/**
 * One lot as other slices see it.
 *
 * @param regrind share of regrind as typed; empty when nobody said
 * @param blend formulation and masterbatch that it was made by
 */
public record LotView(
        long id,
        String code,
        long productId,
        long datasheetId,
        String colour,
        LocalDate madeOn,
        String size,
        String note,
        String line,
        String regrind,
        Blend blend,
        LotState state,
        String createdBy) {}
