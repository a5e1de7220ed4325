package org.ysometron.core.dimension;

import java.util.ArrayList;
import java.util.List;
import org.ysometron.core.quantity.Rounding;

/**
 * The lengths of a filament outside its tolerance, said as they come while it is wound. A reading is outside where the mean of its two diameters is,
 * by the rule of {@link DiameterLog}; readings outside one after another are one length, from the last reading inside to the last outside.
 */
public final class DiameterExcursions {

    private final double nominal;
    private final double tolerance;
    private final List<Length> closed = new ArrayList<>();
    private double before = Double.NaN;
    private double from = Double.NaN;
    private double to;
    private double worst;

    /**
     * One length outside.
     *
     * @param from position in mm of the last reading inside before it; of the first reading where there is none
     * @param to position in mm of its last reading
     * @param worst its diameter farthest from the nominal one, in mm
     * @param isOpen whether the newest reading is still outside
     */
    public record Length(double from, double to, double worst, boolean isOpen) {}

    /**
     * Nothing was read yet.
     *
     * @param nominal nominal diameter in mm, above 0
     * @param tolerance allowed deviation either way in mm, above 0 and below the nominal diameter
     */
    public DiameterExcursions(double nominal, double tolerance) {
        if (!(nominal > 0 && tolerance > 0 && tolerance < nominal)) {
            throw new IllegalArgumentException("a nominal diameter above zero and a smaller tolerance are needed; got "
                    + nominal + " and " + tolerance);
        }
        this.nominal = nominal;
        this.tolerance = tolerance;
    }

    /**
     * Takes the next reading.
     *
     * @param z position in mm, finite
     * @param x first diameter in mm, finite
     * @param y second diameter, perpendicular to the first, in mm, finite
     * @throws IllegalArgumentException where one of them is no number
     */
    public void accept(double z, double x, double y) {
        if (!Double.isFinite(z + x + y)) {
            throw new IllegalArgumentException("numbers are needed, got " + z + ", " + x + " and " + y);
        }
        double d = (x + y) / 2;
        if (Rounding.beyond(d, nominal, tolerance)) {
            if (Double.isNaN(from)) {
                from = Double.isNaN(before) ? z : before;
                worst = d;
            }
            worst = Math.abs(d - nominal) > Math.abs(worst - nominal) ? d : worst;
            to = z;
        } else if (!Double.isNaN(from)) {
            closed.add(new Length(from, to, worst, false));
            from = Double.NaN;
        }
        before = z;
    }

    /** The lengths so far, in their order. */
    public List<Length> lengths() {
        List<Length> all = new ArrayList<>(closed);
        if (!Double.isNaN(from)) {
            all.add(new Length(from, to, worst, true));
        }
        return all;
    }
}
