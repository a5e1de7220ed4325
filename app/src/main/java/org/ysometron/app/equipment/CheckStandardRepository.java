package org.ysometron.app.equipment;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface CheckStandardRepository extends JpaRepository<CheckStandardRow, Long> {

    List<CheckStandardRow> findByInstrumentIdOrderById(long instrumentId);

    boolean existsByInstrumentIdAndName(long instrumentId, String name);
}
