package org.ysometron.app.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.chart.Scale;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.working.Figures;

/**
 * Draws a diameter log: the whole of it as an envelope from least to greatest, nearer as a finer one, nearest as single
 * readings; and its spectrum over wavelength.
 */
@Component
class LogChart {

    static final double LEFT = 62;
    static final double RIGHT = 1100;
    private static final double TOP = 14;
    private static final double BOTTOM = 250;
    private static final double SPECTRUM_BOTTOM = 170;
    private static final int COLUMNS = 520;

    /** With at most so many readings in sight each is drawn. */
    private static final int SINGLE = 900;

    /** With more stretches than this in sight their summaries are drawn, for an envelope of each would take too long. */
    private static final int MOST_ENVELOPES = 400;

    private final Logs logs;

    LogChart(Logs logs) {
        this.logs = logs;
    }

    /** A line with its label. */
    record Line(double at, String label, String kind) {}

    /** A place marked on the trace. */
    record Marker(double x, String words) {}

    /** A stretch of the trace as drawn. */
    record Trace(
            double from,
            double to,
            String envelope,
            String mean,
            String first,
            String second,
            boolean single,
            String level,
            List<Line> lines,
            List<Scale.Tick> ticks,
            List<Scale.Tick> positions,
            String unit,
            List<Marker> markers,
            @Nullable Window in,
            @Nullable Window out,
            @Nullable Window left,
            @Nullable Window right) {}

    /** A part of the length to go to. */
    record Window(String from, String to) {}

    /** The spectrum as drawn. */
    record SpectrumView(
            String path,
            List<Scale.Tick> ticks,
            List<Scale.Tick> wavelengths,
            @Nullable Marker peak) {}

    @Transactional(readOnly = true)
    public Trace trace(Logs.LogView log, DiameterLog.Result result, double wantedFrom, double wantedTo) {
        double from = Math.max(log.first(), Math.min(wantedFrom, wantedTo));
        double to = Math.min(log.last(), Math.max(wantedFrom, wantedTo));
        if (!(to - from > 0)) {
            from = log.first();
            to = log.last();
        }
        List<Logs.Summary> stretches = logs.summaries(log.id(), from, to);
        double spacing = (log.last() - log.first()) / Math.max(1, log.rows() - 1);
        double inSight = (to - from) / spacing;
        List<Stretch.Reading> readings = inSight <= SINGLE ? logs.readings(log.id(), from, to) : List.of();
        List<Stretch.Bin> bins = !readings.isEmpty()
                ? List.of()
                : stretches.size() <= MOST_ENVELOPES ? logs.bins(log.id(), from, to) : summarised(stretches);
        if (readings.isEmpty() && bins.size() < 4) {
            readings = logs.readings(log.id(), from, to);
        }
        List<Double> values = new ArrayList<>(
                List.of(log.nominal() - 1.15 * log.tolerance(), log.nominal() + 1.15 * log.tolerance()));
        readings.forEach(reading -> {
            values.add(reading.x());
            values.add(reading.y());
        });
        bins.forEach(bin -> {
            values.add(bin.least());
            values.add(bin.greatest());
        });
        Scale y = Scale.holding(values, BOTTOM, TOP);
        Scale x = new Scale(from, to, LEFT, RIGHT);
        boolean metres = log.last() - log.first() > 20_000;
        Scale shown = metres ? new Scale(from / 1000, to / 1000, LEFT, RIGHT) : x;
        List<Line> lines = List.of(
                new Line(y.at(log.nominal() + log.tolerance()), "+" + Figures.plain(log.tolerance(), 3), "limit"),
                new Line(y.at(log.nominal()), Figures.plain(log.nominal(), 4) + " nominal", "centre"),
                new Line(y.at(log.nominal() - log.tolerance()), "−" + Figures.plain(log.tolerance(), 3), "limit"));
        String[] areas = readings.isEmpty() ? area(bins, x, y) : new String[] {"", ""};
        String level = !readings.isEmpty()
                ? readings.size() + " readings, each drawn"
                : "least, mean and greatest diameter in " + areas[2] + " columns";
        return new Trace(
                from,
                to,
                areas[0],
                areas[1],
                line(readings, x, y, true),
                line(readings, x, y, false),
                !readings.isEmpty(),
                level,
                lines,
                y.ticks(5),
                shown.ticks(9),
                metres ? "m" : "mm",
                markers(result, x, from, to),
                inward(log, from, to, spacing),
                outward(log, from, to),
                sideways(log, from, to, -1),
                sideways(log, from, to, 1));
    }

    private static List<Stretch.Bin> summarised(List<Logs.Summary> stretches) {
        return stretches.stream()
                .map(s -> new Stretch.Bin((s.first() + s.last()) / 2, s.least(), s.greatest(), s.mean(), s.ovality()))
                .toList();
    }

