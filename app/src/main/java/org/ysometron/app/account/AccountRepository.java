package org.ysometron.app.account;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface AccountRepository extends JpaRepository<Account, Long> {

    Optional<Account> findByName(String name);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select account from Account account where account.name = :name")
    Optional<Account> lock(String name);
}
