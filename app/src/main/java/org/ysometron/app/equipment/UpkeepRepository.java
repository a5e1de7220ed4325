package org.ysometron.app.equipment;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface UpkeepRepository extends JpaRepository<UpkeepRow, Long> {

    List<UpkeepRow> findByInstrumentIdOrderByDoneOnDescIdDesc(long instrumentId);

    boolean existsByRequest(String request);
}
