package org.ysometron.app.equipment;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Moments;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;
import org.ysometron.core.drift.IndividualsLimits;
import org.ysometron.core.method.CheckStandard;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;

/** Check standards and what instruments read on them, with a small chart each. */
@Component
public class CheckStandards {

    /** Readings from which control limits are drawn (common practice, no source). */
    private static final int LEAST = 5;

    private static final double LEFT = 60;
    private static final double RIGHT = 620;
    private static final double TOP = 14;
    private static final double BOTTOM = 116;

    private final CheckStandardRepository standards;
    private final CheckReadingRepository readings;
    private final Instruments instruments;
    private final Clock clock;

    CheckStandards(
            CheckStandardRepository standards, CheckReadingRepository readings, Instruments instruments, Clock clock) {
        this.standards = standards;
        this.readings = readings;
        this.instruments = instruments;
        this.clock = clock;
    }

    /** A reading on the chart. */
    record Dot(double x, double y, String words, boolean out) {}

    /** A line across the chart with its name. */
    record Line(double y, double labelY, String label, boolean limit) {}

    /**
     * A standard with its chart.
     *
     * @param fault what is wrong with the newest reading; null when nothing is
     */
    record StandardView(
            long id,
            String name,
            String words,
            List<Dot> dots,
            List<Line> lines,
            List<Scale.Tick> ticks,
            String trace,
            @Nullable String fault) {}

    /** Keeps a standard for an instrument. */
    @Write
    public long keep(long instrumentId, String name, double nominal, double tolerance, String unit) {
        instruments.instrument(instrumentId);
        if (!(tolerance > 0)) {
            throw new Refusal("tolerance", "Say how far a reading may be off: a tolerance above zero.");
        }
        if (standards.existsByInstrumentIdAndName(instrumentId, name)) {
            throw new Refusal("standard", "There is already a check standard '" + name + "' for it.");
        }
        CheckStandardRow row = new CheckStandardRow();
        row.instrumentId = instrumentId;
        row.name = name;
        row.nominal = nominal;
        row.tolerance = tolerance;
        row.unit = unit;
        return standards.save(row).id;
    }

    /** Enters what was read on a standard. */
    @Write
    public void read(long standardId, String typed, String by, @Nullable Instant at) {
        CheckStandardRow standard = row(standardId);
        double value = Entry.strict("reading", "Reading", typed)
                .neededQuantity(UnitOfMeasure.find(standard.unit).orElseThrow())
                .orElseThrow();
        CheckReading reading = new CheckReading();
        reading.standardId = standardId;
        reading.typed = typed.strip();
        reading.value = value;
        reading.enteredBy = by;
        reading.enteredAt = at == null ? clock.instant() : at;
        readings.save(reading);
    }

    /** The instrument that a standard is kept for. */
    long instrumentOf(long standardId) {
        return row(standardId).instrumentId;
    }

    /** What the newest check readings of an instrument say against using it. */
    public List<String> faults(long instrumentId) {
        List<String> faults = new ArrayList<>();
        for (CheckStandardRow standard : standards.findByInstrumentIdOrderById(instrumentId)) {
            readings.findFirstByStandardIdOrderByIdDesc(standard.id)
                    .flatMap(reading -> standard.resolve().fault(reading.value))
                    .ifPresent(fault -> faults.add(standard.name + ": " + fault));
        }
        return faults;
    }

    List<StandardView> of(long instrumentId) {
        return standards.findByInstrumentIdOrderById(instrumentId).stream()
                .map(row -> view(row, readings.findByStandardIdOrderById(row.id)))
                .toList();
    }

    private CheckStandardRow row(long id) {
        return standards.findById(id).orElseThrow(() -> new NotFound("check standard " + id));
    }

    private static StandardView view(CheckStandardRow row, List<CheckReading> all) {
        CheckStandard standard = row.resolve();
        List<CheckReading> shown = all.subList(Math.max(0, all.size() - 60), all.size());
        List<Double> reach = new ArrayList<>(List.of(row.nominal - row.tolerance, row.nominal + row.tolerance));
        shown.forEach(reading -> reach.add(reading.value));
        Scale y = Scale.holding(reach, BOTTOM, TOP);
        double step = (RIGHT - LEFT) / Math.max(1, Math.max(12, shown.size()));
        List<Dot> dots = new ArrayList<>();
        StringBuilder trace = new StringBuilder();
        for (int i = 0; i < shown.size(); i++) {
            CheckReading reading = shown.get(i);
            double x = Math.rint(10 * (LEFT + step * (i + 0.5))) / 10;
            dots.add(new Dot(
                    x,
                    y.at(reading.value),
                    reading.typed + ", " + reading.enteredBy + ", " + Moments.day(reading.enteredAt),
                    standard.fault(reading.value).isPresent()));
            trace.append(trace.isEmpty() ? "M" : "L").append(x).append(' ').append(y.at(reading.value));
        }
        List<Line> lines = new ArrayList<>(List.of(
                line(y.at(row.nominal), 4, "nominal", false),
                line(y.at(row.nominal - row.tolerance), 4, "let pass", true),
                line(y.at(row.nominal + row.tolerance), 4, "let pass", true)));
        if (all.size() >= LEAST) {
            double[] values = all.stream().mapToDouble(reading -> reading.value).toArray();
            double centre = IndividualsLimits.of(values, row.unit).centre();
            // Its name goes above or below the nominal's, whichever side it is on.
            lines.add(line(
                    y.at(centre), centre > row.nominal ? -6 : 14, "mean " + Figures.significant(centre, 4), false));
        }
        Optional<String> fault = all.isEmpty() ? Optional.empty() : standard.fault(all.get(all.size() - 1).value);
        return new StandardView(
                row.id,
                row.name,
                Figures.plain(row.nominal, 5) + " ± " + Figures.plain(row.tolerance, 3) + " " + row.unit,
                dots,
                lines,
                y.ticks(4),
                trace.toString(),
                fault.orElse(null));
    }

    private static Line line(double y, double down, String label, boolean limit) {
        return new Line(y, y + down, label, limit);
    }
}
