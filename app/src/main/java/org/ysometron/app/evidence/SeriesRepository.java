package org.ysometron.app.evidence;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.ysometron.core.claim.Property;

interface SeriesRepository extends JpaRepository<Series, Long> {

    List<Series> findByProductIdOrderByColourAscPropertyAscOrientationAscIdAsc(long productId);

    List<Series> findByProductIdAndColourAndProperty(long productId, String colour, Property property);
}
