package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.drift.Signal.Side;
import org.ysometron.core.quantity.Rounding;

/**
 * The chart of changes from the lot before (moving range of two): a change beyond its limit is a signal at the later lot, as any other. Source:
 * ISO 7870-2; the limit for two lots of their own n as in {@link LotLimits}.
 */
public record ChangesChart() implements LotChart {

    @Override
    public String words() {
        return "a change from the lot before beyond its limit";
    }

    @Override
    public Course over(ChartSignal.Lots lots, LotLimits limits) {
        double[] means = lots.means();
        double[] changes = LotChart.none(means.length);
        double[] centre = LotChart.none(means.length);
        double[] upper = LotChart.none(means.length);
        List<ChartSignal> signals = new ArrayList<>();
        for (int i = 1; i < means.length; i++) {
            int n = lots.sizes()[i];
            int before = lots.sizes()[i - 1];
            changes[i] = Math.abs(means[i] - means[i - 1]);
            centre[i] = limits.rangeCentre(n, before);
            upper[i] = limits.range(n, before);
            if (Rounding.beyond(means[i], means[i - 1], upper[i])) {
                Side side = means[i] > means[i - 1] ? Side.ABOVE : Side.BELOW;
                String words = "change from the lot before beyond its limit";
                signals.add(new ChartSignal(ChartRules.RANGE, i - 1, i, side, words));
            }
        }
        return new Course(List.of(changes), LotChart.none(means.length), centre, upper, signals);
    }
}
