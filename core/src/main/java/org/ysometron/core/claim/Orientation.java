package org.ysometron.core.claim;

import java.util.List;

/** How the specimen lay on the plate, in three-axis notation (ISO/ASTM 52921) with a plain name. */
public enum Orientation {
    XY("flat"),
    /** Flat as well, its length along the other axis of the plate. */
    YX("flat across"),
    XZ("on edge"),
    ZX("upright"),
    /** For what is measured on the material itself. */
    NONE("");

    private final String plainName;

    Orientation(String plainName) {
        this.plainName = plainName;
    }

    /** The plain name alone: "upright". */
    public String plainName() {
        return plainName;
    }

    /** The ways a printed specimen can lie. */
    public static List<Orientation> ofSpecimens() {
        return List.of(XY, YX, XZ, ZX);
    }

    /** Notation and name: "ZX upright"; empty for the material itself. */
    public String words() {
        return this == NONE ? "" : name() + " " + plainName;
    }
}
