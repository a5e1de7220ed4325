package org.ysometron.app.gate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.drift.Baselines;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.working.Figures;

/** Limits and signals that a frozen record names, beside the same worked out by today's arithmetic. */
@Component
class ChartsAnew {

    private static final String BETWEEN = "; ";

    /** Of the scatter: less than this is rounding, not another limit. */
    private static final double SAME = 1e-6;

    private final Judgements judgements;
    private final SeriesPoints series;
    private final Baselines baselines;
    private final Signals signals;

    ChartsAnew(Judgements judgements, SeriesPoints series, Baselines baselines, Signals signals) {
        this.judgements = judgements;
        this.series = series;
        this.baselines = baselines;
        this.signals = signals;
    }

    /**
     * One difference.
     *
     * @param what limits or signal of which series
     * @param was as the record has it, a sentence
     * @param wouldBe as it would be, a sentence
     */
    record Difference(String what, String was, String wouldBe) {}

    /** What differs of a lot's charts; a series whose limits the record does not name is passed over. */
    List<Difference> of(LotView lot, Snapshot snapshot) {
        Map<String, Set<String>> said = new HashMap<>();
        snapshot.signals().forEach(line -> said.computeIfAbsent(line.series(), title -> new LinkedHashSet<>())
                .addAll(Arrays.asList(line.words().split(BETWEEN))));
        List<Difference> found = new ArrayList<>();
        for (long id : judgements.seriesOf(lot.id()).stream().sorted().toList()) {
            String title = series.series(id).title();
            snapshot.baselines().stream()
                    .filter(line -> line.series().equals(title))
                    .findFirst()
                    .ifPresent(line -> compare(
                            found, new Asked(id, lot.id(), line), said.getOrDefault(title, new LinkedHashSet<>())));
        }
        return found;
    }

    private record Asked(long seriesId, long lotId, Snapshot.LimitLine line) {}

    private void compare(List<Difference> found, Asked asked, Set<String> said) {
        Snapshot.LimitLine line = asked.line;
        Optional<BaselineView> anew = baselines.anew(asked.seriesId, line.version());
        if (anew.isEmpty()) {
            return;
        }
        double slack = SAME * anew.get().sigma();
        if (Math.abs(anew.get().lower() - line.lower()) > slack
                || Math.abs(anew.get().upper() - line.upper()) > slack
                || Math.abs(anew.get().centre() - line.centre()) > slack) {
            found.add(new Difference(
                    "Limits of " + line.series() + ", version " + line.version(),
                    limits(line.lower(), line.centre(), line.upper()),
                    limits(anew.get().lower(), anew.get().centre(), anew.get().upper())));
        }
        Set<String> now = signals.at(asked.seriesId, asked.lotId, anew.get());
        // A signal of an earlier version stands until it is answered; what any version up to this one says may be
        // there.
        Set<String> possible = new LinkedHashSet<>(now);
        for (int version = 1; version < line.version(); version++) {
            baselines
                    .anew(asked.seriesId, version)
                    .ifPresent(earlier -> possible.addAll(signals.at(asked.seriesId, asked.lotId, earlier)));
        }
        if (!said.containsAll(now) || !possible.containsAll(said)) {
            found.add(new Difference("Signals on " + line.series(), sentence(said), sentence(now)));
        }
    }

    private static String limits(double lower, double centre, double upper) {
        return Figures.significant(lower, 7) + " to " + Figures.significant(upper, 7) + " about "
                + Figures.significant(centre, 7) + ".";
    }

    private static String sentence(Set<String> words) {
        return words.isEmpty() ? "no signal." : words.stream().sorted().collect(Collectors.joining(BETWEEN)) + ".";
    }
}
