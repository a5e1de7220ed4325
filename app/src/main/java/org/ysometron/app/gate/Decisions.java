package org.ysometron.app.gate;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.ysometron.app.drift.Signals;
import org.ysometron.app.drift.Signals.LotSignal;
import org.ysometron.app.evidence.Derivations;
import org.ysometron.app.evidence.Judgements;
import org.ysometron.app.evidence.Judgements.Judged;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Remedies;
import org.ysometron.app.lot.Words;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.gate.Block;
import org.ysometron.core.gate.Cause;
import org.ysometron.core.gate.Disposition;
import org.ysometron.core.gate.Gate;
import org.ysometron.core.gate.Right;
import tools.jackson.databind.json.JsonMapper;

/** Decisions about lots: what blocks them, who may make them, and the record that each leaves. */
@Component
public class Decisions {

    private static final Logger LOG = LoggerFactory.getLogger(Decisions.class);
    private static final int LONGEST_REASON = 600;

    private final DecisionRepository decisions;
    private final ConcessionRepository concessions;
    private final Lots lots;
    private final Judgements judgements;
    private final Derivations derivations;
    private final Signals signals;
    private final Words words;
    private final Remedies remedies;
    private final Contributors contributors;
    private final Hindrances hindrances;
    private final Publications publications;
    private final Snapshots snapshots;
    private final Clock clock;

    Decisions(
            DecisionRepository decisions,
            ConcessionRepository concessions,
            Lots lots,
            Judgements judgements,
            Derivations derivations,
            Signals signals,
            Words words,
            Remedies remedies,
            Contributors contributors,
            Hindrances hindrances,
            Publications publications,
            Snapshots snapshots,
            Clock clock) {
        this.decisions = decisions;
        this.concessions = concessions;
        this.lots = lots;
        this.judgements = judgements;
        this.derivations = derivations;
        this.signals = signals;
        this.words = words;
        this.remedies = remedies;
        this.contributors = contributors;
        this.hindrances = hindrances;
        this.publications = publications;
        this.snapshots = snapshots;
        this.clock = clock;
    }

    /**
     * A decision as it was made.
     *
     * @param particulars scope and amount of a concession, what is tested again, what is worked on; empty for others
     * @param secondBy who signed a concession second; empty for others
     * @param intact whether the stored snapshot still has the hash that was written beside it
     */
    public record DecisionView(
            int revision,
            Disposition disposition,
            String reason,
            String particulars,
            String decidedBy,
            String secondBy,
            Instant decidedAt,
            String sha256,
            boolean intact) {}

    /** What a decision needs beside its reason; only the parts of its own disposition are looked at. */
    public record Particulars(
            String scope,
            String amount,
            @Nullable LocalDate until,
            @Nullable Long setId,
            @Nullable Cause cause,
            Remedies.@Nullable Rule rule,
            Remedies.@Nullable Kind rework) {

        /** Nothing beside the reason. */
        public static final Particulars NONE = new Particulars("", "", null, null, null, null, null);
    }

    /** A release under concession that waits for its second signature. */
    record Waiting(
            long id,
            String scope,
            String amount,
            LocalDate until,
            String reason,
            List<Block> covers,
            String by,
            Instant at) {}

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

    /** Something was written between looking and locking: what the decision would rest on is worked out anew. */
    private static final class Overtaken extends ConcurrencyFailureException {

        private static final long serialVersionUID = 1L;

        Overtaken() {
            super("evidence changed while a decision was made");
        }
    }

    /** What blocks the release of several lots; one that cannot be read says so and takes no other with it. */
    public Map<Long, List<Block>> blocks(Collection<LotView> wanted) {
        try {
            return together(wanted);
        } catch (DataAccessException away) {
            throw away;
        } catch (RuntimeException broken) {
            LOG.error("the lots of a list cannot be read together", broken);
            Map<Long, List<Block>> blocks = new HashMap<>();
            wanted.forEach(lot -> blocks.put(lot.id(), alone(lot)));
            return blocks;
        }
    }

    private List<Block> alone(LotView lot) {
        try {
            return together(List.of(lot)).getOrDefault(lot.id(), List.of());
        } catch (DataAccessException away) {
            throw away;
        } catch (RuntimeException broken) {
            return List.of(new Block(
                    Block.Kind.TEST_MISSING,
                    "This lot could not be read: " + broken.getMessage() + ".",
                    Right.ADMINISTRATION,
                    "Whoever keeps this site finds the cause in its log; the other lots are not concerned."));
        }
    }

