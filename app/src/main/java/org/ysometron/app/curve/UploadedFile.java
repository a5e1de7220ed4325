package org.ysometron.app.curve;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;

/** A file as it came, deflated. */
@Entity
@Immutable
@Table(name = "curve_file")
class UploadedFile {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long uploadId;
    String fileName;
    String sha256;
    int length;

    @JdbcTypeCode(java.sql.Types.LONGVARBINARY)
    byte[] content;

    boolean taken;
}
