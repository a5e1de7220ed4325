package org.ysometron.core.dimension;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Size errors of an accuracy artefact taken apart, axis by axis: a scale s (shrinkage) and an edge offset e (over-exposure,
 * over-extrusion). Outer features measure m = s·n + 2e, inner ones m = s·n − 2e, n being nominal. Least squares gives s
 * and e with standard errors; they have different cures and are never lumped together.
 *
 * <p>Heights (axis Z, from the plate) measure m = s·n + h: h is a height error, negative when first layers are missing.
 */
public final class Artefact {

    /** Confidence of the intervals, two-sided. */
    public static final double CONFIDENCE = 0.95;

    /** From this error on, equal in all axes, the model itself is taken to be scaled (common practice, no source). */
    private static final double LEAST_SCALING = 0.005;

    private Artefact() {}

    /** Directions on the plate. */
    public enum Axis {
        X,
        Y,
        Z
    }

    /** What sort of size a feature is. */
    public enum Kind {
        /** A width over material: an edge offset adds on both sides. */
        OUTER("outer", 2),
        /** A hole or gap: an edge offset takes away on both sides. */
        INNER("inner", -2),
        /** A height from the plate: an error of the first layers adds once. */
        HEIGHT("height", 1);

        private final String words;
        private final int edges;

        Kind(String words, int edges) {
            this.words = words;
            this.edges = edges;
        }

        /** The kind in a word. */
        public String words() {
            return words;
        }
    }

    /**
     * One measured feature.
     *
     * @param axis direction it lies in
     * @param kind outer, inner or height
     * @param nominal as designed, in mm, above 0
     * @param measured in mm, above 0
     */
    public record Feature(Axis axis, Kind kind, double nominal, double measured) {

        /** Checks the sizes, and that heights stand on the plate. */
        public Feature {
            if (!(nominal > 0 && measured > 0) || Double.isInfinite(nominal) || Double.isInfinite(measured)) {
                throw new IllegalArgumentException(
                        "a feature needs sizes above zero, got " + nominal + " and " + measured);
            }
            if ((kind == Kind.HEIGHT) != (axis == Axis.Z)) {
                throw new IllegalArgumentException("heights lie in Z, and what lies in Z is a height here");
            }
        }
    }

    /**
     * A quantity with its standard error and two-sided interval.
     *
     * @param value the estimate
     * @param standardError its standard error
     * @param lower lower end of the interval
     * @param upper upper end of the interval
     */
    public record Estimate(double value, double standardError, double lower, double upper) {

        /** Whether the interval leaves {@code other} out. */
        public boolean differsFrom(double other) {
            return other < lower || other > upper;
        }
    }

    /**
     * One axis taken apart.
     *
     * @param axis direction
     * @param count features it rests on
     * @param scale s
     * @param offset e in mm for X and Y, the height error h in mm for Z
     * @param residual standard deviation of what is left, in mm
     * @param advice what each error that is real asks for
     * @param working the steps
     */
    public record Fit(
            Axis axis,
            int count,
            Estimate scale,
            Estimate offset,
            double residual,
            List<String> advice,
            Working working) {

        /** Copies the advice. */
        public Fit {
            advice = List.copyOf(advice);
        }
    }

