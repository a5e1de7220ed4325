package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.RECORDS;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.Artefact;
import org.ysometron.core.dimension.DiameterLog;
import org.ysometron.core.material.Drying;
import org.ysometron.core.material.FilamentLength;
import org.ysometron.core.material.WorkingCurve;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Calculations at intake: the filament's diameter, the resin's working curve, the artefact, length and price. */
final class MaterialCalculations {

    private static final String PLAIN = "plain geometry; common practice, no source";
    private static final Input DENSITY =
            required("density", NUMBER, "g/cm³", "of the material").in(0.05, 25);
    private static final Input DIAMETER = optional("diameter", NUMBER, "mm", "of the filament; 1.75 unless given")
            .in(0.1, 20);

    private MaterialCalculations() {}

    static List<Calculation> all() {
        return List.of(diameterLog(), flowError(), lossOnDrying(), workingCurve(), artefact(), length(), price());
    }

    private static Calculation diameterLog() {
        return new Calculation(
                "diameter-log",
                "Mean, ovality, steps and wobble of a filament; with a file name behind it reads a gauge's CSV or .gz",
                List.of(
                        required("position", NUMBERS, "mm", "rising positions, at least two")
                                .in(-1e10, 1e10)
                                .items(2, Input.MANY),
                        required("x", NUMBERS, "mm", "first diameter at each")
                                .in(0.01, 100)
                                .items(2, Input.MANY),
                        required("y", NUMBERS, "mm", "second diameter at each")
                                .in(0.01, 100)
                                .items(2, Input.MANY),
                        optional("nominal", NUMBER, "mm", "1.75 unless given").in(0.01, 100),
                        optional("tolerance", NUMBER, "mm", "either way; 0.05 unless given")
                                .in(1e-4, 50),
                        optional("density", NUMBER, "g/cm³", "for the mass; no mass unless given")
                                .in(0.1, 30)),
                "mm",
                "Welch 1967 and Grandke 1983 for the spectrum; least squares for a step",
                Map.of(
                        "position", List.of(0, 1, 2, 3),
                        "x", List.of(1.75, 1.76, 1.75, 1.74),
                        "y", List.of(1.74, 1.75, 1.76, 1.75)),
                MaterialCalculations::diameterLogOf);
    }

    private static Answer diameterLogOf(Case given) {
        double[] z = given.numbers("position");
        double[] x = given.numbers("x");
        double[] y = given.numbers("y");
        if (z.length != x.length || z.length != y.length) {
            throw new IllegalArgumentException("position, x and y need the same number of values");
        }
        double nominal = given.number("nominal", 1.75);
        DiameterLog log = new DiameterLog(nominal, given.number("tolerance", 0.05));
        for (int i = 0; i < z.length; i++) {
            log.accept(z[i], x[i], y[i]);
        }
        DiameterLog.Result found = log.finish();
        Answer answer = DiameterLogAnswer.of(found, nominal);
        return given.has("density") ? DiameterLogAnswer.withMass(answer, found, given.number("density")) : answer;
    }

    private static Calculation flowError() {
        return new Calculation(
                "volume-flow-error",
                "Relative error of the volume fed by a diameter off its nominal",
                List.of(
                        required("diameter", NUMBER, "mm", "as measured").in(0.01, 100),
                        optional("nominal", NUMBER, "mm", "1.75 unless given").in(0.01, 100)),
                "",
                PLAIN,
                Map.of("diameter", 1.80),
                given -> {
                    double error = DiameterLog.flowError(given.number("diameter"), given.number("nominal", 1.75));
                    return Answer.of(
                            error, "", Working.of(Step.of("volume-flow error", "", "(d/d_nom)² − 1", error, PLAIN)));
                });
    }

