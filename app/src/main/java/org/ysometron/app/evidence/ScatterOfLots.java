package org.ysometron.app.evidence;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.plan.History;
import org.ysometron.app.product.Claim;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.statistics.Summary;

/** Tells plans how the newest lots of a series scatter, from the points on it. */
@Component
class ScatterOfLots implements History {

    private final SeriesPoints series;

    ScatterOfLots(SeriesPoints series) {
        this.series = series;
    }

    @Override
    @Transactional(readOnly = true)
    public Optional<Scatter> scatter(long productId, Claim claim) {
        List<SeriesPoints.PointView> points = series.newestOfLongest(series.ofProduct(productId).stream()
                .filter(view -> claim.speaksOf(view.property(), view.conditions()))
                .toList());
        double[] means =
                points.stream().mapToDouble(SeriesPoints.PointView::mean).toArray();
        return series.pooledScatter(points)
                .map(pooled -> new Scatter(
                        pooled.sd(),
                        pooled.lots(),
                        Summary.of(means).mean(),
                        means.length < 2
                                ? OptionalDouble.empty()
                                : OptionalDouble.of(
                                        IndividualsLimits.of(means, "").sigma())));
    }
}
