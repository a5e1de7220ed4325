package org.ysometron.app.bench;

import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;

/** What is read from a specimen in a tension test, and at how many places. */
public enum Quantity {
    WIDTH("width", Dimension.LENGTH, 3),
    THICKNESS("thickness", Dimension.LENGTH, 3),
    FORCE("breaking force", Dimension.FORCE, 1);

    private final String words;
    private final Dimension dimension;
    private final int places;

    Quantity(String words, Dimension dimension, int places) {
        this.words = words;
        this.dimension = dimension;
        this.places = places;
    }

    /** The quantity in words. */
    public String words() {
        return words;
    }

    /** How many readings are taken of it. */
    public int places() {
        return places;
    }

    /** The unit meant when none is typed. */
    public UnitOfMeasure unit() {
        return UnitOfMeasure.working(dimension);
    }
}
