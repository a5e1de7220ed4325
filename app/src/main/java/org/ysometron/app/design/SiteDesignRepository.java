package org.ysometron.app.design;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.Repository;

interface SiteDesignRepository extends Repository<SiteDesign, Long> {

    SiteDesign saveAndFlush(SiteDesign design);

    List<SiteDesign> findAllByOrderById();

    Optional<SiteDesign> findByRequest(String request);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<SiteDesign> findByName(String name);
}