    private Map<Long, List<Block>> together(Collection<LotView> wanted) {
        publications.prepare(
                wanted.stream().map(LotView::productId).collect(Collectors.toSet()),
                wanted.stream().map(LotView::datasheetId).collect(Collectors.toSet()));
        Map<Long, List<Judged>> judged = judgements.of(wanted);
        Map<Long, List<Block>> evidence = judgements.blocks(wanted);
        Map<Long, List<LotSignal>> signalled = signals.of(wanted);
        Map<Long, List<Block>> others = hindrances.of(wanted);
        Map<Long, List<Words.WordView>> given = words
                .of(wanted.stream().map(LotView::id).toList())
                .stream()
                .collect(Collectors.groupingBy(Words.WordView::lotId));
        Map<Long, List<Block>> blocks = new HashMap<>();
        for (LotView lot : wanted) {
            List<Block> before = new ArrayList<>(others.getOrDefault(lot.id(), List.of()));
            before.addAll(evidence.getOrDefault(lot.id(), List.of()));
            blocks.put(
                    lot.id(),
                    standing(
                            judged.getOrDefault(lot.id(), List.of()),
                            signalled.getOrDefault(lot.id(), List.of()),
                            before,
                            given.getOrDefault(lot.id(), List.of())));
        }
        return blocks;
    }

    /** What blocks this lot. */
    public List<Block> blocks(LotView lot) {
        return blocks(List.of(lot)).getOrDefault(lot.id(), List.of());
    }

    /** Everything that stands in the way once words of judgement have lifted what they speak of. */
    private static List<Block> standing(
            List<Judged> judged, List<LotSignal> signalled, List<Block> before, List<Words.WordView> given) {
        return Gate.blocks(
                judged.stream().map(Decisions::claim).toList(),
                signalled.stream()
                        .map(signal ->
                                new Gate.ChartSignal(signal.title() + ": " + signal.words(), signal.isAnswered()))
                        .toList(),
                before.stream()
                        .filter(block -> given.stream().noneMatch(word -> word.lifts(block)))
                        .toList());
    }

    /** Decides about a lot and freezes what the decision rests on. A second click finds it decided and changes nothing. */
    @Write
    public DecisionView decide(LotView wanted, Disposition disposition, String reason, String by) {
        return decide(wanted, disposition, Particulars.NONE, reason, by);
    }

    /** The same with what the disposition needs. A concession waits for its second signature and decides nothing yet. */
    @Write
    public DecisionView decide(
            LotView wanted, Disposition disposition, Particulars particulars, String reason, String by) {
        // Locked before anything is read: what is stored after this is not part of the decision, nor in its snapshot.
        LotView lot = lots.lock(wanted.id(), false);
        Optional<DecisionView> before = newest(wanted.id());
        boolean again = before.isPresent()
                && before.get().disposition() == disposition
                && before.get().decidedBy().equals(by)
                && before.get().reason().equals(reason.strip());
        if (again && lot.state() != LotState.WAITING) {
            return before.get();
        }
        lot = lots.lock(wanted.id());
        String why = Reasons.require("reason", reason, "The reason", LONGEST_REASON);
        if (lot.state() == LotState.RETAINED) {
            throw new Refusal("disposition", "Lot " + lot.code() + " is kept as reference; nothing is decided on it.");
        }
        if (disposition == Disposition.CONCESSION) {
            throw new Refusal("disposition", "A release under concession is signed by two: propose it first.");
        }
        requireFresh(lot);
        Judgements.Whole whole = judgements.whole(lot);
        List<Block> refusals = Gate.refusals(disposition, blocks(lot, whole), by, contributors.of(lot.id()));
        if (!refusals.isEmpty()) {
            throw new Blocked(refusals);
        }
        String particular = ordered(lot, disposition, particulars, why, by);
        return store(lot, whole, new Signed(disposition, why, particular, by, "", refusals));
    }

