package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "plan_lot")
class LotPlan {

    @Id
    Long lotId;

    Long revisionId;

    @Nullable
    LocalDate wantedOn;

    @Nullable
    LocalDate notBefore;

    String delayReason = "";
}
