package org.ysometron.app.lot;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RemedyRepository extends JpaRepository<Remedy, Long> {

    List<Remedy> findByLotIdInOrderById(java.util.Collection<Long> lotIds);
}