    /** The envelope as one closed path and the means as a line, bins joined to as many columns as can be told apart. */
    private static String[] area(List<Stretch.Bin> bins, Scale x, Scale y) {
        int columns = Math.min(COLUMNS, bins.size());
        StringBuilder upper = new StringBuilder();
        StringBuilder lower = new StringBuilder();
        StringBuilder mean = new StringBuilder();
        for (int column = 0; column < columns; column++) {
            int start = (int) ((long) column * bins.size() / columns);
            int end = (int) ((long) (column + 1) * bins.size() / columns);
            double least = Double.POSITIVE_INFINITY;
            double greatest = Double.NEGATIVE_INFINITY;
            double sum = 0;
            double position = 0;
            for (Stretch.Bin bin : bins.subList(start, end)) {
                least = Math.min(least, bin.least());
                greatest = Math.max(greatest, bin.greatest());
                sum += bin.mean();
                position += bin.position();
            }
            double at = x.at(position / (end - start));
            upper.append(upper.isEmpty() ? "M" : "L").append(at).append(' ').append(y.at(greatest));
            lower.insert(0, "L" + at + " " + y.at(least));
            mean.append(mean.isEmpty() ? "M" : "L").append(at).append(' ').append(y.at(sum / (end - start)));
        }
        return new String[] {upper + lower.toString() + "z", mean.toString(), String.valueOf(columns)};
    }

    private static String line(List<Stretch.Reading> readings, Scale x, Scale y, boolean first) {
        StringBuilder path = new StringBuilder();
        for (Stretch.Reading reading : readings) {
            path.append(path.isEmpty() ? "M" : "L")
                    .append(x.at(reading.position()))
                    .append(' ')
                    .append(y.at(first ? reading.x() : reading.y()));
        }
        return path.toString();
    }

    private static List<Marker> markers(DiameterLog.Result result, Scale x, double from, double to) {
        List<Marker> markers = new ArrayList<>();
        step(result.diameterStep(), "diameter steps by ", x, from, to, markers);
        step(result.ovalityStep(), "ovality steps by ", x, from, to, markers);
        return markers;
    }

    private static void step(
            Optional<DiameterLog.Step> step, String words, Scale x, double from, double to, List<Marker> markers) {
        if (step.isPresent() && step.get().at() >= from && step.get().at() <= to) {
            double change = step.get().change();
            markers.add(new Marker(
                    x.at(step.get().at()), words + (change > 0 ? "+" : "") + Figures.decimals(change, 3) + " mm"));
        }
    }

    private static @Nullable Window inward(Logs.LogView log, double from, double to, double spacing) {
        double quarter = (to - from) / 4;
        return quarter < 8 * spacing ? null : window(log, from + quarter, to - quarter);
    }

    private static @Nullable Window outward(Logs.LogView log, double from, double to) {
        double half = (to - from) / 2;
        return from <= log.first() && to >= log.last() ? null : window(log, from - half, to + half);
    }

    private static @Nullable Window sideways(Logs.LogView log, double from, double to, int direction) {
        double width = to - from;
        double move = direction * width * 0.8;
        if ((direction < 0 && from <= log.first()) || (direction > 0 && to >= log.last())) {
            return null;
        }
        double start = Math.max(log.first(), Math.min(from + move, log.last() - width));
        return window(log, start, start + width);
    }

    private static Window window(Logs.LogView log, double from, double to) {
        return new Window(
                Figures.decimals(Math.max(log.first(), from), 1).replace('−', '-'),
                Figures.decimals(Math.min(log.last(), to), 1).replace('−', '-'));
    }

    @Nullable
    SpectrumView spectrum(DiameterLog.Result result) {
        List<DiameterLog.Line> found = result.lines().stream()
                .filter(line -> line.wavelength() > 0 && Double.isFinite(line.wavelength()))
                .sorted(java.util.Comparator.comparingDouble(DiameterLog.Line::wavelength))
                .toList();
        if (found.size() < 2) {
            return null;
        }
        double low = Math.log10(found.get(0).wavelength());
        double high = Math.log10(found.get(found.size() - 1).wavelength());
        Scale x = new Scale(low, high, LEFT, RIGHT);
        List<Double> values = new ArrayList<>(List.of(0.0));
        found.forEach(line -> values.add(1000 * line.amplitude()));
        Scale y = Scale.holding(values, SPECTRUM_BOTTOM, 24);
        StringBuilder path = new StringBuilder();
        for (DiameterLog.Line line : found) {
            path.append(path.isEmpty() ? "M" : "L")
                    .append(x.at(Math.log10(line.wavelength())))
                    .append(' ')
                    .append(y.at(1000 * line.amplitude()));
        }
        List<Scale.Tick> wavelengths = new ArrayList<>();
        for (int power = (int) Math.ceil(low - 1e-9); power <= high; power++) {
            String label = power >= 3
                    ? Figures.plain(Math.pow(10, power - 3.0), 4) + " m"
                    : Figures.plain(Math.pow(10, power), 4) + " mm";
            wavelengths.add(new Scale.Tick(x.at(power), label));
        }
        Marker peak = result.wobble()
                .map(wobble -> new Marker(
                        x.at(Math.log10(wobble.wavelength())),
                        "wobbles every " + length(wobble.wavelength()) + " by ±"
                                + Figures.decimals(1000 * wobble.amplitude(), 1) + " µm"))
                .orElse(null);
        return new SpectrumView(path.toString(), y.ticks(3), wavelengths, peak);
    }

    static String length(double millimetres) {
        return millimetres >= 1000
                ? Figures.significant(millimetres / 1000, 4) + " m"
                : Figures.significant(millimetres, 3) + " mm";
    }
}
