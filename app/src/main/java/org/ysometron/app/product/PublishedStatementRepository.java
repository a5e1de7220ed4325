package org.ysometron.app.product;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PublishedStatementRepository extends JpaRepository<PublishedStatement, Long> {

    List<PublishedStatement> findByPublicationIdInOrderByPlace(Collection<Long> publicationIds);

    List<PublishedStatement> findByIdIn(Collection<Long> ids);

    /** A product and one that it claims to be better than. */
    record Pair(long productId, long rivalId) {}

    @Query(
            "select distinct new org.ysometron.app.product.PublishedStatementRepository$Pair(p.productId, s.rivalId)"
                    + " from PublishedStatement s join PublishedRevision p on p.id = s.publicationId where s.rivalId is not null")
    List<Pair> rivals();
}
