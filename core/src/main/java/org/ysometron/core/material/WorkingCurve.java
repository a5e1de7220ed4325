package org.ysometron.core.material;

import java.util.Arrays;
import org.hipparchus.stat.regression.SimpleRegression;
import org.ysometron.core.statistics.formula.StudentT;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * Cure depth of a resin against exposure: Cd = Dp·ln(E/Ec), a straight line over ln E with slope Dp (penetration depth)
 * and Cd = 0 at Ec (critical exposure). Source: Jacobs, Rapid Prototyping and Manufacturing, 1992 (from memory).
 *
 * <p>Exposure may be a dose in mJ/cm² or, for a light engine of constant irradiance, a time in s; Ec has the same unit.
 *
 * @param count points fitted
 * @param penetration Dp in mm
 * @param penetrationError its standard error
 * @param penetrationLower lower end of its two-sided 95 % interval
 * @param penetrationUpper upper end
 * @param critical Ec in the unit of the exposures
 * @param criticalLower lower end of its two-sided 95 % interval, from ln Ec by the delta method
 * @param criticalUpper upper end
 * @param residual standard deviation of the depths about the line, in mm
 * @param determination r²
 * @param working the steps
 */
public record WorkingCurve(
        int count,
        double penetration,
        double penetrationError,
        double penetrationLower,
        double penetrationUpper,
        double critical,
        double criticalLower,
        double criticalUpper,
        double residual,
        double determination,
        Working working) {

    /** Exposures below which the fit is marked as thin. */
    public static final int EXPOSURES_WANTED = 5;

    /**
     * Fits the line.
     *
     * @param exposures above 0, at least three of them and two different
     * @param depths cure depths in mm, above 0, same length
     * @param unit symbol of the exposures' unit, for the working
     * @throws IllegalArgumentException when there are too few points, or depth does not grow with exposure
     */
    public static WorkingCurve fit(double[] exposures, double[] depths, String unit) {
        SimpleRegression line = line(exposures, depths);
        double slope = line.getSlope();
        if (!(slope > 0)) {
            throw new IllegalArgumentException("the depth does not grow with the exposure; no working curve fits");
        }
        double logCritical = -line.getIntercept() / slope;
        double t = StudentT.quantile(0.975, exposures.length - 2.0);
        double slopeError = line.getSlopeStdErr();
        double meanLog = Arrays.stream(exposures).map(Math::log).average().orElseThrow();
        double interceptError = line.getInterceptStdErr();
        // ln Ec = −b/m: var = (σb² + (ln Ec)²σm² + 2·ln Ec·cov)/m², cov(b, m) = −mean(ln E)·σm².
        double logVariance = (interceptError * interceptError
                        + logCritical * logCritical * slopeError * slopeError
                        - 2 * logCritical * meanLog * slopeError * slopeError)
                / (slope * slope);
        double logError = Math.sqrt(Math.max(0, logVariance));
        double residual = Math.sqrt(line.getMeanSquareError());
        String source = "Jacobs 1992; least squares of Cd on ln E";
        Working working = Working.of(
                Step.of("exposures", "k", "", exposures.length),
                new Step("penetration depth", "Dp", "slope of Cd on ln E", "", slope, "mm", source),
                new Step("its standard error", "u(Dp)", "", "", slopeError, "mm", source),
                new Step("critical exposure", "Ec", "exp(−b/Dp)", "", Math.exp(logCritical), unit, source),
                Step.of("standard error of ln Ec", "u", "delta method", logError),
                Step.of("two-sided factor for 95 %", "t", "t(0.975; k − 2)", t, "Student's t distribution"),
                new Step("standard deviation about the line", "", "√(Σr²/(k − 2))", "", residual, "mm", source));
        return new WorkingCurve(
                exposures.length,
                slope,
                slopeError,
                slope - t * slopeError,
                slope + t * slopeError,
                Math.exp(logCritical),
                Math.exp(logCritical - t * logError),
                Math.exp(logCritical + t * logError),
                residual,
                line.getRSquare(),
                working);
    }

    private static SimpleRegression line(double[] exposures, double[] depths) {
        if (exposures.length != depths.length || exposures.length < 3) {
            throw new IllegalArgumentException("a working curve needs at least three exposures with a depth each, got "
                    + exposures.length + " and " + depths.length);
        }
        SimpleRegression line = new SimpleRegression(true);
        for (int i = 0; i < exposures.length; i++) {
            if (!(exposures[i] > 0 && depths[i] > 0)
                    || Double.isInfinite(exposures[i])
                    || Double.isInfinite(depths[i])) {
                throw new IllegalArgumentException(
                        "exposures and depths above zero are needed, got " + exposures[i] + " and " + depths[i]);
            }
            line.addData(Math.log(exposures[i]), depths[i]);
        }
        return line;
    }

    /** Cure depth in mm at an exposure above 0; zero below the critical exposure, where nothing cures. */
    public double depth(double exposure) {
        return Math.max(0, penetration * Math.log(exposure / critical));
    }

    /** The exposure that cures to this depth, above 0, in mm. */
    public double exposureFor(double depth) {
        return critical * Math.exp(depth / penetration);
    }

    /**
     * How far an exposure is from the one that the fit asks for.
     *
     * @param depth cure depth at the exposure, in mm
     * @param overcure depth over layer height
     * @param wanted exposure that the fit gives for the wanted depth
     * @param excess exposure over the wanted one, minus 1
     */
    public record Margin(double depth, double overcure, double wanted, double excess) {}

    /**
     * Compares an exposure in use with the fit.
     *
     * @param exposure in use, in the unit of the fit, above 0
     * @param layer layer height in mm, above 0
     * @param overcure depth wanted over layer height, above 1
     */
    public Margin margin(double exposure, double layer, double overcure) {
        if (!(exposure > 0 && layer > 0 && overcure > 1)) {
            throw new IllegalArgumentException("needs an exposure and a layer above zero and an overcure above 1");
        }
        double wanted = exposureFor(layer * overcure);
        double depth = depth(exposure);
        return new Margin(depth, depth / layer, wanted, exposure / wanted - 1);
    }
}
