package org.ysometron.core.calculation;

import static org.ysometron.core.calculation.Input.Kind.NUMBER;
import static org.ysometron.core.calculation.Input.Kind.NUMBERS;
import static org.ysometron.core.calculation.Input.Kind.WHOLES;
import static org.ysometron.core.calculation.Input.Kind.WORD;
import static org.ysometron.core.calculation.Input.optional;
import static org.ysometron.core.calculation.Input.required;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.drift.Capability;
import org.ysometron.core.drift.ChartSignal;
import org.ysometron.core.drift.LotCapability;
import org.ysometron.core.drift.LotDifferences;
import org.ysometron.core.drift.SupportableEdge;

/** Lots of a series, from their means, their scatter and their n: what they could carry, and how far they lie apart. */
final class LotCalculations {

    private LotCalculations() {}

    static List<Calculation> all() {
        return List.of(capability(), edge(), differences());
    }

    private static Calculation capability() {
        return new Calculation(
                "lot-capability",
                "Capability of single specimens of a series of lots, with what differs from lot to lot in it",
                List.of(
                        required("means", NUMBERS, "", "of the lots").items(LotCapability.FEWEST, Input.MANY),
                        required("deviations", NUMBERS, "", "within the lots, one each"),
                        required("sizes", WHOLES, "", "n of each"),
                        optional("lower", NUMBER, "", "least allowed"),
                        optional("upper", NUMBER, "", "most allowed"),
                        optional("confidence", NUMBER, "", "two-sided; 0.95 unless given")
                                .in(0.5, 0.9999)),
                "",
                "ISO 22514-2; Satterthwaite 1946",
                Map.of(
                        "means", List.of(10, 12, 11, 13),
                        "deviations", List.of(1, 1, 1, 1),
                        "sizes", List.of(5, 5, 5, 5),
                        "lower", 5),
                given -> {
                    LotCapability found =
                            LotCapability.of(lots(given), given.optionalNumber("lower"), given.optionalNumber("upper"));
                    Capability.Index least = found.overall().least(given.number("confidence", 0.95));
                    return Answer.of(least.value(), "", found.working())
                            .with("low", least.low())
                            .with("high", least.high())
                            .with("sigma", found.overall().sigma())
                            .with("freedom", found.overall().freedom());
                });
    }

    private static Calculation edge() {
        return new Calculation(
                "supportable-edge",
                "The edge that 95 % of lots like these would support by their own specimens, at 95 % confidence",
                List.of(
                        required("means", NUMBERS, "", "of the lots").items(SupportableEdge.FEWEST, Input.MANY),
                        required("deviations", NUMBERS, "", "within the lots, one each"),
                        required("sizes", WHOLES, "", "n of each, at least 2"),
                        optional("edge", WORD, "", Case.list(SupportableEdge.Edge.class) + "; least unless given")),
                "",
                "ISO 16269-6, one-sided factor, on the lots' own bounds of the mean",
                Map.of(
                        "means", List.of(20, 21, 22, 23, 24, 20, 21, 22, 23, 24),
                        "deviations", List.of(2, 2, 2, 2, 2, 2, 2, 2, 2, 2),
                        "sizes", List.of(4, 4, 4, 4, 4, 4, 4, 4, 4, 4)),
                given -> {
                    SupportableEdge found = SupportableEdge.of(
                                    lots(given),
                                    given.word("edge", SupportableEdge.Edge.class, SupportableEdge.Edge.LEAST))
                            .orElseThrow(() -> new IllegalArgumentException("sizes: at least " + SupportableEdge.FEWEST
                                    + " lots of two or more specimens are needed"));
                    return Answer.of(found.edge(), "", found.working()).with("lots", found.lots());
                });
    }

    private static Calculation differences() {
        return new Calculation(
                "lot-differences",
                "Differences of lots with intervals that hold together, and whether they are within the method's repeatability",
                List.of(
                        required("means", NUMBERS, "", "of the lots").items(2, LotDifferences.MOST),
                        required("deviations", NUMBERS, "", "within the lots, one each"),
                        required("sizes", WHOLES, "", "n of each"),
                        optional("repeatability", NUMBER, "", "scatter within lots of the series")
                                .positive(),
                        optional("freedom", NUMBER, "", "its degrees of freedom; 60 unless given")
                                .in(1, 1_000_000),
                        optional("confidence", NUMBER, "", "of all intervals together; 0.95 unless given")
                                .in(0.6, 0.9999)),
                "",
                "Welch 1947 for two, Games and Howell 1976 for more; ISO 5725-6",
                Map.of(
                        "means", List.of(28.4, 27.1, 25.9),
                        "deviations", List.of(0.8, 1.1, 0.9),
                        "sizes", List.of(5, 5, 4),
                        "repeatability", 0.9),
                LotCalculations::differences);
    }

    private static Answer differences(Case given) {
        OptionalDouble repeatability = given.optionalNumber("repeatability");
        LotDifferences found = LotDifferences.of(
                lots(given),
                repeatability.isPresent()
                        ? Optional.of(new LotDifferences.Repeatability(
                                repeatability.getAsDouble(), given.number("freedom", 60)))
                        : Optional.empty(),
                given.number("confidence", 0.95));
        List<Double> low = new ArrayList<>();
        List<Double> high = new ArrayList<>();
        List<Double> difference = new ArrayList<>();
        List<Boolean> same = new ArrayList<>();
        for (LotDifferences.Pair pair : found.pairs()) {
            if (!Double.isFinite(pair.low()) || !Double.isFinite(pair.high())) {
                throw new IllegalArgumentException(
                        "repeatability is needed where a lot has no scatter of its own, and means that can be squared");
            }
            difference.add(pair.difference());
            low.add(pair.low());
            high.add(pair.high());
            same.add(pair.isWithinRepeatability());
        }
        return Answer.of(found.pairs().get(0).difference(), "", found.working())
                .with("differences", difference)
                .with("low", low)
                .with("high", high)
                .with("withinRepeatability", same);
    }

    private static ChartSignal.Lots lots(Case given) {
        return new ChartSignal.Lots(given.numbers("means"), given.numbers("deviations"), given.wholes("sizes"));
    }
}
