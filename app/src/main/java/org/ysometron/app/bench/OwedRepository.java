package org.ysometron.app.bench;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface OwedRepository extends JpaRepository<Owed, Long> {

    List<Owed> findByLotIdOrderById(long lotId);

    Optional<Owed> findByIdAndLotId(long id, long lotId);

    boolean existsBySpecimenIdAndField(long specimenId, String field);

    @Query("select distinct o.waivedBy from Owed o where o.lotId = :lot and o.waivedBy is not null")
    List<String> waivers(long lot);
}
