package org.ysometron.core.statistics;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * Values that lie farther out than a normal population lets expect; a reason to look, never to delete.
 *
 * <p>Sources: F. E. Grubbs, Technometrics 11, 1969; B. Rosner, Technometrics 25, 1983 (generalised ESD, ISO 16269-4).
 */
public final class Outliers {

    private Outliers() {}

    /**
     * One step of the search.
     *
     * @param index of the value, from 0
     * @param statistic its distance from the mean in standard deviations, those taken out before left out
     * @param critical what it is compared with
     */
    public record Step(int index, double statistic, double critical) {

        /** Whether the statistic lies above what it is compared with. */
        public boolean isBeyond() {
            return statistic > critical;
        }
    }

    /**
     * Grubbs' two-sided critical value.
     *
     * @param n at least 3
     * @param level 0 to 1, such as 0.05
     */
    public static double grubbsCritical(int n, double level) {
        double t = StudentT.quantile(1 - level / (2 * n), n - 2.0);
        return (n - 1) / Math.sqrt(n) * Math.sqrt(t * t / (n - 2 + t * t));
    }

    /** Grubbs' test of the value farthest out, two-sided; at least three values that are not all alike. */
    public static Step grubbs(double[] values, double level) {
        return search(values, 1, level).get(0);
    }

    /**
     * Rosner's search for up to so many, each step with its own critical value: as many are flagged as the last step beyond it.
     *
     * @param most at least 1, at most n − 2
     */
    public static List<Step> search(double[] values, int most, double level) {
        if (values.length < 3 || most < 1 || most > values.length - 2 || !(level > 0 && level < 1)) {
            throw new IllegalArgumentException(
                    "three values at least, and no more suspects than all but two, are needed");
        }
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < values.length; i++) {
            left.add(i);
        }
        List<Step> steps = new ArrayList<>();
        for (int step = 0; step < most; step++) {
            Summary summary =
                    Summary.of(left.stream().mapToDouble(i -> values[i]).toArray());
            if (summary.isAlike()) {
                break;
            }
            int farthest = left.get(0);
            for (int i : left) {
                if (Math.abs(values[i] - summary.mean()) > Math.abs(values[farthest] - summary.mean())) {
                    farthest = i;
                }
            }
            double statistic =
                    Math.abs(values[farthest] - summary.mean()) / summary.sd().orElseThrow();
            steps.add(new Step(farthest, statistic, grubbsCritical(left.size(), level)));
            left.remove(Integer.valueOf(farthest));
        }
        if (steps.isEmpty()) {
            throw new IllegalArgumentException("the values are all alike; none lies out");
        }
        return steps;
    }
}
