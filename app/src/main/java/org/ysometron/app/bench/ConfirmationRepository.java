package org.ysometron.app.bench;

import java.time.LocalDate;
import org.springframework.data.jpa.repository.JpaRepository;
import org.ysometron.core.method.TestMethod;

interface ConfirmationRepository extends JpaRepository<Confirmation, Long> {

    boolean existsByAccountAndMethodAndConfirmedOn(String account, TestMethod method, LocalDate confirmedOn);
}
