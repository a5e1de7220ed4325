package org.ysometron.app.evidence;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Conditions.Mismatch;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.gate.Block;

/** Judges a lot's readings against its claims, and keeps points and verdicts where lists and charts find them fast. */
@Component
public class Judgements {

    private final LotVerdicts verdicts;
    private final Derivations derivations;
    private final LotPoints points;
    private final StoredJudgementRepository stored;
    private final Publications publications;

    Judgements(
            LotVerdicts verdicts,
            Derivations derivations,
            LotPoints points,
            StoredJudgementRepository stored,
            Publications publications) {
        this.verdicts = verdicts;
        this.derivations = derivations;
        this.points = points;
        this.stored = stored;
        this.publications = publications;
    }

    /** A claim with its verdict, as lists show it. */
    public record Judged(Claim claim, Verdict verdict, String reason, int n, OptionalInt more) {}

    /**
     * A claim with all that led to its verdict.
     *
     * @param records the specimens that were compared, numerator and denominator together for a ratio
     * @param earlier points of the lots before, newest first
     * @param mismatches conditions that differ without blocking
     * @param setup the set-up whose specimens give the figures
     * @param others sets of other set-ups or rounds under the same terms
     * @param asFirst the judgement on the evidence as it was first entered; null where nothing was changed since
     * @param withAll the judgement with every load counted; null where all count
     */
    public record Detail(
            Claim claim,
            Judgement judgement,
            List<SpecimenRecord> records,
            List<SeriesPoints.PointView> earlier,
            List<Mismatch> mismatches,
            Setup setup,
            List<Other> others,
            @Nullable Judgement asFirst,
            @Nullable Judgement withAll) {

        /** One set-up, nothing beside it. */
        static Detail plain(
                Claim claim, Judgement judgement, List<SpecimenRecord> records, List<SeriesPoints.PointView> earlier) {
            return new Detail(claim, judgement, records, earlier, List.of(), Setup.NONE, List.of(), null, null);
        }

        Detail withFirst(Judgement first) {
            return new Detail(claim, judgement, records, earlier, mismatches, setup, others, first, withAll);
        }

        /** What else is to be said of it: other set-ups, and what the verdict would have been. */
        public List<String> beside() {
            List<String> said = new ArrayList<>();
            others.forEach(other -> said.add(other.words()));
            if (withAll != null) {
                said.add((judgement.excluded() == 1
                                ? "One result does not count; with its load"
                                : judgement.excluded() + " results do not count; with their loads")
                        + " counted it would be " + withAll.verdict().words() + ".");
            }
            if (asFirst != null && asFirst.verdict() != judgement.verdict()) {
                said.add("Evidence was changed after its result was known; as first entered it would be "
                        + asFirst.verdict().words() + ": " + asFirst.reason());
            }
            return said;
        }
    }

    /**
     * Another set under the same terms, which speaks beside the one that gives the figures.
     *
     * @param subject its key
     * @param name its specimens and set-up
     * @param aside why it was set aside; empty when it was not
     */
    public record Other(String subject, String name, Judgement judgement, String aside) {

        /** What it says, in words. */
        public String words() {
            return name + (aside.isEmpty() ? "" : " (" + aside + ")") + ": "
                    + judgement.verdict().words() + ", n = " + judgement.n() + ". " + judgement.reason();
        }
    }

    /**
     * Everything that a decision rests on.
     *
     * @param blocks what of the evidence itself stands in the way
     * @param notices what is said beside the verdicts
     */
    public record Whole(List<Detail> details, List<Judged> judged, List<Block> blocks, List<String> notices) {}

    private record Sheet(long id, LocalDate day) {}

    /** Verdicts of several lots, claim by claim, from what was stored; what is older than its evidence is made anew first. */
    public Map<Long, List<Judged>> of(Collection<LotView> wanted) {
        derivations.refresh(wanted.stream().map(LotView::productId).collect(Collectors.toSet()));
        Map<Long, Map<Long, StoredJudgement>> byLot = new HashMap<>();
        List<Long> ids = wanted.stream().map(LotView::id).toList();
        for (StoredJudgement row : stored.findByLotIdIn(ids)) {
            byLot.computeIfAbsent(row.lotId, id -> new HashMap<>()).put(row.claimId, row);
        }
        Map<Long, String> faults = derivations.faults(ids);
        Map<Sheet, List<Claim>> claims = new HashMap<>();
        Map<Long, List<Judged>> judged = new HashMap<>();
        for (LotView lot : wanted) {
            Map<Long, StoredJudgement> rows = byLot.getOrDefault(lot.id(), Map.of());
            judged.put(
                    lot.id(),
                    claims
                            .computeIfAbsent(
                                    new Sheet(lot.datasheetId(), lot.madeOn()),
                                    sheet -> publications.claims(sheet.id(), sheet.day()))
                            .stream()
                            .map(claim -> judged(claim, rows.get(claim.id()), faults.get(lot.id())))
                            .toList());
        }
        return judged;
    }

    /** Every claim of a lot judged anew from its readings, with the working. */
    public List<Detail> details(LotView lot) {
        return verdicts.details(lot);
    }

    /** A lot's whole evidence, worked out anew: what a decision rests on. */
    public Whole whole(LotView lot) {
        LotVerdicts.Found found = verdicts.of(lot);
        return new Whole(
                found.details(),
                found.details().stream().map(Judgements::judged).toList(),
                found.blocks(),
                found.notices());
    }

    /** What of the evidence itself stands in the way, by lot, as new as the evidence. */
    public Map<Long, List<Block>> blocks(Collection<LotView> wanted) {
        derivations.refresh(wanted.stream().map(LotView::productId).collect(Collectors.toSet()));
        return derivations.blocks(wanted.stream().map(LotView::id).toList());
    }

    /** One claim of a lot, judged anew. */
    public Optional<Detail> detail(LotView lot, long claimId) {
        return details(lot).stream()
                .filter(detail -> detail.claim().id() == claimId)
                .findFirst();
    }

    /** The series on which a lot has a point, with the specimens behind it. */
    public Map<Long, Integer> sizesOf(long lotId) {
        return points.sizesOf(lotId);
    }

    /** What of a lot was tested under one claim's terms but in another set-up. */
    public List<Apart> apart(LotView lot) {
        return verdicts.apart(lot);
    }

    /** What of a lot was tested and is claimed by nobody. */
    public List<Unclaimed> unclaimed(LotView lot, List<Detail> claimed) {
        return verdicts.unclaimed(lot, claimed);
    }

    private static Judged judged(Detail detail) {
        return new Judged(
                detail.claim(),
                detail.judgement().verdict(),
                detail.judgement().reason(),
                detail.judgement().n(),
                detail.judgement().moreSpecimens());
    }

    private static Judged judged(Claim claim, @Nullable StoredJudgement row, @Nullable String fault) {
        if (fault != null) {
            return new Judged(
                    claim,
                    Verdict.OPEN,
                    "It could not be worked out; whoever keeps this site finds why in its log. " + fault,
                    0,
                    OptionalInt.empty());
        }
        if (row == null) {
            return new Judged(claim, Verdict.NOT_TESTED, "No specimen has been tested yet.", 0, OptionalInt.empty());
        }
        return new Judged(
                claim,
                row.verdict,
                row.reason,
                row.n,
                row.more == null ? OptionalInt.empty() : OptionalInt.of(row.more));
    }
}
