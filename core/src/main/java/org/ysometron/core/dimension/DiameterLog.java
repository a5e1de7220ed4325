package org.ysometron.core.dimension;

import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * A filament's diameter along its length, reading by reading, in memory that does not grow with the number of readings.
 *
 * <p>Two perpendicular diameters x and y at each position: d = (x + y)/2, ovality = |x − y|. Positions must rise; the
 * share outside tolerance is a share of length, each reading standing for the way from the reading before.
 *
 * <p>Working units: mm throughout.
 */
public final class DiameterLog {

    /** Readings below which nothing is said of a step or a wobble (common practice, no source). */
    public static final int LEAST_FOR_SHAPE = 256;

    /** Diameters above this, in mm, are no filament's. */
    private static final int GREATEST = 100;

    /** Positions beyond this, in mm, are no log's. */
    private static final double FARTHEST = 1e10;

    /** The longest distance of two readings over the shortest up to which they count as evenly spaced. */
    private static final double UNEVEN = 1.5;

    /** Shares whose quantiles are told. */
    private static final double[] SHARES = {0.01, 0.05, 0.5, 0.95, 0.99};

    private final double nominal;
    private final double tolerance;
    private final Blocks blocks = new Blocks();
    private final Spectrum spectrum = new Spectrum();

    private long rows;
    private double first;
    private double last;
    private double least = Double.POSITIVE_INFINITY;
    private double greatest = Double.NEGATIVE_INFINITY;
    private double leastAt;
    private double greatestAt;
    private double offsetSum;
    private double offsetSquares;
    private double ovalitySum;
    private double ovalityGreatest;
    private double ovalityGreatestAt;
    private double outside;
    private double runStart;
    private double longestRun;
    private double longestRunAt;
    private boolean inRun;
    private final DiameterCounts counts = new DiameterCounts();
    private final Axis[] axes = {new Axis(), new Axis()};
    private double before;
    private double alongLength;
    private double squaresAlongLength;
    private double shortestStep = Double.POSITIVE_INFINITY;
    private double longestStep;

    /**
     * An empty log.
     *
     * @param nominal nominal diameter in mm, above 0
     * @param tolerance allowed deviation either way in mm, above 0 and below the nominal diameter
     */
    public DiameterLog(double nominal, double tolerance) {
        if (!(nominal > 0 && tolerance > 0 && tolerance < nominal)) {
            throw new IllegalArgumentException("a nominal diameter above zero and a smaller tolerance are needed; got "
                    + nominal + " and " + tolerance);
        }
        this.nominal = nominal;
        this.tolerance = tolerance;
    }

    /**
     * A place at which something was seen.
     *
     * @param value in mm
     * @param at position in mm
     */
    public record Extreme(double value, double at) {}

    /**
     * A change of level: where the mean jumps and by how much, as the split that leaves the least scatter.
     *
     * @param at position in mm
     * @param change mean behind minus mean before, in mm
     * @param f F statistic of the split over block means, lowered for their correlation
     */
    public record Step(double at, double change, double f) {}

    /**
     * A regular wobble.
     *
     * @param wavelength in mm
     * @param amplitude half of peak to peak, in mm
     * @param prominence how often the peak's power exceeds the median power of the lines around it
     */
    public record Wobble(double wavelength, double amplitude, double prominence) {}

    /**
     * One line of the spectrum, for drawing.
     *
     * @param wavelength in mm
     * @param amplitude in mm
     */
    public record Line(double wavelength, double amplitude) {}

