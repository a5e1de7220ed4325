package org.ysometron.app.drift;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.drift.Baselines.BaselineView;
import org.ysometron.app.evidence.SeriesPoints.PointView;
import org.ysometron.core.drift.ChangesChart;
import org.ysometron.core.drift.ChartRules;
import org.ysometron.core.drift.ChartSignal;
import org.ysometron.core.drift.LotChart;
import org.ysometron.core.drift.LotChart.Course;
import org.ysometron.core.drift.LotLimits;
import org.ysometron.core.drift.ScatterChart;
import org.ysometron.core.working.Figures;

/** The charts below that of the lot means, each a strip that draws the course it has in the core. */
final class Strips {

    private static final double HEIGHT = 120;
    private static final double MARGIN = 12;

    /** Where no limits are signed the points are drawn all the same, and no line and no signal with them. */
    private static final LotLimits NONE = new LotLimits(0, 1, 1, OptionalDouble.empty(), OptionalDouble.empty());

    private Strips() {}

    /**
     * How a strip is told.
     *
     * @param said before the figure of a point
     * @param centre name of the line it rests at
     * @param limit name of its limits
     * @param isByN whether a limit that is not level goes by n
     * @param hasZero whether zero is in sight
     */
    private record Look(
            String name,
            String unit,
            int digits,
            String said,
            String centre,
            String limit,
            boolean isByN,
            boolean hasZero) {}

    /** All that are kept of a series; one without a point is left out. */
    static List<DriftView.Chart> of(Sight sight) {
        String unit = sight.series().property().unit();
        int digits = sight.series().property().digits();
        ChartRules rules = sight.baseline().map(BaselineView::rules).orElse(ChartRules.USUAL);
        List<Strip> strips = new ArrayList<>();
        strips.add(Strip.of(
                sight,
                new ChangesChart(),
                new Look(
                        "Change from the lot before (moving range)",
                        unit,
                        digits,
                        "change",
                        "mean",
                        "limit",
                        true,
                        true)));
        strips.add(Strip.of(
                sight,
                new ScatterChart(),
                new Look("Scatter within the lot (s)", unit, digits, "s", "centre", "limit", true, true)));
        rules.average()
                .ifPresent(chart -> strips.add(Strip.of(
                        sight,
                        chart,
                        new Look(
                                "Average that forgets (EWMA, λ " + Figures.plain(chart.lambda(), 4)
                                        + "), begun anew behind a signal",
                                unit,
                                digits + 1,
                                "average",
                                "centre",
                                "limit",
                                false,
                                false))));
        rules.sums()
                .ifPresent(chart -> strips.add(Strip.of(
                        sight,
                        chart,
                        new Look(
                                "Sums upward and downward (CUSUM, k " + Figures.plain(chart.k(), 4)
                                        + "), begun anew behind a signal",
                                "σ",
                                2,
                                "sum",
                                "",
                                "h",
                                false,
                                true))));
        return strips.stream()
                .filter(strip -> !strip.isEmpty())
                .map(Strip::drawn)
                .toList();
    }

    /**
     * One strip.
     *
     * @param from place of the first lot in sight among those that the course is of
     */
    private record Strip(Sight sight, Look look, Course course, int from) {

        static Strip of(Sight sight, LotChart chart, Look look) {
            List<PointView> read = Stream.concat(sight.earlier().stream(), sight.points().stream())
                    .toList();
            return new Strip(
                    sight,
                    look,
                    chart.over(Signals.lots(read), sight.limits().orElse(NONE)),
                    sight.earlier().size());
        }

        private boolean isLimited() {
            return sight.limits().isPresent();
        }

        private IntStream places() {
            return IntStream.range(0, sight.points().size());
        }

        private List<Double> inSight(double[] values) {
            return places().mapToObj(i -> values[from + i])
                    .filter(Double::isFinite)
                    .toList();
        }

        boolean isEmpty() {
            return course.traces().stream().allMatch(trace -> inSight(trace).isEmpty());
        }

