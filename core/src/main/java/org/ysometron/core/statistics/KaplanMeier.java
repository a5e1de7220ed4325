package org.ysometron.core.statistics;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.ysometron.core.statistics.formula.StandardNormal;

/**
 * Share that survives beyond each value, with no population supposed, from specimens that failed and others that were only watched
 * so far: S = ∏(1 − d/n). Greenwood's variance S²·Σd/(n(n − d)).
 *
 * <p>Source: E. L. Kaplan and P. Meier, Journal of the American Statistical Association 53, 1958; intervals on the scale of S, of its
 * logarithm or of ln(−ln S) as Kalbfleisch and Prentice. A specimen watched to the value at which another fails counts as at risk
 * there.
 *
 * @param steps one for each value at which any failed, rising
 */
public record KaplanMeier(List<Step> steps) {

    /** Copies the steps. */
    public KaplanMeier {
        steps = List.copyOf(steps);
    }

    /** The scale that an interval is symmetric on. */
    public enum Scale {
        /** S itself. */
        PLAIN,
        /** ln S. */
        LOG,
        /** ln(−ln S), which keeps within 0 and 1. */
        LOG_LOG
    }

    /**
     * One step down.
     *
     * @param at value
     * @param atRisk specimens that had come so far
     * @param failed those that failed there
     * @param survival share that survives beyond it
     * @param error its standard error by Greenwood
     */
    public record Step(double at, int atRisk, int failed, double survival, double error) {

        /** Lower and upper end of the interval, within 0 and 1; both the estimate where nothing or all is left. */
        public double[] interval(double confidence, Scale scale) {
            if (survival <= 0 || survival >= 1) {
                return new double[] {survival, survival};
            }
            double z = StandardNormal.quantile((1 + confidence) / 2);
            double low;
            double high;
            switch (scale) {
                case PLAIN -> {
                    low = survival - z * error;
                    high = survival + z * error;
                }
                case LOG -> {
                    double reach = Math.exp(z * error / survival);
                    low = survival / reach;
                    high = survival * reach;
                }
                default -> {
                    double reach = Math.exp(z * error / (survival * Math.abs(Math.log(survival))));
                    low = Math.pow(survival, reach);
                    high = Math.pow(survival, 1 / reach);
                }
            }
            return new double[] {Math.max(0, low), Math.min(1, high)};
        }
    }

    /**
     * The curve.
     *
     * @param failed values at which specimens failed, at least one
     * @param watched values to which others were watched without failing
     */
    public static KaplanMeier of(double[] failed, double... watched) {
        if (failed.length == 0) {
            throw new IllegalArgumentException("one failure at least is needed: without any the whole survives");
        }
        TreeMap<Double, int[]> ends = new TreeMap<>();
        for (double at : failed) {
            ends.computeIfAbsent(at, value -> new int[2])[0]++;
        }
        for (double at : watched) {
            ends.computeIfAbsent(at, value -> new int[2])[1]++;
        }
        int left = failed.length + watched.length;
        double survival = 1;
        double sum = 0;
        List<Step> steps = new ArrayList<>();
        for (var end : ends.entrySet()) {
            int down = end.getValue()[0];
            if (down > 0) {
                survival = down == left ? 0 : survival * (1 - down / (double) left);
                sum += down == left ? 0 : down / ((double) left * (left - down));
                steps.add(new Step(end.getKey(), left, down, survival, survival * Math.sqrt(sum)));
            }
            left -= down + end.getValue()[1];
        }
        return new KaplanMeier(steps);
    }

    /** The first value beyond which half or less survives; empty where more than half does at the end. */
    public OptionalDouble median() {
        return steps.stream()
                .filter(step -> step.survival() <= 0.5 + Summary.ALIKE)
                .mapToDouble(Step::at)
                .findFirst();
    }
}
