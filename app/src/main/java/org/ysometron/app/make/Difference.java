package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.ysometron.app.plan.RecipeField;

/** A setting of a run that differed from its recipe. */
@Entity
@Table(name = "make_difference")
class Difference {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long runId;

    @Enumerated(EnumType.STRING)
    RecipeField field;

    String frozen;
    String used;
    boolean matters;
    String reason;
}
