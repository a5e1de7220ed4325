package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.List;
import java.util.Map;
import org.ysometron.core.claim.Conformity;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** A measured value beside the edges it has to keep, and the risks of a rule for accepting. */
final class ConformityCalculations {

    private static final Input LOWER = optional("lower", NUMBER, "", "least allowed");
    private static final Input UPPER = optional("upper", NUMBER, "", "most allowed");
    private static final String SOURCE = "JCGM 106:2012";

    private ConformityCalculations() {}

    static List<Calculation> all() {
        return List.of(conformity(), risks());
    }

    private static Conformity edges(Case given) {
        return new Conformity(given.optionalNumber("lower"), given.optionalNumber("upper"));
    }

    private static Calculation conformity() {
        return new Calculation(
                "conformity",
                "Verdict and probability from a value and its expanded uncertainty",
                List.of(
                        required("value", NUMBER, "", "as measured"),
                        required("expandedUncertainty", NUMBER, "", "U").positive(),
                        optional("coverage", NUMBER, "", "k in U = k·u; 2 unless given")
                                .in(0.5, 10),
                        optional(
                                        "guard",
                                        NUMBER,
                                        "",
                                        "guard band over U: 1 proves, 0 accepts as measured; 1 unless given")
                                .in(0, 5),
                        LOWER,
                        UPPER),
                "",
                SOURCE + ", clauses 7 and 8; ISO 14253-1 for a guard band of U",
                Map.of("value", 50.9, "expandedUncertainty", 0.6, "lower", 50),
                given -> {
                    Conformity edges = edges(given);
                    double value = given.number("value");
                    double expanded = given.number("expandedUncertainty");
                    double u = expanded / given.number("coverage", 2);
                    double band = given.number("guard", 1) * expanded;
                    double probability = edges.probability(value, u);
                    Working working = Working.of(
                            Step.of("standard uncertainty", "u", "U/k", u, "JCGM 100:2008"),
                            Step.of("guard band", "", "g·U", band, SOURCE),
                            Step.of("probability that the edges are kept", "", "", probability, SOURCE));
                    return new Answer(
                            java.util.OptionalDouble.of(probability),
                            "",
                            edges.verdict(value, band).words(),
                            Answer.inOrder("guardBand", band, "specificRisk", 1 - probability),
                            working);
                });
    }

    private static Calculation risks() {
        return new Calculation(
                "acceptance-risks",
                "Risks of consumer and producer of a rule for accepting, over the items of a normal process",
                List.of(
                        required("mean", NUMBER, "", "of the process"),
                        required("sd", NUMBER, "", "of the items").positive(),
                        required("standardUncertainty", NUMBER, "", "of one measurement")
                                .positive(),
                        optional("guardBand", NUMBER, "", "by which the edges are drawn in; 0 unless given"),
                        LOWER,
                        UPPER),
                "",
                SOURCE + ", clause 9",
                Map.of("mean", 10, "sd", 0.5, "standardUncertainty", 0.2, "lower", 9, "upper", 11),
                given -> {
                    Conformity.Risks risks = edges(given)
                            .risks(
                                    given.number("mean"),
                                    given.number("sd"),
                                    given.number("standardUncertainty"),
                                    given.number("guardBand", 0));
                    Working working = Working.of(
                            Step.of("accepted and not conforming", "", "", risks.consumer(), SOURCE),
                            Step.of("refused and conforming", "", "", risks.producer(), SOURCE),
                            Step.of("not conforming at all", "", "", risks.nonconforming(), SOURCE));
                    return Answer.of(risks.consumer(), "", working)
                            .with("producer", risks.producer())
                            .with("nonconforming", risks.nonconforming());
                });
    }
}
