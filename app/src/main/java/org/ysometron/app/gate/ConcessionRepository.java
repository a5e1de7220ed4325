package org.ysometron.app.gate;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface ConcessionRepository extends JpaRepository<Concession, Long> {

    Optional<Concession> findFirstByLotIdAndEndedFalseOrderByIdDesc(long lotId);
}
