package org.ysometron.app.product;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.sql.Types;
import org.hibernate.annotations.JdbcTypeCode;
import org.jspecify.annotations.Nullable;

/**
 * The file kept with a revision; in the same row as the {@link PublishedRevision}, and apart from it here so that a page which
 * asks what is in force does not read the files of all revisions.
 */
@Entity
@Table(name = "product_publication")
class PublishedFile {

    @Id
    Long id;

    String fileType;

    @JdbcTypeCode(Types.LONGVARBINARY)
    byte @Nullable [] content;
}
