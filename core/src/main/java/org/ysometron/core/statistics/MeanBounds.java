package org.ysometron.core.statistics;

import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * The two one-sided confidence bounds of a mean. Each holds alone with the stated confidence.
 *
 * <p>x̄ ∓ t(γ; ν)·u with u² = s²/n + u_cal². Without a calibration uncertainty this is the t bound of the mean with
 * ν = n − 1 (ISO 2602); with one, ν is the effective number of degrees of freedom by Welch and Satterthwaite
 * (JCGM 100:2008, G.4), u_cal being taken as exactly known.
 *
 * @param mean the mean bounded
 * @param lower the population mean lies above this with the stated confidence
 * @param upper the population mean lies below this with the stated confidence
 * @param standardUncertainty u
 * @param degreesOfFreedom ν
 * @param t the quantile used
 * @param confidence one-sided, γ
 * @param working the steps
 */
public record MeanBounds(
        double mean,
        double lower,
        double upper,
        double standardUncertainty,
        double degreesOfFreedom,
        double t,
        double confidence,
        Working working) {

    /**
     * Bounds from the values' own scatter.
     *
     * @param summary n at least 2
     * @param calibrationUncertainty standard uncertainty common to all values, in their unit; zero when none is known
     * @param confidence one-sided, above 0.5 and below 1
     * @param unit symbol of the values' unit, for the working
     * @throws IllegalArgumentException for n = 1 (no scatter of its own) or a confidence out of range
     */
    public static MeanBounds of(Summary summary, double calibrationUncertainty, double confidence, String unit) {
        if (summary.sd().isEmpty()) {
            throw new IllegalArgumentException("one value has no scatter of its own; a bound needs n of at least 2");
        }
        return of(
                summary.mean(),
                summary.n(),
                summary.sd().getAsDouble(),
                summary.n() - 1.0,
                calibrationUncertainty,
                confidence,
                unit);
    }

    /**
     * Bounds for a mean of {@code n} values with a standard deviation known from elsewhere, such as the pooled scatter
     * of earlier lots.
     *
     * @param sd standard deviation of single values, at least 0
     * @param sdDegreesOfFreedom how well {@code sd} is known, above 0
     */
    public static MeanBounds of(
            double mean,
            int n,
            double sd,
            double sdDegreesOfFreedom,
            double calibrationUncertainty,
            double confidence,
            String unit) {
        if (!(confidence > 0.5 && confidence < 1)) {
            throw new IllegalArgumentException("a confidence above 0.5 and below 1 is needed, got " + confidence);
        }
        if (!(sd >= 0) || !(calibrationUncertainty >= 0) || !(sdDegreesOfFreedom > 0) || n < 1) {
            throw new IllegalArgumentException(
                    "scatter, calibration uncertainty, degrees of freedom or n out of range");
        }
        double scatter = sd * sd / n;
        double variance = scatter + calibrationUncertainty * calibrationUncertainty;
        double u = Math.sqrt(variance);
        double nu = freedom(sdDegreesOfFreedom, scatter, variance);
        double t = StudentT.quantile(confidence, nu);
        Working working = working(mean, n, sd, calibrationUncertainty, u, nu, t, confidence, unit);
        return new MeanBounds(mean, mean - t * u, mean + t * u, u, nu, t, confidence, working);
    }

    /**
     * ν_s·(u²/(s²/n))². The less the values scatter the more of u is the calibration's, which is taken as exactly known: with
     * none at all ν is without limit, and nothing jumps on the way there.
     */
    private static double freedom(double ofScatter, double scatter, double variance) {
        if (variance == scatter) {
            return ofScatter;
        }
        double share = scatter == 0 ? Double.POSITIVE_INFINITY : variance / scatter;
        return Math.min(StudentT.UNLIMITED, ofScatter * share * share);
    }

    private static Working working(
            double mean, int n, double sd, double cal, double u, double nu, double t, double confidence, String unit) {
        String level = Figures.significant(100 * confidence, 3) + " %";
        boolean calibrated = cal > 0;
        Working calibration = calibrated
                ? Working.of(new Step(
                        "calibration uncertainty common to all values",
                        "u_cal",
                        "",
                        "from the instrument's certificate",
                        cal,
                        unit,
                        "JCGM 100:2008, 4.3"))
                : Working.NONE;
        return calibration.then(Working.of(
                new Step(
                        "standard uncertainty of the mean",
                        "u",
                        calibrated ? "u = √(s²/n + u_cal²)" : "u = s/√n",
                        calibrated
                                ? "√(" + Figures.significant(sd, 4) + "²/" + n + " + " + Figures.significant(cal, 3)
                                        + "²)"
                                : Figures.significant(sd, 4) + "/√" + n,
                        u,
                        unit,
                        calibrated ? "JCGM 100:2008, 5.1" : "ISO 2602"),
                Step.of(
                        "degrees of freedom",
                        "ν",
                        calibrated ? "ν = ν_s·(u²/(s²/n))²" : "",
                        nu,
                        calibrated ? "JCGM 100:2008, G.4" : ""),
                Step.of(
                        "one-sided factor for " + level + " confidence",
                        "t",
                        "t(" + Figures.significant(confidence, 3) + "; ν)",
                        t,
                        "Student's t distribution"),
                bound(true, level, mean, t, u, unit),
                bound(false, level, mean, t, u, unit)));
    }

    private static Step bound(boolean lower, String level, double mean, double t, double u, String unit) {
        String sign = lower ? " − " : " + ";
        return new Step(
                (lower ? "lower " : "upper ") + level + " bound of the mean",
                lower ? "x̄₋" : "x̄₊",
                "x̄" + sign + "t·u",
                Figures.significant(mean, 5) + sign + Figures.significant(t, 4) + " · " + Figures.significant(u, 4),
                lower ? mean - t * u : mean + t * u,
                unit,
                "ISO 2602, one-sided");
    }
}
