package org.ysometron.app.equipment;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface IrradianceRepository extends JpaRepository<IrradianceRow, Long> {

    List<IrradianceRow> findByInstrumentIdOrderByMeasuredOnAscPlaceAsc(long instrumentId);

    boolean existsByInstrumentIdAndMeasuredOn(long instrumentId, LocalDate measuredOn);
}
