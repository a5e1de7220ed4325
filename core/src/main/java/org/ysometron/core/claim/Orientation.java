package org.ysometron.core.claim;

/** How the specimen lay on the plate, in three-axis notation (ISO/ASTM 52921) with a plain name. */
public enum Orientation {
    XY("flat"),
    XZ("on edge"),
    ZX("upright");

    private final String plainName;

    Orientation(String plainName) {
        this.plainName = plainName;
    }

    /** The plain name alone: "upright". */
    public String plainName() {
        return plainName;
    }

    /** Notation and name: "ZX upright". */
    public String words() {
        return name() + " " + plainName;
    }
}
