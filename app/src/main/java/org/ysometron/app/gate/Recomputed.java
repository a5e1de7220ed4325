package org.ysometron.app.gate;

import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Judgement;

/**
 * What today's arithmetic says of lots that were decided by yesterday's: each decided lot's verdicts, limits and signals worked
 * out anew beside those of its frozen record. Nothing of a record is altered; what differs is listed until somebody has answered it.
 */
@Component
public class Recomputed {

    private static final int PAGE = 200;
    private static final int LONGEST = 1000;

    private final DecisionRepository decisions;
    private final RecomputedRepository rows;
    private final Judgements judgements;
    private final ChartsAnew charts;
    private final Lots lots;
    private final Clock clock;

    Recomputed(
            DecisionRepository decisions,
            RecomputedRepository rows,
            Judgements judgements,
            ChartsAnew charts,
            Lots lots,
            Clock clock) {
        this.charts = charts;
        this.decisions = decisions;
        this.rows = rows;
        this.judgements = judgements;
        this.lots = lots;
        this.clock = clock;
    }

    /**
     * One difference.
     *
     * @param what which verdict, limits or signals
     * @param was as the record has it
     * @param wouldBe as it would be by today's arithmetic
     */
    public record Change(long id, String lot, String what, String was, String wouldBe) {

        /** In a line, for a report. */
        public String line() {
            return lot + ": " + what + ": was " + was + " Would be " + wouldBe;
        }
    }

    /** Works every decided lot out anew and keeps what differs; what was found before is not listed twice. */
    public List<Change> find() {
        List<Change> found = new ArrayList<>();
        for (int page = 0; ; page++) {
            Lots.LotPage lotsOf = lots.page(LotState.decided(), page, PAGE, false);
            for (LotView lot : lotsOf.lots()) {
                found.addAll(of(lot));
            }
            if ((page + 1L) * PAGE >= lotsOf.total()) {
                return found;
            }
        }
    }

    private List<Change> of(LotView lot) {
        Decision newest = decisions.findByLotIdOrderByRevisionDesc(lot.id()).stream()
                .findFirst()
                .orElse(null);
        if (newest == null) {
            return List.of();
        }
        List<RecomputedRow> known = rows.findByDecisionId(newest.id);
        // A claim is what was printed of it; two alike in all of that are told apart by their order, which is the
        // datasheet's.
        Map<List<String>, List<Snapshot.ClaimLine>> before = Snapshot.of(newest.snapshot).claims().stream()
                .collect(Collectors.groupingBy(line -> List.of(line.title(), line.asTyped(), line.terms())));
        Map<List<String>, Integer> seen = new HashMap<>();
        List<Change> changes = new ArrayList<>();
        for (Judgements.Detail detail : judgements.details(lot)) {
            List<String> key = List.of(
                    detail.claim().title(),
                    detail.claim().published(),
                    detail.claim().terms());
            List<Snapshot.ClaimLine> lines = before.getOrDefault(key, List.of());
            int place = seen.merge(key, 1, Integer::sum) - 1;
            Judgement now = detail.judgement();
            if (place < lines.size()
                    && !lines.get(place).verdict().equals(now.verdict().words())) {
                Snapshot.ClaimLine line = lines.get(place);
                changes.add(keep(
                        lot,
                        newest,
                        known,
                        new ChartsAnew.Difference(
                                line.title(),
                                line.verdict() + ". " + line.reason(),
                                now.verdict().words() + ". " + now.reason())));
            }
        }
        for (ChartsAnew.Difference difference : charts.of(lot, Snapshot.of(newest.snapshot))) {
            changes.add(keep(lot, newest, known, difference));
        }
        return changes;
    }

    private Change keep(LotView lot, Decision decision, List<RecomputedRow> known, ChartsAnew.Difference difference) {
        String was = cut(difference.was());
        String wouldBe = cut(difference.wouldBe());
        RecomputedRow row = known.stream()
                .filter(old -> old.what.equals(difference.what()) && old.wouldBe.equals(wouldBe))
                .findFirst()
                .orElseGet(() -> {
                    RecomputedRow fresh = new RecomputedRow();
                    fresh.lotId = lot.id();
                    fresh.decisionId = decision.id;
                    fresh.what = difference.what();
                    fresh.was = was;
                    fresh.wouldBe = wouldBe;
                    fresh.foundAt = clock.instant();
                    return rows.save(fresh);
                });
        return new Change(row.id, lot.code(), row.what, row.was, row.wouldBe);
    }

    private static String cut(String text) {
        return text.length() > LONGEST ? text.substring(0, LONGEST - 1) + "…" : text;
    }

    /** What nobody has answered yet, oldest first. */
    @Transactional(readOnly = true)
    List<Change> unanswered() {
        List<RecomputedRow> open = rows.findByAnswerIsNullOrderById();
        Map<Long, String> codes = lots
                .all(open.stream().map(row -> row.lotId).distinct().toList())
                .stream()
                .collect(Collectors.toMap(LotView::id, LotView::code));
        return open.stream()
                .map(row -> new Change(row.id, codes.getOrDefault(row.lotId, ""), row.what, row.was, row.wouldBe))
                .toList();
    }

    /** Takes an answer in words of substance: what follows for the lot, customers told, nothing and why. */
    @Write
    void answer(long id, String words, String by) {
        RecomputedRow row = rows.findById(id).orElseThrow(() -> new NotFound("difference " + id));
        if (row.answer != null) {
            throw new Refusal("answer", "This was answered already by " + row.answeredBy + ".");
        }
        row.answer = Reasons.require("answer", words, "The answer", 300);
        row.answeredBy = by;
        row.answeredAt = clock.instant();
    }
}
