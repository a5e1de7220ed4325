package org.ysometron.core.plan;

import java.util.List;
import org.ysometron.core.material.FilamentLength;

/**
 * What the specimens of a plan take, before anything is printed: so that no spool ends before the set is done. Plain
 * geometry; the share for supports, brims and purging is the site's.
 *
 * @param millilitres material, waste included
 * @param grams the same by density
 * @param metres the same as filament; 0 for resin
 * @param printMinutes time on one printer
 */
public record Budget(double millilitres, double grams, double metres, long printMinutes) {

    /** Nothing. */
    public static final Budget NOTHING = new Budget(0, 0, 0, 0);

    /**
     * How fast a printer lays down or cures.
     *
     * @param perSecond mm³ in a second, above 0, for filament; 0 for resin
     * @param layer height of a layer in mm, above 0
     * @param secondsPerLayer exposure and lift, above 0, for resin; 0 for filament
     * @param plate specimens that one resin plate holds, at least 1
     */
    public record Speed(double perSecond, double layer, double secondsPerLayer, int plate) {

        /** Checks that it is one or the other. */
        public Speed {
            if (!(layer > 0) || plate < 1 || (perSecond > 0) == (secondsPerLayer > 0)) {
                throw new IllegalArgumentException(
                        "a printer has a layer, and either a flow (filament) or a time a layer (resin)");
            }
        }
    }

    /**
     * The material.
     *
     * @param density in g/cm³, above 0
     * @param diameter of the filament in mm; 0 for resin
     * @param waste share for supports, brims and purging, 0 to 1
     */
    public record Material(double density, double diameter, double waste) {

        /** Checks the range. */
        public Material {
            if (!(density > 0) || !(diameter >= 0) || !(waste >= 0 && waste <= 1)) {
                throw new IllegalArgumentException("a density above zero and a waste between 0 and 1 are needed");
            }
        }
    }

    /** What some tests take together. */
    public static Budget of(List<PlannedTest> tests, Material material, Speed speed) {
        return tests.stream().map(test -> of(test, material, speed)).reduce(NOTHING, Budget::plus);
    }

    /** What one line takes. */
    public static Budget of(PlannedTest test, Material material, Speed speed) {
        double solid = test.n() * test.design().volume();
        double millilitres = solid * (1 + material.waste()) / 1000;
        double grams = millilitres * material.density();
        double metres = material.diameter() > 0
                ? grams / 1000 * FilamentLength.metresPerKilogram(material.density(), material.diameter())
                : 0;
        double seconds = speed.perSecond() > 0
                ? solid * (1 + material.waste()) / speed.perSecond()
                : Math.ceil((double) test.n() / speed.plate())
                        * Math.ceil(test.height() / speed.layer())
                        * speed.secondsPerLayer();
        return new Budget(millilitres, grams, metres, Math.max(1, Math.round(seconds / 60)));
    }

    /** Both together. */
    public Budget plus(Budget other) {
        return new Budget(
                millilitres + other.millilitres,
                grams + other.grams,
                metres + other.metres,
                printMinutes + other.printMinutes);
    }
}
