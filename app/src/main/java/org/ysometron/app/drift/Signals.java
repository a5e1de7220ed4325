package org.ysometron.app.drift;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.EvidenceChanged;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.ChartSignal;

/** Signals at the lots' points, kept up to date with points and baselines, and the answers given to them. */
@Component
public class Signals {

    private final StoredSignalRepository signals;
    private final AnswerRepository answers;
    private final Baselines baselines;
    private final SeriesPoints series;
    private final Derivations derivations;
    private final Lots lots;
    private final Clock clock;

    Signals(
            StoredSignalRepository signals,
            AnswerRepository answers,
            Baselines baselines,
            SeriesPoints series,
            Derivations derivations,
            Lots lots,
            Clock clock) {
        this.derivations = derivations;
        this.lots = lots;
        this.signals = signals;
        this.answers = answers;
        this.baselines = baselines;
        this.series = series;
        this.clock = clock;
    }

    /** An answer to a signal. */
    public record AnswerView(String words, String answer, String by, Instant at) {}

    /**
     * What the charts say at one lot's point of one series.
     *
     * @param words every pattern at the point, joined
     * @param ofMeans those that are patterns of the lot means, joined; the others have charts of their own
     * @param answer the newest answer, where every one of these patterns has been answered; null while one has not
     * @param inPart the newest answer to one of them, while another has none
     */
    public record LotSignal(
            long seriesId,
            String title,
            String words,
            String ofMeans,
            @Nullable AnswerView answer,
            @Nullable AnswerView inPart) {

        /** Whether somebody with judgement has dealt with it. */
        public boolean isAnswered() {
            return answer != null;
        }
    }

    /** The signals at several lots, as new as their evidence. */
    public Map<Long, List<LotSignal>> of(Collection<LotView> wanted) {
        derivations.refresh(wanted.stream().map(LotView::productId).collect(Collectors.toSet()));
        return stored(wanted.stream().map(LotView::id).toList());
    }

    /** The same as they stand. */
    public Map<Long, List<LotSignal>> stored(Collection<Long> lotIds) {
        Map<Long, Map<Long, List<StoredSignal>>> byLot = signals.findByLotIdInOrderById(lotIds).stream()
                .collect(Collectors.groupingBy(
                        row -> row.lotId,
                        Collectors.groupingBy(row -> row.seriesId, LinkedHashMap::new, Collectors.toList())));
        Map<String, List<Answer>> given = answers.findByLotIdInOrderById(lotIds).stream()
                .collect(Collectors.groupingBy(answer -> key(answer.seriesId, answer.lotId)));
        Map<Long, SeriesView> known = series.all(byLot.values().stream()
                .flatMap(bySeries -> bySeries.keySet().stream())
                .collect(Collectors.toSet()));
        Map<Long, List<LotSignal>> found = new HashMap<>();
        byLot.forEach((lotId, bySeries) -> bySeries.forEach((seriesId, rows) -> {
            String words = joined(rows);
            Answered answered = answered(rows, given.getOrDefault(key(seriesId, lotId), List.of()));
            String title = Objects.requireNonNull(known.get(seriesId)).title();
            found.computeIfAbsent(lotId, id -> new ArrayList<>())
                    .add(new LotSignal(
                            seriesId,
                            title,
                            words,
                            joined(rows.stream()
                                    .filter(row -> ChartRules.isOfMeans(row.rule))
                                    .toList()),
                            answered.isWhole ? answered.newest : null,
                            answered.isWhole ? null : answered.newest));
        }));
        return found;
    }

    /** The signals at lots on which a decision is due, as they stand. */
    Map<Long, List<LotSignal>> atDueLots() {
        List<Long> due =
                signals.lotsIn(LotState.due().stream().map(LotState::name).toList());
        return due.isEmpty() ? Map.of() : stored(due);
    }

    private record Answered(boolean isWhole, @Nullable AnswerView newest) {}

