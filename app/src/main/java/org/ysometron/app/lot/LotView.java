package org.ysometron.app.lot;

import java.time.LocalDate;

/** One lot as other slices see it. */
public record LotView(
        long id,
        String code,
        long productId,
        long datasheetId,
        String colour,
        LocalDate madeOn,
        String size,
        String note,
        LotState state,
        String createdBy) {}
