package org.ysometron.app.product;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface PublishedClaimRepository extends JpaRepository<PublishedClaim, Long> {

    List<PublishedClaim> findByDatasheetIdOrderByPlace(long datasheetId);
}
