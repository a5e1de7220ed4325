package org.ysometron.app.line;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface HoldingRepository extends JpaRepository<HoldingRow, Long> {

    List<HoldingRow> findByStation(String station);
}
