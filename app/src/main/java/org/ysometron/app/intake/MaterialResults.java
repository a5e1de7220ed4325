package org.ysometron.app.intake;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Conditions;

/** What intake found out about the material itself, as series and claims want it. */
@Component
public class MaterialResults {

    private final Intake intake;
    private final Logs logs;

    MaterialResults(Intake intake, Logs logs) {
        this.intake = intake;
        this.logs = logs;
    }

    /**
     * One property of a lot's material under one way of measuring.
     *
     * @param values one for each spool, bottle or determination
     * @param places single places, where the values rest on some that are known one by one
     * @param shareOutside largest share of a spool's length outside tolerance; empty without a log
     * @param counts what was counted, in words
     */
    public record Result(
            Characteristic property,
            Conditions conditions,
            double[] values,
            double[] places,
            OptionalDouble shareOutside,
            String counts) {

        /** Copies the arrays. */
        public Result {
            values = values.clone();
            places = places.clone();
        }

        /** The values. */
        @Override
        public double[] values() {
            return values.clone();
        }

        /** The places. */
        @Override
        public double[] places() {
            return places.clone();
        }
    }

    /** Everything known about the lot's material. */
    @Transactional(readOnly = true)
    public List<Result> of(LotView lot) {
        List<Result> results = new ArrayList<>();
        List<Logs.LogView> logged = logs.of(lot.id());
        if (!logged.isEmpty()) {
            Conditions gauge = Conditions.ofMaterial("laser gauge", "two axes");
            double outside = logged.stream()
                    .mapToDouble(Logs.LogView::shareOutside)
                    .max()
                    .orElse(0);
            String counts = spools(logged.size())
                    + logged.stream().mapToLong(Logs.LogView::rows).sum() + " readings";
            results.add(new Result(
                    OfMaterial.FILAMENT_DIAMETER,
                    gauge,
                    each(logged, Logs.LogView::mean),
                    new double[0],
                    OptionalDouble.of(outside),
                    counts));
            results.add(new Result(
                    OfMaterial.FILAMENT_OVALITY,
                    gauge,
                    each(logged, Logs.LogView::ovalityMean),
                    new double[0],
                    OptionalDouble.of(0),
                    counts));
        }
        List<Reduced> reduced = intake.records(List.of(lot)).stream()
                .filter(Intake.RecordView::live)
                .map(Intake.RecordView::reduced)
                .toList();
        hand(reduced, results);
        resin(reduced, results);
        curves(reduced, results);
        return results;
    }

    /** Largest share of a logged spool's readings of diameter or ovality outside these edges, 0 when the lot has no log. */
    @Transactional(readOnly = true)
    public double shareOutside(LotView lot, Characteristic property, double low, double high) {
        return logs.of(lot.id()).stream()
                .mapToDouble(log -> property.equals(OfMaterial.FILAMENT_OVALITY)
                        ? logs.shareOval(log, low, high)
                        : logs.shareOutside(log, low, high))
                .max()
                .orElse(0);
    }

    private static void hand(List<Reduced> reduced, List<Result> results) {
        List<Reduced.Diameters> sets = only(reduced, Reduced.Diameters.class);
        if (sets.isEmpty()) {
            return;
        }
        double[] places = sets.stream()
                .flatMapToDouble(set -> Arrays.stream(set.diameters()))
                .toArray();
        results.add(new Result(
                OfMaterial.FILAMENT_DIAMETER,
                Conditions.ofMaterial("by hand", "two diameters at each place"),
                sets.stream()
                        .mapToDouble(
                                set -> Arrays.stream(set.diameters()).average().orElseThrow())
                        .toArray(),
                places,
                OptionalDouble.empty(),
                spools(sets.size()) + places.length + " places"));
        List<Reduced.Diameters> across =
                sets.stream().filter(set -> set.ovalities().length > 0).toList();
        if (!across.isEmpty()) {
            double[] ovalities = across.stream()
                    .flatMapToDouble(set -> Arrays.stream(set.ovalities()))
                    .toArray();
            results.add(new Result(
                    OfMaterial.FILAMENT_OVALITY,
                    Conditions.ofMaterial("by hand", "two diameters at each place"),
                    across.stream()
                            .mapToDouble(set ->
                                    Arrays.stream(set.ovalities()).average().orElseThrow())
                            .toArray(),
                    ovalities,
                    OptionalDouble.empty(),
                    spools(across.size()) + ovalities.length + " places"));
        }
    }

    private static String spools(int number) {
        return number + (number == 1 ? " spool, " : " spools, ");
    }

    private static void resin(List<Reduced> reduced, List<Result> results) {
        List<Reduced.Resin> found = only(reduced, Reduced.Resin.class);
        values(found, Reduced.Resin::density)
                .ifPresent(values ->
                        results.add(determined(OfMaterial.DENSITY, Conditions.ofMaterial("density", ""), values)));
        found.stream().map(Reduced.Resin::viscosityAt).distinct().forEach(at -> values(
                        found.stream().filter(r -> r.viscosityAt().equals(at)).toList(), Reduced.Resin::viscosity)
                .ifPresent(values ->
                        results.add(determined(OfMaterial.VISCOSITY, Conditions.ofMaterial("viscosity", at), values))));
    }

    private static void curves(List<Reduced> reduced, List<Result> results) {
        List<Reduced.Curve> curves = only(reduced, Reduced.Curve.class);
        curves.stream()
                .map(Reduced.Curve::source)
                .distinct()
                .forEach(source -> results.add(determined(
                        OfMaterial.PENETRATION_DEPTH,
                        Conditions.ofMaterial("working curve", source.length() > 40 ? source.substring(0, 40) : source),
                        curves.stream()
                                .filter(curve -> curve.source().equals(source))
                                .mapToDouble(curve -> curve.fit().penetration())
                                .toArray())));
    }

    private static Result determined(Characteristic property, Conditions conditions, double[] values) {
        return new Result(
                property,
                conditions,
                values,
                new double[0],
                OptionalDouble.empty(),
                values.length + (values.length == 1 ? " determination" : " determinations"));
    }

    private static java.util.Optional<double[]> values(
            List<Reduced.Resin> found, java.util.function.Function<Reduced.Resin, OptionalDouble> which) {
        double[] values = found.stream()
                .map(which)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .toArray();
        return values.length == 0 ? java.util.Optional.empty() : java.util.Optional.of(values);
    }

    private static <T extends Reduced> List<T> only(List<Reduced> reduced, Class<T> kind) {
        return reduced.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    private static double[] each(List<Logs.LogView> logs, ToDoubleFunction<Logs.LogView> value) {
        return logs.stream().mapToDouble(value).toArray();
    }
}
