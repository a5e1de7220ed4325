package org.ysometron.app.curve;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.ysometron.core.curve.Loading;

/** How a test frame writes its files, under a name. */
@Entity
@Table(name = "curve_profile")
class Profile {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String name;

    @Enumerated(EnumType.STRING)
    Loading loading;

    String layout;
    String madeBy;
    Instant madeAt;
}
