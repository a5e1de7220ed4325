package org.ysometron.app.drift;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface BaselineLotRepository extends JpaRepository<BaselineLot, Long> {

    List<BaselineLot> findByBaselineIdOrderById(long baselineId);
}
