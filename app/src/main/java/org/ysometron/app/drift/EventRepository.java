package org.ysometron.app.drift;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface EventRepository extends JpaRepository<Event, Long> {

    boolean existsByRequest(String request);

    @Query("""
            select e from Event e where (e.seriesId = :series
            or (e.seriesId is null and (e.productId is null or e.productId = :product)))
            and e.happenedOn between :from and :to order by e.happenedOn desc, e.id desc
            """)
    List<Event> between(long product, long series, LocalDate from, LocalDate to, Limit most);
}
