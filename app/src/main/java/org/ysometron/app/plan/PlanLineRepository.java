package org.ysometron.app.plan;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PlanLineRepository extends JpaRepository<PlanLine, Long> {

    List<PlanLine> findByRevisionIdOrderByPlace(long revisionId);

    List<PlanLine> findByLotIdInOrderByLotIdAscPlaceAsc(Collection<Long> lotIds);

    @Modifying
    @Query("delete from PlanLine line where line.lotId = :lot")
    void deleteOfLot(long lot);
}
