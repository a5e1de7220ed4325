package org.ysometron.app.lot;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface SpecimenRepository extends JpaRepository<Specimen, Long> {

    @Query("select s from Specimen s join fetch s.set where s.lotId in :lots order by s.lotId, s.set.id, s.place")
    List<Specimen> ofLots(Collection<Long> lots);

    @Query("select s from Specimen s join fetch s.set where s.set.id = :set order by s.place")
    List<Specimen> ofSet(long set);

    @Query("select s from Specimen s join fetch s.set where s.id in :ids order by s.id")
    List<Specimen> byIds(Collection<Long> ids);

    @Query("select s from Specimen s join fetch s.set where s.id = :id")
    java.util.Optional<Specimen> one(long id);

    @Query("select s from Specimen s join fetch s.set where s.lotId = :lot and s.label = :label")
    java.util.Optional<Specimen> labelled(long lot, String label);

    @Query("select count(s) from Specimen s where s.lotId = :lot and s.set.orientation = :orientation")
    int count(long lot, org.ysometron.core.claim.Orientation orientation);
}
