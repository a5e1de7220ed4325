package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Property;
import org.ysometron.core.claim.Requirement;

@Entity
@Table(name = "product_claim")
class PublishedClaim {

    private static final double CONFIDENCE = 0.95;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long datasheetId;
    int place;

    @Enumerated(EnumType.STRING)
    Property property;

    String asTyped;

    @Nullable
    Double lowerEdge;

    @Nullable
    Double upperEdge;

    @jakarta.persistence.Column(name = "minimum_n")
    int minimumN;

    String method;

    @Enumerated(EnumType.STRING)
    Basis basis;

    @Enumerated(EnumType.STRING)
    Orientation orientation;

    @Enumerated(EnumType.STRING)
    Conditioning conditioning;

    double rate;
    String design;

    PublishedClaim() {}

    PublishedClaim(long datasheetId, int place, Claim.Draft draft) {
        this.datasheetId = datasheetId;
        this.place = place;
        this.property = draft.property();
        this.asTyped = draft.asTyped();
        this.lowerEdge = draft.lower().isPresent() ? draft.lower().getAsDouble() : null;
        this.upperEdge = draft.upper().isPresent() ? draft.upper().getAsDouble() : null;
        this.minimumN = draft.minimumN();
        this.method = draft.conditions().method();
        this.basis = draft.conditions().basis();
        this.orientation = draft.conditions().orientation();
        this.conditioning = draft.conditions().conditioning();
        this.rate = draft.conditions().rate();
        this.design = draft.conditions().design();
    }

    Claim resolve() {
        Requirement requirement =
                new Requirement(edge(lowerEdge), edge(upperEdge), property.unit(), minimumN, CONFIDENCE);
        Conditions conditions = new Conditions(method, basis, orientation, conditioning, rate, design);
        return new Claim(id, property, asTyped, requirement, conditions);
    }

    private static OptionalDouble edge(@Nullable Double stored) {
        return stored == null ? OptionalDouble.empty() : OptionalDouble.of(stored);
    }
}
