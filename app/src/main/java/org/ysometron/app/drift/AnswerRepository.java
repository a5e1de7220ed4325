package org.ysometron.app.drift;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface AnswerRepository extends JpaRepository<Answer, Long> {

    List<Answer> findByLotIdInOrderById(Collection<Long> lotIds);

    List<Answer> findBySeriesIdAndIdentities(long seriesId, String identities);
}
