package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.drift.Signal.Side;
import org.ysometron.core.quantity.Rounding;

/**
 * The chart of the standard deviation within lots: it rests at c₄σ, and one beyond the limit for its own n is a signal. Lots of one specimen have
 * none. Source: ISO 7870-2, s chart; the limits as in {@link SpreadLimits}.
 */
public record ScatterChart() implements LotChart {

    @Override
    public String words() {
        return "scatter within the lot beyond its limit";
    }

    @Override
    public Course over(ChartSignal.Lots lots, LotLimits limits) {
        int[] sizes = lots.sizes();
        double[] upper = LotChart.byN(sizes, n -> limits.scatter(n).orElse(Double.NaN));
        double[] centre = LotChart.byN(sizes, n -> limits.scatterCentre(n).orElse(Double.NaN));
        double[] drawn = LotChart.none(sizes.length);
        List<ChartSignal> signals = new ArrayList<>();
        for (int i = 0; i < sizes.length; i++) {
            if (sizes[i] > 1) {
                drawn[i] = lots.deviations()[i];
            }
            if (Double.isFinite(upper[i]) && Rounding.above(lots.deviations()[i], upper[i])) {
                signals.add(new ChartSignal(ChartRules.SCATTER, i, i, Side.ABOVE, words()));
            }
        }
        return new Course(List.of(drawn), LotChart.none(sizes.length), centre, upper, signals);
    }
}
