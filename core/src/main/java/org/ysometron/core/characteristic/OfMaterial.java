package org.ysometron.core.characteristic;

import java.util.List;
import org.ysometron.core.characteristic.Characteristic.Better;
import org.ysometron.core.characteristic.Characteristic.Source;
import org.ysometron.core.quantity.Dimension;

/** What is measured on the material as it is supplied. */
public final class OfMaterial {

    /** Mean of two perpendicular diameters along the length. */
    public static final Characteristic FILAMENT_DIAMETER = material(
            "filament-diameter",
            "Filament diameter",
            Dimension.LENGTH,
            4,
            "mean of two perpendicular diameters along the length");

    /** Mean of |x − y| of two perpendicular diameters. */
    public static final Characteristic FILAMENT_OVALITY = material(
            "filament-ovality",
            "Filament ovality",
            Dimension.LENGTH,
            3,
            "mean of |x − y| of two perpendicular diameters");

    /** Mass over volume. */
    public static final Characteristic DENSITY =
            material("density", "Density", Dimension.DENSITY, 4, "mass over volume at room temperature");

    /** At the temperature stated beside it. */
    public static final Characteristic VISCOSITY =
            material("viscosity", "Viscosity", Dimension.VISCOSITY, 3, "at the temperature stated beside it");

    /** Slope of the working curve. */
    public static final Characteristic PENETRATION_DEPTH = material(
            "penetration-depth",
            "Penetration depth Dp",
            Dimension.LENGTH,
            3,
            "slope of cure depth on the logarithm of exposure");

    private OfMaterial() {}

    /** All of them. */
    public static List<Characteristic> all() {
        return List.of(FILAMENT_DIAMETER, FILAMENT_OVALITY, DENSITY, VISCOSITY, PENETRATION_DEPTH);
    }

    private static Characteristic material(
            String id, String title, Dimension dimension, int digits, String definition) {
        return new Characteristic(id, title, dimension, digits, Better.NEITHER, definition, Source.MATERIAL, "", "");
    }
}
