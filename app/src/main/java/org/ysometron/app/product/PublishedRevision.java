package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.ysometron.core.publication.Publication;

@Entity
@Table(name = "product_publication")
class PublishedRevision {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long productId;

    @Enumerated(EnumType.STRING)
    Publication.Kind kind;

    int revision;
    LocalDate validFrom;
    String source;
    String publishedBy;
    String fileName;
}
