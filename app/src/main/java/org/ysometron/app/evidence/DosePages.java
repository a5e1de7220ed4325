package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.make.Doses;
import org.ysometron.app.make.Doses.Dose;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.method.Reduced;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.statistics.Saturation;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.statistics.TTest;
import org.ysometron.core.working.Figures;

/** What light or heat after the making does: each figure by its dose, beside that of specimens that had none, and where it ends. */
@Component
class DosePages {

    private static final double CONFIDENCE = 0.95;

    private final Bench bench;
    private final Doses doses;

    DosePages(Bench bench, Doses doses) {
        this.bench = bench;
        this.doses = doses;
    }

    /** Specimens of one dose. */
    record Group(String dose, int n, String mean, String change) {}

    /** A point, its whisker the 95 % interval of its mean. */
    record Mark(double x, double y, double low, double high) {}

    /**
     * A figure by dose.
     *
     * @param ends what is known of where the change ends
     * @param curve as an SVG path; empty where none is fitted
     */
    record Series(
            String title,
            String terms,
            List<Group> groups,
            String ends,
            List<Mark> marks,
            String curve,
            List<Scale.Tick> across,
            List<Scale.Tick> up,
            String doseUnit,
            String unit) {}

    /** All of a lot, whatever was tested at two doses at the least. */
    @Transactional(readOnly = true)
    List<Series> of(LotView lot) {
        List<SpecimenRecord> tested = bench.records(lot.id()).stream()
                .filter(SpecimenRecord::isTested)
                .toList();
        Map<Long, Dose> known =
                doses.of(lot, tested.stream().map(SpecimenRecord::specimen).toList());
        Map<Conditions, List<SpecimenRecord>> alike = new LinkedHashMap<>();
        tested.forEach(
                record -> alike.computeIfAbsent(record.specimen().conditions().after(""), key -> new ArrayList<>())
                        .add(record));
        List<Series> series = new ArrayList<>();
        alike.forEach((terms, records) -> {
            Optional<Dimension> dimension = records.stream()
                    .flatMap(record ->
                            Stream.ofNullable(known.get(record.specimen().id())))
                    .map(Dose::dimension)
                    .findFirst();
            if (dimension.isPresent()) {
                records.get(0).method().data().characteristics().forEach(one -> series(
                                one, terms, records, known, dimension.get())
                        .ifPresent(series::add));
            }
        });
        return series;
    }

    private static Optional<Series> series(
            Characteristic one,
            Conditions terms,
            List<SpecimenRecord> records,
            Map<Long, Dose> known,
            Dimension dimension) {
        NavigableMap<Double, List<Double>> byDose = new TreeMap<>();
        for (SpecimenRecord record : records) {
            Dose dose = known.getOrDefault(record.specimen().id(), new Dose(0, dimension, false));
            record.result(one)
                    .filter(result -> result.made() == Reduced.Made.VALUE && dose.dimension() == dimension)
                    .ifPresent(result -> byDose.computeIfAbsent(rounded(dose.value()), key -> new ArrayList<>())
                            .add(result.value().getAsDouble()));
        }
        return byDose.size() < 2 ? Optional.empty() : Optional.of(drawn(one, terms, byDose, dimension));
    }

    /** Doses of places that differ by less than a hundredth are one. */
    private static double rounded(double dose) {
        return dose == 0
                ? 0
                : new java.math.BigDecimal(dose)
                        .round(new java.math.MathContext(2))
                        .doubleValue();
    }

    private static String shown(double dose, Dimension dimension) {
        if (dimension == Dimension.TIME) {
            return Figures.plain(dose / 3600, 4) + " h";
        }
        return Figures.plain(dose, 4) + " " + dimension.workingUnit();
    }

