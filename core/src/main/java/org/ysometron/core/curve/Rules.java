package org.ysometron.core.curve;

import java.util.OptionalInt;

/**
 * The bounds and rules by which points are found; a person may move them, with a reason.
 *
 * @param from strain at which the modulus begins, 0.0005 unless moved
 * @param to strain at which it ends, 0.0025 unless moved
 * @param yield how yield is found
 * @param breakAt point of the record that a person says is the break, from 0; empty to find it
 */
public record Rules(double from, double to, Yield yield, OptionalInt breakAt) {

    /** As ISO 527-1 has them. */
    public static final Rules USUAL = new Rules(0.0005, 0.0025, Yield.FOUND, OptionalInt.empty());

    /** How yield is found. */
    public enum Yield {
        /** The first maximum, else by an offset of 0.2 %. */
        FOUND,
        /** The first maximum alone. */
        MAXIMUM,
        /** By an offset of 0.2 % alone. */
        OFFSET,
        /** Not at all. */
        NONE
    }

    /** Checks the bounds. */
    public Rules {
        if (!(from >= 0 && to > from && to <= 1)) {
            throw new IllegalArgumentException(
                    "the strains of a modulus lie from 0 to 1, the second above the first; got " + from + " and " + to);
        }
    }
}
