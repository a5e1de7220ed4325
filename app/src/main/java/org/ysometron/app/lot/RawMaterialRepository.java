package org.ysometron.app.lot;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RawMaterialRepository extends JpaRepository<RawMaterialRow, Long> {

    List<RawMaterialRow> findByLotIdOrderById(long lotId);

    List<RawMaterialRow> findByLotIdInOrderById(Collection<Long> lotIds);

    List<RawMaterialRow> findByCodeOrderByLotId(String code);
}
