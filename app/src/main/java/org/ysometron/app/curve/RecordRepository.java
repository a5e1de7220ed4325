package org.ysometron.app.curve;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.ysometron.core.curve.Piece;

interface RecordRepository extends JpaRepository<RecordRow, Long> {

    /** A record without its bytes. */
    record Listed(
            long id,
            long lotId,
            long specimenId,
            int place,
            @Nullable Long fileId,
            String name,
            int points,
            Piece.By readBy,
            String takenBy,
            Instant takenAt) {}

    @Query("""
            select new org.ysometron.app.curve.RecordRepository$Listed(r.id, r.lotId, r.specimenId, r.place, r.fileId,
              r.name, r.points, r.readBy, r.takenBy, r.takenAt)
            from RecordRow r where r.lotId in :lots order by r.id
            """)
    List<Listed> ofLots(Collection<Long> lots);

    /** Whose record one is. */
    record Owned(String sha256, long lotId, long specimenId) {}

    @Query("""
            select new org.ysometron.app.curve.RecordRepository$Owned(r.sha256, r.lotId, r.specimenId)
            from RecordRow r where r.sha256 in :sums
            """)
    List<Owned> owned(Collection<String> sums);

    @Query("select distinct r.takenBy from RecordRow r where r.lotId = :lot")
    List<String> takers(long lot);
}
