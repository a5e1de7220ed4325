package org.ysometron.app.lot;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface WordRepository extends JpaRepository<Word, Long> {

    List<Word> findByLotIdInOrderById(Collection<Long> lotIds);
}
