package org.ysometron.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.distribution.continuous.FDistribution;
import org.ysometron.core.statistics.Summary;

/**
 * Whether specimens differ by their place on a plate or in a cure chamber: analysis of variance over the places (or rows,
 * columns, cycles), F = MS_between/MS_within, with the variance that the places add. Where the specimens are of several sets,
 * places are compared within the sets: the sum of squares that places explain beside the sets (Yates, Journal of the American
 * Statistical Association 29, 1934), exact however unequal they are. A negative component is shown as zero and said so.
 *
 * @param places how many places
 * @param n how many specimens
 * @param f F statistic
 * @param p probability of such an F or a greater one without any effect
 * @param withinSd standard deviation within places and sets
 * @param betweenSd standard deviation that the places add; 0 when the estimate is negative
 * @param betweenNegative whether the estimate was negative
 */
public record PlaceEffect(
        int places, int n, double f, double p, double withinSd, double betweenSd, boolean betweenNegative) {

    /**
     * Tests for an effect among specimens of one set or of several, whose own means it is no effect of.
     *
     * @param values of all specimens
     * @param places the place of each
     * @param sets the set of each
     * @throws IllegalArgumentException when places are not compared within any set, or no scatter is left to compare with
     */
    public static PlaceEffect of(double[] values, int[] places, int[] sets) {
        if (values.length != places.length || values.length != sets.length) {
            throw new IllegalArgumentException("every value needs its place and its set");
        }
        Summary all = Summary.of(values);
        Fit bySet = Fit.of(values, sets);
        Fit byBoth = Fit.of(values, sets, places);
        int between = byBoth.rank - bySet.rank;
        int within = values.length - byBoth.rank;
        if (between < 1 || within < 1) {
            throw new IllegalArgumentException(
                    "a place effect needs two places of one set, and more values than means");
        }
        double meanWithin = byBoth.residual / within;
        double largest = Math.max(Math.abs(all.least()), Math.abs(all.greatest()));
        if (!(Math.sqrt(meanWithin) > Summary.ALIKE * largest)) {
            throw new IllegalArgumentException("the values within places are all alike; no scatter to compare with");
        }
        double meanBetween = Math.max(0, bySet.residual - byBoth.residual) / between;
        double f = meanBetween / meanWithin;
        double p = 1 - new FDistribution(between, within).cumulativeProbability(f);
        double component = (meanBetween - meanWithin) / byBoth.trace(bySet) * between;
        return new PlaceEffect(
                (int) Arrays.stream(places).distinct().count(),
                values.length,
                f,
                p,
                Math.sqrt(meanWithin),
                Math.sqrt(Math.max(0, component)),
                component < 0);
    }

    /**
     * A least-squares fit by group means, whatever depends on whatever.
     *
     * @param basis orthonormal, of the means that can be told apart
     * @param last the indicators that were fitted last, before they were made orthogonal
     */
    private record Fit(double residual, int rank, List<double[]> basis, List<double[]> last) {

        private static final double DEPENDENT = 1e-9;

        static Fit of(double[] values, int[]... factors) {
            List<double[]> basis = new ArrayList<>();
            List<double[]> last = List.of();
            for (int[] factor : factors) {
                last = indicators(factor);
                last.forEach(column -> add(basis, column));
            }
            double[] left = without(values, basis);
            return new Fit(dot(left, left), basis.size(), basis, last);
        }

        /** Expected sum of squares between per unit of variance that the places add: Σ of what is left of each indicator. */
        double trace(Fit before) {
            double sum = 0;
            for (double[] column : last) {
                double[] left = without(column, before.basis);
                sum += dot(left, left);
            }
            return sum;
        }

        private static List<double[]> indicators(int[] factor) {
            return Arrays.stream(factor)
                    .distinct()
                    .mapToObj(level -> Arrays.stream(factor)
                            .mapToDouble(of -> of == level ? 1 : 0)
                            .toArray())
                    .toList();
        }

        private static void add(List<double[]> basis, double[] column) {
            double length = Math.sqrt(dot(column, column));
            double[] left = without(without(column, basis), basis);
            double rest = Math.sqrt(dot(left, left));
            if (rest > DEPENDENT * length) {
                basis.add(Arrays.stream(left).map(x -> x / rest).toArray());
            }
        }

        private static double[] without(double[] vector, List<double[]> basis) {
            double[] left = vector.clone();
            for (double[] direction : basis) {
                double along = dot(left, direction);
                for (int i = 0; i < left.length; i++) {
                    left[i] -= along * direction[i];
                }
            }
            return left;
        }

        private static double dot(double[] one, double[] other) {
            double sum = 0;
            for (int i = 0; i < one.length; i++) {
                sum += one[i] * other[i];
            }
            return sum;
        }
    }
}
