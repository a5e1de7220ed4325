package org.ysometron.app.intake;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface IntakeRecordRepository extends JpaRepository<IntakeRecord, Long> {

    List<IntakeRecord> findByLotIdInOrderById(Collection<Long> lotIds);

    List<IntakeRecord> findByLotIdInAndKindInOrderById(Collection<Long> lotIds, Collection<RecordKind> kinds);

    boolean existsByLotIdAndRequest(long lotId, String request);
}
