package org.ysometron.app.plan;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface TreatmentRepository extends JpaRepository<Treatment, Long> {

    List<Treatment> findByProductIdInOrderByNameAscRevisionDesc(Collection<Long> productIds);

    Optional<Treatment> findFirstByProductIdAndNameOrderByRevisionDesc(long productId, String name);
}
