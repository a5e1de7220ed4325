package org.ysometron.app.gate;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface RecomputedRepository extends JpaRepository<RecomputedRow, Long> {

    List<RecomputedRow> findByAnswerIsNullOrderById();

    List<RecomputedRow> findByDecisionId(long decisionId);
}
