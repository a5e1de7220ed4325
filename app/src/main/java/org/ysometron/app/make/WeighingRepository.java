package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface WeighingRepository extends JpaRepository<Weighing, Long> {

    List<Weighing> findBySetIdInOrderByWeighedAt(Collection<Long> setIds);
}
