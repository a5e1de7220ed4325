package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.make.Prints;
import org.ysometron.core.drift.CountChart;
import org.ysometron.core.method.End;
import org.ysometron.core.method.Methods;
import org.ysometron.core.working.Figures;

/** How tests and prints of a product end, lot by lot: every way but the usual one, each lot set against those before it. */
@Component
class CountsPage {

    /** Lots in sight, and lots that each is set against. */
    static final int LOTS = 40;

    private static final double WIDTH = 420;
    private static final double FOOT = 54;
    private static final double ROOM = 8;

    private final Lots lots;
    private final Bench bench;
    private final Prints prints;

    CountsPage(Lots lots, Bench bench, Prints prints) {
        this.lots = lots;
        this.bench = bench;
        this.prints = prints;
    }

    /** The page: how many lots, from which to which, and a row for each way of ending. */
    record View(int lots, String from, String to, List<Row> rows) {}

    /**
     * One way of ending.
     *
     * @param of what ends: a method, or prints
     * @param share how many of all in sight
     * @param path from lot to lot
     * @param limit greatest share that is no signal, lot by lot
     * @param beyond lots beyond it, in words; empty where none is
     */
    record Row(String of, String end, String share, String path, String limit, List<Dot> dots, List<String> beyond) {}

    /** A lot's point; ringed where it lies beyond its limit. */
    record Dot(double x, double y, boolean beyond, String words) {}

    /** What ended how often, out of how many, lot by lot. */
    private record Counted(String of, String end, int[] counts, int[] sizes) {}

    View view(long productId) {
        List<LotView> all = new ArrayList<>(lots.newest(productId, 2 * LOTS));
        all.sort(Comparator.comparing(LotView::madeOn).thenComparing(LotView::id));
        List<Counted> counted = counted(all);
        List<Row> rows = new ArrayList<>();
        for (Counted one : counted) {
            int[] tested =
                    IntStream.range(0, all.size()).filter(i -> one.sizes[i] > 0).toArray();
            if (tested.length > 1) {
                rows.add(row(one, tested, all));
            }
        }
        rows.sort(Comparator.comparing((Row row) -> row.beyond.isEmpty()));
        List<LotView> sight = all.subList(Math.max(0, all.size() - LOTS), all.size());
        return new View(
                sight.size(),
                sight.isEmpty() ? "" : sight.get(0).code(),
                sight.isEmpty() ? "" : sight.get(sight.size() - 1).code(),
                rows);
    }

    private List<Counted> counted(List<LotView> all) {
        List<Long> ids = all.stream().map(LotView::id).toList();
        Map<Long, Integer> place = IntStream.range(0, ids.size()).boxed().collect(Collectors.toMap(ids::get, i -> i));
        Map<Long, String> methods = lots.specimensOf(ids).stream()
                .collect(Collectors.toMap(
                        SpecimenView::id, one -> one.conditions().method(), (one, same) -> one));
        Map<String, Map<End, int[]>> tests = new LinkedHashMap<>();
        bench.howEnded(ids).forEach(ended -> tests.computeIfAbsent(
                        Methods.titleOf(methods.getOrDefault(ended.specimenId(), "")),
                        method -> new EnumMap<>(End.class))
                .computeIfAbsent(ended.outcome(), end -> new int[ids.size()])[place.getOrDefault(ended.lotId(), 0)]++);
        List<Counted> counted = new ArrayList<>();
        tests.forEach((method, ends) -> counted.addAll(unusual(
                method,
                ends.entrySet().stream()
                        .collect(Collectors.toMap(entry -> entry.getKey().words(), Map.Entry::getValue)),
                ids.size())));
        Map<String, int[]> parts = new HashMap<>();
        prints.byLot(ids)
                .forEach((lot, ends) -> ends.forEach((how, count) -> parts.computeIfAbsent(
                                how.words(), end -> new int[ids.size()])[place.getOrDefault(lot, 0)] += count));
        counted.addAll(unusual("prints", parts, ids.size()));
        return counted;
    }

    /** Every end but that of most. */
    private static List<Counted> unusual(String of, Map<String, int[]> ends, int lots) {
        int[] sizes = new int[lots];
        ends.values().forEach(counts -> Arrays.setAll(sizes, i -> sizes[i] + counts[i]));
        return ends.entrySet().stream()
                .sorted(Comparator.comparingInt((Map.Entry<String, int[]> end) ->
                                -Arrays.stream(end.getValue()).sum())
                        .thenComparing(Map.Entry::getKey))
                .skip(1)
                .map(end -> new Counted(of, end.getKey(), end.getValue(), sizes))
                .toList();
    }

    private static Row row(Counted one, int[] tested, List<LotView> all) {
        int[] counts = Arrays.stream(tested).map(i -> one.counts[i]).toArray();
        int[] sizes = Arrays.stream(tested).map(i -> one.sizes[i]).toArray();
        List<CountChart.Point> points =
                CountChart.of(counts, sizes, CountChart.Kind.SHARE, LOTS).points();
        int from = Math.max(0, tested.length - LOTS);
        int shown = tested.length - from;
        StringBuilder path = new StringBuilder();
        StringBuilder limit = new StringBuilder();
        List<Dot> dots = new ArrayList<>();
        List<String> beyond = new ArrayList<>();
        for (int i = from; i < tested.length; i++) {
            CountChart.Point point = points.get(i);
            double x = shown == 1 ? WIDTH / 2 : ROOM + (i - from) * (WIDTH - 2 * ROOM) / (shown - 1);
            double y = up(point.share());
            path.append(path.isEmpty() ? "M" : "L").append(at(x)).append(' ').append(at(y));
            if (!Double.isNaN(point.limit())) {
                limit.append('M')
                        .append(at(x - 3))
                        .append(' ')
                        .append(at(up(point.limit())))
                        .append("h6");
            }
            String words = all.get(tested[i]).code() + ": " + counts[i] + " of " + sizes[i];
            dots.add(new Dot(x, y, point.signal(), words));
            if (point.signal()) {
                beyond.add(words + " (before it " + percent(point.before()) + ")");
            }
        }
        int ended = Arrays.stream(counts, from, tested.length).sum();
        int whole = Arrays.stream(sizes, from, tested.length).sum();
        return new Row(
                one.of,
                one.end,
                ended + " of " + whole + ", " + percent(ended / (double) whole),
                path.toString(),
                limit.toString(),
                dots,
                beyond);
    }

    private static double up(double share) {
        return FOOT - share * (FOOT - ROOM);
    }

    private static double at(double place) {
        return Math.rint(10 * place) / 10;
    }

    private static String percent(double share) {
        return Figures.decimals(100 * share, share > 0 && share < 0.1 ? 1 : 0) + " %";
    }
}
