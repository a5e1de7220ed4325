package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.core.drift.TSquared;
import org.ysometron.core.material.Blend;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * Several characteristics of a product's lots at once: lots whose characteristics are each as they should be, and do not go together. Limits are those of the first
 * lots in common; nothing is signed, and nothing stands in the way of a release for it.
 */
@Component
class AllAtOncePage {

    /** Characteristics at the most: with each more the limit of later lots grows. */
    private static final int MOST = 5;

    /** Lots that limits come from. */
    private static final int FIRST = 20;

    /** A series joins where it shares so many of the lots of the longest. */
    private static final double SHARED = 0.8;

    private static final int WINDOW = 60;
    private static final double LEVEL = 0.0027;
    private static final double HEIGHT = 300;

    private final SeriesPoints series;
    private final Lots lots;

    AllAtOncePage(SeriesPoints series, Lots lots) {
        this.series = series;
        this.lots = lots;
    }

    /** What lots have in common: a colour and what it was mixed by. */
    private record Of(String colour, Blend blend) {

        String words() {
            return colour + (blend.words().isEmpty() ? "" : ", " + blend.words());
        }
    }

    /**
     * The page.
     *
     * @param choices colours and blends that have characteristics enough
     * @param chosen index of the one shown
     * @param characteristics those that are set together, in order
     * @param why why nothing is drawn; empty where it is
     */
    record View(
            List<String> choices,
            int chosen,
            List<String> characteristics,
            String why,
            List<Scale.Tick> ticks,
            String path,
            String limits,
            String limitLabel,
            double limitAt,
            List<Dot> dots,
            List<Scale.Tick> codes,
            List<String> beyond) {}

    /** A lot's point. */
    record Dot(double x, double y, String lot, String words, boolean beyond) {}

    View view(long productId, int wanted) {
        List<SeriesView> every = series.ofProduct(productId);
        Map<Long, Long> counts = series.lotsOn(every);
        Map<Of, List<SeriesView>> groups = every.stream()
                .filter(one -> !one.property().isRatio())
                .collect(Collectors.groupingBy(
                        one -> new Of(one.colour(), one.blend()), LinkedHashMap::new, Collectors.toList()));
        groups.values().removeIf(group -> group.size() < 2);
        List<Of> choices = groups.entrySet().stream()
                .sorted(Comparator.comparingInt((Map.Entry<Of, List<SeriesView>> group) -> -group.getValue().stream()
                        .mapToInt(one -> counts.getOrDefault(one.id(), 0L).intValue())
                        .max()
                        .orElse(0)))
                .map(Map.Entry::getKey)
                .toList();
        List<String> words = choices.stream().map(Of::words).toList();
        if (choices.isEmpty()) {
            return none(words, 0, List.of(), "No two characteristics of one colour have results.");
        }
        int chosen = wanted >= 0 && wanted < choices.size() ? wanted : 0;
        Common common = Common.of(sharing(groups.getOrDefault(choices.get(chosen), List.of()), counts));
        if (common.series.size() < 2 || common.lots.size() < common.series.size() + 2) {
            return none(
                    words,
                    chosen,
                    common.titles(),
                    "Too few: " + common.series.size() + " characteristics with " + common.lots.size()
                            + " lots in common; two, and two lots more than characteristics, are needed.");
        }
        int first = Math.min(FIRST, common.lots.size());
        Common telling = common.scattering(first);
        if (telling.series.size() < 2) {
            return none(words, chosen, common.titles(), "In the first lots no two of them scatter.");
        }
        try {
            TSquared found =
                    TSquared.of(Arrays.copyOf(telling.values, first), telling.values, LEVEL, TSquared.Scatter.SAMPLE);
            return drawn(words, chosen, telling, found, first);
        } catch (IllegalArgumentException singular) {
            return none(words, chosen, common.titles(), "They cannot be set together: " + singular.getMessage() + ".");
        }
    }

    /** Series and the lots that have a point on each of them, in order of making: one row of means a lot. */
    private record Common(List<SeriesView> series, List<PointView> lots, double[][] values) {

        static Common of(Map<SeriesView, Map<Long, PointView>> points) {
            List<Map<Long, PointView>> all = List.copyOf(points.values());
            List<PointView> lots = all.stream()
                    .limit(1)
                    .flatMap(first -> first.values().stream())
                    .filter(point -> all.stream().allMatch(of -> of.containsKey(point.lotId())))
                    .sorted(Comparator.comparing(PointView::madeOn).thenComparing(PointView::lotId))
                    .toList();
            double[][] values = lots.stream()
                    .map(point -> all.stream()
                            .mapToDouble(of -> Objects.requireNonNull(of.get(point.lotId()))
                                    .mean())
                            .toArray())
                    .toArray(double[][]::new);
            return new Common(List.copyOf(points.keySet()), lots, values);
        }

        List<String> titles() {
            return series.stream().map(SeriesView::title).toList();
        }