    /** The newest answer to one of these signals, and whether each of them has one. */
    private static Answered answered(List<StoredSignal> rows, List<Answer> given) {
        List<Answer> speaking = given.stream()
                .filter(answer -> rows.stream().anyMatch(row -> isTo(answer, row, rows)))
                .toList();
        if (speaking.isEmpty()) {
            return new Answered(false, null);
        }
        Answer newest = speaking.get(speaking.size() - 1);
        return new Answered(
                rows.stream().allMatch(row -> speaking.stream().anyMatch(answer -> isTo(answer, row, rows))),
                new AnswerView(newest.words, newest.answer, newest.answeredBy, newest.answeredAt));
    }

    private static boolean isTo(Answer answer, StoredSignal row, List<StoredSignal> rows) {
        return answer.identities.isEmpty()
                ? answer.words.equals(joined(rows))
                : List.of(answer.identities.split(" ")).contains(row.identity);
    }

    /** Answers what the chart says at a lot's point now. */
    @Write
    public void answer(long seriesId, long lotId, String text, String by) {
        lots.touch(lotId);
        Reasons.require("answer", text, "The answer (what changed, why the lot may stand, or what is done)", 600);
        List<StoredSignal> rows = signals.findByLotIdInOrderById(List.of(lotId)).stream()
                .filter(row -> row.seriesId == seriesId)
                .toList();
        if (rows.isEmpty()) {
            throw new Refusal("answer", "There is no signal at this lot any more; load the page again.");
        }
        Answer answer = new Answer();
        answer.seriesId = seriesId;
        answer.lotId = lotId;
        answer.words = joined(rows);
        answer.identities = identities(rows);
        answer.answer = text.strip();
        answer.answeredBy = by;
        answer.answeredAt = clock.instant();
        answers.save(answer);
    }

    @EventListener
    @Write
    public void onEvidence(EvidenceChanged change) {
        change.seriesIds().forEach(this::rebuild);
    }

    @EventListener
    @Write
    void onBaseline(Baselines.Signed signed) {
        rebuild(signed.seriesId());
    }

    /** Works out the signals of a series anew; only what differs is written. */
    @Write
    public void rebuild(long seriesId) {
        Optional<BaselineView> baseline = baselines.newest(seriesId);
        List<StoredSignal> before = signals.findBySeriesIdOrderById(seriesId);
        if (baseline.isEmpty()) {
            signals.deleteAll(before);
            return;
        }
        List<StoredSignal> found = found(seriesId, baseline.get(), series.points(seriesId));
        if (before.stream().anyMatch(row -> row.identity.isEmpty())) {
            adopt(seriesId, before, found);
        }
        Map<String, StoredSignal> gone = new LinkedHashMap<>();
        before.forEach(row -> gone.put(row.lotId + " " + row.rule, row));
        List<StoredSignal> fresh = new ArrayList<>();
        for (StoredSignal row : found) {
            StoredSignal there = gone.remove(row.lotId + " " + row.rule);
            if (there == null) {
                fresh.add(row);
            } else if (!there.identity.equals(row.identity) || !there.words.equals(row.words)) {
                boolean isAnother = there.identity.isEmpty()
                        ? !there.words.equals(row.words)
                        : !there.identity.equals(row.identity);
                there.baselineVersion = isAnother ? row.baselineVersion : there.baselineVersion;
                there.identity = row.identity;
                there.words = row.words;
            }
        }
        // A new baseline lifts no signal of a lot that was tested already: that one stays until it is answered.
        Set<Long> waiting = lots
                .all(gone.values().stream()
                        .filter(row -> row.baselineVersion < baseline.get().version())
                        .map(row -> row.lotId)
                        .toList())
                .stream()
                .filter(lot -> lot.state().isDue())
                .map(LotView::id)
                .collect(Collectors.toSet());
        gone.values().removeIf(row -> row.baselineVersion < baseline.get().version() && waiting.contains(row.lotId));
        signals.deleteAllInBatch(gone.values());
        signals.flush();
        signals.saveAll(fresh);
    }

