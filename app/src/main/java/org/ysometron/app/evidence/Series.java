package org.ysometron.app.evidence;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.material.Blend;

@Entity
@Table(name = "evidence_series")
class Series {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;
    String colour;

    Characteristic property;

    String method;

    @Enumerated(EnumType.STRING)
    Basis basis;

    @Enumerated(EnumType.STRING)
    Orientation orientation;

    @Enumerated(EnumType.STRING)
    Conditioning conditioning;

    double rate;
    String design;
    String process;
    Build built;
    Setup setup;
    String formulation;
    String masterbatch;
    double masterbatchShare;

    Series() {}

    Series(long productId, String colour, Characteristic property, Conditions conditions, Setup setup, Blend blend) {
        this.formulation = blend.formulation();
        this.masterbatch = blend.masterbatch();
        this.masterbatchShare = blend.share();
        this.setup = setup;
        this.productId = productId;
        this.colour = colour;
        this.property = property;
        this.method = conditions.method();
        this.basis = conditions.basis();
        this.orientation = conditions.orientation();
        this.conditioning = conditions.conditioning();
        this.rate = conditions.rate();
        this.design = conditions.design();
        this.process = conditions.process();
        this.built = conditions.build();
    }

    SeriesPoints.SeriesView view() {
        Conditions conditions = new Conditions(method, basis, orientation, conditioning, rate, design, process, built);
        Blend blend = new Blend(formulation, masterbatch, masterbatchShare);
        return new SeriesPoints.SeriesView(id, productId, colour, property, conditions, setup, blend);
    }
}
