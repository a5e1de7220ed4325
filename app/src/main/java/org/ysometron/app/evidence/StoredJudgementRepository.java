package org.ysometron.app.evidence;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface StoredJudgementRepository extends JpaRepository<StoredJudgement, Long> {

    List<StoredJudgement> findByLotIdIn(Collection<Long> lotIds);

    @Modifying(flushAutomatically = true)
    @Query("delete from StoredJudgement j where j.lotId = :lot")
    void deleteOfLot(long lot);
}
