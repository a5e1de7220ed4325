package org.ysometron.app.design;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.dimension.SpecimenDesign;

/** A design of the site: nothing of it changes but that it is withdrawn. */
@Entity
@Table(name = "design_own")
class SiteDesign {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    /** As rows of plans and sets have it. */
    String name;

    String request;
    String called;
    int revision;

    /** Ids of methods, with spaces between. */
    String methods;

    @Enumerated(EnumType.STRING)
    SpecimenDesign.Shape shape;

    double width;
    double thickness;
    double length;
    double volume;
    double scale;
    boolean notched;

    /** Name of the delivered design that it is drawn like. */
    String looks;

    @Nullable
    String narrowest;

    String held;
    String reason;
    String addedBy;
    Instant addedAt;

    @Nullable
    String withdrawnBy;

    @Nullable
    Instant withdrawnAt;

    @Nullable
    String withdrawnWhy;
}
