package org.ysometron.app.evidence;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.EarlierLots;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.product.Claim;
import org.ysometron.app.store.PageMemory;
import org.ysometron.app.web.NotFound;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence.PooledScatter;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.material.Blend;
import org.ysometron.core.working.Figures;

/** The series of a product, one for each property under one set of conditions and colour, with a point a lot. */
@Component
public class SeriesPoints implements EarlierLots {

    /** How many lots back the bench and the evidence sheet look. */
    static final int LOOK_BACK = 30;

    private final PageMemory memory;
    private final SeriesRepository series;
    private final PointRepository points;
    private final BridgeRepository bridges;

    SeriesPoints(PageMemory memory, SeriesRepository series, PointRepository points, BridgeRepository bridges) {
        this.memory = memory;
        this.bridges = bridges;
        this.series = series;
        this.points = points;
    }

    /** A series and what makes it one. */
    public record SeriesView(
            long id,
            long productId,
            String colour,
            Characteristic property,
            Conditions conditions,
            Setup setup,
            Blend blend) {

        /** Characteristic, orientation and colour. */
        public String title() {
            return Claim.titleOf(property, conditions) + ", " + colour + (setup.isNone() ? "" : ", " + setup.words());
        }

        /** The same with what its lots were mixed by, where that is on record. */
        public String titleWithBlend() {
            return title() + (blend.words().isEmpty() ? "" : ", " + blend.words());
        }
    }

    /**
     * One lot on a series.
     *
     * @param sd standard deviation within the lot; null where there is none
     * @param takenOff what a bridging study has taken off its mean; 0 for nothing
     */
    public record PointView(
            long lotId,
            LocalDate madeOn,
            int n,
            double mean,
            @Nullable Double sd,
            double takenOff) {}

    /** The series of a product that have a chart: not those that share the chart of the one before. */
    public List<SeriesView> ofProduct(long productId) {
        return memory.once("series with a chart", productId, () -> withChart(everyOf(productId)));
    }

    /** The series of all products that have a chart. */
    public List<SeriesView> ofAll() {
        return withChart(series.findAll().stream().map(Series::view).toList());
    }

    private List<SeriesView> withChart(List<SeriesView> all) {
        Set<Long> joined = new HashSet<>();
        bridges.findByNewSeriesIdIn(all.stream().map(SeriesView::id).toList()).stream()
                .filter(Bridge::joins)
                .forEach(bridge -> joined.add(bridge.newSeriesId));
        return all.stream().filter(view -> !joined.contains(view.id())).toList();
    }

    /** What shares the chart of a series since a bridging study joined them, with what was taken off, in words. */
    public List<String> sharing(long seriesId) {
        return bridges.findByOldSeriesIdOrderById(seriesId).stream()
                .filter(Bridge::joins)
                .map(bridge -> {
                    SeriesView fresh = series(bridge.newSeriesId);
                    String what = fresh.conditions().equals(series(seriesId).conditions())
                            ? fresh.setup().words()
                            : fresh.conditions().design();
                    String off = bridge.takenOff == 0
                            ? "as they are"
                            : "with " + Figures.significant(bridge.takenOff, 3) + " "
                                    + fresh.property().unit() + " taken off, uncertain by "
                                    + Figures.significant(bridge.uncertainty(), 2) + " for all of them together";
                    return "Lots of " + what + " share this chart, " + off + ", by a study of " + bridge.lots
                            + " lots.";
                })
                .toList();
    }

    /** Standard uncertainty of what was taken off points of a series, by what was taken off. */
    public Map<Double, Double> uncertainties(long seriesId) {
        return bridges.findByOldSeriesIdOrderById(seriesId).stream()
                .filter(bridge -> bridge.takenOff != 0)
                .collect(Collectors.toMap(bridge -> bridge.takenOff, Bridge::uncertainty, Math::max));
    }

    /** All series of a product. */
    List<SeriesView> everyOf(long productId) {
        return memory.once(
                "series of product",
                productId,
                () -> series.findByProductIdOrderByColourAscPropertyAscOrientationAscIdAsc(productId).stream()
                        .map(Series::view)
                        .toList());
    }

    /** One series by its key. */
    public SeriesView series(long id) {
        SeriesView found = all(List.of(id)).get(id);
        if (found == null) {
            throw new NotFound("series " + id);
        }
        return found;
    }

    /** Several series by their keys. */
    public Map<Long, SeriesView> all(Collection<Long> ids) {
        return memory.each("series", ids, missing -> series.findAllById(missing).stream()
                .map(Series::view)
                .collect(Collectors.toMap(SeriesView::id, Function.identity())));
    }

    /** Every point of a series in order of making. */
    public List<PointView> points(long seriesId) {
        return points.ofSeries(seriesId);
    }

