package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;

@Entity
@Table(name = "product_statement")
class PublishedStatement {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long publicationId;
    int place;

    Topic topic;

    @Enumerated(EnumType.STRING)
    Form form;

    String asTyped;

    @Nullable
    Double figure;

    @Nullable
    Double lowerEdge;

    @Nullable
    Double upperEdge;

    String words;
    String qualifier;

    @jakarta.persistence.Column(name = "minimum_n")
    int minimumN;

    @Nullable
    String method;

    @Enumerated(EnumType.STRING)
    @Nullable
    Basis basis;

    @Enumerated(EnumType.STRING)
    @Nullable
    Orientation orientation;

    @Enumerated(EnumType.STRING)
    @Nullable
    Conditioning conditioning;

    @Nullable
    Double rate;

    @Nullable
    String design;

    String process;
    Build built;

    @Nullable
    Long rivalId;

    PublishedStatement() {}

    PublishedStatement(long publicationId, int place, Statement statement, @Nullable Long rivalId) {
        this.publicationId = publicationId;
        this.place = place;
        this.topic = statement.topic();
        this.form = statement.form();
        this.asTyped = statement.asTyped();
        this.figure = boxed(statement.value());
        this.lowerEdge = boxed(statement.low());
        this.upperEdge = boxed(statement.high());
        this.words = statement.words();
        this.qualifier = statement.qualifier();
        this.minimumN = statement.minimumN();
        this.method = statement.terms().method().orElse(null);
        this.basis = statement.terms().basis().orElse(null);
        this.orientation = statement.terms().orientation().orElse(null);
        this.conditioning = statement.terms().conditioning().orElse(null);
        this.rate = boxed(statement.terms().rate());
        this.design = statement.terms().design().orElse(null);
        this.process = statement.terms().process();
        this.built = statement.terms().build();
        this.rivalId = rivalId;
    }

    Statement resolve() {
        Terms terms = new Terms(
                Optional.ofNullable(method),
                Optional.ofNullable(basis),
                Optional.ofNullable(orientation),
                Optional.ofNullable(conditioning),
                optional(rate),
                Optional.ofNullable(design),
                process,
                built);
        return new Statement(
                id,
                topic,
                form,
                asTyped,
                optional(figure),
                optional(lowerEdge),
                optional(upperEdge),
                words,
                qualifier,
                terms,
                minimumN);
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static OptionalDouble optional(@Nullable Double stored) {
        return stored == null ? OptionalDouble.empty() : OptionalDouble.of(stored);
    }
}
