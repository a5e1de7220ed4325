package org.ysometron.app.product;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PublishedRevisionRepository extends JpaRepository<PublishedRevision, Long> {

    List<PublishedRevision> findByProductIdOrderByKindAscRevisionDesc(long productId);

    List<PublishedRevision> findByProductIdInOrderByRevisionDesc(Collection<Long> productIds);
}
