package org.ysometron.core.calculation;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Every calculation of the core, by name. A new method, statistic or chart is added to one of the families here. */
public final class Calculations {

    private static final List<Calculation> LISTED = Stream.of(
                    PublicationCalculations.all(),
                    MaterialCalculations.all(),
                    PlanCalculations.all(),
                    MakingCalculations.all(),
                    BenchCalculations.all(),
                    CurveCalculations.all(),
                    StatisticsCalculations.all(),
                    PopulationCalculations.all(),
                    ComparisonCalculations.all(),
                    ClaimCalculations.all(),
                    ConformityCalculations.all(),
                    DriftCalculations.all(),
                    TrialCalculations.all(),
                    LotCalculations.all(),
                    SurpriseCalculations.all(),
                    ChartCalculations.all())
            .flatMap(List::stream)
            .toList();

    private Calculations() {}

    /** All of them: those listed here in the order of the job, then those of the methods. */
    public static List<Calculation> all() {
        return Stream.concat(LISTED.stream(), MethodCalculations.all().stream()).toList();
    }

    /** The one with this name; of the methods' files only those that name it are read. */
    public static Optional<Calculation> named(String name) {
        return LISTED.stream()
                .filter(calculation -> calculation.name().equals(name))
                .findFirst()
                .or(() -> MethodCalculations.named(name));
    }
}
