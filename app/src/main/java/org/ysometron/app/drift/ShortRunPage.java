package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.drift.ShortRun;
import org.ysometron.core.working.Figures;

/** Products of which there are few lots: what no chart of their own can tell yet, by how others that are tested in the same way scatter. */
@Component
class ShortRunPage {

    /** More short series of one family are no page to look through. */
    private static final int MOST = 60;

    /** Of series with many lots these tell how a family scatters. */
    private static final int LONG = 6;

    private static final int LOTS_OF_LONG = 40;
    private static final double WIDTH = 420;
    private static final double ROOM = 8;
    private static final double MIDDLE = 32;
    private static final double HALF = 26;

    private final SeriesPoints series;
    private final Products products;
    private final Lots lots;

    ShortRunPage(SeriesPoints series, Products products, Lots lots) {
        this.series = series;
        this.products = products;
        this.lots = lots;
    }

    /**
     * The page; without rows where nothing can be said, and why.
     *
     * @param more series of few lots in the family beyond those that are looked at
     */
    record View(List<String> choices, int chosen, String why, List<Row> rows, int more) {}

    /** One series of few lots. */
    record Row(
            String productCode,
            long seriesId,
            String title,
            String family,
            String path,
            double lower,
            double upper,
            List<Dot> dots,
            List<String> beyond) {}

    /** A lot's point; ringed where it lies beyond its limit. */
    record Dot(double x, double y, boolean beyond, String words) {}

    /** What is tested in the same way: the same characteristic under the same conditions. */
    private record Family(Characteristic property, Conditions conditions) {

        String words() {
            return Claim.titleOf(property, conditions) + ": " + Claim.termsOf(property, conditions);
        }
    }

    View view(int wanted) {
        List<SeriesView> all = series.ofAll();
        Map<Long, Long> counts = series.lotsOn(all);
        Map<Family, List<SeriesView>> families = all.stream()
                .filter(one -> counts.getOrDefault(one.id(), 0L) >= 2)
                .collect(Collectors.groupingBy(
                        one -> new Family(one.property(), one.conditions()), LinkedHashMap::new, Collectors.toList()));
        families.values()
                .removeIf(members ->
                        members.size() < 2 || shortOnes(members, counts).isEmpty());
        List<Family> choices = families.keySet().stream()
                .sorted(Comparator.comparingInt((Family family) ->
                                -Objects.requireNonNull(families.get(family)).size())
                        .thenComparing(Family::words))
                .toList();
        List<String> words = choices.stream().map(Family::words).toList();
        if (choices.isEmpty()) {
            return new View(
                    words,
                    0,
                    "No two series of one characteristic, tested in the same way, have two lots.",
                    List.of(),
                    0);
        }
        int chosen = wanted >= 0 && wanted < choices.size() ? wanted : 0;
        List<SeriesView> members = families.getOrDefault(choices.get(chosen), List.of());
        List<SeriesView> few = shortOnes(members, counts);
        List<SeriesView> seen = few.subList(0, Math.min(MOST, few.size()));
        List<Row> rows = rows(seen, means(seen, members, counts));
        return new View(
                words,
                chosen,
                rows.isEmpty() ? "The others of this family have too few lots to tell how lots scatter." : "",
                rows,
                few.size() - seen.size());
    }

    private static List<SeriesView> shortOnes(List<SeriesView> members, Map<Long, Long> counts) {
        return members.stream()
                .filter(one -> counts.getOrDefault(one.id(), 0L) < IndividualsLimits.LOTS_WANTED)
                .toList();
    }

    /** Lots and means of the short ones, and of some of the long ones the newest. */
    private Map<Long, Map<Long, Double>> means(List<SeriesView> few, List<SeriesView> members, Map<Long, Long> counts) {
        Map<Long, Map<Long, Double>> means =
                series.means(few.stream().map(SeriesView::id).toList());
        members.stream()
                .filter(one -> counts.getOrDefault(one.id(), 0L) >= IndividualsLimits.LOTS_WANTED)
                .limit(LONG)
                .forEach(one -> {
                    Map<Long, Double> newest = new LinkedHashMap<>();
                    series.newest(one.id(), LOTS_OF_LONG).forEach(point -> newest.put(point.lotId(), point.mean()));
                    means.put(one.id(), newest);
                });
        return means;
    }

