package org.ysometron.core.publication;

/**
 * What the site stands behind where a publication is silent, and what it takes for useful.
 *
 * @param typicalTolerance share by which a lot mean may differ from a typical value, 0 to 1
 * @param widestNozzleRange span of a recommended nozzle temperature beyond which it tells a user nothing, in K
 * @param leastSpecimens least n where a claim names none
 */
public record Policy(double typicalTolerance, double widestNozzleRange, int leastSpecimens) {

    /** Ten percent about a typical value, 30 K of nozzle temperature, five specimens (common practice, no source). */
    public static final Policy USUAL = new Policy(0.10, 30, 5);

    /** The same where single determinations of the material are counted: two at the least (common practice, no source). */
    public Policy forDeterminations() {
        return new Policy(typicalTolerance, widestNozzleRange, 2);
    }

    /** The same where spools are counted, whose every place is claimed: one at the least, said to be one (common practice). */
    public Policy forSpools() {
        return new Policy(typicalTolerance, widestNozzleRange, 1);
    }

    /** Checks the ranges. */
    public Policy {
        if (!(typicalTolerance > 0 && typicalTolerance < 1 && widestNozzleRange > 0) || leastSpecimens < 1) {
            throw new IllegalArgumentException(
                    "a tolerance from 0 to 1, a span above 0 and n of at least 1 are needed");
        }
    }
}
