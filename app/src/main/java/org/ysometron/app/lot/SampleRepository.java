package org.ysometron.app.lot;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface SampleRepository extends JpaRepository<Sample, Long> {

    List<Sample> findByLotIdInOrderById(Collection<Long> lotIds);

    boolean existsByIdAndLotId(long id, long lotId);

    boolean existsByLotIdAndLabel(long lotId, String label);
}
