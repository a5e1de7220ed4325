package org.ysometron.core.curve;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.ysometron.core.working.Working;

/**
 * What a record shows: the points that were found on it, each with how; figures where they can be had, and where not why. Of an
 * extensometer strains and a modulus (ISO 527-1); of a crosshead nominal strains and an apparent modulus, which is neither.
 *
 * @param points on the record, in the order of the test
 * @param strength largest stress before the break, MPa; a lower bound where {@link #bounded}
 * @param bounded whether the gauge ended before the specimen did, so that no yield and no strength are known
 * @param strainAtStrength as a fraction
 * @param strainAtBreak as a fraction; empty where it did not break in the record
 * @param slope the modulus, or why there is none
 * @param yieldStress in MPa; empty where it did not yield
 * @param yieldStrain as a fraction; empty where it did not yield
 * @param whyNoYield in words where there is none; empty where there is
 * @param zero extension at which the specimen's own begins, in mm
 * @param end point of the break, or the last one of a record without one
 * @param energy to the break, or to the end of a record without one, in J
 * @param density the same per volume, MJ/m³
 * @param said what a reader must know
 * @param working the steps
 */
public record Analysis(
        List<Point> points,
        double strength,
        boolean bounded,
        double strainAtStrength,
        OptionalDouble strainAtBreak,
        Slope slope,
        OptionalDouble yieldStress,
        OptionalDouble yieldStrain,
        String whyNoYield,
        double zero,
        int end,
        double energy,
        double density,
        List<String> said,
        Working working) {

    /** How a yield was found that is a maximum of the force. */
    public static final String FIRST_MAXIMUM = "the first maximum: more strain without more stress (ISO 527-1)";

    /** Copies the lists. */
    public Analysis {
        points = List.copyOf(points);
        said = List.copyOf(said);
    }

    /**
     * Finds what a record shows, by the usual rules.
     *
     * @throws IllegalArgumentException in words for a record on which nothing was pulled
     */
    public static Analysis of(Trace trace, Piece piece) {
        return of(trace, piece, Rules.USUAL);
    }

    /**
     * The same by moved bounds or another rule.
     *
     * @throws IllegalArgumentException in words for a record on which nothing was pulled, or a break that is no point of it
     */
    public static Analysis of(Trace trace, Piece piece, Rules rules) {
        return new Finder(trace, piece, rules).analysis();
    }

    /** The point of this kind; the first of several. */
    public Optional<Point> at(Point.Kind kind) {
        return points.stream().filter(point -> point.kind() == kind).findFirst();
    }

    /**
     * A found point.
     *
     * @param index in the record, from 0; of a place between two points the one before it
     * @param strain as a fraction, from the found zero
     * @param stress in MPa
     * @param how it was found
     */
    public record Point(Kind kind, int index, double strain, double stress, String how) {

        /** What it is. */
        public enum Kind {
            ZERO("zero"),
            SLIP("slip"),
            MODULUS_FROM("modulus begins"),
            MODULUS_TO("modulus ends"),
            YIELD("yield"),
            STRENGTH("strength"),
            PLATEAU("the gauge ended"),
            BREAK("break"),
            /** One of many along the record. */
            READ("read"),
            UNLOADED("load off");

            private final String words;

            Kind(String words) {
                this.words = words;
            }

            /** Its name in words. */
            public String words() {
                return words;
            }
        }
    }

    /**
     * A slope of stress by strain between two strains.
     *
     * @param modulus by regression, MPa; empty where it is refused
     * @param chord between the two strains, MPa; empty where it is refused
     * @param apparent whether it is of a crosshead and so no modulus of the specimen
     * @param r2 share of the scatter that the line explains
     * @param points in between
     * @param residuals of the line in MPa, at most {@value #SHOWN} means of neighbours in order of strain, for their plot
     * @param refused why there is none; empty where there is one
     */
    public record Slope(
            OptionalDouble modulus,
            OptionalDouble chord,
            boolean apparent,
            double r2,
            int points,
            List<Double> residuals,
            String refused) {

        /** Most residuals that are shown. */
        public static final int SHOWN = 24;

        /** Copies the residuals. */
        public Slope {
            residuals = List.copyOf(residuals);
        }

        /** What it is called. */
        public String title() {
            return apparent ? "apparent modulus" : "modulus of elasticity";
        }
    }
}
