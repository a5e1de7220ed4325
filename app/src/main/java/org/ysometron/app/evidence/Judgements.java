package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.ReadingsChanged;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.intake.Intake;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.make.Histories;
import org.ysometron.app.plan.References;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Conditions.Mismatch;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Property;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.claim.Verification;

/** Judges a lot's readings against its claims, and keeps points and verdicts where lists and charts find them fast. */
@Component
public class Judgements {

    private final Bench bench;
    private final Lots lots;
    private final Publications publications;
    private final MaterialResults material;
    private final Provisionals provisionals;
    private final SeriesPoints series;
    private final LotPoints points;
    private final Histories histories;
    private final StoredJudgementRepository stored;
    private final ApplicationEventPublisher events;

    Judgements(
            Bench bench,
            Lots lots,
            Publications publications,
            MaterialResults material,
            Provisionals provisionals,
            SeriesPoints series,
            LotPoints points,
            Histories histories,
            StoredJudgementRepository stored,
            ApplicationEventPublisher events) {
        this.bench = bench;
        this.lots = lots;
        this.publications = publications;
        this.material = material;
        this.provisionals = provisionals;
        this.series = series;
        this.points = points;
        this.histories = histories;
        this.stored = stored;
        this.events = events;
    }

    /** A claim with its verdict, as lists show it. */
    public record Judged(Claim claim, Verdict verdict, String reason, int n, OptionalInt more) {}

    /**
     * A claim with all that led to its verdict.
     *
     * @param records the specimens that were compared, numerator and denominator together for a ratio
     * @param earlier points of the lots before, newest first
     * @param mismatches conditions that differ without blocking
     */
    public record Detail(
            Claim claim,
            Judgement judgement,
            List<SpecimenRecord> records,
            List<SeriesPoints.PointView> earlier,
            List<Mismatch> mismatches) {}

    /** Verdicts of several lots, claim by claim, from what was stored. */
    @Transactional(readOnly = true)
    public Map<Long, List<Judged>> of(Collection<LotView> wanted) {
        Map<Long, Map<Long, StoredJudgement>> byLot = new HashMap<>();
        List<Long> ids = wanted.stream().map(LotView::id).toList();
        for (StoredJudgement row : stored.findByLotIdIn(ids)) {
            byLot.computeIfAbsent(row.lotId, id -> new HashMap<>()).put(row.claimId, row);
        }
        Map<Long, List<Claim>> claims = new HashMap<>();
        Map<Long, List<Judged>> judged = new HashMap<>();
        for (LotView lot : wanted) {
            Map<Long, StoredJudgement> rows = byLot.getOrDefault(lot.id(), Map.of());
            judged.put(
                    lot.id(),
                    claims.computeIfAbsent(lot.datasheetId(), publications::claims).stream()
                            .map(claim -> judged(claim, rows.get(claim.id())))
                            .toList());
        }
        return judged;
    }

    /** Every claim of a lot judged anew from its readings, with the working. */
    @Transactional(readOnly = true)
    public List<Detail> details(LotView lot) {
        Sets sets = sets(lot);
        return publications.claims(lot.datasheetId()).stream()
                .map(claim -> detail(lot, claim, sets))
                .toList();
    }

    /** One claim of a lot, judged anew. */
    @Transactional(readOnly = true)
    public Optional<Detail> detail(LotView lot, long claimId) {
        return details(lot).stream()
                .filter(detail -> detail.claim().id() == claimId)
                .findFirst();
    }

    /** The series a lot has a point on. */
    public Set<Long> seriesOf(long lotId) {
        return points.seriesOf(lotId);
    }

    @EventListener
    @Transactional
    public void onReadings(ReadingsChanged change) {
        rebuild(change.lotId());
    }

    /** Works out the lot's points and verdicts from its readings; what was stored is replaced. */
    @Transactional
    public void rebuild(long lotId) {
        LotView lot = lots.lot(lotId);
        Sets sets = sets(lot);
        stored.deleteOfLot(lotId);
        if (lot.state() == LotState.RETAINED) {
            // A reference lot is no lot of the product's chart; it has one of its own.
            events.publishEvent(new EvidenceChanged(lotId, points.rebuild(lot, List.of(), List.of(), List.of())));
            return;
        }
        Set<Long> touched = points.rebuild(lot, sets.counted(), sets.measured, material.of(lot));
        for (Claim claim : publications.claims(lot.datasheetId())) {
            store(lot, detail(lot, claim, sets));
        }
        events.publishEvent(new EvidenceChanged(lotId, touched));
    }

