package org.ysometron.app.evidence;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StoredJudgementRepository extends JpaRepository<StoredJudgement, Long> {

    List<StoredJudgement> findByLotIdIn(Collection<Long> lotIds);
}
