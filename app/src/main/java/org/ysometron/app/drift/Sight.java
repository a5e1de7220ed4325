package org.ysometron.app.drift;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.drift.Signals.LotSignal;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.working.Figures;

/**
 * The lots in sight with what is known of each.
 *
 * @param earlier points before the first in sight that a chart of these lots reads: the one before it, or all where a chart remembers
 */
record Sight(
        SeriesView series,
        List<PointView> points,
        List<PointView> earlier,
        Map<Long, LotView> lots,
        Map<Long, LotSignal> signals,
        Optional<BaselineView> baseline,
        Set<Long> baselineLots,
        Map<Double, Double> uncertainties) {

    static final double LEFT = 58;
    static final double RIGHT = 1000;

    /** What a bridging study took off, and how well it is known; empty where nothing was. */
    String takenOff(PointView point) {
        String unit = series.property().unit();
        Double uncertainty = uncertainties.get(point.takenOff());
        return uncertainty == null
                ? ""
                : "; " + Figures.withUnit(point.takenOff(), 3, unit) + " taken off by a bridging study, uncertain by "
                        + Figures.significant(uncertainty, 2);
    }

    Optional<LotLimits> limits() {
        return baseline.map(BaselineView::limits);
    }

    int n(int index) {
        return points.get(index).n();
    }

    double x(int index) {
        return points.size() == 1 ? (LEFT + RIGHT) / 2 : LEFT + 16 + index * (RIGHT - LEFT - 32) / (points.size() - 1);
    }

    boolean isBroughtIn(PointView point) {
        LotView lot = lots.get(point.lotId());
        return lot != null && lot.state() == LotState.BROUGHT_IN;
    }

    boolean isUndecided(long lotId) {
        LotView lot = lots.get(lotId);
        return lot != null && lot.state().isUndecided();
    }

    String code(PointView point) {
        LotView lot = lots.get(point.lotId());
        return lot == null ? "lot " + point.lotId() : lot.code();
    }

    /** Place of a lot; −1 where it is out of sight. */
    int place(@Nullable Long lotId) {
        for (int i = 0; i < points.size(); i++) {
            if (lotId != null && points.get(i).lotId() == lotId) {
                return i;
            }
        }
        return -1;
    }
}
