package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "product_resolution")
class Resolution {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;
    Long governsId;
    Long otherId;
    String reason;
    String correction;
    String resolvedBy;
    Instant resolvedAt;
}
