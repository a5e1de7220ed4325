package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Evidence.PooledScatter;
import org.ysometron.core.drift.ChartSignal;
import org.ysometron.core.drift.LotDifferences;
import org.ysometron.core.drift.LotDifferences.Pair;
import org.ysometron.core.drift.LotDifferences.Repeatability;
import org.ysometron.core.statistics.MeanBounds;
import org.ysometron.core.working.Figures;

/** Lots of one series set against one another: only what shares a chart is compared, and each difference has its interval and its base. */
@Component
class DifferencePage {

    private static final double CONFIDENCE = 0.95;
    private static final double LEFT = 150;
    private static final double RIGHT = 960;
    private static final double ROW = 30;

    private final SeriesPoints series;
    private final Lots lots;

    DifferencePage(SeriesPoints series, Lots lots) {
        this.series = series;
        this.lots = lots;
    }

    /** A lot with its mean, the 95 % interval of it, and its place among the others. */
    record Mean(
            String lot,
            double y,
            double x,
            @Nullable Double from,
            @Nullable Double to,
            String words,
            String place) {}

    /** Two lots: the difference, its interval, the percentage with its base, and what follows. */
    record Row(String what, String difference, String interval, String percent, String says, boolean isApart) {}

    /** The page. */
    record View(
            String asked,
            String repeatability,
            List<Mean> means,
            List<Scale.Tick> ticks,
            double height,
            List<Row> rows) {}

    View view(SeriesView found, @Nullable String asked, Problems problems) {
        List<PointView> points = series.points(found.id());
        Map<String, PointView> byCode = new HashMap<>();
        List<String> codes = new ArrayList<>();
        Map<Long, String> known = lots.all(points.stream().map(PointView::lotId).toList()).stream()
                .collect(Collectors.toMap(LotView::id, LotView::code));
        for (PointView point : points) {
            String code = known.getOrDefault(point.lotId(), "lot " + point.lotId());
            byCode.put(code.toUpperCase(Locale.ROOT), point);
            codes.add(code);
        }
        String typed =
                asked == null ? String.join(", ", codes.subList(Math.max(0, codes.size() - 2), codes.size())) : asked;
        Set<String> chosen = chosen(problems.entry("lots", "The lots", typed), byCode, problems);
        Optional<Repeatability> repeatability = repeatability(points);
        String unit = found.property().unit();
        String kept = repeatability
                .map(one ->
                        "Within lots of this series specimens scatter by " + Figures.withUnit(one.sd(), 3, unit) + " ("
                                + Figures.significant(one.freedom(), 3)
                                + " degrees of freedom): the method's repeatability here, gauge and material together.")
                .orElse(
                        "No lot of this series has a scatter of its own: nobody knows how far two like values may lie apart.");
        if (!problems.none()) {
            return new View(typed, kept, List.of(), List.of(), 0, List.of());
        }
        List<String> names = List.copyOf(chosen);
        List<PointView> compared =
                names.stream().map(name -> point(byCode, name)).toList();
        ChartSignal.Lots figures = Signals.lots(compared);
        LotDifferences differences = LotDifferences.of(figures, repeatability, CONFIDENCE);
        int digits = found.property().digits() + 1;
        List<Optional<MeanBounds>> bounds = compared.stream()
                .map(point -> bounds(point, repeatability, unit))
                .toList();
        Scale scale = scale(compared, bounds);
        List<Mean> means = new ArrayList<>();
        for (int i = 0; i < compared.size(); i++) {
            PointView point = compared.get(i);
            Optional<MeanBounds> bound = bounds.get(i);
            LotDifferences.Rank rank = differences.ranks().get(i);
            means.add(new Mean(
                    names.get(i),
                    ROW * (i + 0.6),
                    scale.at(point.mean()),
                    bound.map(one -> scale.at(one.lower())).orElse(null),
                    bound.map(one -> scale.at(one.upper())).orElse(null),
                    Figures.withUnit(point.mean(), digits, unit) + ", n = " + point.n(),
                    rank.best() == rank.worst()
                            ? "place " + rank.best()
                            : "place " + rank.best() + " to " + rank.worst()));
        }
        return new View(
                typed,
                kept,
                means,
                scale.ticks(6),
                ROW * compared.size() + 34,
                differences.pairs().stream()
                        .map(pair -> row(pair, names, compared, found))
                        .toList());
    }

