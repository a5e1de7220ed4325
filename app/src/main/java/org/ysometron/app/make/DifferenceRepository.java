package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface DifferenceRepository extends JpaRepository<Difference, Long> {

    List<Difference> findByRunIdInOrderById(Collection<Long> runIds);
}
