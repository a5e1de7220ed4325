package org.ysometron.app.plan;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface MasterRepository extends JpaRepository<Master, Long> {

    List<Master> findByProductIdInOrderById(Collection<Long> productIds);

    Optional<Master> findByIdAndProductId(long id, long productId);
}
