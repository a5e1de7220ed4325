package org.ysometron.app.lot;

import java.time.LocalDate;

/**
 * One lot as other slices see it.
 *
 * @param regrind share of regrind as typed; empty when nobody said
 * @param formulation revision of the formulation it was made by; empty when nobody said
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
        String formulation,
        LotState state,
        String createdBy) {}
