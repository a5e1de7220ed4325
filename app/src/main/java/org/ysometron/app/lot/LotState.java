package org.ysometron.app.lot;

/** Where a lot stands at the gate. */
public enum LotState {
    WAITING("waiting"),
    HELD("held"),
    RELEASED("released"),
    REJECTED("rejected");

    private final String words;

    LotState(String words) {
        this.words = words;
    }

    /** The state as a word. */
    public String words() {
        return words;
    }

    /** Whether readings may still be entered and a decision is still due. */
    public boolean isUndecided() {
        return this == WAITING || this == HELD;
    }
}
