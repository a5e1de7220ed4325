package org.ysometron.app.design;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A file of a design as it came. */
@Entity
@Table(name = "design_file")
class DesignFile {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long designId;

    @Enumerated(EnumType.STRING)
    SiteDesigns.Part part;

    String fileName;
    String sha256;
    byte[] content;
}
