package org.ysometron.app.line;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface PressRepository extends JpaRepository<PressRow, Long> {

    /** Locked, so that two benches that take it at once are told apart. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from PressRow p where p.id = :id")
    Optional<PressRow> locked(long id);

    @Query(
            "select p from PressRow p where p.usedFor is null and p.instrumentId in :instruments and p.keptAt > :since order by p.id")
    List<PressRow> waiting(Collection<Long> instruments, Instant since, Limit most);

    @Query("select p from PressRow p where p.usedFor is null order by p.id desc")
    List<PressRow> waiting(Limit most);

    @Query("select p from PressRow p where p.leftOut = true order by p.usedAt desc")
    List<PressRow> left(Limit most);

    long countByUsedForIsNull();
}