    /** The lots of several series with their means, each in order of making: for series of few lots. */
    public Map<Long, Map<Long, Double>> means(Collection<Long> seriesIds) {
        Map<Long, Map<Long, Double>> means = new HashMap<>();
        points.means(seriesIds).forEach(mean -> means.computeIfAbsent(mean.seriesId(), id -> new LinkedHashMap<>())
                .put(mean.lotId(), mean.mean()));
        return means;
    }

    /** How many points a series has. */
    public int count(SeriesView of) {
        return lotsOn(List.of(of)).getOrDefault(of.id(), 0L).intValue();
    }

    /** The newest points of a series, in order of making. */
    public List<PointView> newest(long seriesId, int count) {
        List<PointView> newest = new ArrayList<>(points.newest(seriesId, Limit.of(count)));
        Collections.reverse(newest);
        return List.copyOf(newest);
    }

    /** So many points of a series in order of making, from the one at this place on; the first has place 0. */
    public List<PointView> part(long seriesId, int from, int count) {
        return points.part(seriesId, from, count);
    }

    /**
     * The series of a property of this lot's product, colour and blend under these conditions; empty when no lot has a point. Of
     * several set-ups the one with most lots.
     */
    public Optional<SeriesView> find(LotView lot, Characteristic property, Conditions conditions) {
        List<SeriesView> found = under(lot, property, conditions);
        return longest(found);
    }

    /** How many lots each of these series has; those without any are left out. */
    public Map<Long, Long> lotsOn(List<SeriesView> of) {
        return memory.each(
                "lots of series", of.stream().map(SeriesView::id).toList(), ids -> points.counts(ids).stream()
                        .collect(Collectors.toMap(PointRepository.Count::seriesId, PointRepository.Count::lots)));
    }

    /** Of these series the one with most lots. */
    private Optional<SeriesView> longest(List<SeriesView> of) {
        if (of.size() < 2) {
            return of.stream().findFirst();
        }
        Map<Long, Long> lots = lotsOn(of);
        return of.stream().max(Comparator.comparingLong(candidate -> lots.getOrDefault(candidate.id(), 0L)));
    }

    /** The newest points of the one of these series that has most lots, in order of making. */
    List<PointView> newestOfLongest(List<SeriesView> of) {
        return longest(of)
                .map(found -> memory.once("newest points", found.id(), () -> newest(found.id(), LOOK_BACK)))
                .orElse(List.of());
    }

    /** The same in one set-up. */
    Optional<SeriesView> find(LotView lot, Characteristic property, Conditions conditions, Setup setup) {
        return under(lot, property, conditions).stream()
                .filter(candidate -> candidate.setup().equals(setup))
                .findFirst();
    }

    private List<SeriesView> under(LotView lot, Characteristic property, Conditions conditions) {
        return everyOf(lot.productId()).stream()
                .filter(candidate -> candidate.colour().equals(lot.colour())
                        && candidate.property().equals(property))
                .filter(candidate -> candidate.conditions().equals(conditions))
                .filter(candidate -> candidate.blend().isSame(lot.blend()))
                .toList();
    }

    private List<PointView> pointsBefore(long seriesId, LotView lot) {
        return memory.once(
                "points before " + lot.id(),
                seriesId,
                () -> points.before(seriesId, lot.madeOn(), lot.id(), Limit.of(LOOK_BACK)));
    }

    /** The points of the lots made before this one in its own set-up, newest first; of any set-up when that has none. */
    List<PointView> before(LotView lot, Characteristic property, Conditions conditions, Setup setup) {
        return find(lot, property, conditions, setup)
                .map(found -> pointsBefore(found.id(), lot))
                .orElse(List.of());
    }

    /** The points of the lots made before this one, newest first. */
    public List<PointView> before(LotView lot, Characteristic property, Conditions conditions) {
        return find(lot, property, conditions)
                .map(found -> pointsBefore(found.id(), lot))
                .orElse(List.of());
    }

    /** Scatter within these lots, pooled; empty when none of them has any. */
    public Optional<PooledScatter> pooledScatter(List<PointView> earlier) {
        double squares = 0;
        double freedom = 0;
        int lots = 0;
        for (PointView point : earlier) {
            if (point.sd() != null && point.n() > 1) {
                squares += (point.n() - 1) * point.sd() * point.sd();
                freedom += point.n() - 1;
                lots++;
            }
        }
        return squares > 0
                ? Optional.of(new PooledScatter(Math.sqrt(squares / freedom), freedom, lots))
                : Optional.empty();
    }

    @Override
    public Optional<Earlier> of(LotView lot, Characteristic characteristic, Conditions conditions) {
        List<Double> means = before(lot, characteristic, conditions).stream()
                .map(PointView::mean)
                .toList();
        return means.isEmpty() ? Optional.empty() : Optional.of(new Earlier(means));
    }
}
