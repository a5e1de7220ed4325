package org.ysometron.app.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Evidence;
import org.ysometron.core.statistics.OneWay;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;

/**
 * Specimens of one lot under the same terms from several printers, recipes, makers or rigs: each level on its own, and what
 * the levels add to the scatter.
 *
 * @param levels one line a level: its name, n, mean
 * @param finding the variance between levels, or why it cannot be told
 */
public record Apart(String terms, List<String> levels, String finding) {

    static Apart of(Conditions conditions, List<LotEvidence> sets) {
        List<String> levels = new ArrayList<>();
        List<double[]> groups = new ArrayList<>();
        String unit = sets.stream()
                .flatMap(set -> set.main().stream())
                .findFirst()
                .map(main -> Figures.unit(main.unit()))
                .orElse("");
        for (LotEvidence set : sets) {
            Evidence evidence =
                    set.main().map(main -> set.evidence(main, Optional.empty())).orElseGet(Evidence::of);
            double[] values = evidence.values();
            String name =
                    set.setup().isNone() ? "set-up not on record" : set.setup().words();
            levels.add(name + ": n = " + evidence.n()
                    + (values.length == 0
                            ? ""
                            : ", mean " + Figures.significant(Summary.of(values).mean(), 4) + unit)
                    + (set.counts() ? "" : ", does not count"));
            if (values.length > 1) {
                groups.add(values);
            }
        }
        return new Apart(conditions.words(), levels, finding(groups, sets.size(), unit));
    }

    private static String finding(List<double[]> groups, int levels, String unit) {
        if (groups.size() < 2) {
            return "Of " + levels + " set-ups not two have two specimens each: what the set-up adds and how specimens"
                    + " scatter cannot be told apart, and no mean is taken over them.";
        }
        OneWay setups;
        try {
            setups = new OneWay(groups);
        } catch (IllegalArgumentException alike) {
            return "Within set-ups the values do not scatter: what the set-up adds cannot be compared with anything, and no"
                    + " mean is taken over them.";
        }
        return "Scatter within set-ups " + Figures.significant(Math.sqrt(setups.withinVariance()), 2)
                + unit + "; set-ups add "
                + (setups.betweenVariance() < 0
                        ? "nothing that could be seen (the estimate is negative, shown as 0)"
                        : Figures.significant(Math.sqrt(setups.betweenVariance()), 2) + unit)
                + "; without any effect such a difference comes with a probability of "
                + Figures.probability(setups.anova().p()) + ".";
    }
}