    private static Series drawn(
            Characteristic one, Conditions terms, NavigableMap<Double, List<Double>> byDose, Dimension dimension) {
        Summary first = summary(byDose.firstEntry().getValue());
        List<Group> groups = new ArrayList<>();
        List<Mark> bounds = new ArrayList<>();
        double least = byDose.firstKey();
        byDose.forEach((dose, values) -> {
            Summary summary = summary(values);
            groups.add(new Group(
                    shown(dose, dimension),
                    values.size(),
                    Figures.withUnit(summary.mean(), one.digits(), one.unit()),
                    dose == least ? "what the others are set beside" : change(one, first, summary)));
            double half = half(summary);
            bounds.add(new Mark(dose, summary.mean(), summary.mean() - half, summary.mean() + half));
        });
        Scale across = Scale.holding(List.of(0.0, byDose.lastKey()), 50, 480);
        Scale up = Scale.holding(
                bounds.stream()
                        .flatMap(mark -> Stream.of(mark.low(), mark.high()))
                        .toList(),
                210,
                10);
        Optional<Saturation> fit = fit(byDose);
        return new Series(
                one.title(),
                terms.words(),
                groups,
                ends(fit, byDose, dimension),
                bounds.stream()
                        .map(mark ->
                                new Mark(across.at(mark.x()), up.at(mark.y()), up.at(mark.low()), up.at(mark.high())))
                        .toList(),
                fit.map(curve -> path(curve, byDose.lastKey(), across, up)).orElse(""),
                across.ticks(5),
                up.ticks(4),
                dimension == Dimension.TIME ? "s" : dimension.workingUnit(),
                one.unit());
    }

    private static Summary summary(List<Double> values) {
        return Summary.of(values.stream().mapToDouble(Double::doubleValue).toArray());
    }

    private static double half(Summary summary) {
        return summary.sd().isPresent() ? TTest.ofOne(summary, summary.mean()).half(CONFIDENCE) : 0;
    }

    /** The difference to the least dose with its interval (Welch), and as a share of it where that says something. */
    private static String change(Characteristic one, Summary first, Summary then) {
        double difference = then.mean() - first.mean();
        String share = one.dimension().hasRatio() && first.mean() > 0
                ? ", " + Figures.decimals(100 * difference / first.mean(), 0) + " % of it"
                : "";
        String shown = (difference > 0 ? "+" : "") + Figures.withUnit(difference, 3, one.unit());
        if (first.sd().isEmpty() || then.sd().isEmpty() || (first.isAlike() && then.isAlike())) {
            return shown + share + "; one specimen, or no scatter: no interval";
        }
        double half = TTest.welch(then, first).half(CONFIDENCE);
        return shown + " ± " + Figures.withUnit(half, 2, one.unit()) + share
                + (Math.abs(difference) > half ? "" : ": not shown to differ");
    }

    private static Optional<Saturation> fit(NavigableMap<Double, List<Double>> byDose) {
        double[] x = byDose.entrySet().stream()
                .flatMapToDouble(entry -> entry.getValue().stream().mapToDouble(value -> entry.getKey()))
                .toArray();
        double[] y = byDose.values().stream()
                .flatMap(List::stream)
                .mapToDouble(Double::doubleValue)
                .toArray();
        try {
            return Optional.of(Saturation.fit(x, y, CONFIDENCE));
        } catch (IllegalArgumentException tooFew) {
            return Optional.empty();
        }
    }

    private static String ends(
            Optional<Saturation> fit, NavigableMap<Double, List<Double>> byDose, Dimension dimension) {
        if (fit.isEmpty()) {
            return "Three doses and four specimens at the least tell where a change comes to an end.";
        }
        Saturation curve = fit.get();
        if (curve.upper().isEmpty()) {
            return "Up to " + shown(byDose.lastKey(), dimension)
                    + " nothing shows that it comes to an end: a plateau is not claimed.";
        }
        String upper = shown(Saturation.reached(curve.upper().getAsDouble()), dimension);
        boolean beyond = Saturation.reached(curve.upper().getAsDouble()) > byDose.lastKey();
        return "95 % of the change is done at " + shown(curve.plateau(), dimension) + " (95 % interval "
                + shown(Saturation.reached(curve.lower()), dimension) + " to " + upper + ")"
                + (beyond ? ", in part beyond the largest dose tested." : ".")
                + " y = a + b·(1 − e^(−x/c)), least squares; a specimen is one reading.";
    }

    private static String path(Saturation curve, double largest, Scale across, Scale up) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= 60; i++) {
            double x = largest * i / 60;
            double y = curve.start() - curve.change() * Math.expm1(-x / curve.constant());
            path.append(i == 0 ? 'M' : 'L').append(across.at(x)).append(' ').append(up.at(y));
        }
        return Objects.requireNonNull(path.toString());
    }
}
