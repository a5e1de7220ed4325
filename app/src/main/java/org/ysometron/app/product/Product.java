package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.ysometron.core.publication.Family;

@Entity
@Table(name = "product")
class Product {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    String name;
    String material;
    String colours;
    String caution;

    @Enumerated(EnumType.STRING)
    Family family;

    @Enumerated(EnumType.STRING)
    Life life;

    String lifeReason;
    String equivalents;
    boolean hygroscopic;
    boolean filled;
    double openHours;
    double boxHumidity;
    double conditioningHours;
}
