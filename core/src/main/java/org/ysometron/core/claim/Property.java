package org.ysometron.core.claim;

/** The characteristics that can be claimed and charted. Names are fixed, each with one definition. */
public enum Property {
    TENSILE_STRENGTH("Tensile strength", "MPa", "largest force over the measured section (ISO 527-1)", 3),
    UPRIGHT_FLAT_RATIO("Upright/flat ratio", "", "mean strength upright over mean strength flat, one lot", 3),
    SECTION_WIDTH("Section width", "mm", "mean width of the gauge section", 4),
    SECTION_THICKNESS("Section thickness", "mm", "mean thickness of the gauge section", 4);

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

    /** Whether it is worked out from two orientations together. */
    public boolean isRatio() {
        return this == UPRIGHT_FLAT_RATIO;
    }
}
