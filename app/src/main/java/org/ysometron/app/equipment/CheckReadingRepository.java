package org.ysometron.app.equipment;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface CheckReadingRepository extends JpaRepository<CheckReading, Long> {

    List<CheckReading> findByStandardIdOrderById(long standardId);

    Optional<CheckReading> findFirstByStandardIdOrderByIdDesc(long standardId);
}
