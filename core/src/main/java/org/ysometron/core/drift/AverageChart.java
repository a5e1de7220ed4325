package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.drift.Signal.Side;
import org.ysometron.core.working.Figures;

/**
 * An average of the lot means that forgets (EWMA): it finds small lasting changes sooner than single means do. Each mean is read in the measure of its
 * own n. Limits widen over the first lots. Behind a lot at which it speaks it begins anew at the centre: one change asks once, and asks again only if
 * it lasts.
 *
 * <p>Source: {@link EwmaChart}.
 *
 * @param lambda weight of the newest lot, 0.05 to 0.5
 * @param limit L, 2 to 4
 */
public record AverageChart(double lambda, double limit) implements LotChart {

    /** A chart as often recommended: published run length 500 where limits are known. */
    public static final AverageChart USUAL = new AverageChart(0.2, 2.962);

    /** Least and greatest weight. */
    public static final double LEAST_LAMBDA = 0.05;

    /** Greatest weight. */
    public static final double MOST_LAMBDA = 0.5;

    /** Least L. */
    public static final double LEAST_LIMIT = 2;

    /** Greatest L. */
    public static final double MOST_LIMIT = 4;

    /** Checks the ranges. */
    public AverageChart {
        if (!(lambda >= LEAST_LAMBDA && lambda <= MOST_LAMBDA && limit >= LEAST_LIMIT && limit <= MOST_LIMIT)) {
            throw new IllegalArgumentException(
                    "an average needs λ from 0.05 to 0.5 and L from 2 to 4, got λ " + lambda + " and L " + limit);
        }
    }

    @Override
    public String words() {
        return "an average that forgets (EWMA, λ " + Figures.plain(lambda, 4) + ", L " + Figures.plain(limit, 4)
                + ") beyond its limits";
    }

    @Override
    public Course over(ChartSignal.Lots lots, LotLimits limits) {
        EwmaChart.Plan plan =
                new EwmaChart.Plan(limits.centre(), limits.sigma(), lambda, limit, limits.centre(), true, true);
        List<EwmaChart.Point> points =
                EwmaChart.of(limits.inOwnMeasure(lots), plan).points();
        List<ChartSignal> signals = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            EwmaChart.Point point = points.get(i);
            if (point.isBeyond()) {
                Side side = point.z() > limits.centre() ? Side.ABOVE : Side.BELOW;
                String words = "the weighted average of the lots " + side.words() + " its limit";
                signals.add(new ChartSignal(ChartRules.AVERAGE, i, i, side, words));
            }
        }
        return new Course(
                List.of(points.stream().mapToDouble(EwmaChart.Point::z).toArray()),
                points.stream().mapToDouble(EwmaChart.Point::lower).toArray(),
                points.stream().mapToDouble(point -> limits.centre()).toArray(),
                points.stream().mapToDouble(EwmaChart.Point::upper).toArray(),
                signals);
    }
}
