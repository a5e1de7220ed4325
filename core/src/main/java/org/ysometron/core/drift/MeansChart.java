package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The chart of lot means: limits three standard deviations of a mean of the lot's own n about the centre, and patterns of the means. Zones are
 * read of each mean in the measure of its own n, which way the means go of the means themselves.
 *
 * <p>Source: ISO 7870-2, individuals; the limits by n as in {@link LotLimits}.
 *
 * @param rules patterns that are a signal
 */
public record MeansChart(Set<RunRule> rules) implements LotChart {

    /** Patterns of which way the means go, whatever stands behind each of them. */
    private static final Set<RunRule> MOVES = EnumSet.of(RunRule.SIX_CLIMBING_OR_FALLING, RunRule.FOURTEEN_ALTERNATING);

    /** Copies the set. */
    public MeansChart {
        rules = rules.isEmpty() ? Set.of() : Set.copyOf(rules);
    }

    @Override
    public String words() {
        return rules.stream().sorted().map(RunRule::looksFor).collect(Collectors.joining("; "));
    }

    @Override
    public Course over(ChartSignal.Lots lots, LotLimits limits) {
        int[] sizes = lots.sizes();
        return new Course(
                List.of(lots.means()),
                LotChart.byN(sizes, limits::lower),
                LotChart.byN(sizes, n -> limits.centre()),
                LotChart.byN(sizes, limits::upper),
                signals(lots, limits));
    }

    private List<ChartSignal> signals(ChartSignal.Lots lots, LotLimits limits) {
        EnumSet<RunRule> zones = EnumSet.noneOf(RunRule.class);
        EnumSet<RunRule> moves = EnumSet.noneOf(RunRule.class);
        rules.forEach(rule -> (MOVES.contains(rule) ? moves : zones).add(rule));
        List<ChartSignal> found = new ArrayList<>();
        add(RunRule.signals(limits.inOwnMeasure(lots), limits.centre(), limits.sigma(), zones), found);
        if (!moves.isEmpty()) {
            add(RunRule.signals(lots.means(), limits.centre(), limits.sigma(), moves), found);
        }
        found.sort(Comparator.comparingInt(ChartSignal::last));
        return found;
    }

    private static void add(List<Signal> signals, List<ChartSignal> found) {
        for (Signal signal : signals) {
            found.add(new ChartSignal(
                    signal.rule().name(), signal.first(), signal.last(), signal.side(), signal.words()));
        }
    }
}
