package org.ysometron.core.drift;

import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Limits of charts of subgroups: their means beside their ranges or standard deviations (ISO 7870-2). The scatter comes from
 * within subgroups, so that these limits suit subgroups that differ by nothing else; where lots differ of themselves, the means
 * are charted as individuals ({@link IndividualsLimits}) and the scatter within beside them: a three-way chart.
 *
 * @param n specimens a subgroup
 * @param sigma σ̂ of one value within subgroups
 * @param means centre and limits of the means
 * @param ranges centre and limits of the ranges
 * @param deviations centre and limits of the standard deviations
 * @param within the steps that lead to the scatter within and its limits
 * @param working all steps, those of the means too
 */
public record SubgroupLimits(
        int n, double sigma, Line means, Line ranges, Line deviations, Working within, Working working) {

    /** Where σ̂ comes from. */
    public enum Sigma {
        /** R̄/d₂. */
        RANGES("R̄/d₂"),
        /** s̄/c₄. */
        DEVIATIONS("s̄/c₄"),
        /** √(mean of s²), the square root of the mean square within; not corrected for its bias, which is below 1 % from 26 degrees
         * of freedom on. */
        POOLED("√(mean of s²)");

        private final String formula;

        Sigma(String formula) {
            this.formula = formula;
        }

        private double sigma(double range, double deviation, double square, ChartConstants constants) {
            return switch (this) {
                case RANGES -> range / constants.d2();
                case DEVIATIONS -> deviation / constants.c4();
                case POOLED -> Math.sqrt(square);
            };
        }
    }

    /**
     * Centre and limits.
     *
     * @param centre in the middle
     * @param lower lower limit
     * @param upper upper limit
     */
    public record Line(double centre, double lower, double upper) {

        /** Whether a value lies beyond; one on a limit does not. */
        public boolean isBeyond(double value) {
            return Rounding.below(value, lower) || Rounding.above(value, upper);
        }
    }

    /**
     * Limits from subgroups of one size, in order.
     *
     * @param subgroups at least one, each of the same 2 to 100 values
     * @throws IllegalArgumentException for none, or for sizes that differ
     */
    public static SubgroupLimits of(List<double[]> subgroups, Sigma from) {
        if (subgroups.isEmpty() || subgroups.stream().anyMatch(group -> group.length != subgroups.get(0).length)) {
            throw new IllegalArgumentException("subgroups of one size are needed, and at least one of them");
        }
        int n = subgroups.get(0).length;
        ChartConstants constants = ChartConstants.of(n);
        Summary[] summaries = subgroups.stream().map(Summary::of).toArray(Summary[]::new);
        double grand = mean(summaries, Summary::mean);
        double range = mean(summaries, group -> group.greatest() - group.least());
        double deviation = mean(summaries, group -> group.sd().orElseThrow());
        double square = mean(summaries, group -> Math.pow(group.sd().orElseThrow(), 2));
        double sigma = from.sigma(range, deviation, square, constants);
        Line means = new Line(grand, grand - constants.a() * sigma, grand + constants.a() * sigma);
        Line ranges = new Line(constants.d2() * sigma, constants.d1Factor() * sigma, constants.d2Factor() * sigma);
        Line deviations = new Line(constants.c4() * sigma, constants.b5() * sigma, constants.b6() * sigma);
        String source = "ISO 7870-2";
        Working within = Working.of(
                new Step("subgroups", "k", "", "of n = " + n, subgroups.size(), "", ""),
                Step.of("mean range", "R̄", "", range, source),
                Step.of("mean standard deviation", "s̄", "", deviation, source),
                new Step(
                        "standard deviation within",
                        "σ̂",
                        from.formula,
                        "d₂ = " + Figures.significant(constants.d2(), 5) + ", c₄ = "
                                + Figures.significant(constants.c4(), 5),
                        sigma,
                        "",
                        source),
                Step.of("upper limit of the ranges", "", "D₂·σ̂", ranges.upper(), source),
                Step.of("upper limit of the standard deviations", "", "B₆·σ̂", deviations.upper(), source));
        Working ofMeans = Working.of(
                Step.of("centre of the means", "x̿", "mean of the means", grand, source),
                new Step("lower limit of the means", "", "x̿ − A·σ̂", "A = 3/√n", means.lower(), "", source),
                new Step("upper limit of the means", "", "x̿ + A·σ̂", "A = 3/√n", means.upper(), "", source));
        return new SubgroupLimits(n, sigma, means, ranges, deviations, within, within.then(ofMeans));
    }

    private static double mean(Summary[] summaries, ToDoubleFunction<Summary> figure) {
        return Arrays.stream(summaries).mapToDouble(figure).average().orElseThrow();
    }
}