    /**
     * What the artefact says.
     *
     * @param fits per axis, where there were features enough
     * @param scaledBy the factor by which the whole model was scaled, where all axes agree on one
     * @param gross features off by over a tenth
     * @param outside features outside the gate
     * @param notes what could not be said and why
     */
    public record Result(
            Map<Axis, Fit> fits,
            Optional<Double> scaledBy,
            List<Feature> gross,
            List<Feature> outside,
            List<String> notes) {

        /** Copies the collections. */
        public Result {
            fits = fits.isEmpty() ? Map.of() : java.util.Collections.unmodifiableMap(new EnumMap<>(fits));
            gross = List.copyOf(gross);
            outside = List.copyOf(outside);
            notes = List.copyOf(notes);
        }

        /**
         * Why a printed thread may be tight: edges that grew close it, and less exposure or extrusion frees it; where no edge grew its
         * flanks have lost their detail, which less exposure does not bring back. (Common practice, no source.)
         */
        public String whyTight() {
            List<Fit> edges =
                    fits.values().stream().filter(fit -> fit.axis() != Axis.Z).toList();
            if (edges.isEmpty()) {
                return "The artefact says nothing of edges in X and Y: over-exposure and lost detail cannot be told apart.";
            }
            String found = edges.stream()
                    .map(fit -> Figures.decimals(fit.offset().value(), 3) + " ± "
                            + Figures.significant(
                                    fit.offset().upper() - fit.offset().value(), 2) + " mm in "
                            + fit.axis())
                    .collect(Collectors.joining(", "));
            boolean grew = edges.stream()
                    .anyMatch(fit -> fit.offset().differsFrom(0) && fit.offset().value() > 0);
            return grew
                    ? "Edges grew (edge offset " + found
                            + "): too much exposure or extrusion closes a thread, and less of it" + " frees it."
                    : "No edge grew (edge offset " + found
                            + "): a tight thread is none of over-exposure; its flanks have lost" + " their detail.";
        }

        /** Whether the set may go on to be broken without an engineer's word. */
        public boolean passes() {
            return gross.isEmpty() && outside.isEmpty() && scaledBy.isEmpty();
        }
    }

    /**
     * Takes an artefact apart.
     *
     * @param features measured features, at least one
     * @param gate largest error of a feature that lets the set go on, in mm, above 0
     */
    public static Result analyse(List<Feature> features, double gate) {
        if (features.isEmpty() || !(gate > 0)) {
            throw new IllegalArgumentException("an artefact needs at least one feature and a gate above zero");
        }
        Map<Axis, Fit> fits = new EnumMap<>(Axis.class);
        List<String> notes = new ArrayList<>();
        for (Axis axis : Axis.values()) {
            List<Feature> along =
                    features.stream().filter(f -> f.axis() == axis).toList();
            if (along.isEmpty()) {
                continue;
            }
            Optional<Fit> fit = fit(axis, along);
            fit.ifPresent(found -> fits.put(axis, found));
            if (fit.isEmpty()) {
                notes.add(axis + ": scale and offset cannot be told apart from " + along.size()
                        + (along.size() == 1 ? " feature" : " features")
                        + "; three of different sizes, or outer and inner ones, are needed.");
            }
        }
        List<Feature> gross = features.stream()
                .filter(f -> ModelScale.isGross(f.measured(), f.nominal()))
                .toList();
        List<Feature> outside = features.stream()
                .filter(f -> Rounding.beyond(f.measured(), f.nominal(), gate))
                .toList();
        return new Result(fits, scaledBy(fits), gross, outside, notes);
    }

    /**
     * Whether two printers make the same error, so that the model or the recipe is to be corrected and not a machine:
     * both offsets (or scales) are real, and their difference is within its 95 % uncertainty.
     *
     * @return what is common to both, axis by axis, in words; empty when nothing is
     */
    public static List<String> systematic(Result one, Result other) {
        List<String> common = new ArrayList<>();
        for (Axis axis : Axis.values()) {
            Fit a = one.fits().get(axis);
            Fit b = other.fits().get(axis);
            if (a == null || b == null) {
                continue;
            }
            if (same(a.scale(), b.scale(), 1)) {
                common.add("scale in " + axis + " on both printers: "
                        + percent(a.scale().value()) + " and "
                        + percent(b.scale().value()));
            }
            if (same(a.offset(), b.offset(), 0)) {
                common.add((axis == Axis.Z ? "height error" : "edge offset in " + axis) + " on both printers: "
                        + Figures.decimals(a.offset().value(), 3) + " mm and "
                        + Figures.decimals(b.offset().value(), 3) + " mm");
            }
        }
        return common;
    }

    private static boolean same(Estimate a, Estimate b, double none) {
        double u = Math.hypot(a.standardError(), b.standardError());
        return a.differsFrom(none)
                && b.differsFrom(none)
                && (a.value() - none) * (b.value() - none) > 0
                && Math.abs(a.value() - b.value()) <= 2 * u;
    }

