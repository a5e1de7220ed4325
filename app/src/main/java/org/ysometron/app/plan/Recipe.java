package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "plan_recipe")
class Recipe {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;
    Long printerId;
    int revision;
    String entries;

    @Enumerated(EnumType.STRING)
    Recipes.Status status;

    String source;
    String reason;
    String reasons = "";
    String frozenBy;
    Instant frozenAt;
}
