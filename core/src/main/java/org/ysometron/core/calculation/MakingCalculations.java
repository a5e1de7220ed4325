package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLE;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.Kind.WORDS;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.LongStream;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.ModelScale;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.Budget;
import org.ysometron.core.plan.Order;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Making: what specimens take, in which order and places they go, whether a model was scaled. */
final class MakingCalculations {

    private MakingCalculations() {}

    static List<Calculation> all() {
        return List.of(budget(), runOrder(), chamberPlaces(), modelScale());
    }

    private static Calculation budget() {
        return new Calculation(
                "material-budget",
                "Filament, or resin, and print time of so many specimens",
                List.of(
                        required("design", WORD, "", SpecimenDesign.names()),
                        required("n", WHOLE, "", "specimens, at least 1").in(1, 100_000),
                        required("density", NUMBER, "g/cm³", "of the material").in(0.05, 25),
                        optional("diameter", NUMBER, "mm", "of the filament; a resin unless given")
                                .in(0.1, 20),
                        optional(
                                "orientation",
                                WORD,
                                "",
                                "XY, YX, XZ or ZX; XY unless given; a resin's time goes by it"),
                        optional("waste", NUMBER, "", "share for supports, brims and purging; 0.1 unless given")
                                .in(0, 10),
                        optional("flow", NUMBER, "", "mm³ in a second; 4 unless given")
                                .in(0.01, 1000),
                        optional("layer", NUMBER, "mm", "0.05 unless given").in(0.001, 5),
                        optional("layerTime", NUMBER, "s", "exposure and lift of a layer; 10 s unless given")
                                .in(0.1, 3600),
                        optional("plate", WHOLE, "", "specimens that one resin plate holds; 12 unless given")
                                .in(1, 10_000)),
                "g",
                "plain geometry",
                Map.of("design", "TENSION_BAR_4", "n", 10, "density", "1.36 g/cm³", "diameter", "1.75 mm"),
                MakingCalculations::budgetOf);
    }

    private static Answer budgetOf(Case given) {
        SpecimenDesign design = SpecimenDesign.delivered(given.text("design"))
                .orElseThrow(() -> new IllegalArgumentException(
                        "design: '" + given.text("design") + "' is none of " + SpecimenDesign.names()));
        boolean filament = given.has("diameter");
        PlannedTest test = test(
                design,
                given.has("orientation")
                        ? Case.chosen("orientation", given.text("orientation"), Orientation.class)
                        : Orientation.XY,
                given.whole("n"));
        Budget budget = Budget.of(
                test,
                new Budget.Material(
                        given.number("density"), filament ? given.number("diameter") : 0, given.number("waste", 0.1)),
                new Budget.Speed(
                        filament ? given.number("flow", 4) : 0,
                        given.number("layer", 0.05),
                        filament ? 0 : given.number("layerTime", 10),
                        given.has("plate") ? given.whole("plate") : 12));
        Working material = Working.of(
                new Step("volume, waste included", "V", "n·V₁·(1 + waste)", "", budget.millilitres(), "ml", ""),
                new Step("mass", "m", "V·ρ", "", budget.grams(), "g", ""));
        Answer answer = Answer.of(
                        budget.grams(),
                        "g",
                        filament
                                ? material.then(new Step("filament", "L", "m/(ρ·π d²/4)", "", budget.metres(), "m", ""))
                                : material)
                .with("millilitres", budget.millilitres());
        return (filament ? answer.with("metres", budget.metres()) : answer).with("printMinutes", budget.printMinutes());
    }

    private static PlannedTest test(SpecimenDesign design, Orientation orientation, int n) {
        Method method = Methods.all().stream()
                .filter(known -> Designs.fits(known, design))
                .findFirst()
                .orElseThrow();
        return new PlannedTest(
                method,
                design,
                orientation,
                design.isNotched() ? PlannedTest.Notch.ACROSS : PlannedTest.Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                Conditioning.DRY,
                method.data().rated() ? 1 : 0,
                n,
                "");
    }

