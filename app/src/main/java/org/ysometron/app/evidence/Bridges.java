package org.ysometron.app.evidence;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.DoubleStream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.claim.Form;
import org.ysometron.core.plan.Bridging;

/** Bridging studies: whether a new printer, recipe, rig, method revision or specimen design may share the chart of the one before. */
@Component
class Bridges {

    private final BridgeRepository bridges;
    private final SeriesPoints series;
    private final PointRepository points;
    private final Lots lots;
    private final ApplicationEventPublisher events;
    private final Derivations derivations;
    private final Publications publications;
    private final Clock clock;

    Bridges(
            BridgeRepository bridges,
            SeriesPoints series,
            PointRepository points,
            Lots lots,
            ApplicationEventPublisher events,
            Derivations derivations,
            Publications publications,
            Clock clock) {
        this.publications = publications;
        this.derivations = derivations;
        this.bridges = bridges;
        this.series = series;
        this.points = points;
        this.lots = lots;
        this.events = events;
        this.clock = clock;
    }

    /** A lot by both ways. */
    record Pair(String lot, double old, double fresh) {}

    /**
     * Two series that differ in their set-up alone, or in their specimen design alone.
     *
     * @param pairs lots that have a point on both
     * @param decided what was decided about them; null while nothing was
     * @param claimDistance of the old way's mean from the nearest edge of what is claimed; empty where nothing is
     */
    record Study(
            SeriesPoints.SeriesView old,
            SeriesPoints.SeriesView fresh,
            List<Pair> pairs,
            @Nullable Bridge decided,
            OptionalDouble claimDistance) {

        /** Whether the specimens are of one design. */
        boolean isOfSetups() {
            return old.conditions().equals(fresh.conditions());
        }
    }

    /** Pairs of series of a product that differ in their set-up or design alone and share lots: the one with more lots is the old one. */
    @Transactional(readOnly = true)
    List<Study> of(long productId) {
        derivations.refresh(Set.of(productId));
        List<SeriesPoints.SeriesView> all = series.everyOf(productId);
        List<Study> studies = new ArrayList<>();
        Map<Long, Bridge> decided = new HashMap<>();
        bridges.findByNewSeriesIdIn(
                        all.stream().map(SeriesPoints.SeriesView::id).toList())
                .forEach(bridge -> decided.put(bridge.newSeriesId, bridge));
        Map<Long, Long> lotsOn = series.lotsOn(all);
        List<Claim> claims = publications
                .newestDatasheet(productId)
                .map(sheet -> publications.claims(sheet.id()))
                .orElse(List.of());
        for (SeriesPoints.SeriesView fresh : all) {
            Bridge bridge = decided.get(fresh.id());
            List<Study> possible = all.stream()
                    .filter(old -> isBefore(old, fresh, bridge, lotsOn))
                    .map(old -> study(old, fresh, bridge, claims))
                    // Of two designs nobody asked: they are offered once enough lots were tested with both.
                    .filter(study -> study.isOfSetups()
                            || bridge != null
                            || study.pairs().size() >= Bridging.LEAST_LOTS)
                    .sorted(Comparator.comparingInt(study -> -study.pairs().size()))
                    .toList();
            // Without a lot in common one pair stands for all, to say what is wanting.
            boolean common = possible.stream().anyMatch(study -> !study.pairs().isEmpty());
            possible.stream()
                    .filter(study -> !common || bridge != null || !study.pairs().isEmpty())
                    .limit(common ? possible.size() : 1)
                    .forEach(studies::add);
        }
        return studies;
    }

    private Study study(
            SeriesPoints.SeriesView old, SeriesPoints.SeriesView fresh, @Nullable Bridge bridge, List<Claim> claims) {
        List<Pair> pairs = pairs(old.id(), fresh.id());
        OptionalDouble mean = pairs.stream().mapToDouble(Pair::old).average();
        OptionalDouble distance = mean.isEmpty()
                ? OptionalDouble.empty()
                : claims.stream()
                        .filter(claim -> claim.property().equals(old.property())
                                && claim.form() != Form.BETTER_THAN
                                && claim.conditions().compare(old.conditions()).isEmpty())
                        .flatMapToDouble(claim -> DoubleStream.concat(
                                claim.requirement().lower().stream(), claim.requirement().upper().stream()))
                        .map(edge -> Math.abs(mean.getAsDouble() - edge))
                        .min();
        return new Study(old, fresh, pairs, bridge, distance);
    }

    private static boolean isBefore(
            SeriesPoints.SeriesView old,
            SeriesPoints.SeriesView fresh,
            @Nullable Bridge bridge,
            Map<Long, Long> lotsOn) {
        boolean isOfSetups = old.conditions().equals(fresh.conditions());
        boolean isOfDesigns =
                old.setup().equals(fresh.setup()) && old.conditions().differInDesignAlone(fresh.conditions());
        boolean alike = old.id() != fresh.id()
                && old.property().equals(fresh.property())
                && old.colour().equals(fresh.colour())
                && old.blend().isSame(fresh.blend())
                && (isOfSetups || (isOfDesigns && (bridge != null || isOften(old, fresh, lotsOn))));
        if (!alike || bridge != null) {
            return alike && bridge != null && bridge.oldSeriesId == old.id();
        }
        long lotsOfOld = lotsOn.getOrDefault(old.id(), 0L);
        long lotsOfFresh = lotsOn.getOrDefault(fresh.id(), 0L);
        return lotsOfFresh > 0 && (lotsOfOld > lotsOfFresh || (lotsOfOld == lotsOfFresh && old.id() < fresh.id()));
    }

