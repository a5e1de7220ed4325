package org.ysometron.app.plan;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface WeightsRepository extends JpaRepository<Weights, Long> {

    List<Weights> findByProductIdOrderById(long productId);
}