    private static Calculation lossOnDrying() {
        return new Calculation(
                "loss-on-drying",
                "Moisture lost in the oven, in percent of the mass before drying",
                List.of(
                        required("before", NUMBER, "g", "mass before drying").in(1e-4, 1e9),
                        required("after", NUMBER, "g", "mass after drying").in(1e-4, 1e9)),
                "%",
                "100·(m₀ − m₁)/m₀; common practice, no source",
                Map.of("before", 912.4, "after", 910.9),
                given -> {
                    double loss = Drying.lossPercent(given.number("before"), given.number("after"));
                    return Answer.of(
                            loss,
                            "%",
                            Working.of(new Step("loss on drying", "", "100·(m₀ − m₁)/m₀", "", loss, "%", PLAIN)));
                });
    }

    private static Calculation workingCurve() {
        return new Calculation(
                "working-curve",
                "Penetration depth and critical exposure of a resin from cure depths",
                List.of(
                        required("exposure", NUMBERS, "", "at least three, all in one unit")
                                .positive()
                                .items(3, 1000),
                        required("depth", NUMBERS, "mm", "cure depth at each")
                                .in(-1, 1000)
                                .items(3, 1000),
                        optional("recipe", NUMBER, "", "exposure in use, same unit")
                                .positive(),
                        optional("layer", NUMBER, "mm", "layer height; 0.05 unless given")
                                .in(0.001, 10),
                        optional("overcure", NUMBER, "", "depth wanted over layer height; 2 unless given")
                                .in(0.1, 100)),
                "mm",
                "Jacobs 1992, working curve; least squares of Cd on ln E",
                Map.of(
                        "exposure", List.of(10, 20, 40, 80, 160),
                        "depth", List.of(0.05, 0.12, 0.19, 0.26, 0.33),
                        "recipe", 30),
                MaterialCalculations::workingCurveOf);
    }

    private static Answer workingCurveOf(Case given) {
        WorkingCurve fit = WorkingCurve.fit(given.numbers("exposure"), given.numbers("depth"), "");
        Answer answer = Answer.of(fit.penetration(), "mm", fit.working())
                .with("Dp", fit.penetration())
                .with("DpStandardError", fit.penetrationError())
                .with("DpLower", fit.penetrationLower())
                .with("DpUpper", fit.penetrationUpper())
                .with("Ec", fit.critical())
                .with("EcLower", fit.criticalLower())
                .with("EcUpper", fit.criticalUpper())
                .with("residual", fit.residual())
                .with("rSquared", fit.determination());
        OptionalDouble recipe = given.optionalNumber("recipe");
        if (recipe.isEmpty()) {
            return answer;
        }
        WorkingCurve.Margin margin =
                fit.margin(recipe.getAsDouble(), given.number("layer", 0.05), given.number("overcure", 2));
        return answer.with("depthAtRecipe", margin.depth())
                .with("overcure", margin.overcure())
                .with("exposureWanted", margin.wanted())
                .with("excess", margin.excess());
    }

    private static Calculation artefact() {
        return new Calculation(
                "artefact-fit",
                "Scale and edge offset of an accuracy artefact, axis by axis",
                List.of(
                        required(
                                "features",
                                RECORDS,
                                "",
                                "objects with axis (x, y, z), kind (outer, inner; height in z), nominal, measured"),
                        optional("gate", NUMBER, "mm", "largest error of a feature; 0.2 unless given")
                                .in(1e-4, 100)),
                "",
                "ordinary least squares of m = s·n ± 2e, in Z of m = s·n + h",
                Map.of(
                        "features",
                        List.of(
                                feature("outer", 10, 10.05),
                                feature("outer", 20, 20.0),
                                feature("outer", 40, 39.9),
                                feature("inner", 10, 9.85))),
                MaterialCalculations::artefact);
    }

    private static Map<String, Object> feature(String kind, double nominal, double measured) {
        return Map.of("axis", "x", "kind", kind, "nominal", nominal, "measured", measured);
    }