    private static Calculation runOrder() {
        return new Calculation(
                "run-order",
                "The order in which specimens are tested, by chance from a kept number",
                List.of(
                        required("specimens", WORDS, "", "their labels").items(1, 1000),
                        required("seed", WHOLE, "", "the same number gives the same order")
                                .in(-1e9, 1e9)),
                "",
                "complete randomisation; each place draws its own number",
                Map.of("specimens", List.of("XY1", "XY2", "XY3", "ZX1", "ZX2", "ZX3"), "seed", 7),
                given -> {
                    List<String> labels = given.texts("specimens");
                    List<Long> places =
                            LongStream.range(0, labels.size()).boxed().toList();
                    List<String> order = Order.ranked(places, given.whole("seed")).stream()
                            .map(place -> labels.get(place.intValue()))
                            .toList();
                    return new Answer(
                            OptionalDouble.of(order.size()),
                            "",
                            "ordered",
                            Map.of("order", order),
                            Working.of(Step.of(
                                    "specimens in order",
                                    "",
                                    "each draws a number from the seed and its place; the order is that of the numbers",
                                    order.size())));
                });
    }

    private static Calculation chamberPlaces() {
        return new Calculation(
                "chamber-places",
                "Places in a chamber by cycle, so that none comes to the same place twice",
                List.of(
                        required("specimens", WHOLE, "", "how many").in(1, 200),
                        required("places", WHOLE, "", "how many the chamber has")
                                .in(1, 200),
                        required("cycles", WHOLE, "", "how many times they go in")
                                .in(1, 200),
                        required("seed", WHOLE, "", "the same number gives the same places")
                                .in(-1e9, 1e9)),
                "",
                "rows of a cyclic Latin square in random order",
                Map.of("specimens", 6, "places", 8, "cycles", 3, "seed", 7),
                given -> {
                    List<List<Integer>> places = Order.places(
                            given.whole("specimens"),
                            given.whole("places"),
                            given.whole("cycles"),
                            given.whole("seed"));
                    return new Answer(
                            OptionalDouble.of(places.size()),
                            "",
                            "placed",
                            Map.of("cycles", places),
                            Working.of(Step.of(
                                    "cycles",
                                    "",
                                    "rows of a cyclic Latin square: in each cycle every specimen moves on by one place",
                                    places.size())));
                });
    }

    private static Calculation modelScale() {
        return new Calculation(
                "model-scale",
                "Whether specimens are off size because the model was scaled",
                List.of(
                        required("measured", NUMBERS, "mm", "one an axis")
                                .in(1e-4, 1e5)
                                .items(1, 3),
                        required("nominal", NUMBERS, "mm", "same axes")
                                .in(1e-4, 1e5)
                                .items(1, 3)),
                "",
                "equal relative error in all axes",
                Map.of("measured", List.of(3.79, 3.81), "nominal", List.of(4, 4)),
                given -> {
                    double[] measured = given.numbers("measured");
                    double[] nominal = given.numbers("nominal");
                    Optional<ModelScale> scale = ModelScale.of(measured, nominal);
                    double ratio = java.util.stream.IntStream.range(0, measured.length)
                            .mapToDouble(i -> measured[i] / nominal[i])
                            .average()
                            .orElseThrow();
                    return new Answer(
                            OptionalDouble.of(ratio),
                            "",
                            scale.isEmpty()
                                    ? "not a scaled model"
                                    : scale.get().edge().isPresent()
                                            ? "the model was scaled, or its edges are out of place"
                                            : "the model was scaled",
                            scale.map(found -> Map.<String, Object>of("sentence", found.sentence()))
                                    .orElse(Map.of()),
                            Working.of(Step.of("measured over nominal", "k", "mean over the axes", ratio)));
                });
    }
}
