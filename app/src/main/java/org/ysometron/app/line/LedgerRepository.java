package org.ysometron.app.line;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface LedgerRepository extends JpaRepository<LedgerRow, Long> {

    Optional<LedgerRow> findBySerialAndEpoch(String serial, String epoch);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select l from LedgerRow l where l.serial = :serial and l.epoch = :epoch")
    Optional<LedgerRow> locked(String serial, String epoch);
}
