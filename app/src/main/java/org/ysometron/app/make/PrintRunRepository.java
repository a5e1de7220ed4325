package org.ysometron.app.make;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PrintRunRepository extends JpaRepository<PrintRun, Long> {

    boolean existsByLotIdAndRequest(long lotId, String request);

    List<PrintRun> findByLotIdOrderById(long lotId);
}
