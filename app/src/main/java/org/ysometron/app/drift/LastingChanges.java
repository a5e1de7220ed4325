package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;

/**
 * What else changed along a series and stayed so: raw material, line, regrind, who read it, with which instrument. What is another with every lot tells
 * nothing of a change of level, and is left out.
 */
@Component
class LastingChanges {

    /** A value that stood for fewer lots, before or after, is no state of things. */
    private static final int LASTS = 2;

    private final Lots lots;
    private final Bench bench;
    private final Instruments instruments;

    LastingChanges(Lots lots, Bench bench, Instruments instruments) {
        this.lots = lots;
        this.bench = bench;
        this.instruments = instruments;
    }

    /** What changes more often is another thing every few lots; a single change of the series is not told by it. */
    private static final int SELDOM = 3;

    /** More values than these part lots by chance. */
    private static final int MOST_LEVELS = 4;

    /** A change: with which lot, and in words. */
    record Change(long lotId, String words) {}

    /**
     * What changed along a series.
     *
     * @param seldom what is another only now and then
     * @param often what was another every few lots, and how often
     */
    record Found(List<Change> seldom, List<String> often) {}

    /** Those of lots in order of making. */
    Found of(List<PointView> points) {
        List<Long> ids = points.stream().map(PointView::lotId).toList();
        Map<Long, LotView> known = known(ids);
        Map<String, Map<Long, String>> told = told(ids, known);
        List<Change> seldom = new ArrayList<>();
        List<String> often = new ArrayList<>();
        told.forEach((what, values) -> {
            List<Change> changes = lasting(what, values, points, known);
            if (changes.size() <= SELDOM) {
                seldom.addAll(changes);
            } else {
                often.add(what + ", " + changes.size() + " times");
            }
        });
        return new Found(seldom, often);
    }

    private Map<Long, LotView> known(List<Long> ids) {
        return lots.all(ids).stream().collect(Collectors.toMap(LotView::id, lot -> lot));
    }

    private Map<String, Map<Long, String>> told(List<Long> ids, Map<Long, LotView> known) {
        Map<String, Map<Long, String>> told = new LinkedHashMap<>();
        raw(ids, told);
        known.forEach((id, lot) -> {
            put(told, "line", id, lot.line());
            put(told, "regrind", id, lot.regrind());
        });
        hands(ids, told);
        return told;
    }

    /** What parts lots just as they are parted into two streams, in words: each of its values stands with lots of one stream only. */
    List<String> parting(List<PointView> points, double edge) {
        List<Long> ids = points.stream().map(PointView::lotId).toList();
        List<String> found = new ArrayList<>();
        told(ids, known(ids)).forEach((what, values) -> {
            Map<Boolean, Set<String>> levels = points.stream()
                    .filter(point -> values.containsKey(point.lotId()))
                    .collect(Collectors.partitioningBy(
                            point -> point.mean() < edge,
                            Collectors.mapping(
                                    point -> values.getOrDefault(point.lotId(), ""),
                                    Collectors.toCollection(TreeSet::new))));
            Set<String> lower = levels.getOrDefault(true, Set.of());
            Set<String> upper = levels.getOrDefault(false, Set.of());
            boolean isParting = !lower.isEmpty() && !upper.isEmpty() && Collections.disjoint(lower, upper);
            // What is another with every lot parts anything.
            if (isParting && lower.size() + upper.size() <= MOST_LEVELS) {
                found.add(what + " " + String.join(", ", lower) + " with the lower, " + String.join(", ", upper)
                        + " with the upper");
            }
        });
        return found;
    }

    private void raw(Collection<Long> ids, Map<String, Map<Long, String>> told) {
        lots.rawMaterials(ids).forEach((id, materials) -> materials.stream()
                .collect(Collectors.groupingBy(
                        material -> material.kind().words() + " lot",
                        Collectors.mapping(Lots.RawMaterial::code, Collectors.toCollection(TreeSet::new))))
                .forEach((what, codes) -> put(told, what, id, String.join(", ", codes))));
    }

    private void hands(Collection<Long> ids, Map<String, Map<Long, String>> told) {
        Map<Long, String> names = instruments.all().stream()
                .collect(Collectors.toMap(InstrumentView::id, InstrumentView::name, (one, same) -> one));
        Map<Long, TreeSet<String>> by = new HashMap<>();
        Map<Long, TreeSet<String>> with = new HashMap<>();
        bench.hands(ids).forEach(hand -> {
            by.computeIfAbsent(hand.lotId(), id -> new TreeSet<>()).add(hand.enteredBy());
            with.computeIfAbsent(hand.lotId(), id -> new TreeSet<>())
                    .add(names.getOrDefault(hand.instrumentId(), "instrument " + hand.instrumentId()));
        });
        by.forEach((id, people) -> put(told, "read by", id, String.join(", ", people)));
        with.forEach((id, gauges) -> put(told, "instruments", id, String.join(", ", gauges)));
    }

    private static void put(Map<String, Map<Long, String>> told, String what, long lot, String value) {
        if (!value.isBlank()) {
            told.computeIfAbsent(what, name -> new HashMap<>()).put(lot, value);
        }
    }

    /** A lot of which nothing is said is passed over: that nobody wrote it down is no change. */
    private static List<Change> lasting(
            String what, Map<Long, String> values, List<PointView> points, Map<Long, LotView> known) {
        List<Change> changes = new ArrayList<>();
        List<PointView> spoken = points.stream()
                .filter(point -> values.containsKey(point.lotId()))
                .toList();
        List<String> row = spoken.stream()
                .map(point -> values.getOrDefault(point.lotId(), ""))
                .toList();
        for (int i = LASTS; i + LASTS <= row.size(); i++) {
            String before = row.get(i - 1);
            String after = row.get(i);
            boolean stood = row.subList(i - LASTS, i).stream().allMatch(before::equals);
            boolean stands = row.subList(i, i + LASTS).stream().allMatch(after::equals);
            if (!before.equals(after) && stood && stands) {
                LotView lot = known.get(spoken.get(i).lotId());
                changes.add(new Change(
                        spoken.get(i).lotId(),
                        (lot == null ? "" : lot.code() + ": ") + what + " " + after + " (before: " + before + ")"));
            }
        }
        return changes;
    }
}
