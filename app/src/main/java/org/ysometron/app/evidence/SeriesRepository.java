package org.ysometron.app.evidence;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface SeriesRepository extends JpaRepository<Series, Long> {

    List<Series> findByProductIdOrderByColourAscPropertyAscOrientationAscIdAsc(long productId);
}
