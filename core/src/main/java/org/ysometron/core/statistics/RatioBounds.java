package org.ysometron.core.statistics;

import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * The two one-sided confidence bounds of a ratio of two means of independent specimens, by the logarithm of the ratio.
 *
 * <p>ln r has variance s₁²/(n₁·x̄₁²) + s₂²/(n₂·x̄₂²) + u_cal² (delta method), ν by Welch and Satterthwaite with u_cal
 * taken as exactly known. A calibration error common to both means cancels: u_cal is what does not, as when the two were
 * measured with different gauges.
 *
 * @param ratio x̄₁/x̄₂
 * @param lower lower one-sided bound
 * @param upper upper one-sided bound
 * @param logUncertainty standard uncertainty of ln r
 * @param degreesOfFreedom ν
 * @param t the quantile used
 * @param working the steps
 */
public record RatioBounds(
        double ratio,
        double lower,
        double upper,
        double logUncertainty,
        double degreesOfFreedom,
        double t,
        Working working) {

    /**
     * Bounds of numerator over denominator.
     *
     * @param numerator n at least 2, mean above 0
     * @param denominator n at least 2, mean above 0
     * @param confidence one-sided, above 0.5 and below 1
     */
    public static RatioBounds of(Summary numerator, Summary denominator, double confidence) {
        return of(numerator, denominator, confidence, 0);
    }

    /**
     * Bounds where calibration does not cancel.
     *
     * @param relativeCalibration relative standard uncertainty of the ratio from calibration, at least 0
     */
    public static RatioBounds of(
            Summary numerator, Summary denominator, double confidence, double relativeCalibration) {
        require(numerator, denominator, confidence, relativeCalibration);
        double v1 = relativeVariance(numerator);
        double v2 = relativeVariance(denominator);
        double u = Math.sqrt(v1 + v2 + relativeCalibration * relativeCalibration);
        double nu = freedom(v1, numerator.n() - 1.0, v2, denominator.n() - 1.0, u * u);
        double t = StudentT.quantile(confidence, nu);
        double ratio = numerator.mean() / denominator.mean();
        double lower = ratio * Math.exp(-t * u);
        double upper = ratio * Math.exp(t * u);
        String exponent = Figures.significant(t, 4) + " · " + Figures.significant(u, 4) + ")";
        String bound = Figures.significant(ratio, 4) + "·exp(";
        String own = relativeCalibration > 0 ? " + " + Figures.significant(relativeCalibration, 3) + "²" : "";
        Working working = Working.of(
                new Step(
                        "ratio of the means",
                        "r",
                        "r = x̄₁/x̄₂",
                        Figures.significant(numerator.mean(), 5) + "/" + Figures.significant(denominator.mean(), 5),
                        ratio,
                        "",
                        ""),
                new Step(
                        "standard uncertainty of ln r",
                        "u",
                        relativeCalibration > 0
                                ? "u = √(s₁²/(n₁x̄₁²) + s₂²/(n₂x̄₂²) + u_cal²)"
                                : "u = √(s₁²/(n₁x̄₁²) + s₂²/(n₂x̄₂²))",
                        "√(" + Figures.significant(v1, 4) + " + " + Figures.significant(v2, 4) + own + ")",
                        u,
                        "",
                        relativeCalibration > 0
                                ? "delta method; calibration that the two do not share"
                                : "delta method; a common calibration error cancels"),
                Step.of("degrees of freedom", "ν", "Welch–Satterthwaite", nu, "JCGM 100:2008, G.4"),
                Step.of("one-sided factor", "t", "t(γ; ν)", t, "Student's t distribution"),
                new Step("lower bound of the ratio", "r₋", "r·exp(−t·u)", bound + "−" + exponent, lower, "", ""),
                new Step("upper bound of the ratio", "r₊", "r·exp(+t·u)", bound + exponent, upper, "", ""));
        return new RatioBounds(ratio, lower, upper, u, nu, t, working);
    }

    private static void require(Summary numerator, Summary denominator, double confidence, double relativeCalibration) {
        if (numerator.sd().isEmpty() || denominator.sd().isEmpty()) {
            throw new IllegalArgumentException("a bound of a ratio needs n of at least 2 on both sides");
        }
        if (!(numerator.mean() > 0 && denominator.mean() > 0)) {
            throw new IllegalArgumentException("a bound of a ratio by logarithms needs means above zero");
        }
        if (!(confidence > 0.5 && confidence < 1)) {
            throw new IllegalArgumentException("a confidence above 0.5 and below 1 is needed, got " + confidence);
        }
        if (!(relativeCalibration >= 0)) {
            throw new IllegalArgumentException("a calibration uncertainty of at least 0 is needed");
        }
    }

    /**
     * By Welch and Satterthwaite, in shares of the variance so that nothing runs out of a double's range. Without scatter all
     * of it is the calibration's, which is taken as exactly known: ν is without limit. Without any variance the bounds are the
     * ratio itself, whatever ν is said to be.
     */
    private static double freedom(double v1, double nu1, double v2, double nu2, double variance) {
        if (variance == 0) {
            return nu1 + nu2;
        }
        double one = v1 / variance;
        double other = v2 / variance;
        double parts = one * one / nu1 + other * other / nu2;
        return parts == 0 ? StudentT.UNLIMITED : Math.min(StudentT.UNLIMITED, 1 / parts);
    }

    private static double relativeVariance(Summary summary) {
        double relative = summary.sd().orElseThrow() / summary.mean();
        return relative * relative / summary.n();
    }
}