    /** What else a disposition does. */
    private String ordered(LotView lot, Disposition disposition, Particulars particulars, String reason, String by) {
        return switch (disposition) {
            case RETEST -> {
                if (particulars.setId() == null) {
                    throw new Refusal("set", "Choose what is tested again.");
                }
                remedies.retest(lot, particulars.setId(), particulars.cause(), particulars.rule(), reason, by);
                yield "Tested again: " + setWords(lot, particulars.setId()) + "; "
                        + java.util.Objects.requireNonNull(particulars.rule()).words()
                        + (particulars.cause() == null
                                ? "."
                                : ". Cause: " + particulars.cause().words() + ".");
            }
            case REWORK -> {
                if (particulars.rework() == null) {
                    throw new Refusal("rework", "Choose what is worked on.");
                }
                remedies.rework(lot, particulars.rework(), reason, by);
                yield "Rework: " + particulars.rework().words() + ".";
            }
            case RELEASE, CONCESSION, HOLD, REJECT -> "";
        };
    }

    private String setWords(LotView lot, long setId) {
        return lots.specimens(lot.id()).stream()
                .filter(specimen -> specimen.setId() == setId)
                .map(specimen -> specimen.label() + " and its set, "
                        + specimen.conditions().words())
                .findFirst()
                .orElse("");
    }

    /** First signature of a release under concession: what is known to stand in the way, and within what it may leave. */
    @Write
    public void propose(LotView wanted, Particulars particulars, String reason, String by) {
        LotView lot = lots.lock(wanted.id());
        String why = Reasons.require("reason", reason, "The reason", LONGEST_REASON);
        String scope = Reasons.require("scope", particulars.scope(), "For whom and what it is released", 300);
        if (particulars.amount().isBlank() || particulars.amount().strip().length() > 120) {
            throw new Refusal("amount", "Say how much of the lot may leave, for example 40 spools of 750 g.");
        }
        LocalDate today = LocalDate.now(clock);
        LocalDate until = particulars.until();
        if (until == null || until.isBefore(today) || until.isAfter(today.plusYears(2))) {
            throw new Refusal(
                    "until",
                    "Say until when, from today on and within two years, for example " + today.plusMonths(1) + ".");
        }
        requireFresh(lot);
        List<Block> blocks = blocks(lot, judgements.whole(lot));
        requireOther(by, lot);
        if (blocks.isEmpty()) {
            throw new Refusal("disposition", "Nothing stands in the way: release it.");
        }
        concessions.findFirstByLotIdAndEndedFalseOrderByIdDesc(lot.id()).ifPresent(open -> open.ended = true);
        Concession row = new Concession();
        row.lotId = lot.id();
        row.scope = scope;
        row.amount = particulars.amount().strip();
        row.untilDay = until;
        row.reason = why;
        row.covers = JSON.writeValueAsString(blocks);
        row.signedBy = by;
        row.signedAt = clock.instant();
        concessions.save(row);
    }

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** The concession that waits for its second signature; empty when none does. */
    Optional<Waiting> waiting(long lotId) {
        return concessions
                .findFirstByLotIdAndEndedFalseOrderByIdDesc(lotId)
                .map(row -> new Waiting(
                        row.id,
                        row.scope,
                        row.amount,
                        row.untilDay,
                        row.reason,
                        List.of(JSON.readValue(row.covers, Block[].class)),
                        row.signedBy,
                        row.signedAt));
    }

    /** Second signature: another person, and nothing new in the way since the first. */
    @Write
    public DecisionView countersign(LotView wanted, long concessionId, String by) {
        LotView lot = lots.lock(wanted.id());
        Concession open = concessions
                .findFirstByLotIdAndEndedFalseOrderByIdDesc(lot.id())
                .filter(row -> row.id == concessionId)
                .orElseThrow(
                        () -> new Refusal("countersign", "This concession is no longer open; load the page again."));
        if (open.signedBy.equals(by)) {
            throw new Refusal("countersign", "The second signature is another person's.");
        }
        requireOther(by, lot);
        if (open.untilDay.isBefore(LocalDate.now(clock))) {
            throw new Refusal("countersign", "The concession ended on " + open.untilDay + "; propose it anew.");
        }
        requireFresh(lot);
        Judgements.Whole whole = judgements.whole(lot);
        List<Block> now = blocks(lot, whole);
        List<Block> covered = List.of(JSON.readValue(open.covers, Block[].class));
        List<Block> fresh =
                now.stream().filter(block -> !covered.contains(block)).toList();
        if (!fresh.isEmpty()) {
            throw new Refusal(
                    "countersign",
                    "Since the first signature something else stands in the way: "
                            + fresh.get(0).what() + " Propose the concession anew.");
        }
        open.ended = true;
        String particulars = "For " + open.scope + "; " + open.amount + "; until " + open.untilDay + ".";
        return store(lot, whole, new Signed(Disposition.CONCESSION, open.reason, particulars, open.signedBy, by, now));
    }

