package org.ysometron.app.plan;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface ReferenceRepository extends JpaRepository<Reference, Long> {

    Optional<Reference> findByProductId(long productId);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from Reference r where r.productId = :product")
    Optional<Reference> lock(long product);
}
