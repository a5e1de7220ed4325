package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.ysometron.core.method.TestMethod;

@Entity
@Table(name = "plan_method")
class MethodRevision {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    TestMethod method;

    int revision;
    String parameters;
    String reason;
    String madeBy;
    Instant madeAt;
}
