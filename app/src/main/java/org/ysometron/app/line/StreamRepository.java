package org.ysometron.app.line;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface StreamRepository extends JpaRepository<StreamRow, Long> {

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select s from StreamRow s where s.id = :id")
    Optional<StreamRow> locked(long id);

    /** Locked: a bench may be saying whose it is while its points come in. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<StreamRow> findBySerialAndEpochAndStream(String serial, String epoch, long stream);

    @Query("select s from StreamRow s where s.leftOut = true order by s.usedAt desc")
    List<StreamRow> left(Limit most);

    @Query("select s from StreamRow s where s.usedFor is null order by s.id desc")
    List<StreamRow> waiting(Limit most);

    @Query("select s from StreamRow s where s.usedFor is null and s.instrumentId in :instruments order by s.id desc")
    List<StreamRow> waiting(Collection<Long> instruments, Limit most);
}
