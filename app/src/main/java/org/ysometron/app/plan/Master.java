package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "plan_master")
class Master {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;
    String colour;
    String method;
    String entries;
    String source;
    String reason;
    String proposedBy;
    Instant proposedAt;

    @Nullable
    String signedBy;

    @Nullable
    Instant signedAt;
}
