package org.ysometron.core.gate;

/**
 * One reason why a lot may not be released.
 *
 * @param kind what sort of reason
 * @param what the reason in a sentence
 * @param lifter the right that can lift it
 * @param how what has to be done to lift it
 */
public record Block(Kind kind, String what, Right lifter, String how) {

    /** The sorts of reason, the one to be dealt with first foremost. */
    public enum Kind {
        PUBLICATION_CONFLICT,
        PRODUCT_WITHDRAWN,
        SIZE_GATE,
        CALIBRATION,
        MATERIAL_STATE,
        TEST_MISSING,
        CLAIM_CONTRADICTED,
        CLAIM_OPEN,
        NOT_COMPARABLE,
        SIGNAL_UNANSWERED,
        SAME_PERSON
    }
}
