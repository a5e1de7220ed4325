package org.ysometron.app.evidence;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.intake.MaterialResults;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.Ratio;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.method.Methods;
import org.ysometron.core.statistics.CensoredNormal;
import org.ysometron.core.statistics.Staircase;
import org.ysometron.core.statistics.Summary;

/** Works out the points that a lot has on its product's series, and keeps them where charts find them fast. */
@Component
class LotPoints {

    private final SeriesPoints series;
    private final SeriesRepository seriesTable;
    private final PointRepository points;
    private final BridgeRepository bridges;

    LotPoints(SeriesPoints series, SeriesRepository seriesTable, PointRepository points, BridgeRepository bridges) {
        this.series = series;
        this.seriesTable = seriesTable;
        this.points = points;
        this.bridges = bridges;
    }

    /** How many specimens stand behind a lot's point, by its series. */
    Map<Long, Integer> sizesOf(long lotId) {
        return points.findByLotId(lotId).stream().collect(Collectors.toMap(point -> point.seriesId, point -> point.n));
    }

    /** Brings a lot's points up to date; only what differs is written. Returns the series on which something did. */
    Set<Long> rebuild(
            LotView lot, List<LotEvidence> counted, List<LotEvidence> measured, List<MaterialResults.Result> material) {
        Map<Long, Point> found = new HashMap<>();
        for (LotEvidence set : counted) {
            for (Characteristic one : tested(set)) {
                point(set.evidence(one, Optional.empty()))
                        .ifPresent(f -> put(found, lot, one, set.conditions(), set.setup(), f));
                for (Ratio ratio : Ratio.values()) {
                    ratio(one, ratio, set, counted)
                            .ifPresent(f -> put(found, lot, one.over(ratio), set.conditions(), set.setup(), f));
                }
            }
        }
        for (LotEvidence set : measured) {
            for (Characteristic size : sizes(set)) {
                point(set.evidence(size, Optional.empty()))
                        .ifPresent(f -> put(found, lot, size, set.conditions(), set.setup(), f));
            }
        }
        for (MaterialResults.Result result : material) {
            point(Evidence.of(result.values()))
                    .ifPresent(f -> put(found, lot, result.property(), result.conditions(), Setup.NONE, f));
        }
        Set<Long> changed = new HashSet<>();
        for (Point before : points.findByLotId(lot.id())) {
            Point now = found.remove(before.seriesId);
            if (now == null) {
                points.delete(before);
                changed.add(before.seriesId);
            } else if (before.takeOver(now)) {
                changed.add(before.seriesId);
            }
        }
        points.saveAll(found.values());
        changed.addAll(found.keySet());
        return changed;
    }

    private static List<Characteristic> tested(LotEvidence set) {
        return Methods.of(set.conditions().method())
                .map(method -> method.data().characteristics())
                .orElse(List.of());
    }

    private static List<Characteristic> sizes(LotEvidence set) {
        return Methods.of(set.conditions().method()).map(Characteristics::sizes).orElse(List.of());
    }

    private record Found(int n, double mean, @Nullable Double sd, int bounds) {}

    /**
     * A lot's point: the mean of its values; with bounds among them the estimate that respects them, else none. Of intervals the
     * middles, counted among what is no value; of levels borne and not borne the staircase's mean.
     */
    private static Optional<Found> point(Evidence evidence) {
        Optional<Staircase> staircase = evidence.staircase();
        if (staircase.isPresent()) {
            return Optional.of(new Found(evidence.n(), staircase.get().mean(), null, evidence.n()));
        }
        if (!evidence.intervals().isEmpty()) {
            return middles(evidence);
        }
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
        if (summary.isAlike()) {
            return Optional.empty();
        }
        CensoredNormal fit = CensoredNormal.fit(values, bounds);
        return Optional.of(new Found(evidence.n(), fit.mean(), fit.sd(), bounds.length));
    }

    private static Optional<Found> middles(Evidence evidence) {
        boolean ended = evidence.bounds().length == 0
                && evidence.intervals().stream().allMatch(interval -> Double.isFinite(interval.low()));
        if (!ended) {
            return Optional.empty();
        }
        Summary summary = Summary.of(DoubleStream.concat(
                        Arrays.stream(evidence.values()),
                        evidence.intervals().stream().mapToDouble(one -> (one.low() + one.high()) / 2))
                .toArray());
        Double sd = summary.sd().isPresent() ? summary.sd().getAsDouble() : null;
        return Optional.of(
                new Found(evidence.n(), summary.mean(), sd, evidence.intervals().size()));
    }

    private static Optional<Found> ratio(Characteristic one, Ratio ratio, LotEvidence set, List<LotEvidence> sets) {
        if (!one.hasRatio() || !set.conditions().isAbove(ratio)) {
            return Optional.empty();
        }
        Conditions flat = set.conditions().below(ratio, "");
        Evidence above = set.evidence(one, Optional.empty());
        Evidence below = setOf(sets, flat, set.setup()).evidence(one, Optional.empty());
        boolean plain = above.unsettled() + below.unsettled() == 0;
        if (!plain || above.n() == 0 || below.n() == 0) {
            return Optional.empty();
        }
        double share =
                Summary.of(above.values()).mean() / Summary.of(below.values()).mean();
        return !Double.isFinite(share)
                ? Optional.empty()
                : Optional.of(new Found(Math.min(above.n(), below.n()), share, null, 0));
    }

    /** The set under these conditions in this set-up, one that counts before one that does not; empty when there is none. */
    static LotEvidence setOf(List<LotEvidence> sets, Conditions conditions, Setup setup) {
        return sets.stream()
                .filter(set ->
                        set.conditions().equals(conditions) && set.setup().equals(setup))
                .min(Comparator.comparing(set -> !set.counts()))
                .orElse(LotEvidence.none(conditions, setup));
    }

    private void put(
            Map<Long, Point> points,
            LotView lot,
            Characteristic property,
            Conditions conditions,
            Setup setup,
            Found found) {
        long own = series.find(lot, property, conditions, setup)
                .map(SeriesPoints.SeriesView::id)
                .orElseGet(() -> seriesTable.save(
                                new Series(lot.productId(), lot.colour(), property, conditions, setup, lot.blend()))
                        .id);
        Optional<Bridge> bridge = bridges.findByNewSeriesId(own).filter(Bridge::joins);
        long id = bridge.map(joined -> joined.oldSeriesId).orElse(own);
        double off = bridge.map(joined -> joined.takenOff).orElse(0.0);
        if (bridge.isPresent() && points.containsKey(id)) {
            // Tested both ways: the old way's own point stays.
            return;
        }
        Point point = new Point();
        point.seriesId = id;
        point.lotId = lot.id();
        point.madeOn = lot.madeOn();
        point.n = found.n();
        point.mean = found.mean() - off;
        point.sd = found.sd();
        point.bounds = found.bounds();
        point.takenOff = off;
        points.put(id, point);
    }
}
