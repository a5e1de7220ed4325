package org.ysometron.core.rubric;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * A sum of grades, for which weights must have been written down first: Σ w·s over Σ w, where s goes from 0, the worst grade of a
 * scale, to 1, its best. Whole numbers are summed before anything is divided, so that the order in which elements stand makes no
 * difference. (Common practice, no source.)
 *
 * @param value 0 to 1
 * @param working the sum, element by element
 */
public record Score(double value, Working working) {

    /** What of one element is summed: its scale, and what it was graded, at least one. */
    public record Element(Rubric rubric, double grade) {}

    /**
     * Sums.
     *
     * @param graded by key of the element
     * @param weights by key of the element, each at least 0, not all 0
     * @throws IllegalArgumentException when the elements graded and those weighed are not the same, or nothing has a weight
     */
    public static Score of(Map<String, Element> graded, Map<String, Integer> weights) {
        if (!graded.keySet().equals(weights.keySet())) {
            throw new IllegalArgumentException("what is graded and what has a weight differ: "
                    + new TreeMap<>(graded).keySet() + " and " + new TreeMap<>(weights).keySet());
        }
        int all = total(weights);
        double sum = 0;
        Working working = Working.NONE;
        // One order for all, whatever order they were given in: sums of doubles are not commutative to the last bit.
        for (Map.Entry<String, Element> entry : new TreeMap<>(graded).entrySet()) {
            int weight = weights.getOrDefault(entry.getKey(), 0);
            Element element = entry.getValue();
            double share = element.rubric().share(element.grade());
            sum += weight * share;
            working = working.then(step(element, weight, share));
        }
        double value = sum / all;
        return new Score(
                value,
                working.then(new Step(
                        "sum of the grades by the weights",
                        "Σw·s/Σw",
                        "0 the worst of every scale, 1 the best",
                        Figures.significant(sum, 4) + "/" + all,
                        value,
                        "",
                        "common practice, no source")));
    }

    private static int total(Map<String, Integer> weights) {
        int all = 0;
        for (int weight : weights.values()) {
            if (weight < 0) {
                throw new IllegalArgumentException("a weight is at least 0, got " + weight);
            }
            all += weight;
        }
        if (all == 0) {
            throw new IllegalArgumentException("nothing has a weight");
        }
        return all;
    }

    private static Step step(Element element, int weight, double share) {
        return new Step(
                element.rubric().title(),
                "w·s",
                "weight × share of the scale",
                weight + " × " + Figures.significant(share, 3) + " (grade " + Figures.plain(element.grade(), 4) + ")",
                weight * share,
                "",
                element.rubric().source());
    }

    /**
     * Places of sums, the largest first: alike are those that differ by no more than rounding, and they share a place.
     *
     * @return for each in the order given its place, from 1 on; two at the second place are followed by the fourth
     */
    public static List<Integer> places(List<Double> sums) {
        List<Integer> places = new ArrayList<>();
        for (double one : sums) {
            places.add(1
                    + (int) sums.stream()
                            .filter(other -> Rounding.above(other, one))
                            .count());
        }
        return places;
    }
}