    private static Optional<Fit> fit(Axis axis, List<Feature> features) {
        int n = features.size();
        if (n < 3) {
            return Optional.empty();
        }
        double[] measured = new double[n];
        double[][] design = new double[n][];
        for (int i = 0; i < n; i++) {
            Feature feature = features.get(i);
            measured[i] = feature.measured();
            design[i] = new double[] {feature.nominal(), feature.kind().edges};
        }
        OLSMultipleLinearRegression regression = new OLSMultipleLinearRegression(1e-12);
        regression.setNoIntercept(true);
        try {
            regression.newSampleData(measured, design);
            double[] estimates = regression.estimateRegressionParameters();
            double[] errors = regression.estimateRegressionParametersStandardErrors();
            double t = StudentT.quantile((1 + CONFIDENCE) / 2, n - 2.0);
            Estimate scale = estimate(estimates[0], errors[0], t);
            Estimate offset = estimate(estimates[1], errors[1], t);
            double residual = regression.estimateRegressionStandardError();
            return Optional.of(new Fit(
                    axis,
                    n,
                    scale,
                    offset,
                    residual,
                    advice(axis, scale, offset),
                    working(axis, n, scale, offset, residual, t)));
        } catch (MathRuntimeException singular) {
            return Optional.empty();
        }
    }

    private static Estimate estimate(double value, double error, double t) {
        return new Estimate(value, error, value - t * error, value + t * error);
    }

    private static List<String> advice(Axis axis, Estimate scale, Estimate offset) {
        List<String> advice = new ArrayList<>();
        if (scale.differsFrom(1)) {
            advice.add("Scale " + percent(scale.value()) + " in " + axis + ": multiply the model by "
                    + Figures.decimals(1 / scale.value(), 4) + " in this axis (shrinkage; it grows with size).");
        }
        if (offset.differsFrom(0)) {
            String size = Figures.decimals(Math.abs(offset.value()), 3) + " mm";
            boolean over = offset.value() > 0;
            advice.add(
                    axis == Axis.Z
                            ? "Height error " + (over ? "+" : "−") + size + ": "
                                    + (over
                                            ? "the first layers are too thick; look at the plate's zero."
                                            : "first layers are missing; look at the plate's zero and the first exposures.")
                            : "Edge offset " + (over ? "+" : "−") + size + " on every edge in " + axis + ": "
                                    + (over
                                            ? "too much exposure or extrusion; reduce it, or shrink edges by as much."
                                            : "too little exposure or extrusion; raise it, or grow edges by as much."));
        }
        if (advice.isEmpty()) {
            advice.add("Neither scale nor offset differs from none in " + axis + ".");
        }
        return advice;
    }

    /** One factor for all fitted axes: each differs from 1, by half a percent at least, and none from their mean. */
    private static Optional<Double> scaledBy(Map<Axis, Fit> fits) {
        if (fits.size() < 2) {
            return Optional.empty();
        }
        double mean = fits.values().stream()
                .mapToDouble(fit -> fit.scale().value())
                .average()
                .orElse(1);
        boolean all = fits.values().stream()
                .allMatch(fit -> fit.scale().differsFrom(1)
                        && (!fit.scale().differsFrom(mean)
                                || Math.abs(fit.scale().value() / mean - 1) < 0.002));
        return all && Math.abs(mean - 1) >= LEAST_SCALING ? Optional.of(mean) : Optional.empty();
    }

    private static String percent(double scale) {
        String figure = Figures.decimals(100 * (scale - 1), 2);
        return (scale >= 1 ? "+" : "") + figure + " %";
    }

    private static Working working(Axis axis, int n, Estimate scale, Estimate offset, double residual, double t) {
        String model = axis == Axis.Z ? "m = s·n + h" : "m = s·n ± 2e (outer +, inner −)";
        String source = "ordinary least squares, two parameters, no intercept";
        String unit = "mm";
        return Working.of(
                Step.of("features in " + axis, "k", model, n),
                Step.of("scale", "s", "least squares", scale.value(), source),
                Step.of("its standard error", "u(s)", "", scale.standardError(), source),
                new Step(
                        axis == Axis.Z ? "height error" : "edge offset",
                        axis == Axis.Z ? "h" : "e",
                        "least squares",
                        "",
                        offset.value(),
                        unit,
                        source),
                new Step("its standard error", "u", "", "", offset.standardError(), unit, source),
                new Step("standard deviation of what is left", "", "√(Σr²/(k − 2))", "", residual, unit, source),
                Step.of("two-sided factor for 95 %", "t", "t(0.975; k − 2)", t, "Student's t distribution"));
    }
}