    /**
     * What the log says.
     *
     * @param rows number of readings
     * @param length from the first position to the last, in mm
     * @param mean mean diameter in mm
     * @param sd standard deviation of the readings in mm
     * @param least smallest diameter and where
     * @param greatest largest diameter and where
     * @param ovalityMean mean of |x − y| in mm
     * @param ovalityGreatest largest |x − y| and where
     * @param shareOutside share of the length outside nominal ± tolerance, 0 to 1
     * @param longestRun longest stretch outside, in mm, and where it begins
     * @param flowError relative error of the volume fed, mean of (d/d_nom)² − 1
     * @param diameterStep a jump of the mean diameter
     * @param ovalityStep a jump of the mean ovality
     * @param wobble the dominant wobble of the diameter
     * @param lines the spectrum
     * @param alongLength mean over the length and what follows from it
     * @param quantiles 1st, 5th, 50th, 95th and 99th hundredth of the diameters, in mm
     * @param axes figures of either diameter, first x, then y
     * @param leftOut what was not looked for, and why, in a sentence; empty when nothing was
     */
    public record Result(
            long rows,
            double length,
            double mean,
            double sd,
            Extreme least,
            Extreme greatest,
            double ovalityMean,
            Extreme ovalityGreatest,
            double shareOutside,
            Extreme longestRun,
            double flowError,
            Optional<Step> diameterStep,
            Optional<Step> ovalityStep,
            Optional<Wobble> wobble,
            List<Line> lines,
            AlongLength alongLength,
            List<Double> quantiles,
            List<Extremes> axes,
            String leftOut) {

        /** Copies the lists. */
        public Result {
            lines = List.copyOf(lines);
            quantiles = List.copyOf(quantiles);
            axes = List.copyOf(axes);
        }
    }

    /**
     * Means over the length, between readings as a straight line, whatever the spacing.
     *
     * @param mean mean diameter in mm
     * @param meanSquare mean of its square in mm², which the volume follows
     */
    public record AlongLength(double mean, double meanSquare) {

        /**
         * Mass of a metre in g, each place taken as round.
         *
         * @param density in g/cm³, above 0
         */
        public double linearDensity(double density) {
            return density * Math.PI / 4 * meanSquare;
        }

        /**
         * Mass of a length in g.
         *
         * @param length in mm
         */
        public double mass(double density, double length) {
            return linearDensity(density) * length / 1000;
        }
    }

    /**
     * One of the two diameters by itself.
     *
     * @param mean in mm
     * @param sd standard deviation of the readings in mm
     * @param least in mm
     * @param greatest in mm
     */
    public record Extremes(double mean, double sd, double least, double greatest) {}

    /** Sums of one diameter, about its first reading so that squares lose no digits. */
    private static final class Axis {
        private double origin;
        private double sum;
        private double squares;
        private double least = Double.POSITIVE_INFINITY;
        private double greatest = Double.NEGATIVE_INFINITY;

        private void accept(double diameter, boolean isFirst) {
            origin = isFirst ? diameter : origin;
            sum += diameter - origin;
            squares += (diameter - origin) * (diameter - origin);
            least = Math.min(least, diameter);
            greatest = Math.max(greatest, diameter);
        }

        private Extremes finish(long rows) {
            double mean = sum / rows;
            double variance = Math.max(0, (squares - rows * mean * mean) / (rows - 1));
            return new Extremes(origin + mean, Math.sqrt(variance), least, greatest);
        }
    }

    /**
     * Takes the next reading.
     *
     * @param z position in mm, greater than the one before
     * @param x first diameter in mm, above 0
     * @param y second diameter, perpendicular to the first, in mm, above 0
     * @throws IllegalArgumentException when the position does not rise or a diameter is not above zero
     */
    public void accept(double z, double x, double y) {
        require(z, x, y);
        double step = z - last;
        double d = (x + y) / 2;
        double ovality = Math.abs(x - y);
        boolean isOutside = Rounding.beyond(d, nominal, tolerance);
        if (rows == 0) {
            first = z;
        } else {
            shortestStep = Math.min(shortestStep, step);
            longestStep = Math.max(longestStep, step);
            outside += isOutside ? step : 0;
            alongLength += step * (d + before) / 2;
            // Simpson's rule, exact for the square of a straight line.
            squaresAlongLength += step * (d * d + d * before + before * before) / 3;
        }
        before = d;
        counts.accept(d);
        axes[0].accept(x, rows == 0);
        axes[1].accept(y, rows == 0);
        follow(z, isOutside);
        remember(z, d, ovality);
        // Sums of the small distance from nominal, so that squares lose no digits over millions of readings.
        double offset = d - nominal;
        offsetSum += offset;
        offsetSquares += offset * offset;
        ovalitySum += ovality;
        blocks.accept(z, offset, ovality);
        spectrum.accept(offset);
        last = z;
        rows++;
    }

