package org.ysometron.app.drift;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StoredSignalRepository extends JpaRepository<StoredSignal, Long> {

    List<StoredSignal> findBySeriesIdOrderById(long seriesId);

    /** Lots in these states at which any chart says something. */
    @Query(
            value =
                    "select distinct s.lot_id from drift_signal s join lot l on l.id = s.lot_id where l.state in :states",
            nativeQuery = true)
    List<Long> lotsIn(Collection<String> states);

    List<StoredSignal> findByLotIdInOrderById(Collection<Long> lotIds);
}
