package org.ysometron.app.product;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ResolutionRepository extends JpaRepository<Resolution, Long> {

    List<Resolution> findByProductIdInOrderById(Collection<Long> productIds);
}
