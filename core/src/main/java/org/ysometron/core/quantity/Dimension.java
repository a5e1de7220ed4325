package org.ysometron.core.quantity;

/**
 * The kind of a quantity as the field uses it, with the working unit in which the core computes.
 *
 * <p>Finer than physics: a torque and an energy share their base units, yet one must never be taken for the other.
 */
public enum Dimension {
    LENGTH("a length", "mm", "3.98 or 3.98 mm"),
    AREA("an area", "mm²", "16.1 mm²"),
    FORCE("a force", "N", "812 or 812 N"),
    STRESS("a stress", "MPa", "45 or 45 MPa"),
    MASS("a mass", "g", "250 g"),
    TORQUE("a torque", "N·m", "1.2 N·m"),
    ENERGY("an energy", "J", "0.8 J"),
    ENERGY_PER_AREA("an energy per area", "kJ/m²", "12 kJ/m²"),
    ENERGY_PER_LENGTH("an energy per length", "J/m", "53 J/m"),
    /** Of a peel; in base units an energy per area, which it must not be taken for. */
    FORCE_PER_LENGTH("a force per width", "N/mm", "1.5 N/mm"),
    TEMPERATURE("a temperature", "°C", "23 °C"),
    ANGLE("an angle", "°", "90 °"),
    TIME("a time", "s", "60 s"),
    SPEED("a speed", "mm/min", "5 mm/min"),
    DENSITY("a density", "g/cm³", "1.24 g/cm³"),
    VISCOSITY("a viscosity", "mPa·s", "350 mPa·s"),
    VOLUME_FLOW("a volume flow", "mm³/s", "12 mm³/s"),
    DOSE("an exposure dose", "mJ/cm²", "14 mJ/cm²"),
    IRRADIANCE("an irradiance", "mW/cm²", "4.2 mW/cm²"),
    /** Of a durometer; A and D are two scales of which none follows from the other. */
    SHORE_A("a Shore A hardness", "Shore A", "82 or 82 Shore A"),
    SHORE_D("a Shore D hardness", "Shore D", "75 or 75 Shore D"),
    /** A coordinate of CIELAB: L*, a* or b* (ISO/CIE 11664-4). */
    COLOUR("a colour coordinate", "CIELAB", "52.3"),
    /** By CIEDE2000 (ISO/CIE 11664-6). */
    COLOUR_DIFFERENCE("a colour difference", "ΔE00", "1.2 or 1.2 ΔE00"),
    /** Specular, against black glass of 100 units (ISO 2813). */
    GLOSS("a gloss", "GU", "35 or 35 GU"),
    /** Given by a person, on a scale that says what each is. */
    GRADE("a grade", "grades", "2"),
    RATIO("a ratio", "", "0.5 or 50 %");

    private final String phrase;
    private final String workingUnit;
    private final String example;

    Dimension(String phrase, String workingUnit, String example) {
        this.phrase = phrase;
        this.workingUnit = workingUnit;
        this.example = example;
    }

    /** The dimension with its article, for a sentence: "a force". */
    public String phrase() {
        return phrase;
    }

    /** Symbol of the unit in which the core computes; empty for a ratio. */
    public String workingUnit() {
        return workingUnit;
    }

    /** Whether quantities of it stand in a ratio that says something: a grade twice another is not twice as good. */
    public boolean hasRatio() {
        return switch (this) {
            case SHORE_A, SHORE_D, COLOUR, COLOUR_DIFFERENCE, GLOSS, GRADE, TEMPERATURE -> false;
            default -> true;
        };
    }

    /** What a person could type, for messages. */
    public String example() {
        return example;
    }
}