    private static Set<String> chosen(Entry typed, Map<String, PointView> byCode, Problems problems) {
        Set<String> chosen = new LinkedHashSet<>();
        for (String part : typed.typed().split("[,; ]+")) {
            if (!part.isBlank()) {
                chosen.add(part.strip().toUpperCase(Locale.ROOT));
            }
        }
        List<String> unknown =
                chosen.stream().filter(code -> !byCode.containsKey(code)).toList();
        if (!unknown.isEmpty()) {
            problems.add(
                    "lots",
                    "Not on this chart: " + String.join(", ", unknown)
                            + ". Only lots of one series are set against one another; a bridging study joins two.");
        } else if (chosen.size() < 2 || chosen.size() > LotDifferences.MOST) {
            problems.add("lots", "Name 2 to " + LotDifferences.MOST + " lots, with commas between them.");
        }
        return chosen;
    }

    private static PointView point(Map<String, PointView> byCode, String name) {
        return java.util.Objects.requireNonNull(byCode.get(name));
    }

    private Optional<Repeatability> repeatability(List<PointView> points) {
        return series.pooledScatter(points)
                .map((PooledScatter pooled) -> new Repeatability(pooled.sd(), pooled.degreesOfFreedom()));
    }

    /** Of a single specimen by the scatter within the lots of its series. */
    private static Optional<MeanBounds> bounds(PointView point, Optional<Repeatability> repeatability, String unit) {
        double oneSided = (1 + CONFIDENCE) / 2;
        if (point.sd() != null && point.n() > 1) {
            return Optional.of(MeanBounds.of(point.mean(), point.n(), point.sd(), point.n() - 1.0, 0, oneSided, unit));
        }
        return repeatability.map(
                known -> MeanBounds.of(point.mean(), point.n(), known.sd(), known.freedom(), 0, oneSided, unit));
    }

    private static Scale scale(List<PointView> compared, List<Optional<MeanBounds>> bounds) {
        List<Double> values =
                new ArrayList<>(compared.stream().map(PointView::mean).toList());
        bounds.forEach(bound -> bound.ifPresent(one -> {
            values.add(one.lower());
            values.add(one.upper());
        }));
        return Scale.holding(values, LEFT, RIGHT);
    }

    private static Row row(Pair pair, List<String> names, List<PointView> compared, SeriesView found) {
        String unit = found.property().unit();
        int digits = found.property().digits();
        String base = names.get(pair.first());
        double mean = compared.get(pair.first()).mean();
        // A difference is told to the place that the means are: more would be noise.
        int decimals = mean == 0 ? digits : (int) Math.max(0, digits - Math.floor(Math.log10(Math.abs(mean))));
        boolean known = Double.isFinite(pair.low());
        return new Row(
                names.get(pair.second()) + " against " + base,
                signed(pair.difference(), decimals, unit),
                known
                        ? signed(pair.low(), decimals, unit) + " to " + signed(pair.high(), decimals, unit)
                        : "not known: single values, and no scatter within lots",
                mean > 0
                        ? signed(100 * pair.difference() / mean, 1, "%") + " of " + base + "'s "
                                + Figures.withUnit(mean, digits + 1, unit)
                        : "no percentage: its base is not above zero",
                says(pair, unit),
                pair.isApart());
    }

    private static String signed(double value, int decimals, String unit) {
        return (value > 0 ? "+" : "") + Figures.decimals(value, decimals) + Figures.unit(unit);
    }

    private static String says(Pair pair, String unit) {
        OptionalDouble limit = pair.limit();
        String within = limit.isPresent()
                ? (pair.isWithinRepeatability() ? "within" : "beyond") + " the repeatability limit, "
                        + Figures.withUnit(limit.getAsDouble(), 2, unit)
                : "";
        if (pair.isApart()) {
            return "Apart" + (within.isEmpty() ? "." : "; " + within + ".");
        }
        return pair.isWithinRepeatability()
                ? "The same: " + within + "."
                : "Not shown to be apart" + (within.isEmpty() ? "." : ", though " + within + ".");
    }
}
