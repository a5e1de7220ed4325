package org.ysometron.app.drift;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StoredSignalRepository extends JpaRepository<StoredSignal, Long> {

    List<StoredSignal> findBySeriesIdOrderById(long seriesId);

    List<StoredSignal> findByLotIdInOrderById(Collection<Long> lotIds);
}
