package org.ysometron.app.equipment;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface CalibrationRepository extends JpaRepository<CalibrationRow, Long> {

    List<CalibrationRow> findAllByOrderByInstrumentIdAscDueOnDesc();
}
