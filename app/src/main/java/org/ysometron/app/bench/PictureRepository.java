package org.ysometron.app.bench;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PictureRepository extends JpaRepository<Picture, Long> {

    /** All of a lot without what is in them, specimen by specimen, the labels left empty. */
    @Query("""
            select new org.ysometron.app.bench.Pictures$PictureView(p.id, p.specimenId, '', p.fileName, p.shows, p.width,
              p.height, p.across, p.markAcross, p.markDown, p.takenInBy, p.takenInAt, p.struckBy, p.struckReason, p.sha256)
            from Picture p where p.lotId = :lot order by p.specimenId, p.id
            """)
    List<Pictures.PictureView> ofLot(long lot);

    Optional<Picture> findByIdAndLotId(long id, long lotId);

    @Query("select p.id from Picture p where p.specimenId = :specimen and p.sha256 = :sha256")
    Optional<Long> known(long specimen, String sha256);

    @Query("select count(p) from Picture p where p.lotId = :lot")
    long countOf(long lot);

    @Query("select p.content from Picture p where p.id = :id and p.lotId = :lot")
    Optional<byte[]> content(long id, long lot);

    @Query("select p.thumbnail from Picture p where p.id = :id and p.lotId = :lot")
    Optional<byte[]> thumbnail(long id, long lot);
}
