package org.ysometron.core.dimension;

import java.util.OptionalDouble;

/**
 * A specimen's shape with its revision, nominal section and the material it takes. A change of the model, even for one
 * material only, is a new revision and so a new title, which stands in every comparability key.
 */
public enum SpecimenDesign {
    TENSION_BAR_4("tension bar 4 × 4 mm, rev 1", Shape.RECTANGLE, 4.0, 4.0, 75, 1900),
    /** For gauges that the larger bar outgrows. */
    TENSION_BAR_3("tension bar 3 × 3 mm, rev 1", Shape.RECTANGLE, 3.0, 3.0, 60, 950),
    BENDING_BAR("bar 80 × 10 × 4 mm, rev 1", Shape.RECTANGLE, 10.0, 4.0, 80, 3200),
    IMPACT_BAR_NOTCHED("bar 80 × 10 × 4 mm with a milled 45° notch, rev 1", Shape.RECTANGLE, 10.0, 4.0, 80, 3180),
    SHEAR_PIN("pin 5 mm, rev 1", Shape.ROUND, 5.0, 5.0, 40, 785),
    TORSION_ROD("rod 6 mm, rev 1", Shape.ROUND, 6.0, 6.0, 70, 2400),
    HOOK("hook, scale 1, rev 2", Shape.RECTANGLE, 8.0, 8.0, 60, 6100),
    THREAD_BLOCK("block with an M5 thread, rev 1", Shape.RECTANGLE, 15.0, 12.0, 20, 3400);

    /** What the section looks like. */
    public enum Shape {
        RECTANGLE,
        ROUND
    }

    private final String title;
    private final Shape shape;
    private final double nominalWidth;
    private final double nominalThickness;
    private final double length;
    private final double volume;

    SpecimenDesign(
            String title, Shape shape, double nominalWidth, double nominalThickness, double length, double volume) {
        this.title = title;
        this.shape = shape;
        this.nominalWidth = nominalWidth;
        this.nominalThickness = nominalThickness;
        this.length = length;
        this.volume = volume;
    }

    /** Name with revision, as it stands in comparability keys. */
    public String title() {
        return title;
    }

    /** Name with revision and, off scale 1, the scale that the model was printed at. */
    public String titleAt(double scale) {
        return scale == 1 ? title : title + ", scaled " + org.ysometron.core.working.Figures.plain(scale, 4);
    }

    /** Whether it has a notch, so that terms say which way it faces. */
    public boolean isNotched() {
        return this == IMPACT_BAR_NOTCHED;
    }

    /** Shape of the section. */
    public Shape shape() {
        return shape;
    }

    /** Nominal width of the section in mm; the diameter of a round one. */
    public double nominalWidth() {
        return nominalWidth;
    }

    /** Nominal thickness of the section in mm; the diameter of a round one. */
    public double nominalThickness() {
        return nominalThickness;
    }

    /** Nominal size in mm of what a sheet calls width, thickness or diameter; empty for anything else. */
    public OptionalDouble nominal(String field) {
        return switch (field) {
            case "width" -> shape == Shape.RECTANGLE ? OptionalDouble.of(nominalWidth) : OptionalDouble.empty();
            case "thickness" -> shape == Shape.RECTANGLE ? OptionalDouble.of(nominalThickness) : OptionalDouble.empty();
            case "diameter" -> shape == Shape.ROUND ? OptionalDouble.of(nominalWidth) : OptionalDouble.empty();
            default -> OptionalDouble.empty();
        };
    }

    /** Overall length in mm. */
    public double length() {
        return length;
    }

    /** Volume of the solid model in mm³. */
    public double volume() {
        return volume;
    }

    /** Nominal area of the section in mm². */
    public double nominalArea() {
        return (shape == Shape.ROUND ? Math.PI / 4 : 1) * nominalWidth * nominalThickness;
    }
}
