package org.ysometron.core.curve;

import org.ysometron.core.quantity.Dimension;

/**
 * How a specimen is loaded: what a record is of, and how a load becomes a stress and a way a strain. Each is brought to one form, a stress that is the
 * load over an area and a strain that is the way over a length, so that one search finds the points of all.
 */
public enum Loading {
    /** Pulled along its length: σ = F/A₀, ε = ΔL/L (ISO 527-1). */
    PULL("σ", "F/A₀", "ISO 527-1, tensile strength", Dimension.FORCE, Dimension.LENGTH, 1e-3),
    /** A rectangular bar on two supports: σ = 3·F·L/(2·b·h²), ε = 6·s·h/L² (ISO 178). */
    BEND_BAR("σ", "3·F·L/(2·b·h²)", "ISO 178", Dimension.FORCE, Dimension.LENGTH, 1e-3),
    /** A round rod on two supports: σ = 8·F·L/(π·d³), ε = 6·s·d/L². */
    BEND_ROD("σ", "8·F·L/(π·d³)", "mechanics handbook, solid round bar", Dimension.FORCE, Dimension.LENGTH, 1e-3),
    /** A pin across two gaps: τ = F/(2A); its way is no strain. */
    SHEAR_PIN("τ", "F/(2A)", "mechanics handbook, double shear", Dimension.FORCE, Dimension.LENGTH, 1e-3),
    /** Something pulled out: its load alone, by its way. */
    PULL_OUT("F", "", "", Dimension.FORCE, Dimension.LENGTH, 1e-3),
    /** A round rod twisted: τ = 16·T/(π·d³) at the surface, γ = φ·d/(2·L). */
    TWIST_ROD(
            "τ",
            "16·T/(π·d³)",
            "mechanics handbook, solid round bar, elastic",
            Dimension.TORQUE,
            Dimension.ANGLE,
            Math.PI / 180),
    /** Pulled by a load that hangs: what grows is the extension, by the time under the load (ISO 899-1). */
    HOLD("ΔL", "", "ISO 899-1", Dimension.LENGTH, Dimension.TIME, 0);

    private final String symbol;
    private final String formula;
    private final String source;
    private final Dimension load;
    private final Dimension way;
    private final double joule;

    Loading(String symbol, String formula, String source, Dimension load, Dimension way, double joule) {
        this.symbol = symbol;
        this.formula = formula;
        this.source = source;
        this.load = load;
        this.way = way;
        this.joule = joule;
    }

    /** Symbol of the stress. */
    public String symbol() {
        return symbol;
    }

    /** How the stress comes from the load; empty where it is the load itself. */
    public String formula() {
        return formula;
    }

    /** Where the formula stands; empty where there is none. */
    public String source() {
        return source;
    }

    /** Whether the load hangs, so that time goes by where others are pulled. */
    public boolean isHeld() {
        return this == HOLD;
    }

    /** What a way over the length is multiplied by to be drawn: a strain in percent, a time in hours. */
    public double drawn() {
        return isHeld() ? 1 / 3600.0 : isStrain() ? 100 : 1;
    }

    /** Unit in which a way over the length is drawn. */
    public String drawnUnit() {
        return isHeld() ? "h" : isStrain() ? "%" : way.workingUnit();
    }

    /** What the load is: a force or a torque; the extension under a load that hangs. */
    public Dimension load() {
        return load;
    }

    /** What the way is: a length or an angle; the time under a load that hangs. */
    public Dimension way() {
        return way;
    }

    /** Unit of the stress. */
    public String stressUnit() {
        return isStress() ? "MPa" : load.workingUnit();
    }

    /** Unit of the strain, empty for a share. */
    public String strainUnit() {
        return isStrain() ? "" : way.workingUnit();
    }

    /** Whether a load comes to a stress. */
    public boolean isStress() {
        return this != PULL_OUT && this != HOLD;
    }

    /** Whether a way comes to a strain. */
    public boolean isStrain() {
        return this != PULL_OUT && this != HOLD && this != SHEAR_PIN;
    }

    /** What a load is called. */
    public String loadWords() {
        return this == HOLD ? "extension" : load == Dimension.TORQUE ? "torque" : "force";
    }

    /** What a way is called. */
    public String wayWords() {
        return this == HOLD ? "time under load" : way == Dimension.ANGLE ? "angle" : "extension";
    }

    /** J in one working unit of load times one of way. */
    double joule() {
        return joule;
    }

    /** Of a rectangular bar on two supports, from width, thickness and span in mm. */
    public static Form bar(double width, double thickness, double span) {
        return new Form(BEND_BAR, 2 * width * thickness * thickness / (3 * span), span * span / (6 * thickness));
    }

    /** Of a round rod on two supports, from diameter and span in mm. */
    public static Form rod(double diameter, double span) {
        return new Form(BEND_ROD, Math.PI * Math.pow(diameter, 3) / (8 * span), span * span / (6 * diameter));
    }

    /** Of a pin in double shear, from its diameter in mm, or that of its stress area. */
    public static Form pin(double diameter) {
        return new Form(SHEAR_PIN, Math.PI * diameter * diameter / 2, 1);
    }

    /** Of what is pulled out: nothing but the load. */
    public static Form of(Loading loading) {
        return new Form(loading, 1, 1);
    }

    /** Of a round rod that is twisted, from diameter and free length in mm: torque in N·m, angle in °. */
    public static Form twisted(double diameter, double length) {
        return new Form(TWIST_ROD, Math.PI * Math.pow(diameter, 3) / 16_000, 360 * length / (Math.PI * diameter));
    }

    /**
     * What a load is divided by to be a stress, and a way to be a strain.
     *
     * @param area in mm², or whatever makes MPa of the load
     * @param length in mm, or whatever makes a share of the way
     */
    public record Form(Loading loading, double area, double length) {}
}
