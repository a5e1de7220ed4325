package org.ysometron.app.drift;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BaselineRepository extends JpaRepository<Baseline, Long> {

    Optional<Baseline> findFirstBySeriesIdOrderByVersionDesc(long seriesId);

    List<Baseline> findBySeriesIdOrderByVersionDesc(long seriesId);

    /** The version in force of a series. */
    record InForce(long seriesId, int version) {}

    @Query("select new org.ysometron.app.drift.BaselineRepository$InForce(b.seriesId, max(b.version)) from Baseline b"
            + " group by b.seriesId")
    List<InForce> inForce();

    /** Series with any. */
    @Query("select distinct b.seriesId from Baseline b where b.seriesId in ?1")
    Set<Long> signed(Collection<Long> seriesIds);
}
