package org.ysometron.app.plan;

import java.util.List;
import org.ysometron.core.quantity.Dimension;

/** What a site sets for itself: how long things take, when somebody is there, from which load on a shield is closed. */
public enum Setting {
    DRYING("Drying of a filament", "6 h", Dimension.TIME, 60, 30 * 86_400),
    CURE("Washing and curing of resin specimens", "90 min", Dimension.TIME, 60, 30 * 86_400),
    DECIDE("Looking at the evidence and deciding", "20 min", Dimension.TIME, 60, 5 * 86_400),
    FLOW("Filament laid down, mm³ in a second", "4", Dimension.RATIO, 0.01, 1000),
    LAYER("Layer of a resin print", "0.05 mm", Dimension.LENGTH, 0.005, 2),
    LAYER_TIME("Exposure and lift of a resin layer", "9 s", Dimension.TIME, 0.5, 600),
    PLATE("Specimens that one resin plate holds", "12", Dimension.RATIO, 1, 500),
    WASTE("Material for supports, brims and purging, over the specimens", "15 %", Dimension.RATIO, 0.0001, 1),
    DAY_BEGINS("Working day begins, o'clock", "7", Dimension.RATIO, 0.01, 23),
    DAY_ENDS("Working day ends, o'clock", "16", Dimension.RATIO, 0.5, 23.9),
    SIZE_GATE("Largest error of an accuracy artefact", "0.2 mm", Dimension.LENGTH, 0.01, 5),
    SHIELD_ABOVE("Load from which a shield or tether is closed", "100 N", Dimension.FORCE, 1, 1e6),
    UNCALIBRATED(
            "A reading by an instrument of which no calibration is on record",
            List.of("blocks the release", "is noted on the certificate")),
    LOOKS(
            "How often a lot's specimens are judged, for lots made from the next day on",
            List.of("twice, the second look paid for", "once", "three times, each look paid for")),
    POOLED(
            "Scatter within earlier lots where n is below a claim's least, for lots made from the next day on",
            List.of("is shown and carries no verdict", "carries the verdict, which says so")),
    GUARD(
            "How far inside a claim's edge a result must lie to support it, for lots made from the next day on",
            List.of(
                    "1.645 u: 95 % confident",
                    "U, which is 2 u: 97.7 % confident", "as measured: no guard band, the certificate says so"));

    private final String title;
    private final String usual;
    private final Dimension dimension;
    // Made by List.of of strings alone.
    @SuppressWarnings("ImmutableEnumChecker")
    private final List<String> choices;

    private final double least;
    private final double most;

    Setting(String title, String usual, Dimension dimension, double least, double most) {
        this.choices = List.of();
        this.least = least;
        this.most = most;
        this.title = title;
        this.usual = usual;
        this.dimension = dimension;
    }

    Setting(String title, List<String> choices) {
        this.choices = choices;
        this.least = 0;
        this.most = choices.size() - 1;
        this.title = title;
        this.usual = choices.get(0);
        this.dimension = Dimension.RATIO;
    }

    /** What can be chosen, the usual first; empty for a quantity. */
    public List<String> choices() {
        return choices;
    }

    /** Whether a value in the working unit makes sense: a slip of the keyboard would throw every calendar over. */
    public boolean takes(double value) {
        return value >= least && value <= most;
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
