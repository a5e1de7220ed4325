package org.ysometron.core.drift;

import java.util.ArrayList;
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
 * <p>Source: N. D. Tracy, J. C. Young and R. L. Mason, Journal of Quality Technology 24, 1992. With S from the differences of
 * neighbours (D. S. Holmes and A. E. Mergen, Quality Engineering 5, 1993) a lasting shift does not widen it, and both limits are
 * approximations.
 *
 * @param values T² of each lot
 * @param limit for the lots themselves
 * @param later for a lot to come
 * @param working the steps
 */
public record TSquared(List<Double> values, double limit, double later, Working working) {

    /** Copies the values. */
    public TSquared {
        values = List.copyOf(values);
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
        int m = lots.length;
        int p = m == 0 ? 0 : lots[0].length;
        if (p < 2 || m < p + 2 || !(level > 0 && level < 1)) {
            throw new IllegalArgumentException(
                    "two characteristics at least, and two lots more than characteristics, are needed");
        }
        RealMatrix data = MatrixUtils.createRealMatrix(lots);
        RealMatrix scatter = from == Scatter.SAMPLE ? new Covariance(data).getCovarianceMatrix() : neighbours(data);
        RealVector mean = MatrixUtils.createRealVector(new double[p]);
        for (int i = 0; i < m; i++) {
            mean = mean.add(data.getRowVector(i).mapDivide(m));
        }
        List<Double> values = new ArrayList<>();
        try {
            CholeskyDecomposition root = new CholeskyDecomposition(correlation(scatter), 1e-12, 1e-12);
            for (int i = 0; i < m; i++) {
                RealVector away = data.getRowVector(i).subtract(mean);
                for (int j = 0; j < p; j++) {
                    away.setEntry(j, away.getEntry(j) / Math.sqrt(scatter.getEntry(j, j)));
                }
                values.add(away.dotProduct(root.getSolver().solve(away)));
            }
        } catch (MathRuntimeException singular) {
            throw new IllegalArgumentException(
                    "a characteristic is alike in all lots, or follows from the others", singular);
        }
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
        return new TSquared(values, limit, later, working);
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
