package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLES;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.surprise.History;
import org.ysometron.core.surprise.OddResults;
import org.ysometron.core.surprise.SetOfResults;
import org.ysometron.core.surprise.Surprises;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** What in one set of results is worth a second look. */
final class SurpriseCalculations {

    private static final Input VALUES = required("values", NUMBERS, "", "in the order in which they were tested")
            .items(1, SetOfResults.MOST)
            .in(-1e9, 1e9);
    private static final Input SCATTER = optional("scatter", NUMBER, "", "within the earlier lots of the series")
            .in(1e-9, 1e9);
    private static final Input FREEDOM = optional("freedom", NUMBER, "", "its degrees of freedom; 60 unless given")
            .in(History.LEAST, 1_000_000);

    private SurpriseCalculations() {}

    static List<Calculation> all() {
        return List.of(odd(), surprises());
    }

    private static Calculation odd() {
        return new Calculation(
                "odd-results",
                "Results far from the others of their set, measured by the scatter of earlier lots where that is known",
                List.of(VALUES, SCATTER, FREEDOM),
                "",
                "Grubbs 1969; Rosner 1983 (ISO 16269-4); the levels of ISO 5725-2",
                Map.of("values", List.of(52.1, 51.4, 52.9, 52.3, 44.0), "scatter", 0.9),
                given -> {
                    OddResults found = OddResults.of(set(given));
                    return Answer.of(found.outliers().size(), "", found.working())
                            .with(
                                    "p",
                                    found.steps().stream()
                                            .map(OddResults.Odd::p)
                                            .toList())
                            .with(
                                    "t",
                                    found.steps().stream()
                                            .map(OddResults.Odd::t)
                                            .toList())
                            .with(
                                    "indices",
                                    found.steps().stream()
                                            .map(OddResults.Odd::index)
                                            .toList());
                });
    }

    private static Calculation surprises() {
        return new Calculation(
                "surprises",
                "What is looked for in a set without being asked: two groups, an order, a recorded division, scatter beside earlier lots",
                List.of(
                        VALUES,
                        SCATTER,
                        FREEDOM,
                        optional("groups", WHOLES, "", "a recorded division: the group of each value")),
                "",
                "each look has its own; together Holm 1979",
                Map.of("values", List.of(52.1, 51.4, 52.9, 48.3, 48.9, 47.6), "groups", List.of(1, 1, 1, 2, 2, 2)),
                SurpriseCalculations::surprises);
    }

    private static Answer surprises(Case given) {
        Surprises found = Surprises.of(new Surprises.Lot(List.of(set(given)), List.of(), List.of()));
        List<Object> looks = new ArrayList<>();
        for (Surprises.Tried one : found.tried()) {
            looks.add(Answer.inOrder(
                    "look",
                    one.look().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    "statistic",
                    one.statistic(),
                    "p",
                    one.p(),
                    "together",
                    one.adjusted()));
        }
        Working working = Working.of(
                Step.of("looks", "", "", found.tried().size()),
                Step.of(
                        "surprises",
                        "",
                        "as many as have a corrected p of 5 % or less",
                        found.seen().size(),
                        "Holm 1979"));
        return Answer.of(found.seen().size(), "", working).with("looks", looks);
    }

    private static SetOfResults set(Case given) {
        double[] values = given.numbers("values");
        OptionalDouble scatter = given.optionalNumber("scatter");
        SetOfResults set = given.has("groups")
                ? new SetOfResults(
                        values, List.of(new SetOfResults.Grouping("groups", given.wholes("groups"))), Optional.empty())
                : SetOfResults.of(values);
        return scatter.isPresent() ? set.with(new History(scatter.getAsDouble(), given.number("freedom", 60))) : set;
    }
}
