package org.ysometron.core.drift;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.distribution.continuous.BetaDistribution;
import org.hipparchus.distribution.continuous.FDistribution;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.stat.correlation.Covariance;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Hotelling's T² of individual lots with several characteristics at once: (x − x̄)'S⁻¹(x − x̄), which finds lots whose
 * characteristics are each within their limits and do not go together. Limits for the lots that x̄ and S came from by the beta
 * distribution, (m − 1)²/m·B(p/2, (m − p − 1)/2); for a later lot by F, p(m + 1)(m − 1)/(m(m − p))·F(p, m − p).
 *
 * <p>What drives a lot's T² is the characteristic without which it falls most: the fall is v²/p with v its entry of S⁻¹(x − x̄) and p its own entry on the diagonal
 * of S⁻¹ (R. L. Mason, N. D. Tracy and J. C. Young, Journal of Quality Technology 27, 1995).
 *
 * <p>Source: N. D. Tracy, J. C. Young and R. L. Mason, Journal of Quality Technology 24, 1992. With S from the differences of
 * neighbours (D. S. Holmes and A. E. Mergen, Quality Engineering 5, 1993) a lasting shift does not widen it, and both limits are
 * approximations.
 *
 * @param values T² of each lot
 * @param drivers index of the characteristic that drives each
 * @param limit for the lots themselves
 * @param later for a lot to come
 * @param working the steps
 */
public record TSquared(List<Double> values, List<Integer> drivers, double limit, double later, Working working) {

    /** Copies the lists. */
    public TSquared {
        values = List.copyOf(values);
        drivers = List.copyOf(drivers);
    }

    /** Where S comes from. */
    public enum Scatter {
        /** The sample covariance of the lots. */
        SAMPLE,
        /** Half the mean product of neighbours' differences. */
        NEIGHBOURS
    }

    /**
     * T² of lots in order.
     *
     * @param lots one row a lot, each with the same number p of characteristics, at least 2; at least p + 2 lots
     * @param level probability beyond a limit without a cause, such as 0.0027
     * @throws IllegalArgumentException when a characteristic does not scatter, or is a sum of others
     */
    public static TSquared of(double[][] lots, double level, Scatter from) {
        return of(lots, lots, level, from);
    }

    /**
     * T² of lots in order, of which the first are those that x̄ and S come from.
     *
     * @param baseline the first lots, at least p + 2
     * @param lots all of them, the baseline's first
     * @throws IllegalArgumentException as above
     */
    public static TSquared of(double[][] baseline, double[][] lots, double level, Scatter from) {
        int m = baseline.length;
        int p = m == 0 ? 0 : baseline[0].length;
        if (p < 2 || m < p + 2 || !(level > 0 && level < 1)) {
            throw new IllegalArgumentException(
                    "two characteristics at least, and two lots more than characteristics, are needed");
        }
        Shape shape = Shape.of(baseline, from);
        List<Double> values = new ArrayList<>();
        List<Integer> drivers = new ArrayList<>();
        for (double[] lot : lots) {
            RealVector away = shape.away(lot);
            RealVector pulled = shape.inverse.operate(away);
            values.add(away.dotProduct(pulled));
            drivers.add(shape.driver(pulled));
        }
        return limited(values, drivers, m, p, level);
    }

    /** Where lots lie and how they scatter, each characteristic in its own standard deviation so that units do not decide what is singular. */
    private record Shape(RealVector mean, double[] deviations, RealMatrix inverse) {

        static Shape of(double[][] lots, Scatter from) {
            RealMatrix data = MatrixUtils.createRealMatrix(lots);
            RealMatrix scatter = from == Scatter.SAMPLE ? new Covariance(data).getCovarianceMatrix() : neighbours(data);
            int p = data.getColumnDimension();
            RealVector mean = MatrixUtils.createRealVector(new double[p]);
            for (int i = 0; i < lots.length; i++) {
                mean = mean.add(data.getRowVector(i).mapDivide(lots.length));
            }
            double[] deviations = new double[p];
            Arrays.setAll(deviations, j -> Math.sqrt(scatter.getEntry(j, j)));
            try {
                RealMatrix inverse = new CholeskyDecomposition(correlation(scatter), 1e-12, 1e-12)
                        .getSolver()
                        .getInverse();
                return new Shape(mean, deviations, inverse);
            } catch (MathRuntimeException singular) {
                throw new IllegalArgumentException(
                        "a characteristic is alike in all lots, or follows from the others", singular);
            }
        }

        RealVector away(double[] lot) {
            RealVector away = MatrixUtils.createRealVector(lot).subtract(mean);
            for (int j = 0; j < deviations.length; j++) {
                away.setEntry(j, away.getEntry(j) / deviations[j]);
            }
            return away;
        }

        int driver(RealVector pulled) {
            int most = 0;
            for (int j = 1; j < deviations.length; j++) {
                most = fall(pulled, j) > fall(pulled, most) ? j : most;
            }
            return most;
        }

        private double fall(RealVector pulled, int j) {
            return pulled.getEntry(j) * pulled.getEntry(j) / inverse.getEntry(j, j);
        }
    }

    private static TSquared limited(List<Double> values, List<Integer> drivers, int m, int p, double level) {
        double beta = new BetaDistribution(p / 2.0, (m - p - 1) / 2.0).inverseCumulativeProbability(1 - level);
        double limit = (m - 1.0) * (m - 1) / m * beta;
        double f = new FDistribution(p, m - p).inverseCumulativeProbability(1 - level);
        double later = p * (m + 1.0) * (m - 1) / (m * (m - (double) p)) * f;
        String source = "Tracy, Young and Mason 1992";
        Working working = Working.of(
                Step.of("lots", "m", "", m),
                Step.of("characteristics", "p", "", p),
                Step.of("limit for these lots", "", "(m−1)²/m·B(p/2, (m−p−1)/2)", limit, source),
                Step.of("limit for a later lot", "", "p(m+1)(m−1)/(m(m−p))·F(p, m−p)", later, source));
        return new TSquared(values, drivers, limit, later, working);
    }

    /** Scaled to a diagonal of ones, so that units do not decide what is singular. */
    private static RealMatrix correlation(RealMatrix scatter) {
        int p = scatter.getRowDimension();
        RealMatrix scaled = scatter.copy();
        for (int i = 0; i < p; i++) {
            for (int j = 0; j < p; j++) {
                double both = Math.sqrt(scatter.getEntry(i, i) * scatter.getEntry(j, j));
                if (!(both > 0)) {
                    throw new IllegalArgumentException(
                            "a characteristic is alike in all lots, or follows from the others");
                }
                scaled.setEntry(i, j, scatter.getEntry(i, j) / both);
            }
        }
        return scaled;
    }

    private static RealMatrix neighbours(RealMatrix data) {
        int m = data.getRowDimension();
        int p = data.getColumnDimension();
        RealMatrix sum = MatrixUtils.createRealMatrix(p, p);
        for (int i = 1; i < m; i++) {
            RealVector step = data.getRowVector(i).subtract(data.getRowVector(i - 1));
            sum = sum.add(step.outerProduct(step));
        }
        return sum.scalarMultiply(1 / (2.0 * (m - 1)));
    }
}
