package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
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
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Conditions.Mismatch;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Judgement;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Property;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.claim.Verification;
import org.ysometron.core.statistics.CensoredNormal;
import org.ysometron.core.statistics.Summary;

/** Judges a lot's readings against its claims, and keeps points and verdicts where lists and charts find them fast. */
@Component
public class Judgements {

    private static final double CONFIDENCE = 0.95;

    private final Bench bench;
    private final Lots lots;
    private final Products products;
    private final SeriesPoints series;
    private final SeriesRepository seriesTable;
    private final PointRepository points;
    private final StoredJudgementRepository stored;
    private final ApplicationEventPublisher events;

    Judgements(
            Bench bench,
            Lots lots,
            Products products,
            SeriesPoints series,
            SeriesRepository seriesTable,
            PointRepository points,
            StoredJudgementRepository stored,
            ApplicationEventPublisher events) {
        this.bench = bench;
        this.lots = lots;
        this.products = products;
        this.series = series;
        this.seriesTable = seriesTable;
        this.points = points;
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
                    claims.computeIfAbsent(lot.datasheetId(), products::claims).stream()
                            .map(claim -> judged(claim, rows.get(claim.id())))
                            .toList());
        }
        return judged;
    }

    /** Every claim of a lot judged anew from its readings, with the working. */
    @Transactional(readOnly = true)
    public List<Detail> details(LotView lot) {
        List<LotEvidence> sets = LotEvidence.of(bench.records(lot.id()));
        return products.claims(lot.datasheetId()).stream()
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
        Set<Long> ids = new HashSet<>();
        points.findByLotId(lotId).forEach(point -> ids.add(point.seriesId));
        return ids;
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
        List<LotEvidence> sets = LotEvidence.of(bench.records(lotId));
        Set<Long> touched = new HashSet<>(seriesOf(lotId));
        points.deleteOfLot(lotId);
        stored.deleteOfLot(lotId);
        for (LotEvidence set : sets) {
            for (Property property : Property.values()) {
                if (!property.isRatio()) {
                    point(set.evidence(property, Optional.empty()))
                            .ifPresent(found -> touched.add(store(lot, property, set.conditions(), found)));
                }
            }
            ratio(set, sets)
                    .ifPresent(found -> touched.add(store(lot, Property.UPRIGHT_FLAT_RATIO, set.conditions(), found)));
        }
        for (Claim claim : products.claims(lot.datasheetId())) {
            store(lot, detail(lot, claim, sets));
        }
        events.publishEvent(new EvidenceChanged(lotId, touched));
    }

    // ---- judging -----------------------------------------------------------------------------------------------

    private Detail detail(LotView lot, Claim claim, List<LotEvidence> sets) {
        List<SeriesPoints.PointView> earlier = series.before(lot, claim.property(), claim.conditions());
        if (claim.property().isRatio()) {
            return ratioDetail(claim, sets, earlier);
        }
        // The set that differs least from the claim's terms is the one to compare; others stand beside it untouched.
        LotEvidence best = null;
        List<Mismatch> least = List.of();
        for (LotEvidence set : sets) {
            List<Mismatch> mismatches = claim.conditions().compare(set.conditions());
            boolean sameOrientation =
                    set.conditions().orientation() == claim.conditions().orientation();
            if (sameOrientation && (best == null || weight(mismatches) < weight(least))) {
                best = set;
                least = mismatches;
            }
        }
        if (best == null) {
            return new Detail(
                    claim, Verification.ofMean(claim.requirement(), Evidence.of()), List.of(), earlier, least);
        }
        Evidence evidence = best.evidence(claim.property(), series.pooledScatter(earlier));
        boolean blocked = least.stream().anyMatch(Mismatch::blocking);
        Judgement judgement = blocked && evidence.n() > 0
                ? Verification.notComparable(least, evidence.excluded())
                : Verification.indicative(Verification.ofMean(claim.requirement(), evidence), least);
        return new Detail(claim, judgement, best.records(), earlier, least);
    }

    private static int weight(List<Mismatch> mismatches) {
        return mismatches.stream().mapToInt(m -> m.blocking() ? 10 : 1).sum();
    }

    private static Detail ratioDetail(Claim claim, List<LotEvidence> sets, List<SeriesPoints.PointView> earlier) {
        Conditions upright = claim.conditions();
        Conditions flat = turned(upright, Orientation.XY);
        List<SpecimenRecord> above = records(sets, upright);
        List<SpecimenRecord> below = records(sets, flat);
        List<SpecimenRecord> both = new ArrayList<>(above);
        both.addAll(below);
        Judgement judgement = Verification.ofRatio(
                claim.requirement(),
                new LotEvidence(upright, above).evidence(Property.TENSILE_STRENGTH, Optional.empty()),
                new LotEvidence(flat, below).evidence(Property.TENSILE_STRENGTH, Optional.empty()),
                LotEvidence.calibrationBetween(above, below));
        return new Detail(claim, judgement, both, earlier, List.of());
    }

    private static List<SpecimenRecord> records(List<LotEvidence> sets, Conditions conditions) {
        return sets.stream()
                .filter(set -> set.conditions().equals(conditions))
                .findFirst()
                .map(LotEvidence::records)
                .orElse(List.of());
    }

    private static Conditions turned(Conditions conditions, Orientation orientation) {
        return new Conditions(
                conditions.method(),
                conditions.basis(),
                orientation,
                conditions.conditioning(),
                conditions.rate(),
                conditions.design());
    }

    // ---- points ------------------------------------------------------------------------------------------------

    private record Found(int n, double mean, @Nullable Double sd, int bounds) {}

    /** A lot's point: the mean of its values; with bounds among them the estimate that respects them, else none. */
    private static Optional<Found> point(Evidence evidence) {
        double[] values = evidence.values();
        double[] bounds = evidence.bounds();
        if (values.length == 0) {
            return Optional.empty();
        }
        Summary summary = Summary.of(values);
        Double sd = summary.sd().isPresent() ? summary.sd().getAsDouble() : null;
        if (bounds.length == 0) {
            return Optional.of(new Found(values.length, summary.mean(), sd, 0));
        }
        if (sd == null || sd == 0) {
            return Optional.empty();
        }
        CensoredNormal fit = CensoredNormal.fit(values, bounds, CONFIDENCE);
        return Optional.of(new Found(evidence.n(), fit.mean(), fit.sd(), bounds.length));
    }

    private static Optional<Found> ratio(LotEvidence set, List<LotEvidence> sets) {
        if (set.conditions().orientation() != Orientation.ZX) {
            return Optional.empty();
        }
        Conditions flat = turned(set.conditions(), Orientation.XY);
        Evidence above = set.evidence(Property.TENSILE_STRENGTH, Optional.empty());
        Evidence below =
                new LotEvidence(flat, records(sets, flat)).evidence(Property.TENSILE_STRENGTH, Optional.empty());
        boolean plain = above.bounds().length + below.bounds().length == 0;
        if (!plain || above.n() == 0 || below.n() == 0) {
            return Optional.empty();
        }
        double ratio =
                Summary.of(above.values()).mean() / Summary.of(below.values()).mean();
        return Optional.of(new Found(Math.min(above.n(), below.n()), ratio, null, 0));
    }

    private long store(LotView lot, Property property, Conditions conditions, Found found) {
        long id = series.find(lot, property, conditions)
                .map(SeriesPoints.SeriesView::id)
                .orElseGet(() -> seriesTable.save(new Series(lot.productId(), lot.colour(), property, conditions)).id);
        Point point = new Point();
        point.seriesId = id;
        point.lotId = lot.id();
        point.madeOn = lot.madeOn();
        point.n = found.n();
        point.mean = found.mean();
        point.sd = found.sd();
        point.bounds = found.bounds();
        points.save(point);
        return id;
    }

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
