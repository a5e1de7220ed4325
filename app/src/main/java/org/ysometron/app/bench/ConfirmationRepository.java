package org.ysometron.app.bench;

import java.time.LocalDate;
import org.springframework.data.jpa.repository.JpaRepository;

interface ConfirmationRepository extends JpaRepository<Confirmation, Long> {

    boolean existsByAccountAndMethodAndConfirmedOn(String account, String method, LocalDate confirmedOn);
}
