package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface MarkRepository extends JpaRepository<Mark, Long> {

    List<Mark> findBySpecimenIdInOrderByMarkedAtAscIdAsc(Collection<Long> specimenIds);
}
