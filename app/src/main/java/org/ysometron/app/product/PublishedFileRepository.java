package org.ysometron.app.product;

import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PublishedFileRepository extends JpaRepository<PublishedFile, Long> {

    /** Puts the file to its revision, which is stored already. */
    @Modifying
    @Query("update PublishedFile f set f.fileType = :type, f.content = :content where f.id = :id")
    void keep(long id, String type, byte[] content);
}
