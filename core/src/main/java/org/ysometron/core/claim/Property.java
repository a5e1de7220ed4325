package org.ysometron.core.claim;

/** The characteristics that can be claimed and charted. Names are fixed, each with one definition. */
public enum Property {
    TENSILE_STRENGTH("Tensile strength", "MPa", "largest force over the measured section (ISO 527-1)", 3),
    UPRIGHT_FLAT_RATIO("Upright/flat ratio", "", "mean strength upright over mean strength flat, one lot", 3),
    SECTION_WIDTH("Section width", "mm", "mean width of the gauge section", 4),
    SECTION_THICKNESS("Section thickness", "mm", "mean thickness of the gauge section", 4),
    FILAMENT_DIAMETER("Filament diameter", "mm", "mean of two perpendicular diameters along the length", 4),
    FILAMENT_OVALITY("Filament ovality", "mm", "mean of |x − y| of two perpendicular diameters", 3),
    DENSITY("Density", "g/cm³", "mass over volume at room temperature", 4),
    VISCOSITY("Viscosity", "mPa·s", "at the temperature stated beside it", 3),
    PENETRATION_DEPTH("Penetration depth Dp", "mm", "slope of cure depth on the logarithm of exposure", 3);

    private final String title;
    private final String unit;
    private final String definition;
    private final int digits;

    Property(String title, String unit, String definition, int digits) {
        this.title = title;
        this.unit = unit;
        this.definition = definition;
        this.digits = digits;
    }

    /** The name as it stands on pages and certificates. */
    public String title() {
        return title;
    }

    /** Symbol of the working unit; empty for a ratio. */
    public String unit() {
        return unit;
    }

    /** What exactly is meant. */
    public String definition() {
        return definition;
    }

    /** Significant digits that the measurement carries, for showing. */
    public int digits() {
        return digits;
    }

    /** Whether it is got by measuring printed specimens, so that it means nothing without the terms of the test. */
    public boolean isMechanical() {
        return switch (this) {
            case TENSILE_STRENGTH, UPRIGHT_FLAT_RATIO, SECTION_WIDTH, SECTION_THICKNESS -> true;
            case FILAMENT_DIAMETER, FILAMENT_OVALITY, DENSITY, VISCOSITY, PENETRATION_DEPTH -> false;
        };
    }

    /** Whether it is worked out from two orientations together. */
    public boolean isRatio() {
        return this == UPRIGHT_FLAT_RATIO;
    }
}
