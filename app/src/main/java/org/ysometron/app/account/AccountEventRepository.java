package org.ysometron.app.account;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

interface AccountEventRepository extends JpaRepository<AccountEvent, Long> {

    List<AccountEvent> findByOrderByIdDesc(Limit limit);
}
