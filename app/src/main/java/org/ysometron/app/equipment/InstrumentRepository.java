package org.ysometron.app.equipment;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface InstrumentRepository extends JpaRepository<Instrument, Long> {

    List<Instrument> findByKindOrderByCapacityAscIdAsc(Kind kind);

    boolean existsByName(String name);

    Optional<Instrument> findBySerial(String serial);
}
