package org.ysometron.app.drift;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.ChartTrial;
import org.ysometron.core.drift.ChartTrial.Change;
import org.ysometron.core.drift.ChartTrial.Extent;
import org.ysometron.core.drift.ChartTrial.Setting;

/** What rules cost in false alarms and how soon they notice, once worked out for a size of baseline and a set of rules. */
@Component
class Alarms {

    /** Series that are simulated: the half of the run lengths is known to some percent. */
    static final int SERIES = 2000;

    private static final Extent EXTENT = new Extent(SERIES, 2000, 13);
    private static final int MOST_KEPT = 500;

    /** Baselines beyond so many lots are as good as known; their cost is that of so many. */
    private static final int MOST_LOTS = 200;

    private final Map<Key, Cost> known = new ConcurrentHashMap<>();

    private record Key(int lots, int n, ChartRules rules) {}

    /**
     * What rules cost.
     *
     * @param quiet half of the charts have cried wolf within so many lots
     * @param step half of them have noticed a step of one standard deviation within so many
     */
    record Cost(String quiet, String step) {}

    Cost of(BaselineView baseline) {
        int n = (int) Math.round(Math.min(100, Math.max(1, baseline.size().orElse(5))));
        return of(baseline.lots(), baseline.spread().isPresent() ? Math.max(2, n) : 1, baseline.rules());
    }

    Cost of(int lots, int n, ChartRules rules) {
        if (known.size() > MOST_KEPT) {
            known.clear();
        }
        return known.computeIfAbsent(new Key(Math.min(MOST_LOTS, Math.max(3, lots)), n, rules), Alarms::simulated);
    }

    /** Of lots of the same n as the baseline's, where it does not matter how the scatter is divided between and within lots. */
    private static Cost simulated(Key key) {
        ChartTrial.Watch watch = ChartTrial.byRules(key.rules);
        Setting setting = new Setting(key.lots, key.n, key.n, 0.5);
        return new Cost(
                words(ChartTrial.of(watch, setting, Change.NONE, EXTENT).median()),
                words(ChartTrial.of(watch, setting, new Change(1, 0, 1), EXTENT).median()));
    }

    private static String words(int lots) {
        return lots > EXTENT.most() ? "more than " + EXTENT.most() : String.valueOf(lots);
    }
}
