package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ChamberPlaceRepository extends JpaRepository<ChamberPlace, Long> {

    List<ChamberPlace> findByRunIdInOrderByCycleAscPlaceAsc(Collection<Long> runIds);

    List<ChamberPlace> findBySpecimenIdIn(Collection<Long> specimenIds);
}
