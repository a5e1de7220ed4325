package org.ysometron.app.evidence;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.EarlierLots;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.web.NotFound;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence.PooledScatter;
import org.ysometron.core.claim.Property;

/** The series of a product, one for each property under one set of conditions and colour, with a point a lot. */
@Component
public class SeriesPoints implements EarlierLots {

    /** How many lots back the bench and the evidence sheet look. */
    static final int LOOK_BACK = 30;

    private final SeriesRepository series;
    private final PointRepository points;

    SeriesPoints(SeriesRepository series, PointRepository points) {
        this.series = series;
        this.points = points;
    }

    /** A series and what makes it one. */
    public record SeriesView(long id, long productId, String colour, Property property, Conditions conditions) {

        /** Property, orientation and colour. */
        public String title() {
            return Claim.titleOf(property, conditions) + ", " + colour;
        }
    }

    /**
     * One lot on a series.
     *
     * @param sd standard deviation within the lot; null where there is none
     */
    public record PointView(
            long lotId,
            LocalDate madeOn,
            int n,
            double mean,
            @Nullable Double sd) {}

    /** All series of a product. */
    public List<SeriesView> ofProduct(long productId) {
        return series.findByProductIdOrderByColourAscPropertyAscOrientationAscIdAsc(productId).stream()
                .map(Series::view)
                .toList();
    }

    /** One series by its key. */
    public SeriesView series(long id) {
        return series.findById(id).map(Series::view).orElseThrow(() -> new NotFound("series " + id));
    }

    /** Every point of a series in order of making. */
    public List<PointView> points(long seriesId) {
        return points.ofSeries(seriesId);
    }

    /** The series of a property of this lot's product and colour under these conditions; empty when no lot has a point. */
    public Optional<SeriesView> find(LotView lot, Property property, Conditions conditions) {
        return series.findByProductIdAndColourAndProperty(lot.productId(), lot.colour(), property).stream()
                .map(Series::view)
                .filter(candidate -> candidate.conditions().equals(conditions))
                .findFirst();
    }

    /** The points of the lots made before this one, newest first. */
    public List<PointView> before(LotView lot, Property property, Conditions conditions) {
        return find(lot, property, conditions)
                .map(found -> points.before(found.id(), lot.madeOn(), lot.id(), Limit.of(LOOK_BACK)))
                .orElse(List.of());
    }

    /** Scatter within the lots before this one, pooled; empty when none of them has any. */
    Optional<PooledScatter> pooledScatter(List<PointView> earlier) {
        double squares = 0;
        double freedom = 0;
        int lots = 0;
        for (PointView point : earlier) {
            if (point.sd() != null && point.n() > 1) {
                squares += (point.n() - 1) * point.sd() * point.sd();
                freedom += point.n() - 1;
                lots++;
            }
        }
        return squares > 0
                ? Optional.of(new PooledScatter(Math.sqrt(squares / freedom), freedom, lots))
                : Optional.empty();
    }

    @Override
    public Optional<Earlier> strengths(LotView lot, Conditions conditions) {
        List<Double> means = before(lot, Property.TENSILE_STRENGTH, conditions).stream()
                .map(PointView::mean)
                .toList();
        return means.isEmpty() ? Optional.empty() : Optional.of(new Earlier(means));
    }
}
