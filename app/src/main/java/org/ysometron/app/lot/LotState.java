package org.ysometron.app.lot;

import java.util.EnumSet;
import java.util.Set;

/** Where a lot stands at the gate. */
public enum LotState {
    WAITING("waiting"),
    HELD("held"),
    RELEASED("released"),
    CONCEDED("released under concession"),
    REJECTED("rejected"),
    /** Known from records of before this application; counts as released and stays marked. */
    BROUGHT_IN("brought in from records"),
    RETEST("to be tested again"),
    REWORK("in rework"),
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

    /** The states in which a decision is due. */
    public static Set<LotState> due() {
        return EnumSet.of(WAITING, HELD, RETEST, REWORK);
    }

    /** The states in which a decision was made. */
    public static Set<LotState> decided() {
        return EnumSet.of(RELEASED, CONCEDED, REJECTED, BROUGHT_IN);
    }

    /** Whether a decision is due. */
    public boolean isDue() {
        return due().contains(this);
    }

    /** Whether it left, so that it may stand for the material as it should be. */
    public boolean isShipped() {
        return this == RELEASED || this == CONCEDED || this == BROUGHT_IN;
    }

    /** Whether readings may still be entered. */
    public boolean isUndecided() {
        return isDue() || this == RETAINED;
    }
}
