package org.ysometron.app.gate;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface DecisionRepository extends JpaRepository<Decision, Long> {

    List<Decision> findByLotIdOrderByRevisionDesc(long lotId);
}
