package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "make_order")
class TestOrder {

    @Id
    Long lotId;

    long seed;
    String givenBy;
    Instant givenAt;
}
