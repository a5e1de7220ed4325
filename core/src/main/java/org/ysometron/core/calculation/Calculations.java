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

    /** Those of the methods, whose files are read only when somebody asks for one of them or for all. */
    private static final class OfMethods {

        private static final List<Calculation> ALL = MethodCalculations.all();
    }

    /** All of them: those listed here in the order of the job, then those of the methods. */
    public static List<Calculation> all() {
        return Stream.concat(LISTED.stream(), OfMethods.ALL.stream()).toList();
    }

    /** The one with this name. */
    public static Optional<Calculation> named(String name) {
        return in(LISTED, name).or(() -> in(OfMethods.ALL, name));
    }

    private static Optional<Calculation> in(List<Calculation> some, String name) {
        return some.stream()
                .filter(calculation -> calculation.name().equals(name))
                .findFirst();
    }
}