    /** Gives answers of before identities those of the signals that they were given to. */
    private void adopt(long seriesId, List<StoredSignal> before, List<StoredSignal> found) {
        for (Answer answer : answers.findBySeriesIdAndIdentities(seriesId, "")) {
            List<StoredSignal> then = before.stream()
                    .filter(row -> row.lotId.equals(answer.lotId))
                    .toList();
            Set<String> rules = then.stream().map(row -> row.rule).collect(Collectors.toSet());
            List<StoredSignal> now = found.stream()
                    .filter(row -> row.lotId.equals(answer.lotId) && rules.contains(row.rule))
                    .toList();
            if (joined(then).equals(answer.words) && now.size() == then.size()) {
                answer.identities = identities(now);
            }
        }
    }

    /** The signals at undecided lots that a new baseline of these lots with these rules would no longer raise, in words. */
    public List<String> lifted(long seriesId, Set<Long> chosen, ChartRules rules) {
        Optional<BaselineView> outlook = baselines.outlook(seriesId, chosen, rules);
        if (outlook.isEmpty()) {
            return List.of();
        }
        Set<String> then = found(seriesId, outlook.get(), series.points(seriesId)).stream()
                .map(row -> row.lotId + " " + row.rule)
                .collect(Collectors.toSet());
        List<StoredSignal> now = signals.findBySeriesIdOrderById(seriesId);
        Map<Long, LotView> due = lots
                .all(now.stream().map(row -> row.lotId).distinct().toList())
                .stream()
                .filter(lot -> lot.state().isDue())
                .collect(Collectors.toMap(LotView::id, lot -> lot));
        return now.stream()
                .filter(row -> due.containsKey(row.lotId) && !then.contains(row.lotId + " " + row.rule))
                .map(row -> java.util.Objects.requireNonNull(due.get(row.lotId)).code() + ": " + row.words)
                .toList();
    }

    /** What a chart with these limits says at a lot's point, the points behind it left out: each pattern in its words. */
    @Transactional(readOnly = true)
    public Set<String> at(long seriesId, long lotId, BaselineView limits) {
        List<PointView> points = new ArrayList<>();
        for (PointView point : series.points(seriesId)) {
            points.add(point);
            if (point.lotId() == lotId) {
                break;
            }
        }
        return found(seriesId, limits, points).stream()
                .filter(row -> row.lotId == lotId)
                .map(row -> row.words)
                .collect(Collectors.toSet());
    }

    private static List<StoredSignal> found(long seriesId, BaselineView baseline, List<PointView> points) {
        return ChartSignal.of(lots(points), baseline.limits(), baseline.rules()).stream()
                .map(signal -> row(
                        seriesId,
                        baseline,
                        points.get(signal.last()).lotId(),
                        signal.rule(),
                        signal.side().name() + ":" + points.get(signal.first()).lotId(),
                        signal.words()))
                .toList();
    }

    /** The lots of a series as the core reads them. */
    static ChartSignal.Lots lots(List<PointView> points) {
        return new ChartSignal.Lots(
                points.stream().mapToDouble(PointView::mean).toArray(),
                points.stream()
                        .mapToDouble(point -> point.sd() == null ? Double.NaN : point.sd())
                        .toArray(),
                points.stream().mapToInt(PointView::n).toArray());
    }

    private static StoredSignal row(
            long seriesId, BaselineView baseline, long lotId, String rule, String run, String words) {
        StoredSignal row = new StoredSignal();
        row.baselineVersion = baseline.version();
        row.seriesId = seriesId;
        row.lotId = lotId;
        row.rule = rule;
        row.identity = rule + ":" + run;
        row.words = words;
        return row;
    }

    /** Patterns of the means first: they are one label at their point. */
    private static String joined(List<StoredSignal> rows) {
        return rows.stream()
                .sorted(Comparator.comparing((StoredSignal row) -> !ChartRules.isOfMeans(row.rule))
                        .thenComparing(row -> row.rule))
                .map(row -> row.words)
                .collect(Collectors.joining("; "));
    }

    private static String identities(List<StoredSignal> rows) {
        return rows.stream().map(row -> row.identity).sorted().collect(Collectors.joining(" "));
    }

    private static String key(long seriesId, long lotId) {
        return seriesId + " " + lotId;
    }
}
