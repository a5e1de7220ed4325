package org.ysometron.app.drift;

import java.time.Clock;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.drift.Signals.LotSignal;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.app.evidence.SeriesPoints.SeriesView;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/** Lays a series out as charts of lot means, of their moving range, and of the scatter within lots. */
@Component
class DriftCharts {

    static final double WIDTH = 1120;
    private static final double LEFT = 58;
    private static final double RIGHT = 1000;
    private static final int WINDOW = 40;

    /** The page of a long series reads no more of it than that of a short one. */
    private static final int LOOKED_BACK = 200;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);

    private final SeriesPoints series;
    private final Baselines baselines;
    private final Signals signals;
    private final Lots lots;
    private final Publications publications;
    private final Diagnoses diagnoses;
    private final Alarms alarms;
    private final Capabilities capabilities;
    private final LastingChanges changes;

    private final Clock clock;

    DriftCharts(
            SeriesPoints series,
            Baselines baselines,
            Signals signals,
            Lots lots,
            Publications publications,
            Diagnoses diagnoses,
            Alarms alarms,
            Capabilities capabilities,
            LastingChanges changes,
            Clock clock) {
        this.changes = changes;
        this.capabilities = capabilities;
        this.alarms = alarms;
        this.diagnoses = diagnoses;
        this.clock = clock;
        this.series = series;
        this.baselines = baselines;
        this.signals = signals;
        this.lots = lots;
        this.publications = publications;
    }

    /** The lots in sight with what is known of each. */
    private record Sight(
            SeriesView series,
            List<PointView> points,
            @Nullable PointView before,
            Map<Long, LotView> lots,
            Map<Long, LotSignal> signals,
            Optional<BaselineView> baseline,
            Set<Long> baselineLots,
            Map<Double, Double> uncertainties) {

        /** What a bridging study took off, and how well it is known; empty where nothing was. */
        String takenOff(PointView point) {
            String unit = series.property().unit();
            Double uncertainty = uncertainties.get(point.takenOff());
            return uncertainty == null
                    ? ""
                    : "; " + Figures.withUnit(point.takenOff(), 3, unit)
                            + " taken off by a bridging study, uncertain by " + Figures.significant(uncertainty, 2);
        }

        Optional<LotLimits> limits() {
            return baseline.map(BaselineView::limits);
        }

        private @Nullable PointView previous(int index) {
            return index > 0 ? points.get(index - 1) : before;
        }

        /** Distance from the lot before. */
        OptionalDouble change(int index) {
            PointView previous = previous(index);
            return previous == null
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(Math.abs(points.get(index).mean() - previous.mean()));
        }

        /** How far a lot may lie from the one before it. */
        OptionalDouble rangeLimit(int index) {
            PointView previous = previous(index);
            int before = previous == null ? n(index) : previous.n();
            return limits().map(limits -> OptionalDouble.of(limits.range(n(index), before)))
                    .orElse(OptionalDouble.empty());
        }

        OptionalDouble scatterLimit(int index) {
            return limits().map(limits -> limits.scatter(n(index))).orElse(OptionalDouble.empty());
        }

        double scatterCentre(int index) {
            return limits().map(limits -> limits.scatterCentre(n(index)).orElse(Double.NaN))
                    .orElse(Double.NaN);
        }

        int n(int index) {
            return points.get(index).n();
        }

        double x(int index) {
            return points.size() == 1
                    ? (LEFT + RIGHT) / 2
                    : LEFT + 16 + index * (RIGHT - LEFT - 32) / (points.size() - 1);
        }

        boolean isBroughtIn(PointView point) {
            LotView lot = lots.get(point.lotId());
            return lot != null && lot.state() == LotState.BROUGHT_IN;
        }

        String code(PointView point) {
            LotView lot = lots.get(point.lotId());
            return lot == null ? "lot " + point.lotId() : lot.code();
        }
    }

    @Transactional(readOnly = true)
    public DriftView view(long seriesId, @Nullable Integer wantedTo) {
        SeriesView found = series.series(seriesId);
        int all = series.count(found);
        int to = wantedTo == null ? all : Math.max(Math.min(wantedTo, all), Math.min(1, all));
        int from = Math.max(0, to - WINDOW);
        Sight sight = sight(found, from, to);
        Optional<Requirement> claim = claim(found);
        Diagnoses.Diagnosis diagnosis = diagnoses.of(found, to, claim).orElse(null);
        LastingChanges.Found changed = changes.of(sight.points);
        int unanswered = (int) sight.signals.entrySet().stream()
                .filter(entry -> !entry.getValue().isAnswered() && undecided(sight, entry.getKey()))
                .count();
        return new DriftView(
                seriesId,
                found.title(),
                Claim.termsOf(found.property(), found.conditions())
                        + (found.blend().words().isEmpty()
                                ? ""
                                : ", " + found.blend().words()),
                found.property().unit(),
                all,
                base(sight),
                cost(sight),
                means(sight, claim, diagnosis),
                ranges(sight),
                spreads(sight),
                rows(sight),
                from > 0 ? from : null,
                to < all ? Math.min(to + WINDOW, all) : null,
                all == 0 ? "" : "lots " + (from + 1) + " to " + to + " of " + all,
                sight.points.stream().map(sight::code).toList(),
                unanswered,
                diagnosis,
                capability(found, to, claim, diagnosis),
                events(sight, changed, diagnosis),
                changed.often());
    }

    /** Of the lots up to the last one in sight. */
    private Capabilities.@Nullable Said capability(
            SeriesView found, int to, Optional<Requirement> claim, Diagnoses.@Nullable Diagnosis diagnosis) {
        int from = Math.max(0, to - LOOKED_BACK);
        return capabilities
                .of(found, series.part(found.id(), from, to - from), claim, Optional.ofNullable(diagnosis))
                .orElse(null);
    }

    private static List<DriftView.Event> events(
            Sight sight, LastingChanges.Found changed, Diagnoses.@Nullable Diagnosis diagnosis) {
        int from = diagnosis == null || diagnosis.earliest() == null ? -1 : place(sight, diagnosis.earliest());
        int to = diagnosis == null || diagnosis.latest() == null ? -1 : place(sight, diagnosis.latest());
        return changed.seldom().stream()
                .map(change -> {
                    int at = place(sight, change.lotId());
                    return new DriftView.Event(sight.x(at), change.words(), to >= 0 && at >= from && at <= to);
                })
                .sorted(Comparator.comparingDouble(DriftView.Event::x))
                .toList();
    }

    private Sight sight(SeriesView found, int from, int to) {
        // The one before the first is read for the change from it.
        int earlier = Math.min(1, from);
        List<PointView> read = series.part(found.id(), from - earlier, to - from + earlier);
        List<PointView> points = read.subList(earlier, read.size());
        List<Long> ids = points.stream().map(PointView::lotId).toList();
        Map<Long, LotView> byId = new HashMap<>();
        lots.all(ids).forEach(lot -> byId.put(lot.id(), lot));
        Map<Long, LotSignal> here = new HashMap<>();
        signals.stored(ids).forEach((lotId, list) -> list.stream()
                .filter(signal -> signal.seriesId() == found.id())
                .findFirst()
                .ifPresent(signal -> here.put(lotId, signal)));
        Optional<BaselineView> baseline = baselines.newest(found.id());
        Set<Long> chosen = baseline.map(b -> (Set<Long>) new HashSet<>(baselines.lotsOf(b.id())))
                .orElse(Set.of());
        return new Sight(
                found,
                points,
                earlier > 0 ? read.get(0) : null,
                byId,
                here,
                baseline,
                chosen,
                series.uncertainties(found.id()));
    }

    // ---- the three charts --------------------------------------------------------------------------------------

    private static DriftView.Chart means(
            Sight sight, Optional<Requirement> claim, Diagnoses.@Nullable Diagnosis diagnosis) {
        double height = 330;
        List<Double> values =
                new ArrayList<>(sight.points.stream().map(PointView::mean).toList());
        sight.limits()
                .ifPresent(limits -> sight.points.forEach(point -> {
                    values.add(limits.lower(point.n()));
                    values.add(limits.upper(point.n()));
                }));
        claim.ifPresent(requirement -> {
            requirement.lower().ifPresent(values::add);
            requirement.upper().ifPresent(values::add);
        });
        Scale scale = Scale.holding(values, height - 58, 34);
        List<DriftView.Line> lines = new ArrayList<>();
        int digits = sight.series.property().digits() + 1;
        sight.limits().ifPresent(limits -> {
            lines.add(line(
                    "centre", scale.at(limits.centre()), "centre " + Figures.significant(limits.centre(), digits)));
            lines.add(stepped(sight, scale, digits, "upper limit", i -> limits.upper(sight.n(i))));
            lines.add(stepped(sight, scale, digits, "lower limit", i -> limits.lower(sight.n(i))));
        });
        List<DriftView.Dot> dots = new ArrayList<>();
        for (int i = 0; i < sight.points.size(); i++) {
            dots.add(dot(sight, i, scale.at(sight.points.get(i).mean()), height));
        }
        return new DriftView.Chart(
                "Lot means",
                height,
                scale.ticks(6),
                lines,
                walls(claim, scale),
                dots,
                path(dots),
                brackets(sight, diagnosis, height),
                codes(sight));
    }

    private static DriftView.Chart ranges(Sight sight) {
        double height = 120;
        List<Double> values = new ArrayList<>(List.of(0.0));
        int digits = sight.series.property().digits();
        for (int i = 0; i < sight.points.size(); i++) {
            sight.change(i).ifPresent(values::add);
            sight.rangeLimit(i).ifPresent(values::add);
        }
        Scale scale = Scale.holding(values, height - 12, 12);
        List<DriftView.Line> lines = new ArrayList<>();
        sight.baseline.ifPresent(b -> {
            lines.add(line("centre", scale.at(b.meanRange()), "mean " + Figures.significant(b.meanRange(), digits)));
            lines.add(stepped(
                    sight, scale, digits, "limit", i -> sight.rangeLimit(i).orElseThrow()));
        });
        List<DriftView.Dot> dots = new ArrayList<>();
        for (int i = 0; i < sight.points.size(); i++) {
            OptionalDouble change = sight.change(i);
            if (change.isPresent()) {
                double range = change.getAsDouble();
                OptionalDouble limit = sight.rangeLimit(i);
                boolean beyond = limit.isPresent() && Rounding.above(range, limit.getAsDouble());
                dots.add(plain(sight, i, scale.at(range), "change " + Figures.significant(range, digits), beyond));
            }
        }
        return chart("Change from the lot before (moving range)", height, scale, lines, dots);
    }

    private static DriftView.Chart chart(
            String name, double height, Scale scale, List<DriftView.Line> lines, List<DriftView.Dot> dots) {
        return new DriftView.Chart(
                name, height, scale.ticks(3), lines, List.of(), dots, path(dots), List.of(), List.of());
    }

    private static DriftView.Chart spreads(Sight sight) {
        String name = "Scatter within the lot (s)";
        double height = 120;
        List<Double> values = new ArrayList<>(List.of(0.0));
        for (int i = 0; i < sight.points.size(); i++) {
            PointView point = sight.points.get(i);
            if (point.sd() != null && point.n() > 1) {
                values.add(point.sd());
                sight.scatterLimit(i).ifPresent(values::add);
            }
        }
        if (values.size() == 1) {
            return new DriftView.Chart(name, 0, List.of(), List.of(), List.of(), List.of(), "", List.of(), List.of());
        }
        Scale scale = Scale.holding(values, height - 12, 12);
        int digits = sight.series.property().digits();
        List<DriftView.Dot> dots = new ArrayList<>();
        for (int i = 0; i < sight.points.size(); i++) {
            PointView point = sight.points.get(i);
            if (point.sd() != null && point.n() > 1) {
                String words = "s " + Figures.significant(point.sd(), digits) + ", n = " + point.n();
                OptionalDouble limit = sight.scatterLimit(i);
                boolean beyond = limit.isPresent() && Rounding.above(point.sd(), limit.getAsDouble());
                dots.add(plain(sight, i, scale.at(point.sd()), words, beyond));
            }
        }
        List<DriftView.Line> lines = new ArrayList<>();
        sight.baseline
                .map(BaselineView::spread)
                .filter(OptionalDouble::isPresent)
                .ifPresent(within -> {
                    // An s of n lies about c₄σ, not about σ.
                    lines.add(stepped(sight, scale, digits, "centre", "centre", sight::scatterCentre));
                    lines.add(stepped(sight, scale, digits, "limit", i -> sight.scatterLimit(i)
                            .orElse(Double.NaN)));
                });
        return chart(name, height, scale, lines, dots);
    }

    // ---- pieces ------------------------------------------------------------------------------------------------

    /** A limit that goes by each lot's n: level where all have the same, else in steps; its label has the newest lot's. */
    private static DriftView.Line stepped(
            Sight sight, Scale scale, int digits, String name, IntToDoubleFunction limit) {
        return stepped(sight, scale, digits, "limit", name, limit);
    }

    private static DriftView.Line stepped(
            Sight sight, Scale scale, int digits, String kind, String name, IntToDoubleFunction limit) {
        StringBuilder path = new StringBuilder();
        double last = Double.NaN;
        boolean isLevel = true;
        double half = sight.points.size() > 1 ? (sight.x(1) - sight.x(0)) / 2 : RIGHT;
        for (int i = 0; i < sight.points.size(); i++) {
            double value = limit.applyAsDouble(i);
            if (Double.isFinite(value)) {
                // The first step begins at the axis, the last one ends before its label.
                double from = path.isEmpty() ? LEFT : sight.x(i) - half;
                double to = i == sight.points.size() - 1 ? RIGHT : sight.x(i) + half;
                path.append(path.isEmpty() ? "M" : "L").append(from).append(' ').append(scale.at(value));
                path.append('H').append(Math.min(to, RIGHT));
                isLevel &= Double.isNaN(last) || value == last;
                last = value;
            }
        }
        return new DriftView.Line(
                kind,
                Double.isNaN(last) ? 0 : scale.at(last),
                path.toString(),
                Double.isNaN(last) ? "" : name + " " + Figures.significant(last, digits) + (isLevel ? "" : ", by n"));
    }

    private static DriftView.Line line(String kind, double at, String label) {
        return new DriftView.Line(kind, at, "M" + LEFT + " " + at + "H" + RIGHT, label);
    }

    private static List<DriftView.Wall> walls(Optional<Requirement> claim, Scale scale) {
        List<DriftView.Wall> walls = new ArrayList<>();
        claim.ifPresent(requirement -> {
            String words = "claimed " + requirement.words() + " (no control limit)";
            requirement.lower().ifPresent(edge -> walls.add(new DriftView.Wall(scale.at(edge), true, words)));
            requirement.upper().ifPresent(edge -> walls.add(new DriftView.Wall(scale.at(edge), false, words)));
        });
        return walls;
    }

    private static DriftView.Dot dot(Sight sight, int index, double y, double height) {
        PointView point = sight.points.get(index);
        LotSignal signal = sight.signals.get(point.lotId());
        String figure =
                Figures.significant(point.mean(), sight.series.property().digits() + 1);
        String words =
                sight.code(point) + (sight.isBroughtIn(point) ? " (brought in from records)" : "") + ": " + figure
                        + (sight.series.property().unit().isEmpty()
                                ? ""
                                : " " + sight.series.property().unit()) + ", n = " + point.n()
                        + sight.takenOff(point)
                        + (signal == null ? "" : "; " + signal.words());
        // A pattern that goes on is named once, at its latest point in sight.
        boolean last = index + 1 == sight.points.size()
                || !sight.signals.containsKey(sight.points.get(index + 1).lotId());
        String label = signal != null && last ? signal.ofMeans() : "";
        boolean low = sight.baseline.isPresent()
                && point.mean() < sight.baseline.get().centre();
        double labelY = low ? Math.min(y + 20, height - 62) : Math.max(y - 12, 12);
        return new DriftView.Dot(
                sight.x(index),
                y,
                sight.code(point),
                words,
                signal != null && !signal.ofMeans().isEmpty(),
                label,
                labelY,
                sight.x(index) > 300 ? "end" : "start",
                undecided(sight, point.lotId()));
    }

    private static DriftView.Dot plain(Sight sight, int index, double y, String words, boolean beyond) {
        PointView point = sight.points.get(index);
        return new DriftView.Dot(
                sight.x(index),
                y,
                sight.code(point),
                sight.code(point) + ": " + words,
                beyond,
                "",
                y,
                "end",
                undecided(sight, point.lotId()));
    }

    private static String path(List<DriftView.Dot> dots) {
        StringBuilder path = new StringBuilder();
        for (DriftView.Dot dot : dots) {
            path.append(path.isEmpty() ? "M" : "L").append(dot.x()).append(' ').append(dot.y());
        }
        return path.toString();
    }

    /** Lot codes under the chart: as many as there is room for, the newest always. */
    private static List<Scale.Tick> codes(Sight sight) {
        int room = 10;
        int step = Math.max(1, (sight.points.size() + room - 1) / room);
        List<Scale.Tick> codes = new ArrayList<>();
        for (int i = sight.points.size() - 1; i >= 0; i -= step) {
            codes.add(new Scale.Tick(sight.x(i), sight.code(sight.points.get(i))));
        }
        return codes;
    }

    private static List<DriftView.Bracket> brackets(
            Sight sight, Diagnoses.@Nullable Diagnosis diagnosis, double height) {
        List<DriftView.Bracket> brackets = new ArrayList<>();
        sight.baseline.ifPresent(baseline -> {
            List<Integer> chosen = IntStream.range(0, sight.points.size())
                    .filter(i -> sight.baselineLots.contains(sight.points.get(i).lotId()))
                    .boxed()
                    .toList();
            if (!chosen.isEmpty()) {
                brackets.add(new DriftView.Bracket(
                        sight.x(chosen.get(0)),
                        sight.x(chosen.get(chosen.size() - 1)),
                        height - 44,
                        "baseline version " + baseline.version()));
            }
        });
        if (diagnosis != null && diagnosis.earliest() != null) {
            int from = place(sight, diagnosis.earliest());
            int to = place(sight, diagnosis.latest());
            if (to >= 0) {
                brackets.add(new DriftView.Bracket(
                        from < 0 ? LEFT + 4 : sight.x(from), sight.x(to), 14, "may have begun here, 95 %"));
            }
        }
        return brackets;
    }

    private static int place(Sight sight, @Nullable Long lotId) {
        return IntStream.range(0, sight.points.size())
                .filter(i -> lotId != null && sight.points.get(i).lotId() == lotId)
                .findFirst()
                .orElse(-1);
    }

    /** What the newest datasheet claims of a series. */
    Optional<Requirement> claim(SeriesView found) {
        return publications
                .newestDatasheet(found.productId())
                .flatMap(datasheet -> publications.claims(datasheet.id()).stream()
                        .filter(claim -> claim.form() != Form.BETTER_THAN)
                        .filter(claim -> claim.speaksOf(found.property(), found.conditions()))
                        .map(Claim::requirement)
                        .findFirst());
    }

    private DriftView.@Nullable Base base(Sight sight) {
        if (sight.baseline.isEmpty()) {
            return null;
        }
        BaselineView baseline = sight.baseline.get();
        String signed = "signed by " + baseline.signedBy() + " on "
                + DAY.format(baseline.signedAt().atZone(clock.getZone()));
        return new DriftView.Base(
                baseline.id(),
                baseline.version(),
                signed,
                baseline.reason(),
                baseline.lots() + " lots",
                baseline.isProvisional(),
                baseline.size().isPresent(),
                baselines.all(sight.series.id()).size());
    }

    /** What the rules in force find and cost, with limits from so many lots as they are from. */
    private String cost(Sight sight) {
        if (sight.baseline.isEmpty()) {
            return "";
        }
        BaselineView baseline = sight.baseline.get();
        Alarms.Cost cost = alarms.of(baseline);
        return "Rules in force: " + baseline.rules().words()
                + ". On a series that stays as it is, half of all charts with limits from "
                + baseline.lots() + " lots have raised a false alarm within " + cost.quiet()
                + " lots; a step by one standard "
                + "deviation of a lot mean is noticed by half of them within " + cost.step() + " (" + Alarms.SERIES
                + " series simulated).";
    }

    private static List<DriftView.Row> rows(Sight sight) {
        List<DriftView.Row> rows = new ArrayList<>();
        for (int i = sight.points.size() - 1; i >= 0; i--) {
            PointView point = sight.points.get(i);
            LotSignal signal = sight.signals.get(point.lotId());
            if (signal != null) {
                rows.add(new DriftView.Row(
                        sight.code(point),
                        point.lotId(),
                        point.madeOn(),
                        signal.words(),
                        undecided(sight, point.lotId()),
                        signal.answer()));
            }
        }
        return rows;
    }

    private static boolean undecided(Sight sight, long lotId) {
        LotView lot = sight.lots.get(lotId);
        return lot != null && lot.state().isUndecided();
    }
}