    private List<Row> rows(List<SeriesView> few, Map<Long, Map<Long, Double>> means) {
        Map<Long, String> codes = lots
                .all(few.stream()
                        .flatMap(one -> means.getOrDefault(one.id(), Map.of()).keySet().stream())
                        .toList())
                .stream()
                .collect(Collectors.toMap(LotView::id, LotView::code, (one, same) -> one));
        List<Row> rows = new ArrayList<>();
        for (SeriesView one : few) {
            List<double[]> others = means.entrySet().stream()
                    .filter(entry -> entry.getKey() != one.id())
                    .map(entry -> array(entry.getValue()))
                    .filter(ShortRunPage::hasShares)
                    .toList();
            Map<Long, Double> own = means.getOrDefault(one.id(), Map.of());
            family(own, others).ifPresent(family -> rows.add(row(one, own, family, others.size(), codes)));
        }
        rows.sort(Comparator.comparing((Row row) -> row.beyond.isEmpty()).thenComparing(Row::title));
        return rows;
    }

    /** Empty where shares tell nothing: of means that are zero or all alike, and where the others are too few. */
    private static Optional<ShortRun.Family> family(Map<Long, Double> own, List<double[]> others) {
        boolean scatters = others.stream()
                .anyMatch(means -> Arrays.stream(means).distinct().count() > 1);
        return hasShares(array(own)) && scatters
                ? Optional.of(ShortRun.Family.of(others)).filter(family -> family.freedom() >= ShortRun.LEAST_FREEDOM)
                : Optional.empty();
    }

    private static boolean hasShares(double[] means) {
        return Arrays.stream(means).allMatch(mean -> mean > 0);
    }

    private static double[] array(Map<Long, Double> means) {
        return means.values().stream().mapToDouble(Double::doubleValue).toArray();
    }

    private Row row(
            SeriesView one, Map<Long, Double> means, ShortRun.Family family, int others, Map<Long, String> codes) {
        List<ShortRun.Point> points = ShortRun.of(array(means), family).points();
        List<Long> ids = List.copyOf(means.keySet());
        double most = points.stream()
                .flatMap(point -> Stream.of(Math.abs(point.over()), 1.15 * point.limit()))
                .filter(Double::isFinite)
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(1);
        Scale up = new Scale(-most, most, MIDDLE + HALF, MIDDLE - HALF);
        StringBuilder path = new StringBuilder();
        List<Dot> dots = new ArrayList<>();
        List<String> beyond = new ArrayList<>();
        double limit = 0;
        for (int i = 0; i < points.size(); i++) {
            ShortRun.Point point = points.get(i);
            double x = Math.rint(ROOM + i * (WIDTH - 2 * ROOM) / Math.max(1, points.size() - 1));
            double y = up.at(i == 0 ? 0 : point.over());
            limit = i == 0 ? limit : point.limit();
            path.append(path.isEmpty() ? "M" : "L").append(x).append(' ').append(y);
            String words = codes.getOrDefault(ids.get(i), "lot") + ": "
                    + (i == 0 ? "the first lot" : deviation(point) + " the mean of " + before(point));
            dots.add(new Dot(x, y, point.signal(), words));
            if (point.signal()) {
                beyond.add(words);
            }
        }
        Products.ProductView product = products.product(one.productId());
        return new Row(
                product.code(),
                one.id(),
                product.name() + ", " + one.titleWithBlend(),
                Figures.significant(100 * family.sd(), 2) + " % from lot to lot, by " + others
                        + (others == 1 ? " other series, " : " others, ") + Figures.significant(family.freedom(), 2)
                        + " degrees of freedom",
                path.toString(),
                up.at(-limit),
                up.at(limit),
                dots,
                beyond);
    }

    private static String deviation(ShortRun.Point point) {
        return Figures.significant(100 * Math.abs(point.deviation()), 2)
                + (point.deviation() < 0 ? " % below" : " % above");
    }

    private static String before(ShortRun.Point point) {
        return point.before() == 1 ? "the one before it" : "the " + point.before() + " before it";
    }
}
