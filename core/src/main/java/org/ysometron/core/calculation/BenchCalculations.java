package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.ysometron.core.dimension.Section;
import org.ysometron.core.method.Headroom;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Plausibility;
import org.ysometron.core.quantity.Problem;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Calculations at the bench: units, sections, strength, headroom. */
final class BenchCalculations {

    private static final Input WIDTH = required("width", NUMBERS, "mm", "caliper readings of the width")
            .in(1e-4, 1e5)
            .items(1, 1000);
    private static final Input THICKNESS = required("thickness", NUMBERS, "mm", "caliper readings of the thickness")
            .in(1e-4, 1e5)
            .items(1, 1000);

    private BenchCalculations() {}

    static List<Calculation> all() {
        return List.of(unitConversion(), plausibility(), section(), headroom());
    }

    private static Calculation unitConversion() {
        return new Calculation(
                "unit-conversion",
                "A number as typed, with its unit, in the working unit of its dimension",
                List.of(
                        required("typed", WORD, "", "the number with or without its unit, as text"),
                        required("dimension", WORD, "", Case.list(Dimension.class)),
                        optional("to", WORD, "", "unit of the same dimension; its working unit unless given")),
                "",
                "SI Brochure; international pound and inch (1959); standard gravity 9.80665 m/s²",
                Map.of("typed", "1 lbf", "dimension", "force"),
                BenchCalculations::convert);
    }

    private static Answer convert(Case given) {
        Dimension dimension = given.word("dimension", Dimension.class, Dimension.LENGTH);
        Typed typed = Typed.read("typed", given.text("typed"), UnitOfMeasure.working(dimension));
        if (typed instanceof Typed.Accepted accepted) {
            String from = accepted.unit().symbol();
            UnitOfMeasure to = target(given, dimension);
            double value = to.isWorking() ? accepted.value() : to.fromWorking(accepted.value());
            return Answer.of(
                            value,
                            to.symbol(),
                            Working.of(
                                    new Step("converted", "", "", accepted.text(), value, to.symbol(), "SI Brochure")))
                    .with("number", accepted.number())
                    .with("from", from);
        }
        Problem problem = ((Typed.Refused) typed).problem();
        return new Answer(
                OptionalDouble.empty(),
                dimension.workingUnit(),
                "refused",
                Answer.inOrder("found", problem.found(), "expected", problem.expected(), "wayOut", problem.wayOut()),
                Working.NONE);
    }

    private static UnitOfMeasure target(Case given, Dimension dimension) {
        if (!given.has("to")) {
            return UnitOfMeasure.working(dimension);
        }
        return UnitOfMeasure.find(given.text("to"))
                .filter(unit -> unit.dimension() == dimension)
                .orElseThrow(() ->
                        new IllegalArgumentException("'" + given.text("to") + "' is no unit of " + dimension.phrase()));
    }

    private static Calculation plausibility() {
        return new Calculation(
                "plausibility",
                "Whether a value is far from the expected one, and whether a slipped point or another unit explains it",
                List.of(
                        required("value", NUMBER, "", "the value, in mm or N").positive(),
                        required("expected", NUMBER, "", "the value expected, same unit")
                                .positive(),
                        optional("kind", WORD, "", "length or force; length unless given")),
                "",
                "common practice, no source",
                Map.of("value", 40.2, "expected", 4.0),
                given -> {
                    boolean force = given.word("kind", Dimension.class, Dimension.LENGTH) == Dimension.FORCE;
                    Plausibility rule = force ? Plausibility.OF_A_FORCE : Plausibility.OF_A_DIMENSION;
                    double value = given.number("value");
                    var doubt = rule.doubt(value, given.number("expected"), force ? "N" : "mm");
                    return new Answer(
                            OptionalDouble.of(value / given.number("expected")),
                            "",
                            doubt.isEmpty() ? "plausible" : "doubted",
                            doubt.<Map<String, Object>>map(words -> Map.of("question", words))
                                    .orElse(Map.of()),
                            Working.of(Step.of(
                                    "as entered over what is expected",
                                    "",
                                    "near one it is believed, near a factor of units or of ten it is asked",
                                    value / given.number("expected"))));
                });
    }

    private static Calculation section() {
        return new Calculation(
                "rectangular-section",
                "Area of a rectangular section from caliper readings",
                List.of(WIDTH, THICKNESS),
                "mm²",
                "ISO 527-1, ISO 16012 practice",
                Map.of("width", List.of(4.02, 4.01, 4.03), "thickness", List.of(3.98, 3.97, 3.99)),
                given -> {
                    Section section = Section.rectangle(given.numbers("width"), given.numbers("thickness"));
                    return Answer.of(section.area(), "mm²", section.working())
                            .with("width", section.width())
                            .with("thickness", section.thickness())
                            .with("notes", section.notes());
                });
    }

    private static Calculation headroom() {
        return new Calculation(
                "gauge-headroom",
                "Share of a gauge's capacity that the expected load takes",
                List.of(
                        required("strength", NUMBER, "MPa", "expected strength").in(1e-6, 1e6),
                        required("area", NUMBER, "mm²", "area of the section").in(1e-6, 1e9),
                        required("capacity", NUMBER, "N", "capacity of the gauge in use")
                                .in(1e-3, 1e9),
                        optional("others", NUMBERS, "N", "capacities of the other gauges")
                                .in(1e-3, 1e9)
                                .items(0, 100)),
                "",
                "common practice, no source: at most 80 % of capacity",
                Map.of("strength", 28, "area", 16, "capacity", 500, "others", List.of(2000)),
                given -> {
                    double share = given.number("strength") * given.number("area") / given.number("capacity");
                    List<Headroom.Gauge> others = new ArrayList<>();
                    for (double capacity : given.numbers("others")) {
                        others.add(new Headroom.Gauge("a larger gauge", capacity));
                    }
                    Headroom.Gauge gauge = new Headroom.Gauge("this gauge", given.number("capacity"));
                    var warning = Headroom.warning(given.number("strength"), given.number("area"), gauge, others);
                    return new Answer(
                            OptionalDouble.of(share),
                            "",
                            warning.isEmpty() ? "enough" : "too small",
                            warning.<Map<String, Object>>map(words -> Map.of("warning", words))
                                    .orElse(Map.of()),
                            Working.of(
                                    Step.of("share of the capacity", "", "σ·A₀/capacity", share, "common practice")));
                });
    }
}
