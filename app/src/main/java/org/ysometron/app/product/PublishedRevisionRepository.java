package org.ysometron.app.product;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.ysometron.core.publication.Publication;

interface PublishedRevisionRepository extends JpaRepository<PublishedRevision, Long> {

    List<PublishedRevision> findByProductIdOrderByKindAscRevisionDesc(long productId);

    List<PublishedRevision> findByProductIdAndKindOrderByRevisionDesc(long productId, Publication.Kind kind);
}
