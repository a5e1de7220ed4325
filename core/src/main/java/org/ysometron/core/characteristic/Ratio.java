package org.ysometron.core.characteristic;

import java.util.Locale;

/** What a characteristic of specimens can be compared with within one lot: the same under terms that differ in one thing. */
public enum Ratio {
    /** The layers' share of what the material bears. */
    UPRIGHT_FLAT("upright-flat-", "Upright/flat ratio", "mean upright (ZX) over mean flat (XY) of one lot"),
    /** Both flat, along the plate's first axis and across it. */
    ALONG_ACROSS("along-across-", "Along/across ratio", "mean along (XY) over mean across (YX) of one lot, both flat"),
    /** After an anneal or a cure, beside specimens that had the reference treatment. */
    TREATED_REFERENCE(
            "treated-",
            "Treated/reference ratio",
            "mean after the treatment over mean after the reference treatment of one lot; none where none is named");

    private final String prefix;
    private final String title;
    private final String definition;

    Ratio(String prefix, String title, String definition) {
        this.prefix = prefix;
        this.title = title;
        this.definition = definition;
    }

    /** Id of the ratio of the characteristic with this id. */
    String idOf(String one) {
        return prefix + one;
    }

    /** What the ratio of a characteristic is called where it has no name of its own. */
    String titleOf(Characteristic one) {
        return title + ", " + one.title().toLowerCase(Locale.ROOT);
    }

    /** What exactly is meant. */
    String definitionOf(Characteristic one) {
        return definition + ": " + one.definition();
    }
}
