package org.ysometron.app.drift;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.drift.ChangePoint;
import org.ysometron.core.working.Figures;

/** Lays a series out as charts of lot means, of their moving range, and of the scatter within lots. */
@Component
class DriftCharts {

    static final double WIDTH = 1120;
    private static final int WINDOW = 40;

    /** The page of a long series reads no more of it than that of a short one. */
    private static final int LOOKED_BACK = 200;

    /**
     * What lies farther back is forgotten: of an average with the least weight 0.95⁶⁰⁰ is left, less than its last digit, and a sum has been at zero or
     * has spoken since.
     */
    private static final int REMEMBERED = 600;

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
    private final MovedTogether moved;
    private final Events events;

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
            MovedTogether moved,
            Events events,
            Clock clock) {
        this.changes = changes;
        this.moved = moved;
        this.events = events;
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

    @Transactional(readOnly = true)
    public DriftView view(long seriesId, @Nullable Integer wantedTo) {
        SeriesView found = series.series(seriesId);
        int all = series.count(found);
        int to = wantedTo == null ? all : Math.max(Math.min(wantedTo, all), Math.min(1, all));
        int from = Math.max(0, to - WINDOW);
        List<PointView> back = back(found, to, all);
        Sight sight = sight(found, from, to, back);
        Optional<Requirement> claim = claim(found);
        Diagnoses.Diagnosis diagnosis =
                diagnoses.of(found, newest(back, ChangePoint.MOST), claim).orElse(null);
        LastingChanges.Found changed = changes.of(sight.points());
        DriftView.Chart means = means(sight, claim, diagnosis);
        int unanswered = (int) sight.signals().entrySet().stream()
                .filter(entry -> !entry.getValue().isAnswered() && sight.isUndecided(entry.getKey()))
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
                means,
                Strips.of(sight),
                rows(sight),
                from > 0 ? from : null,
                to < all ? Math.min(to + WINDOW, all) : null,
                all == 0 ? "" : "lots " + (from + 1) + " to " + to + " of " + all,
                sight.points().stream().map(sight::code).toList(),
                unanswered,
                diagnosis,
                together(found, back, diagnosis),
                capability(found, back, claim, diagnosis),
                events(sight, means, changed, diagnosis, to == all),
                changed.often());
    }

    /** The lots up to the last in sight, as far back as anything on the page reads: once, however long the series. */
    private List<PointView> back(SeriesView found, int to, int all) {
        int reach = Math.min(to, Math.max(WINDOW + REMEMBERED, Math.max(ChangePoint.MOST, LOOKED_BACK)));
        if (reach == 0) {
            return List.of();
        }
        return to == all ? series.newest(found.id(), reach) : series.part(found.id(), to - reach, reach);
    }

    private static List<PointView> newest(List<PointView> points, int most) {
        return points.subList(Math.max(0, points.size() - most), points.size());
    }

    /** Which others changed where this one did; null where no change is spoken of. */
    private MovedTogether.@Nullable Found together(
            SeriesView found, List<PointView> back, Diagnoses.@Nullable Diagnosis diagnosis) {
        MovedTogether.Place place = diagnosis == null || diagnosis.shape() == null
                ? null
                : MovedTogether.Place.of(diagnosis, newest(back, ChangePoint.MOST));
        return place == null ? null : moved.of(found, place);
    }

    /** Of the lots up to the last one in sight. */
    private Capabilities.@Nullable Said capability(
            SeriesView found,
            List<PointView> back,
            Optional<Requirement> claim,
            Diagnoses.@Nullable Diagnosis diagnosis) {
        return capabilities
                .of(found, newest(back, LOOKED_BACK), claim, Optional.ofNullable(diagnosis))
                .orElse(null);
    }

    /** What changed of itself, and what people say changed. */
    private List<DriftView.Event> events(
            Sight sight,
            DriftView.Chart means,
            LastingChanges.Found changed,
            Diagnoses.@Nullable Diagnosis diagnosis,
            boolean isNewest) {
        int from = diagnosis == null ? -1 : sight.place(diagnosis.earliest());
        int to = diagnosis == null ? -1 : sight.place(diagnosis.latest());
        List<DriftView.Event> found = new ArrayList<>();
        for (LastingChanges.Change change : changed.seldom()) {
            int at = sight.place(change.lotId());
            found.add(new DriftView.Event(sight.x(at), null, change.words(), to >= 0 && at >= from && at <= to));
        }
        List<PointView> points = sight.points();
        if (!points.isEmpty()) {
            LocalDate first = points.get(0).madeOn();
            LocalDate last = isNewest
                    ? LocalDate.now(clock)
                    : points.get(points.size() - 1).madeOn();
            for (Events.EventView event : events.between(sight.series(), first, last)) {
                if (event.lotId() != null) {
                    note(sight, event, means).ifPresent(found::add);
                    continue;
                }
                int at = (int) points.stream()
                        .takeWhile(point -> point.madeOn().isBefore(event.on()))
                        .count();
                // Behind the newest lot it stands at the edge: it may tell in the next.
                double x = at < points.size() ? sight.x(at) : Sight.RIGHT;
                found.add(new DriftView.Event(x, null, event.words(), to >= 0 && at >= from && at <= to));
            }
        }
        found.sort(Comparator.comparingDouble(DriftView.Event::x));
        return found;
    }

    /** A note at its point; a lot made on the same day may lie out of sight. */
    private static Optional<DriftView.Event> note(Sight sight, Events.EventView event, DriftView.Chart means) {
        int place = sight.place(event.lotId());
        return place < 0
                ? Optional.empty()
                : Optional.of(new DriftView.Event(
                        means.dots().get(place).x(),
                        means.dots().get(place).y(),
                        sight.code(sight.points().get(place)) + ", " + event.words(),
                        false));
    }

    private Sight sight(SeriesView found, int from, int to, List<PointView> back) {
        Optional<BaselineView> baseline = baselines.newest(found.id());
        boolean remembers = baseline.map(BaselineView::rules)
                .filter(rules -> rules.average().isPresent() || rules.sums().isPresent())
                .isPresent();
        // The one before the first is read for the change from it; where a chart remembers, as many as it does.
        int earlier = Math.min(remembers ? REMEMBERED : 1, from);
        List<PointView> read = newest(back, to - from + earlier);
        List<PointView> points = read.subList(earlier, read.size());
        List<Long> ids = points.stream().map(PointView::lotId).toList();
        Map<Long, LotView> byId = new HashMap<>();
        lots.all(ids).forEach(lot -> byId.put(lot.id(), lot));
        Map<Long, LotSignal> here = new HashMap<>();
        signals.stored(ids).forEach((lotId, list) -> list.stream()
                .filter(signal -> signal.seriesId() == found.id())
                .findFirst()
                .ifPresent(signal -> here.put(lotId, signal)));
        Set<Long> chosen = baseline.map(b -> (Set<Long>) new HashSet<>(baselines.lotsOf(b.id())))
                .orElse(Set.of());
        return new Sight(
                found,
                points,
                read.subList(0, earlier),
                byId,
                here,
                baseline,
                chosen,
                series.uncertainties(found.id()));
    }

    // ---- the chart of means ------------------------------------------------------------------------------------

    private static DriftView.Chart means(
            Sight sight, Optional<Requirement> claim, Diagnoses.@Nullable Diagnosis diagnosis) {
        double height = 330;
        List<Double> values =
                new ArrayList<>(sight.points().stream().map(PointView::mean).toList());
        sight.limits().ifPresent(limits -> sight.points().forEach(point -> {
            values.add(limits.lower(point.n()));
            values.add(limits.upper(point.n()));
        }));
        claim.ifPresent(requirement -> {
            requirement.lower().ifPresent(values::add);
            requirement.upper().ifPresent(values::add);
        });
        Scale scale = Scale.holding(values, height - 58, 34);
        List<DriftView.Line> lines = new ArrayList<>();
        int digits = sight.series().property().digits() + 1;
        sight.limits().ifPresent(limits -> {
            lines.add(Strips.stepped(sight, scale, digits, "centre", "centre", false, i -> limits.centre()));
            lines.add(
                    Strips.stepped(sight, scale, digits, "limit", "upper limit", true, i -> limits.upper(sight.n(i))));
            lines.add(
                    Strips.stepped(sight, scale, digits, "limit", "lower limit", true, i -> limits.lower(sight.n(i))));
        });
        List<DriftView.Dot> dots = new ArrayList<>();
        for (int i = 0; i < sight.points().size(); i++) {
            dots.add(dot(sight, i, scale.at(sight.points().get(i).mean()), height));
        }
        return new DriftView.Chart(
                "Lot means",
                sight.series().property().unit(),
                height,
                scale.ticks(6),
                lines,
                walls(claim, scale),
                dots,
                path(dots),
                brackets(sight, diagnosis, height),
                codes(sight));
    }

    // ---- pieces ------------------------------------------------------------------------------------------------

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
        PointView point = sight.points().get(index);
        LotSignal signal = sight.signals().get(point.lotId());
        String figure =
                Figures.significant(point.mean(), sight.series().property().digits() + 1);
        String words =
                sight.code(point) + (sight.isBroughtIn(point) ? " (brought in from records)" : "") + ": " + figure
                        + (sight.series().property().unit().isEmpty()
                                ? ""
                                : " " + sight.series().property().unit()) + ", n = " + point.n()
                        + sight.takenOff(point)
                        + (signal == null ? "" : "; " + signal.words());
        // A pattern that goes on is named once, at its latest point in sight.
        boolean last = index + 1 == sight.points().size()
                || !sight.signals().containsKey(sight.points().get(index + 1).lotId());
        String label = signal != null && last ? signal.ofMeans() : "";
        boolean low = sight.baseline().isPresent()
                && point.mean() < sight.baseline().get().centre();
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
                sight.isUndecided(point.lotId()));
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
        int step = Math.max(1, (sight.points().size() + room - 1) / room);
        List<Scale.Tick> codes = new ArrayList<>();
        for (int i = sight.points().size() - 1; i >= 0; i -= step) {
            codes.add(new Scale.Tick(sight.x(i), sight.code(sight.points().get(i))));
        }
        return codes;
    }

    private static List<DriftView.Bracket> brackets(
            Sight sight, Diagnoses.@Nullable Diagnosis diagnosis, double height) {
        List<DriftView.Bracket> brackets = new ArrayList<>();
        sight.baseline().ifPresent(baseline -> {
            List<Integer> chosen = IntStream.range(0, sight.points().size())
                    .filter(i ->
                            sight.baselineLots().contains(sight.points().get(i).lotId()))
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
            int from = sight.place(diagnosis.earliest());
            int to = sight.place(diagnosis.latest());
            if (to >= 0) {
                brackets.add(new DriftView.Bracket(
                        from < 0 ? Sight.LEFT + 4 : sight.x(from), sight.x(to), 14, "may have begun here, 95 %"));
            }
        }
        return brackets;
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
        if (sight.baseline().isEmpty()) {
            return null;
        }
        BaselineView baseline = sight.baseline().get();
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
                baselines.all(sight.series().id()).size());
    }

    /** What the rules in force find and cost, with limits from so many lots as they are from. */
    private String cost(Sight sight) {
        if (sight.baseline().isEmpty()) {
            return "";
        }
        BaselineView baseline = sight.baseline().get();
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
        for (int i = sight.points().size() - 1; i >= 0; i--) {
            PointView point = sight.points().get(i);
            LotSignal signal = sight.signals().get(point.lotId());
            if (signal != null) {
                rows.add(new DriftView.Row(
                        sight.code(point),
                        point.lotId(),
                        point.madeOn(),
                        signal.words(),
                        sight.isUndecided(point.lotId()),
                        signal.answer(),
                        signal.inPart()));
            }
        }
        return rows;
    }
}