    @EventListener
    @Transactional
    public void onRetained(References.Retained retained) {
        rebuild(retained.lotId());
    }

    @EventListener
    @Transactional
    public void onMaking(Histories.MakingChanged change) {
        rebuild(change.lotId());
    }

    @EventListener
    @Transactional
    public void onIntake(Intake.IntakeChanged change) {
        rebuild(change.lotId());
    }

    @EventListener
    @Transactional
    public void onClaims(Publications.ClaimsChanged change) {
        lots.undecidedOf(change.productId()).forEach(lot -> rebuild(lot.id()));
    }

    /**
     * A lot's specimens, once by what counts and once by what was measured: a size is a size, wet or dry.
     *
     * @param tested by conditions and state
     * @param measured by conditions alone
     */
    private record Sets(List<LotEvidence> tested, List<LotEvidence> measured) {

        List<LotEvidence> counted() {
            return tested.stream().filter(LotEvidence::counts).toList();
        }
    }

    private Sets sets(LotView lot) {
        List<SpecimenRecord> records = bench.records(lot.id());
        Map<Long, String> states =
                histories.states(records.stream().map(SpecimenRecord::specimen).toList());
        return new Sets(
                LotEvidence.of(records, provisionals.reasons(lot, records), states), LotEvidence.ofSizes(records));
    }

    // ---- judging -----------------------------------------------------------------------------------------------

    private Detail detail(LotView lot, Claim claim, Sets sets) {
        if (claim.property() == Property.FILAMENT_DIAMETER) {
            return new Detail(claim, diameter(lot, claim), List.of(), usual(lot, claim), List.of());
        }
        if (claim.property().isRatio()) {
            return ratioDetail(claim, sets.tested, usual(lot, claim));
        }
        boolean size = claim.property() != Property.TENSILE_STRENGTH;
        Optional<LotEvidence> best = best(claim, size ? sets.measured : sets.tested);
        if (best.isEmpty()) {
            Judgement none = Verification.ofMean(claim.requirement(), Evidence.of());
            return new Detail(claim, none, List.of(), usual(lot, claim), List.of());
        }
        LotEvidence set = best.get();
        List<SeriesPoints.PointView> earlier = series.before(lot, claim.property(), set.conditions(), set.setup());
        List<Mismatch> mismatches = claim.conditions().compare(set.conditions());
        Evidence evidence = set.evidence(claim.property(), series.pooledScatter(earlier));
        boolean blocked = mismatches.stream().anyMatch(Mismatch::blocking);
        Judgement judgement = blocked && evidence.n() > 0
                ? Verification.notComparable(mismatches, evidence.excluded())
                : Verification.indicative(judge(claim, evidence), mismatches);
        boolean rival = claim.form() == Form.BETTER_THAN;
        return new Detail(claim, provisional(judgement, set), set.records(), rival ? List.of() : earlier, mismatches);
    }

    /** The lots before on the series that the claim's terms have most lots on. */
    private List<SeriesPoints.PointView> usual(LotView lot, Claim claim) {
        return series.before(lot, claim.property(), claim.conditions());
    }

    /** What of a lot was tested under one claim's terms but in another set-up, and so is not in its verdict. */
    @Transactional(readOnly = true)
    public List<Apart> apart(LotView lot) {
        List<Apart> apart = new ArrayList<>();
        List<LotEvidence> tested = sets(lot).tested;
        Map<Conditions, List<LotEvidence>> byTerms = new java.util.LinkedHashMap<>();
        tested.stream().filter(set -> set.tested() > 0).forEach(set -> byTerms.computeIfAbsent(
                        set.conditions(), key -> new ArrayList<>())
                .add(set));
        byTerms.forEach((conditions, list) -> {
            if (list.size() > 1) {
                apart.add(Apart.of(conditions, list));
            }
        });
        return apart;
    }

    /** The set that differs least from the claim's terms; one that counts before one that is provisional. */
    private static Optional<LotEvidence> best(Claim claim, List<LotEvidence> sets) {
        return sets.stream()
                .filter(set ->
                        set.conditions().orientation() == claim.conditions().orientation())
                .min(Comparator.comparingInt((LotEvidence set) ->
                                2 * weight(claim.conditions().compare(set.conditions())) + (set.counts() ? 0 : 1))
                        // Of several printers or rigs the one with most specimens speaks; they are never pooled.
                        .thenComparing(set -> -set.tested()));
    }