    /** The extremes and where they were. */
    private void remember(double z, double d, double ovality) {
        if (d < least) {
            least = d;
            leastAt = z;
        }
        if (d > greatest) {
            greatest = d;
            greatestAt = z;
        }
        if (ovality > ovalityGreatest || rows == 0) {
            ovalityGreatest = ovality;
            ovalityGreatestAt = z;
        }
    }

    private void require(double z, double x, double y) {
        if (!(x > 0 && y > 0 && x <= GREATEST && y <= GREATEST)) {
            throw new IllegalArgumentException(
                    "a diameter above zero and of " + GREATEST + " mm at the most is needed, got " + x + " and " + y);
        }
        if (!(Math.abs(z) <= FARTHEST)) {
            throw new IllegalArgumentException("positions must rise and stay within 10,000 km, got " + z + " mm");
        }
        if (rows > 0 && !(z > last)) {
            throw new IllegalArgumentException("positions must rise: " + z + " comes after " + last);
        }
    }

    /** Number of readings taken so far. */
    public long rows() {
        return rows;
    }

    /**
     * What the readings say.
     *
     * @throws IllegalArgumentException with fewer than two readings
     */
    public Result finish() {
        if (rows < 2) {
            throw new IllegalArgumentException("a log needs at least two readings, got " + rows);
        }
        closeRun(last);
        double length = last - first;
        double meanOffset = offsetSum / rows;
        double variance = Math.max(0, (offsetSquares - rows * meanOffset * meanOffset) / (rows - 1));
        double spacing = length / (rows - 1);
        boolean shaped = rows >= LEAST_FOR_SHAPE;
        // A spectrum over the count of readings is one over length only where they are evenly spaced.
        Optional<Spectrum.Found> found =
                shaped && isEven() ? Optional.of(spectrum.finish(spacing, blocks)) : Optional.empty();
        return new Result(
                rows,
                length,
                nominal + meanOffset,
                Math.sqrt(variance),
                new Extreme(least, leastAt),
                new Extreme(greatest, greatestAt),
                ovalitySum / rows,
                new Extreme(ovalityGreatest, ovalityGreatestAt),
                outside / length,
                new Extreme(longestRun, longestRunAt),
                meanFlowError(meanOffset, offsetSquares / rows),
                shaped ? blocks.diameterStep(tolerance) : Optional.empty(),
                shaped ? blocks.ovalityStep(tolerance) : Optional.empty(),
                found.flatMap(Spectrum.Found::wobble),
                found.map(Spectrum.Found::lines).orElse(List.of()),
                new AlongLength(alongLength / length, squaresAlongLength / length),
                DoubleStream.of(SHARES).map(counts::quantile).boxed().toList(),
                List.of(axes[0].finish(rows), axes[1].finish(rows)),
                leftOut());
    }

    private boolean isEven() {
        return longestStep <= UNEVEN * shortestStep;
    }

    private String leftOut() {
        if (rows < LEAST_FOR_SHAPE) {
            return "Steps and wobble are not looked for in fewer than " + LEAST_FOR_SHAPE + " readings.";
        }
        return isEven()
                ? ""
                : "No wobble is looked for: the readings are not evenly spaced, " + Figures.significant(shortestStep, 3)
                        + " to " + Figures.significant(longestStep, 3) + " mm apart.";
    }

    /** Mean of (d/d_nom)² − 1 from the mean offset and the mean squared offset: (2·o + o²/d)/d. */
    private double meanFlowError(double meanOffset, double meanSquare) {
        return (2 * meanOffset + meanSquare / nominal) / nominal;
    }

    /** Relative error of the volume fed by one diameter: (d/d_nom)² − 1. */
    public static double flowError(double diameter, double nominal) {
        double ratio = diameter / nominal;
        return ratio * ratio - 1;
    }

    private void follow(double z, boolean isOutside) {
        if (isOutside && !inRun) {
            inRun = true;
            runStart = rows == 0 ? z : last;
        } else if (!isOutside && inRun) {
            closeRun(last);
        }
    }

    private void closeRun(double end) {
        if (inRun && end - runStart > longestRun) {
            longestRun = end - runStart;
            longestRunAt = runStart;
        }
        inRun = false;
    }
}
