package org.ysometron.app.plan;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface PlanRevisionRepository extends JpaRepository<PlanRevision, Long> {

    Optional<PlanRevision> findFirstByProductIdOrderByRevisionDesc(long productId);

    List<PlanRevision> findByProductIdOrderByRevisionDesc(long productId);
}
