package org.ysometron.app.gate;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.drift.Baselines;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.drift.LotLimits;
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
        Map<Long, String> titles = new TreeMap<>();
        Map<Long, Integer> sizes = judgements.sizesOf(lot.id());
        sizes.keySet().forEach(id -> titles.put(id, series.series(id).title()));
        List<Difference> found = new ArrayList<>();
        titles.forEach((id, title) -> snapshot.baselines().stream()
                .filter(line -> isOf(id, titles, line.seriesId(), line.series()))
                .findFirst()
                .ifPresent(line -> compare(
                        found,
                        new Asked(id, lot.id(), sizes.getOrDefault(id, 1), line),
                        snapshot.signals().stream()
                                .filter(signal -> isOf(id, titles, signal.seriesId(), signal.series()))
                                .flatMap(signal -> Arrays.stream(signal.words().split(BETWEEN)))
                                .collect(Collectors.toCollection(LinkedHashSet::new)))));
        return found;
    }

    /** Older records name a series by its title alone: where two of the lot bear it, nobody can say which is meant. */
    private static boolean isOf(long id, Map<Long, String> titles, @Nullable Long named, String title) {
        return named != null
                ? named == id
                : title.equals(titles.get(id)) && Collections.frequency(titles.values(), title) == 1;
    }

    private record Asked(long seriesId, long lotId, int n, Snapshot.LimitLine line) {}

    private void compare(List<Difference> found, Asked asked, Set<String> said) {
        Snapshot.LimitLine line = asked.line;
        Optional<BaselineView> anew = baselines.anew(asked.seriesId, line.version());
        if (anew.isEmpty()) {
            return;
        }
        double slack = SAME * anew.get().sigma();
        double centre = anew.get().centre();
        LotLimits limits = anew.get().limits();
        if (Math.abs(limits.lower(asked.n) - line.lower()) > slack
                || Math.abs(limits.upper(asked.n) - line.upper()) > slack
                || Math.abs(centre - line.centre()) > slack) {
            found.add(new Difference(
                    "Limits of " + line.series() + ", version " + line.version(),
                    limits(line.lower(), line.centre(), line.upper()),
                    limits(limits.lower(asked.n), centre, limits.upper(asked.n))));
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