        /** Without what is alike in all of the first lots: it tells none of them apart. */
        Common scattering(int first) {
            int[] telling = IntStream.range(0, series.size())
                    .filter(j -> IntStream.range(1, first).anyMatch(i -> values[i][j] != values[0][j]))
                    .toArray();
            return new Common(
                    Arrays.stream(telling).mapToObj(series::get).toList(),
                    lots,
                    Arrays.stream(values)
                            .map(lot -> Arrays.stream(telling)
                                    .mapToDouble(j -> lot[j])
                                    .toArray())
                            .toArray(double[][]::new));
        }
    }

    /** What was tested before what was only measured; the longest, and those that have most of its lots as well, each with its points by lot. */
    private Map<SeriesView, Map<Long, PointView>> sharing(List<SeriesView> group, Map<Long, Long> counts) {
        long longestHas = group.stream()
                .mapToLong(one -> counts.getOrDefault(one.id(), 0L))
                .max()
                .orElse(0);
        List<SeriesView> longest = group.stream()
                .filter(one -> counts.getOrDefault(one.id(), 0L) >= SHARED * longestHas)
                .sorted(Comparator.comparing((SeriesView one) -> !one.property().isTested())
                        .thenComparingLong(one -> -counts.getOrDefault(one.id(), 0L)))
                .toList();
        Map<SeriesView, Map<Long, PointView>> found = new LinkedHashMap<>();
        Map<Long, PointView> most = new HashMap<>();
        for (SeriesView one : longest) {
            if (found.size() == MOST) {
                break;
            }
            Map<Long, PointView> own = series.newest(one.id(), 10 * WINDOW).stream()
                    .filter(point -> Double.isFinite(point.mean()))
                    .collect(Collectors.toMap(PointView::lotId, point -> point));
            long shared = own.keySet().stream().filter(most::containsKey).count();
            if (found.isEmpty() || shared >= SHARED * most.size()) {
                found.put(one, own);
                most = found.size() == 1 ? own : most;
            }
        }
        return found;
    }

    private static View none(List<String> choices, int chosen, List<String> titles, String why) {
        return new View(choices, chosen, titles, why, List.of(), "", "", "", 0, List.of(), List.of(), List.of());
    }

    private View drawn(List<String> choices, int chosen, Common set, TSquared found, int first) {
        List<PointView> common = set.lots;
        int from = Math.max(0, common.size() - WINDOW);
        int shown = common.size() - from;
        Map<Long, String> codes =
                lots
                        .all(common.subList(from, common.size()).stream()
                                .map(PointView::lotId)
                                .toList())
                        .stream()
                        .collect(Collectors.toMap(LotView::id, LotView::code));
        // Drawn by the root: one lot far out leaves the others to be seen.
        List<Double> heights = new ArrayList<>(List.of(0.0, Math.sqrt(found.later())));
        IntStream.range(from, common.size())
                .forEach(i -> heights.add(Math.sqrt(found.values().get(i))));
        Scale scale = Scale.holding(heights, HEIGHT - 40, 14);
        StringBuilder path = new StringBuilder();
        StringBuilder limits = new StringBuilder();
        List<Dot> dots = new ArrayList<>();
        List<String> beyond = new ArrayList<>();
        List<Scale.Tick> along = new ArrayList<>();
        double step = shown == 1 ? 0 : (Sight.RIGHT - Sight.LEFT - 32) / (shown - 1);
        for (int i = from; i < common.size(); i++) {
            double x = Sight.LEFT + 16 + (i - from) * step;
            double value = found.values().get(i);
            double limit = i < first ? found.limit() : found.later();
            double y = scale.at(Math.sqrt(value));
            boolean isBeyond = Rounding.above(value, limit);
            String code = codes.getOrDefault(common.get(i).lotId(), "");
            int driver = found.drivers().get(i);
            SeriesView drives = set.series.get(driver);
            String words = code + ": T² " + Figures.significant(value, 3) + ", driven by " + drives.title() + ", "
                    + Figures.withUnit(
                            set.values[i][driver],
                            drives.property().digits() + 1,
                            drives.property().unit());
            path.append(path.isEmpty() ? "M" : "L").append(x).append(' ').append(y);
            if (i == from || i == first) {
                limits.append('M').append(x - step / 2).append(' ').append(scale.at(Math.sqrt(limit)));
            }
            limits.append('H').append(x + step / 2);
            dots.add(new Dot(x, y, code, words, isBeyond));
            if (isBeyond) {
                beyond.add(words + " (limit " + Figures.significant(limit, 3) + ")");
            }
            if ((common.size() - 1 - i) % Math.max(1, (shown + 9) / 10) == 0) {
                along.add(new Scale.Tick(x, code));
            }
        }
        return new View(
                choices,
                chosen,
                set.titles(),
                "",
                scale.ticks(5),
                path.toString(),
                limits.toString(),
                "limit √" + Figures.significant(common.size() > first ? found.later() : found.limit(), 3),
                scale.at(Math.sqrt(common.size() > first ? found.later() : found.limit())),
                dots,
                along,
                beyond);
    }
}
