package org.ysometron.core.dimension;

/** A specimen's shape with its revision and nominal section. */
public enum SpecimenDesign {
    TENSION_BAR_4("tension bar 4 × 4 mm, rev 1", 4.0, 4.0);

    private final String title;
    private final double nominalWidth;
    private final double nominalThickness;

    SpecimenDesign(String title, double nominalWidth, double nominalThickness) {
        this.title = title;
        this.nominalWidth = nominalWidth;
        this.nominalThickness = nominalThickness;
    }

    /** Name with revision, as it stands in comparability keys. */
    public String title() {
        return title;
    }

    /** Nominal width of the section in mm. */
    public double nominalWidth() {
        return nominalWidth;
    }

    /** Nominal thickness of the section in mm. */
    public double nominalThickness() {
        return nominalThickness;
    }

    /** Nominal area of the section in mm². */
    public double nominalArea() {
        return nominalWidth * nominalThickness;
    }
}
