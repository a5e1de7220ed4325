package org.ysometron.app.evidence;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface BridgeRepository extends JpaRepository<Bridge, Long> {

    Optional<Bridge> findByNewSeriesId(long newSeriesId);

    List<Bridge> findByOldSeriesIdOrderById(long oldSeriesId);

    List<Bridge> findByNewSeriesIdIn(Collection<Long> newSeriesIds);
}
