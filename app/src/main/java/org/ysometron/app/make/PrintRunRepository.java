package org.ysometron.app.make;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PrintRunRepository extends JpaRepository<PrintRun, Long> {

    boolean existsByRequest(String request);

    List<PrintRun> findByLotIdOrderById(long lotId);
}
