package org.ysometron.core.surprise;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Factors that change together: where every level of one goes with a level of its own of the other, nothing that was measured can tell which of the two
 * a difference comes from. Source: confounding of factors in designed experiments (textbooks; ISO 3534-3, "aliased"), common practice.
 */
public final class Together {

    private Together() {}

    /**
     * A factor.
     *
     * @param name what it is called: "printer"
     * @param levels its level at each result, in one order for all factors; empty where nobody said
     */
    public record Factor(String name, List<String> levels) {

        /** Copies the levels. */
        public Factor {
            levels = List.copyOf(levels);
        }
    }

    /**
     * Factors that cannot be told apart, group by group in the order given; a factor with one level, or with one that nobody said, is in none.
     *
     * @throws IllegalArgumentException where factors have not as many results as one another
     */
    public static List<List<String>> of(List<Factor> factors) {
        Map<List<Integer>, List<String>> byDivision = new LinkedHashMap<>();
        for (Factor factor : factors) {
            if (factor.levels.size() != factors.get(0).levels.size()) {
                throw new IllegalArgumentException("each factor needs a level for each result");
            }
            List<Integer> division = division(factor.levels);
            boolean varies = division.stream().distinct().count() > 1;
            if (varies && !factor.levels.contains("")) {
                byDivision.computeIfAbsent(division, of -> new ArrayList<>()).add(factor.name);
            }
        }
        return byDivision.values().stream().filter(names -> names.size() > 1).toList();
    }

    /** Levels by number in the order in which they come up: two factors that divide alike have the same. */
    private static List<Integer> division(List<String> levels) {
        Map<String, Integer> numbers = new HashMap<>();
        List<Integer> division = new ArrayList<>();
        for (String level : levels) {
            division.add(numbers.computeIfAbsent(level, fresh -> numbers.size()));
        }
        return division;
    }
}
