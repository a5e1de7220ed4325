package org.ysometron.app.curve;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AnalysisRepository extends JpaRepository<AnalysisRow, Long> {

    List<AnalysisRow> findByRecordIdOrderById(long recordId);

    /** A curve to be drawn. */
    record Drawn(long id, long recordId, String drawn) {}

    @Query("""
            select new org.ysometron.app.curve.AnalysisRepository$Drawn(a.id, a.recordId, a.drawn)
            from AnalysisRow a where a.id in :ids
            """)
    List<Drawn> drawn(Collection<Long> ids);

    @Query("select distinct a.madeBy from AnalysisRow a, RecordRow r where r.id = a.recordId and r.lotId = :lot")
    List<String> makers(long lot);
}