    private static boolean isOften(SeriesPoints.SeriesView old, SeriesPoints.SeriesView fresh, Map<Long, Long> lotsOn) {
        return Math.min(lotsOn.getOrDefault(old.id(), 0L), lotsOn.getOrDefault(fresh.id(), 0L)) >= Bridging.LEAST_LOTS;
    }

    private List<Pair> pairs(long old, long fresh) {
        Map<Long, Double> olds = new HashMap<>();
        series.points(old).forEach(point -> olds.put(point.lotId(), point.mean()));
        List<SeriesPoints.PointView> both = series.points(fresh).stream()
                .filter(point -> olds.containsKey(point.lotId()))
                .toList();
        Map<Long, String> codes = new HashMap<>();
        lots.all(both.stream().map(SeriesPoints.PointView::lotId).toList())
                .forEach(lot -> codes.put(lot.id(), lot.code()));
        return both.stream()
                .map(point -> new Pair(
                        codes.getOrDefault(point.lotId(), ""),
                        Optional.ofNullable(olds.get(point.lotId())).orElseThrow(),
                        point.mean()))
                .toList();
    }

    /** Compares; refused with fewer than three lots by both ways. */
    static Bridging compare(Study study, double margin) {
        if (study.pairs().size() < Bridging.LEAST_LOTS) {
            throw new Refusal(
                    "margin",
                    "Only " + study.pairs().size() + " lots were tested both ways; " + Bridging.LEAST_LOTS
                            + " are needed at least.");
        }
        if (!(margin > 0)) {
            throw new Refusal("margin", "Say which difference would not matter: a margin above zero.");
        }
        try {
            return Bridging.of(
                    study.pairs().stream().mapToDouble(Pair::old).toArray(),
                    study.pairs().stream().mapToDouble(Pair::fresh).toArray(),
                    margin,
                    study.claimDistance());
        } catch (IllegalArgumentException tooWide) {
            throw new Refusal("margin", String.valueOf(tooWide.getMessage()) + ".");
        }
    }

    /**
     * What is decided by.
     *
     * @param margin largest difference that would not matter
     * @param takeOff whether a known difference inside the margin is taken off all the same
     * @param reason what was changed, and why
     */
    record Decided(double margin, boolean takeOff, String reason) {}

    /** Decides by the numbers: joined, joined once the difference is taken off, or kept apart. */
    @Write
    void decide(long productId, long oldId, long freshId, Decided decided, String by) {
        Study study = of(productId).stream()
                .filter(candidate ->
                        candidate.fresh().id() == freshId && candidate.old().id() == oldId)
                .findFirst()
                .orElseThrow(() -> new NotFound("a study of series " + freshId));
        if (study.decided() != null) {
            throw new Refusal("reason", "This was decided already by " + study.decided().decidedBy + ".");
        }
        Reasons.require("reason", decided.reason, "What was changed and why", 300);
        Bridging found = compare(study, decided.margin);
        boolean off = found.finding() == Bridging.Finding.SHARE_WITH_OFFSET
                || (found.finding() == Bridging.Finding.SHARE && found.isDifferent() && decided.takeOff);
        Bridge bridge = new Bridge();
        bridge.oldSeriesId = study.old().id();
        bridge.newSeriesId = freshId;
        bridge.lots = found.lots();
        bridge.difference = found.difference();
        bridge.lowerEnd = found.lower();
        bridge.upperEnd = found.upper();
        bridge.margin = decided.margin;
        bridge.finding = found.finding();
        bridge.takenOff = off ? found.difference() : 0;
        bridge.reason = decided.reason.strip();
        bridge.decidedBy = by;
        bridge.decidedAt = clock.instant();
        bridges.save(bridge);
        if (bridge.joins()) {
            join(bridge);
        }
    }

    /** Moves the new series' points to the old one; of lots tested both ways the old way's point stays. */
    private void join(Bridge bridge) {
        Set<Long> there = new HashSet<>();
        points.findBySeriesId(bridge.oldSeriesId).forEach(point -> there.add(point.lotId));
        List<Point> fresh = points.findBySeriesId(bridge.newSeriesId);
        for (Point point : fresh) {
            if (there.contains(point.lotId)) {
                points.delete(point);
            } else {
                point.seriesId = bridge.oldSeriesId;
                point.mean -= bridge.takenOff;
                point.takenOff = bridge.takenOff;
            }
        }
        points.flush();
        if (!fresh.isEmpty()) {
            events.publishEvent(new EvidenceChanged(Set.of(bridge.oldSeriesId, bridge.newSeriesId)));
        }
    }
}
