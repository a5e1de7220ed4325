package org.ysometron.app.lot;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface LateEntryRepository extends JpaRepository<LateEntry, Long> {

    List<LateEntry> findByLotIdInOrderById(Collection<Long> lotIds);
}
