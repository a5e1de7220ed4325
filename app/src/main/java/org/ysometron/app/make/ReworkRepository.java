package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ReworkRepository extends JpaRepository<Rework, Long> {

    List<Rework> findBySpecimenIdInOrderById(Collection<Long> specimenIds);
}
