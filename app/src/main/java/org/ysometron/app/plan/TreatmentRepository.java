package org.ysometron.app.plan;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface TreatmentRepository extends JpaRepository<Treatment, Long> {

    List<Treatment> findByProductIdOrderByNameAscRevisionDesc(long productId);

    Optional<Treatment> findFirstByProductIdAndNameOrderByRevisionDesc(long productId, String name);
}
