package org.ysometron.app.product;

import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface DatasheetRepository extends JpaRepository<Datasheet, Long> {

    Optional<Datasheet> findFirstByProductIdOrderByRevisionDesc(long productId);
}
