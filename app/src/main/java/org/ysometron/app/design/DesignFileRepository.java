package org.ysometron.app.design;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface DesignFileRepository extends Repository<DesignFile, Long> {

    DesignFile save(DesignFile file);

    /** Names and hashes without what is in the files. */
    record Named(long designId, SiteDesigns.Part part, String fileName, String sha256) {}

    @Query("select new org.ysometron.app.design.DesignFileRepository$Named(f.designId, f.part, f.fileName, f.sha256)"
            + " from DesignFile f")
    List<Named> names();

    Optional<DesignFile> findByDesignIdAndPart(long designId, SiteDesigns.Part part);
}
