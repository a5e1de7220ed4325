package org.ysometron.app.lot;

/** Where a lot stands at the gate. */
public enum LotState {
    WAITING("waiting"),
    HELD("held"),
    RELEASED("released"),
    REJECTED("rejected"),
    /** Kept to be tested beside other lots; never decided. */
    RETAINED("kept as reference");

    private final String words;

    LotState(String words) {
        this.words = words;
    }

    /** The state as a word. */
    public String words() {
        return words;
    }

    /** Whether readings may still be entered. */
    public boolean isUndecided() {
        return this == WAITING || this == HELD || this == RETAINED;
    }
}