    private Judgement judge(Claim claim, Evidence evidence) {
        return claim.form() == Form.BETTER_THAN
                ? Verification.ofRatio(claim.requirement(), evidence, rival(claim))
                : Verification.ofMean(claim.requirement(), evidence);
    }

    /** The other product's lots under the same conditions: each lot's mean is one value, so lots are what is counted. */
    private Evidence rival(Claim claim) {
        if (claim.rivalId() == null) {
            return Evidence.of();
        }
        List<SeriesPoints.PointView> longest = series.ofProduct(claim.rivalId()).stream()
                .filter(view ->
                        view.property() == claim.property() && view.conditions().equals(claim.conditions()))
                .map(view -> series.points(view.id()))
                .max(Comparator.comparingInt(List::size))
                .orElse(List.of());
        return Evidence.of(longest.stream()
                .skip(Math.max(0, longest.size() - SeriesPoints.LOOK_BACK))
                .mapToDouble(SeriesPoints.PointView::mean)
                .toArray());
    }

    private static Judgement provisional(Judgement judgement, LotEvidence set) {
        return set.counts() || judgement.n() == 0 ? judgement : Verification.provisional(judgement, set.provisional());
    }

    private Judgement diameter(LotView lot, Claim claim) {
        Requirement requirement = claim.requirement();
        List<MaterialResults.Result> results = material.of(lot).stream()
                .filter(result -> result.property() == Property.FILAMENT_DIAMETER)
                .toList();
        Optional<MaterialResults.Result> log = results.stream()
                .filter(result -> result.shareOutside().isPresent())
                .findFirst();
        if (log.isPresent()) {
            double outside = material.shareOutside(
                    lot, requirement.lower().orElse(0), requirement.upper().orElse(Double.POSITIVE_INFINITY));
            return Verification.ofLength(
                    requirement, log.get().values(), outside, log.get().counts());
        }
        return Verification.ofEveryPart(
                requirement,
                results.stream().findFirst().map(MaterialResults.Result::places).orElse(new double[0]));
    }

    private static int weight(List<Mismatch> mismatches) {
        return mismatches.stream().mapToInt(m -> m.blocking() ? 10 : 1).sum();
    }

    private static Detail ratioDetail(Claim claim, List<LotEvidence> sets, List<SeriesPoints.PointView> earlier) {
        Conditions upright = claim.conditions();
        Conditions flat = upright.turned(Orientation.XY);
        LotEvidence ups = setOf(sets, upright);
        LotEvidence flats = LotPoints.setOf(sets, flat, ups.setup());
        List<SpecimenRecord> above = ups.records();
        List<SpecimenRecord> below = flats.records();
        List<SpecimenRecord> both = new ArrayList<>(above);
        both.addAll(below);
        Judgement judgement = Verification.ofRatio(
                claim.requirement(),
                ups.evidence(Property.TENSILE_STRENGTH, Optional.empty()),
                flats.evidence(Property.TENSILE_STRENGTH, Optional.empty()),
                LotEvidence.calibrationBetween(above, below));
        return new Detail(claim, provisional(provisional(judgement, ups), flats), both, earlier, List.of());
    }

    /** The set under exactly these conditions, one that counts before one that does not; empty when there is none. */
    private static LotEvidence setOf(List<LotEvidence> sets, Conditions conditions) {
        return sets.stream()
                .filter(set -> set.conditions().equals(conditions))
                .min(Comparator.comparing((LotEvidence set) -> !set.counts()).thenComparing(set -> -set.tested()))
                .orElse(new LotEvidence(conditions, List.of()));
    }

    // ---- storing -----------------------------------------------------------------------------------------------

    private void store(LotView lot, Detail detail) {
        Judgement judgement = detail.judgement();
        StoredJudgement row = new StoredJudgement();
        row.lotId = lot.id();
        row.claimId = detail.claim().id();
        row.verdict = judgement.verdict();
        String reason = judgement.reason();
        row.reason = reason.length() > 400 ? reason.substring(0, 399) + "…" : reason;
        row.n = judgement.n();
        row.more = judgement.moreSpecimens().isPresent()
                ? judgement.moreSpecimens().getAsInt()
                : null;
        stored.save(row);
    }

    private static Judged judged(Claim claim, @Nullable StoredJudgement row) {
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
