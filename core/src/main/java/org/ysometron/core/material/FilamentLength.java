package org.ysometron.core.material;

/** Length and price of filament from its density and diameter. Formulas: methods of the trade, plain geometry. */
public final class FilamentLength {

    private FilamentLength() {}

    /**
     * Metres per kilogram: 1000/(ρ·π d²/4·100) with d in cm.
     *
     * @param density in g/cm³, above 0
     * @param diameter in mm, above 0
     */
    public static double metresPerKilogram(double density, double diameter) {
        if (!(density > 0 && diameter > 0)) {
            throw new IllegalArgumentException(
                    "density and diameter above zero are needed, got " + density + " and " + diameter);
        }
        double area = Math.PI * (diameter / 10) * (diameter / 10) / 4;
        return 1000 / (density * area * 100);
    }

    /** Price of one metre from the price of one kilogram. */
    public static double pricePerMetre(double pricePerKilogram, double density, double diameter) {
        return pricePerKilogram / metresPerKilogram(density, diameter);
    }

    /** Price of one cubic centimetre from the price of one kilogram and the density in g/cm³. */
    public static double pricePerCubicCentimetre(double pricePerKilogram, double density) {
        if (!(density > 0)) {
            throw new IllegalArgumentException("a density above zero is needed, got " + density);
        }
        return pricePerKilogram * density / 1000;
    }
}
