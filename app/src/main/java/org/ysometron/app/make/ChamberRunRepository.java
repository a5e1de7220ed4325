package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ChamberRunRepository extends JpaRepository<ChamberRun, Long> {

    boolean existsByLotIdAndRequest(long lotId, String request);

    List<ChamberRun> findByLotIdInOrderById(Collection<Long> lotIds);
}