    private static Answer artefact(Case given) {
        UnitOfMeasure millimetre = UnitOfMeasure.working(Dimension.LENGTH);
        List<Artefact.Feature> features = new ArrayList<>();
        int row = 0;
        for (Map<String, String> item : given.records("features")) {
            String where = "features[" + row++ + "]";
            features.add(new Artefact.Feature(
                    Case.chosen(where + ".axis", item.getOrDefault("axis", ""), Artefact.Axis.class),
                    Case.chosen(where + ".kind", item.getOrDefault("kind", ""), Artefact.Kind.class),
                    Case.number(where + ".nominal", item.getOrDefault("nominal", ""), millimetre),
                    Case.number(where + ".measured", item.getOrDefault("measured", ""), millimetre)));
        }
        Artefact.Result result = Artefact.analyse(features, given.number("gate", 0.2));
        Map<String, Object> axes = new LinkedHashMap<>();
        Working working = Working.NONE;
        OptionalDouble first = OptionalDouble.empty();
        for (Artefact.Fit fit : result.fits().values()) {
            Map<String, Object> axis = new LinkedHashMap<>();
            axis.put("scale", fit.scale().value());
            axis.put("scaleStandardError", fit.scale().standardError());
            axis.put("offset", fit.offset().value());
            axis.put("offsetStandardError", fit.offset().standardError());
            axis.put("residual", fit.residual());
            axis.put("advice", fit.advice());
            axes.put(fit.axis().name().toLowerCase(java.util.Locale.ROOT), axis);
            working = working.then(fit.working());
            first = first.isPresent() ? first : OptionalDouble.of(fit.scale().value());
        }
        Answer answer = new Answer(first, "", result.passes() ? "passes" : "stops", Map.of("axes", axes), working);
        answer = answer.with("gross", result.gross().size())
                .with("outside", result.outside().size())
                .with("notes", result.notes());
        return result.scaledBy().isPresent()
                ? answer.with("scaledBy", result.scaledBy().get())
                : answer;
    }

    private static Calculation length() {
        return new Calculation(
                "filament-length",
                "Metres of filament in a kilogram",
                List.of(DENSITY, DIAMETER),
                "m/kg",
                PLAIN,
                Map.of("density", 1.05),
                given -> {
                    double density = given.number("density");
                    double diameter = given.number("diameter", 1.75);
                    double metres = FilamentLength.metresPerKilogram(density, diameter);
                    return Answer.of(metres, "m/kg", Working.of(lengthStep(density, diameter, metres)));
                });
    }

    private static Step lengthStep(double density, double diameter, double metres) {
        return new Step(
                "metres per kilogram",
                "",
                "1000/(ρ·π d²/4·100), d in cm",
                "1000/(" + Figures.plain(density, 5) + "·π·" + Figures.plain(diameter / 10, 5) + "²/4·100)",
                metres,
                "m/kg",
                PLAIN);
    }

    private static Calculation price() {
        return new Calculation(
                "filament-price",
                "Price of a metre and of a cubic centimetre from the price of a kilogram",
                List.of(
                        required("pricePerKilogram", NUMBER, "", "net price, any currency")
                                .in(0, 1e9),
                        DENSITY,
                        DIAMETER,
                        optional("setVolume", NUMBER, "", "volume of a specimen set in cm³")
                                .in(1e-6, 1e9)),
                "",
                PLAIN,
                Map.of("pricePerKilogram", 15, "density", 1.05),
                MaterialCalculations::price);
    }

    private static Answer price(Case given) {
        double price = given.number("pricePerKilogram");
        double density = given.number("density");
        double diameter = given.number("diameter", 1.75);
        if (!(price > 0)) {
            throw new IllegalArgumentException("a price above zero is needed");
        }
        double metres = FilamentLength.metresPerKilogram(density, diameter);
        double perMetre = FilamentLength.pricePerMetre(price, density, diameter);
        double perVolume = FilamentLength.pricePerCubicCentimetre(price, density);
        Working working = Working.of(
                lengthStep(density, diameter, metres),
                new Step(
                        "price of a metre",
                        "",
                        "price of a kilogram over metres per kilogram",
                        Figures.plain(price, 6) + "/" + Figures.significant(metres, 5),
                        perMetre,
                        "",
                        PLAIN));
        Answer answer = Answer.of(perMetre, "per m", working).with("perCubicCentimetre", perVolume);
        OptionalDouble volume = given.optionalNumber("setVolume");
        return volume.isPresent() ? answer.with("perSet", perVolume * volume.getAsDouble()) : answer;
    }
}
