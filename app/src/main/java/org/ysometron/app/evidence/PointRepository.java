package org.ysometron.app.evidence;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PointRepository extends JpaRepository<Point, Long> {

    /** How many lots a series has. */
    record Count(long seriesId, long lots) {}

    @Query("select new org.ysometron.app.evidence.PointRepository$Count(p.seriesId, count(p)) from Point p"
            + " where p.seriesId in :series group by p.seriesId")
    List<Count> counts(Collection<Long> series);

    @Query("""
            select new org.ysometron.app.evidence.SeriesPoints$PointView(p.lotId, p.madeOn, p.n, p.mean, p.sd, p.takenOff)
            from Point p where p.seriesId = :series order by p.madeOn desc, p.lotId desc
            """)
    List<SeriesPoints.PointView> newest(long series, Limit limit);

    List<Point> findBySeriesId(long seriesId);

    @Query("""
            select new org.ysometron.app.evidence.SeriesPoints$PointView(p.lotId, p.madeOn, p.n, p.mean, p.sd, p.takenOff)
            from Point p where p.seriesId = :series order by p.madeOn, p.lotId
            """)
    List<SeriesPoints.PointView> ofSeries(long series);

    @Query("""
            select new org.ysometron.app.evidence.SeriesPoints$PointView(p.lotId, p.madeOn, p.n, p.mean, p.sd, p.takenOff)
            from Point p where p.seriesId = :series order by p.madeOn, p.lotId limit :count offset :from
            """)
    List<SeriesPoints.PointView> part(long series, int from, int count);

    @Query("""
            select new org.ysometron.app.evidence.SeriesPoints$PointView(p.lotId, p.madeOn, p.n, p.mean, p.sd, p.takenOff)
            from Point p
            where p.seriesId = :series and (p.madeOn < :madeOn or (p.madeOn = :madeOn and p.lotId < :lot))
            order by p.madeOn desc, p.lotId desc
            """)
    List<SeriesPoints.PointView> before(long series, LocalDate madeOn, long lot, Limit limit);

    /** A lot's mean on a series. */
    record Mean(long seriesId, long lotId, double mean) {}

    @Query("""
            select new org.ysometron.app.evidence.PointRepository$Mean(p.seriesId, p.lotId, p.mean)
            from Point p where p.seriesId in :series order by p.seriesId, p.madeOn, p.lotId
            """)
    List<Mean> means(Collection<Long> series);

    List<Point> findByLotId(long lotId);
}
