package org.ysometron.app.drift;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface BaselineRepository extends JpaRepository<Baseline, Long> {

    Optional<Baseline> findFirstBySeriesIdOrderByVersionDesc(long seriesId);

    List<Baseline> findBySeriesIdOrderByVersionDesc(long seriesId);
}
