package org.ysometron.app.product;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PublishedStatementRepository extends JpaRepository<PublishedStatement, Long> {

    List<PublishedStatement> findByPublicationIdOrderByPlace(long publicationId);

    List<PublishedStatement> findByIdIn(Collection<Long> ids);
}
