package org.ysometron.app.plan;

import org.ysometron.core.quantity.Dimension;

/** What a site sets for itself: how long things take, when somebody is there, from which load on a shield is closed. */
public enum Setting {
    DRYING("Drying of a filament", "6 h", Dimension.TIME),
    CURE("Washing and curing of resin specimens", "90 min", Dimension.TIME),
    DECIDE("Looking at the evidence and deciding", "20 min", Dimension.TIME),
    FLOW("Filament laid down, mm³ in a second", "4", Dimension.RATIO),
    LAYER("Layer of a resin print", "0.05 mm", Dimension.LENGTH),
    LAYER_TIME("Exposure and lift of a resin layer", "9 s", Dimension.TIME),
    PLATE("Specimens that one resin plate holds", "12", Dimension.RATIO),
    WASTE("Material for supports, brims and purging, over the specimens", "15 %", Dimension.RATIO),
    DAY_BEGINS("Working day begins, o'clock", "7", Dimension.RATIO),
    DAY_ENDS("Working day ends, o'clock", "16", Dimension.RATIO),
    SHIELD_ABOVE("Load from which a shield or tether is closed", "100 N", Dimension.FORCE);

    private final String title;
    private final String usual;
    private final Dimension dimension;

    Setting(String title, String usual, Dimension dimension) {
        this.title = title;
        this.usual = usual;
        this.dimension = dimension;
    }

    /** What it is, in words. */
    public String title() {
        return title;
    }

    /** What holds until the site says otherwise. */
    public String usual() {
        return usual;
    }

    /** Its dimension. */
    public Dimension dimension() {
        return dimension;
    }
}
