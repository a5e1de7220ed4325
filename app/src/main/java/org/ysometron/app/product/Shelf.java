package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** How long a product keeps, from when on. */
@Entity
@Table(name = "product_shelf")
class Shelf {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;
    int days;
    String reason;
    String saidBy;
    Instant saidAt;
}
