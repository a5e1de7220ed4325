package org.ysometron.core.calculation;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Every calculation of the core, by name. A new method, statistic or chart is added to one of the families here. */
public final class Calculations {

    private static final List<Calculation> ALL = Stream.of(
                    PublicationCalculations.all(),
                    MaterialCalculations.all(),
                    PlanCalculations.all(),
                    MakingCalculations.all(),
                    BenchCalculations.all(),
                    MethodCalculations.all(),
                    StatisticsCalculations.all(),
                    PopulationCalculations.all(),
                    ComparisonCalculations.all(),
                    ClaimCalculations.all(),
                    ConformityCalculations.all(),
                    DriftCalculations.all(),
                    ChartCalculations.all())
            .flatMap(List::stream)
            .toList();

    private Calculations() {}

    /** All of them, in the order of the job. */
    public static List<Calculation> all() {
        return ALL;
    }

    /** The one with this name. */
    public static Optional<Calculation> named(String name) {
        return ALL.stream()
                .filter(calculation -> calculation.name().equals(name))
                .findFirst();
    }
}