        DriftView.Chart drawn() {
            List<Double> values = new ArrayList<>();
            course.traces().forEach(trace -> values.addAll(inSight(trace)));
            if (isLimited()) {
                values.addAll(inSight(course.lower()));
                values.addAll(inSight(course.upper()));
            }
            if (look.hasZero) {
                values.add(0.0);
            }
            Scale scale = Scale.holding(values, HEIGHT - MARGIN, MARGIN);
            return new DriftView.Chart(
                    look.name,
                    look.unit,
                    HEIGHT,
                    scale.ticks(3),
                    lines(scale),
                    List.of(),
                    dots(scale),
                    course.traces().stream().map(trace -> path(scale, trace)).collect(Collectors.joining()),
                    List.of(),
                    List.of());
        }

        private String path(Scale scale, double[] trace) {
            StringBuilder path = new StringBuilder();
            places().filter(i -> Double.isFinite(trace[from + i])).forEach(i -> path.append(path.isEmpty() ? "M" : "L")
                    .append(sight.x(i))
                    .append(' ')
                    .append(scale.at(trace[from + i])));
            return path.toString();
        }

        private List<DriftView.Line> lines(Scale scale) {
            if (!isLimited()) {
                return List.of();
            }
            return Stream.of(
                            stepped(sight, scale, look.digits, "centre", look.centre, look.isByN, i -> course.centre()[
                                    from + i]),
                            stepped(sight, scale, look.digits, "limit", look.limit, look.isByN, i -> course.upper()[
                                    from + i]),
                            stepped(sight, scale, look.digits, "limit", look.limit, look.isByN, i -> course.lower()[
                                    from + i]))
                    .filter(line -> !line.path().isEmpty())
                    .toList();
        }

        private List<DriftView.Dot> dots(Scale scale) {
            Set<Integer> speaks = isLimited()
                    ? course.signals().stream().map(ChartSignal::last).collect(Collectors.toSet())
                    : Set.of();
            List<DriftView.Dot> dots = new ArrayList<>();
            for (double[] trace : course.traces()) {
                // Of a sum that is at rest there is nothing to say.
                places().filter(i -> Double.isFinite(trace[from + i])
                                && (course.traces().size() == 1 || trace[from + i] != 0))
                        .forEach(i -> dots.add(dot(i, trace[from + i], scale, speaks.contains(from + i))));
            }
            return dots;
        }

        private DriftView.Dot dot(int index, double value, Scale scale, boolean speaks) {
            PointView point = sight.points().get(index);
            boolean isBeyond = speaks
                    && (course.traces().size() == 1
                            || value > course.upper()[from + index]
                            || value < course.lower()[from + index]);
            return new DriftView.Dot(
                    sight.x(index),
                    scale.at(value),
                    sight.code(point),
                    sight.code(point) + ": " + look.said + " " + Figures.significant(value, look.digits) + ", n = "
                            + point.n(),
                    isBeyond,
                    "",
                    scale.at(value),
                    "end",
                    sight.isUndecided(point.lotId()));
        }
    }

    /**
     * A line that may differ from lot to lot: level where it does not, else in steps; its label has the newest lot's.
     *
     * @param isByN whether its steps come from each lot's n
     */
    static DriftView.Line stepped(
            Sight sight, Scale scale, int digits, String kind, String name, boolean isByN, IntToDoubleFunction limit) {
        StringBuilder path = new StringBuilder();
        double last = Double.NaN;
        boolean isLevel = true;
        int count = sight.points().size();
        double half = count > 1 ? (sight.x(1) - sight.x(0)) / 2 : Sight.RIGHT;
        for (int i = 0; i < count; i++) {
            double value = limit.applyAsDouble(i);
            if (Double.isFinite(value)) {
                // The first step begins at the axis, the last one ends before its label.
                double from = path.isEmpty() ? Sight.LEFT : sight.x(i) - half;
                double to = i == count - 1 ? Sight.RIGHT : sight.x(i) + half;
                path.append(path.isEmpty() ? "M" : "L").append(from).append(' ').append(scale.at(value));
                path.append('H').append(Math.min(to, Sight.RIGHT));
                isLevel &= Double.isNaN(last) || value == last;
                last = value;
            }
        }
        String label = name.isEmpty() || Double.isNaN(last)
                ? ""
                : name + " " + Figures.significant(last, digits) + (isLevel || !isByN ? "" : ", by n");
        return new DriftView.Line(kind, Double.isNaN(last) ? 0 : scale.at(last), path.toString(), label);
    }
}
