package org.ysometron.core.method;

import java.util.Optional;
import org.ysometron.core.quantity.Rounding;
import org.ysometron.core.working.Figures;

/**
 * A thing of known value that is read again and again to see whether an instrument still reads as it did: a mass, a gauge
 * block, a reference coupon. Common practice, no source.
 *
 * @param nominal its known value
 * @param tolerance largest error that is let pass, above 0, same unit
 * @param unit symbol
 */
public record CheckStandard(double nominal, double tolerance, String unit) {

    /** Checks the tolerance. */
    public CheckStandard {
        if (!(tolerance > 0) || !Double.isFinite(nominal)) {
            throw new IllegalArgumentException("a finite value and a tolerance above zero are needed");
        }
    }

    /** What is wrong with a reading; empty when it lies within the tolerance. */
    public Optional<String> fault(double reading) {
        double error = reading - nominal;
        return !Rounding.beyond(reading, nominal, tolerance)
                ? Optional.empty()
                : Optional.of("Reads " + Figures.significant(reading, 4) + " " + unit + ", "
                        + Figures.significant(Math.abs(error), 2) + " " + unit + (error > 0 ? " too high" : " too low")
                        + "; " + Figures.significant(tolerance, 2) + " " + unit
                        + " are let pass. Do not use it until somebody has looked.");
    }
}
