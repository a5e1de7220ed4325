package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.statistics.MeanBounds;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;

/** Judges the stored points of past lots against a value that is not published yet. */
@Component
class PastLots {

    private final SeriesPoints series;

    PastLots(SeriesPoints series) {
        this.series = series;
    }

    /** One sentence for each series of the property: how many lots would have supported the value, and which one all would. */
    @Transactional(readOnly = true)
    public List<String> of(long productId, Characteristic property, Orientation orientation, Requirement requirement) {
        List<String> lines = new ArrayList<>();
        for (SeriesPoints.SeriesView view : series.ofProduct(productId)) {
            boolean asked = view.property().equals(property)
                    && (property.isRatio() || view.conditions().orientation() == orientation);
            List<SeriesPoints.PointView> points = asked ? series.points(view.id()) : List.of();
            if (!points.isEmpty()) {
                lines.add(sentence(view, points, requirement));
            }
        }
        return lines;
    }

    private static String sentence(
            SeriesPoints.SeriesView view, List<SeriesPoints.PointView> points, Requirement requirement) {
        int support = 0;
        int judged = 0;
        double everyLot = Double.POSITIVE_INFINITY;
        for (SeriesPoints.PointView point : points) {
            // A ratio's point has no scatter of its own; it is asked by its value.
            double lower = point.mean();
            double upper = point.mean();
            if (point.sd() != null && point.n() > 1) {
                MeanBounds bounds = MeanBounds.of(
                        point.mean(), point.n(), point.sd(), point.n() - 1.0, 0, requirement.confidence(), "");
                lower = bounds.lower();
                upper = bounds.upper();
            } else if (!view.property().isRatio()) {
                continue;
            }
            judged++;
            everyLot = Math.min(everyLot, lower);
            boolean inside = (requirement.lower().isEmpty()
                            || lower >= requirement.lower().getAsDouble())
                    && (requirement.upper().isEmpty()
                            || upper <= requirement.upper().getAsDouble());
            support += inside && point.n() >= requirement.minimumN() ? 1 : 0;
        }
        if (judged == 0) {
            return view.title() + ": no lot with more than one specimen.";
        }
        Summary means = Summary.of(
                points.stream().mapToDouble(SeriesPoints.PointView::mean).toArray());
        String every = requirement.upper().isEmpty()
                ? "; every one supports " + Figures.significant(everyLot, 3) + " "
                        + view.property().unit()
                : "";
        return view.title() + ": " + support + " of " + judged + " lots would have supported " + requirement.words()
                + every + " (lot means " + Figures.significant(means.least(), 3) + " to "
                + Figures.significant(means.greatest(), 3) + ", scatter within lots only).";
    }
}
