package org.ysometron.app.gate;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.drift.Signals.LotSignal;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.Judgements.Judged;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.gate.Gate;

/** Decisions about lots: what blocks them, who may make them, and the record that each leaves. */
@Component
public class Decisions {

    private final DecisionRepository decisions;
    private final Lots lots;
    private final Bench bench;
    private final Judgements judgements;
    private final Signals signals;
    private final Intake intake;
    private final Hindrances hindrances;
    private final Snapshots snapshots;
    private final Clock clock;

    Decisions(
            DecisionRepository decisions,
            Lots lots,
            Bench bench,
            Judgements judgements,
            Signals signals,
            Intake intake,
            Hindrances hindrances,
            Snapshots snapshots,
            Clock clock) {
        this.decisions = decisions;
        this.lots = lots;
        this.bench = bench;
        this.judgements = judgements;
        this.signals = signals;
        this.intake = intake;
        this.hindrances = hindrances;
        this.snapshots = snapshots;
        this.clock = clock;
    }

    /**
     * A decision as it was made.
     *
     * @param intact whether the stored snapshot still has the hash that was written beside it
     */
    public record DecisionView(
            int revision,
            Disposition disposition,
            String reason,
            String decidedBy,
            Instant decidedAt,
            String sha256,
            boolean intact) {}

    /** A release that the rule refuses, with everything that stands in its way. */
    static final class Blocked extends Refusal {

        private static final long serialVersionUID = 1L;

        private final transient List<Block> blocks;

        Blocked(List<Block> blocks) {
            super(
                    "disposition",
                    "The lot cannot be released: "
                            + (blocks.size() == 1 ? "one thing stands" : blocks.size() + " things stand")
                            + " in the way.");
            this.blocks = blocks;
        }

        List<Block> blocks() {
            return blocks;
        }
    }

    /** What blocks the release of several lots. */
    @Transactional(readOnly = true)
    public Map<Long, List<Block>> blocks(Collection<LotView> wanted) {
        Map<Long, List<Judged>> judged = judgements.of(wanted);
        Map<Long, List<LotSignal>> signalled =
                signals.of(wanted.stream().map(LotView::id).toList());
        Map<Long, List<Block>> others = hindrances.of(wanted);
        Map<Long, List<Block>> blocks = new HashMap<>();
        for (LotView lot : wanted) {
            blocks.put(
                    lot.id(),
                    Gate.blocks(
                            judged.getOrDefault(lot.id(), List.of()).stream()
                                    .map(Decisions::claim)
                                    .toList(),
                            signalled.getOrDefault(lot.id(), List.of()).stream()
                                    .map(signal -> new Gate.ChartSignal(
                                            signal.title() + ": " + signal.words(), signal.isAnswered()))
                                    .toList(),
                            others.getOrDefault(lot.id(), List.of())));
        }
        return blocks;
    }

    /** What blocks this lot. */
    @Transactional(readOnly = true)
    public List<Block> blocks(LotView lot) {
        return blocks(List.of(lot)).getOrDefault(lot.id(), List.of());
    }

    /** Decides about a lot and freezes what the decision rests on. A second click finds it decided and changes nothing. */
    @Transactional
    public DecisionView decide(LotView wanted, Disposition disposition, String reason, String by) {
        if (reason.isBlank()) {
            throw new Refusal("reason", "Say why: the reason stands on the record.");
        }
        Optional<DecisionView> before = newest(wanted.id());
        boolean again = before.isPresent()
                && before.get().disposition() == disposition
                && before.get().decidedBy().equals(by)
                && before.get().reason().equals(reason.strip());
        if (again && !lots.lot(wanted.id()).state().equals(LotState.WAITING)) {
            return before.get();
        }
        LotView lot = lots.lockUndecided(wanted.id());
        if (lot.state() == LotState.RETAINED) {
            throw new Refusal("disposition", "Lot " + lot.code() + " is kept as reference; nothing is decided on it.");
        }
        List<Block> refusals = Gate.refusals(disposition, blocks(lot), by, enterers(lot.id()));
        if (!refusals.isEmpty()) {
            throw new Blocked(refusals);
        }
        int revision = before.map(DecisionView::revision).orElse(0) + 1;
        Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        String text = snapshots
                .take(lot, revision, disposition, reason.strip(), by, now.toString())
                .toText();
        Decision decision = new Decision();
        decision.lotId = lot.id();
        decision.revision = revision;
        decision.disposition = disposition;
        decision.reason = reason.strip();
        decision.decidedBy = by;
        decision.decidedAt = now;
        decision.snapshot = text;
        decision.sha256 = Snapshot.hash(text);
        decisions.save(decision);
        lots.move(
                lot.id(),
                switch (disposition) {
                    case RELEASE -> LotState.RELEASED;
                    case HOLD -> LotState.HELD;
                    case REJECT -> LotState.REJECTED;
                });
        return view(decision);
    }

    /** The accounts that entered or corrected anything about the lot that a decision rests on. */
    public Set<String> enterers(long lotId) {
        Set<String> all = new HashSet<>(bench.enterers(lotId));
        all.addAll(intake.enterers(lotId));
        return all;
    }

    /** The decisions about a lot, newest first. */
    public List<DecisionView> of(long lotId) {
        return decisions.findByLotIdOrderByRevisionDesc(lotId).stream()
                .map(Decisions::view)
                .toList();
    }

    Optional<DecisionView> newest(long lotId) {
        return of(lotId).stream().findFirst();
    }

    Decision stored(LotView lot, int revision) {
        return decisions.findByLotIdOrderByRevisionDesc(lot.id()).stream()
                .filter(decision -> revision == 0 || decision.revision == revision)
                .findFirst()
                .orElseThrow(() -> new NotFound("decision about lot " + lot.code()));
    }

    private static Gate.JudgedClaim claim(Judged judged) {
        return new Gate.JudgedClaim(
                judged.claim().title(),
                judged.verdict(),
                judged.reason(),
                judged.n(),
                judged.claim().requirement().minimumN(),
                judged.more());
    }

    private static DecisionView view(Decision decision) {
        return new DecisionView(
                decision.revision,
                decision.disposition,
                decision.reason,
                decision.decidedBy,
                decision.decidedAt,
                decision.sha256,
                Snapshot.hash(decision.snapshot).equals(decision.sha256));
    }
}