    private void requireOther(String by, LotView lot) {
        Set<String> own = contributors.of(lot.id());
        if (own.contains(by)) {
            throw new Blocked(Gate.refusals(Disposition.CONCESSION, List.of(), by, own));
        }
    }

    private void requireFresh(LotView lot) {
        // Points and verdicts are made anew beside this step; the lot itself is locked, so that they stay new.
        derivations.refresh(Set.of(lot.productId()));
        if (derivations.isOld(lot)) {
            throw new Overtaken();
        }
    }

    private List<Block> blocks(LotView lot, Judgements.Whole whole) {
        List<Block> before = new ArrayList<>(hindrances.of(List.of(lot)).getOrDefault(lot.id(), List.of()));
        before.addAll(whole.blocks());
        return standing(
                whole.judged(),
                signals.stored(List.of(lot.id())).getOrDefault(lot.id(), List.of()),
                before,
                words.of(List.of(lot.id())));
    }

    /** A decision with its signatures, and what it lets pass. */
    private record Signed(
            Disposition disposition, String reason, String particulars, String by, String second, List<Block> lets) {}

    private DecisionView store(LotView lot, Judgements.Whole whole, Signed signed) {
        int revision = newest(lot.id()).map(DecisionView::revision).orElse(0) + 1;
        Instant now = clock.instant().truncatedTo(ChronoUnit.MILLIS);
        String text = snapshots
                .take(
                        lot,
                        whole,
                        new Snapshots.Signature(
                                revision,
                                signed.disposition(),
                                signed.reason(),
                                signed.particulars(),
                                signed.by(),
                                signed.second(),
                                now.toString()),
                        signed.lets(),
                        contributors.of(lot.id()))
                .toText();
        Decision decision = new Decision();
        decision.lotId = lot.id();
        decision.revision = revision;
        decision.disposition = signed.disposition();
        decision.reason = signed.reason();
        decision.particulars = signed.particulars();
        decision.decidedBy = signed.by();
        decision.secondBy = signed.second();
        decision.decidedAt = now;
        decision.snapshot = text;
        decision.sha256 = Snapshot.hash(text);
        decisions.save(decision);
        lots.move(
                lot.id(),
                switch (signed.disposition()) {
                    case RELEASE -> LotState.RELEASED;
                    case CONCESSION -> LotState.CONCEDED;
                    case HOLD -> LotState.HELD;
                    case RETEST -> LotState.RETEST;
                    case REWORK -> LotState.REWORK;
                    case REJECT -> LotState.REJECTED;
                });
        return view(decision);
    }

    /** Gives a word of judgement about one thing that blocks the lot now. */
    @Write
    public void give(LotView wanted, String kind, String subject, @Nullable Cause cause, String reason, String by) {
        LotView lot = lots.lockUndecided(wanted.id());
        if (contributors.ofEvidence(lot.id()).contains(by)) {
            throw new Refusal(
                    "reason",
                    "The account '" + by + "' entered evidence of this lot; a word of judgement about it is another"
                            + " account's.");
        }
        Block block = blocks(lot, judgements.whole(lot)).stream()
                .filter(candidate -> candidate.kind().name().equals(kind)
                        && candidate.subject().equals(subject)
                        && candidate.isLiftedByWord())
                .findFirst()
                .orElseThrow(() -> new Refusal("reason", "This no longer stands in the way; load the page again."));
        words.give(lot, block, cause, reason, by);
    }

    /** The accounts that entered, made or corrected anything of the lot. */
    public Set<String> enterers(long lotId) {
        return contributors.of(lotId);
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
                judged.more(),
                !judged.claim().property().isMechanical());
    }

    private static DecisionView view(Decision decision) {
        return new DecisionView(
                decision.revision,
                decision.disposition,
                decision.reason,
                decision.particulars,
                decision.decidedBy,
                decision.secondBy,
                decision.decidedAt,
                decision.sha256,
                Snapshot.hash(decision.snapshot).equals(decision.sha256));
    }
}
