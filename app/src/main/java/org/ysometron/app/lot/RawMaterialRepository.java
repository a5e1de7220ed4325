package org.ysometron.app.lot;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RawMaterialRepository extends JpaRepository<RawMaterialRow, Long> {

    List<RawMaterialRow> findByLotIdOrderById(long lotId);

    List<RawMaterialRow> findByCodeOrderByLotId(String code);
}
