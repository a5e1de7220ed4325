package org.ysometron.app.lot;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SampleRepository extends JpaRepository<Sample, Long> {

    List<Sample> findByLotIdInOrderById(Collection<Long> lotIds);

    @Query("select distinct sample.lotId from Sample sample where sample.lotId in :lots")
    Set<Long> lotsWithOne(Collection<Long> lots);

    boolean existsByIdAndLotId(long id, long lotId);

    boolean existsByLotIdAndLabel(long lotId, String label);
}
