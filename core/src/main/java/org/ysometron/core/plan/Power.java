package org.ysometron.core.plan;

import java.util.OptionalInt;
import org.ysometron.core.drift.AverageRunLength;
import org.ysometron.core.statistics.formula.NoncentralT;
import org.ysometron.core.statistics.formula.ScaledChi;
import org.ysometron.core.statistics.formula.StandardNormal;
import org.ysometron.core.statistics.formula.StudentT;

/**
 * What a number of specimens can show, before any is made.
 *
 * <p>A claim about the mean is supported when x̄ − t(γ; n − 1)·s/√n lies inside its edge. For a lot whose true mean lies a
 * margin Δ inside the edge that happens with probability 1 − F(t; n − 1, Δ√n/σ), F being the noncentral t distribution:
 * the power of the one-sided t test (E. L. Lehmann, Testing Statistical Hypotheses, ch. 5; the values of general statistics
 * libraries). For a claim with two edges both bounds have to lie inside, integrated over s. A calibration uncertainty is left out: it takes away from the margin and no n makes it smaller.
 */
public final class Power {

    /** Beyond this many specimens the answer is that more testing is not the way. */
    public static final int MOST = 500;

    private Power() {}

    /**
     * Probability of <i>supported</i>.
     *
     * @param margin distance of the true mean inside the claim's edge, in the property's unit; below zero when outside
     * @param sd scatter within lots, same unit, above 0
     * @param n number of specimens, at least 1; one specimen has no scatter of its own and supports nothing
     * @param confidence one-sided, above 0.5 and below 1
     */
    public static double supported(double margin, double sd, int n, double confidence) {
        require(sd, confidence);
        if (n < 1 || !Double.isFinite(margin)) {
            throw new IllegalArgumentException("a finite margin and at least one specimen are needed");
        }
        if (n == 1) {
            return 0;
        }
        double t = StudentT.quantile(confidence, n - 1.0);
        return 1 - NoncentralT.cumulative(t, n - 1.0, margin * Math.sqrt(n) / sd);
    }

    /**
     * Probability of <i>supported</i> for a claim with two edges: both bounds lie inside.
     *
     * @param below distance of the true mean above the lower edge
     * @param above distance of the true mean below the upper edge
     */
    public static double supported(double below, double above, double sd, int n, double confidence) {
        require(sd, confidence);
        if (n < 1 || !Double.isFinite(below) || !Double.isFinite(above)) {
            throw new IllegalArgumentException("finite margins and at least one specimen are needed");
        }
        if (n == 1 || below + above <= 0) {
            return 0;
        }
        double t = StudentT.quantile(confidence, n - 1.0);
        double low = below * Math.sqrt(n) / sd;
        double high = above * Math.sqrt(n) / sd;
        // With s beyond this the two bounds do not both fit, wherever the mean is found.
        double widest = (low + high) / (2 * t);
        return ScaledChi.expectation(
                n - 1.0,
                widest,
                widest / 64,
                s -> s >= widest ? 0 : StandardNormal.below(high - t * s) - StandardNormal.below(t * s - low));
    }

    /**
     * Specimens needed for a probability of <i>supported</i>.
     *
     * @param power wanted, between 0 and 1
     * @return empty when {@link #MOST} would not do
     */
    public static OptionalInt specimens(double margin, double sd, double power, double confidence) {
        if (!(power > 0 && power < 1)) {
            throw new IllegalArgumentException("a power between 0 and 1 is needed, got " + power);
        }
        if (supported(margin, sd, 2, confidence) >= power) {
            return OptionalInt.of(2);
        }
        if (supported(margin, sd, MOST, confidence) < power) {
            return OptionalInt.empty();
        }
        // Inside the edge more specimens never show less: halve what is left.
        int few = 2;
        int enough = MOST;
        while (enough - few > 1) {
            int middle = (few + enough) / 2;
            if (supported(margin, sd, middle, confidence) >= power) {
                enough = middle;
            } else {
                few = middle;
            }
        }
        return OptionalInt.of(enough);
    }

    /** The margin that n specimens, at least 2, need for a probability of <i>supported</i>, in the unit of the scatter. */
    public static double margin(double sd, int n, double power, double confidence) {
        require(sd, confidence);
        if (n < 2 || !(power > 0 && power < 1)) {
            throw new IllegalArgumentException("at least two specimens and a power between 0 and 1 are needed");
        }
        double low = 0;
        double high = sd;
        while (supported(high, sd, n, confidence) < power) {
            high *= 2;
        }
        // The power rises with the margin, so halving closes in; 60 halvings leave less than a double can tell.
        for (int i = 0; i < 60; i++) {
            double middle = (low + high) / 2;
            if (supported(middle, sd, n, confidence) < power) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    /**
     * The smallest shift of the mean that a chart with 3σ limits and eight on one side finds within so many lots, on
     * average, in standard deviations of a lot mean.
     *
     * @param lots at least 1.01, for one lot is needed however large the shift
     */
    public static double shiftFoundWithin(double lots) {
        if (!(lots >= 1.01)) {
            throw new IllegalArgumentException("a shift is found within more than one lot, got " + lots);
        }
        double low = 0;
        double high = 12;
        for (int i = 0; i < 50; i++) {
            double middle = (low + high) / 2;
            if (AverageRunLength.beyondLimitsOrRun(3, 8, middle) > lots) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    private static void require(double sd, double confidence) {
        if (!(sd > 0) || Double.isInfinite(sd) || !(confidence > 0.5 && confidence < 1)) {
            throw new IllegalArgumentException(
                    "a scatter above zero and a confidence above 0.5 and below 1 are needed");
        }
    }
}
