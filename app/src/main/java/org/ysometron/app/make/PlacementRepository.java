package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PlacementRepository extends JpaRepository<Placement, Long> {

    List<Placement> findByRunIdIn(Collection<Long> runIds);

    List<Placement> findBySpecimenIdIn(Collection<Long> specimenIds);
}
