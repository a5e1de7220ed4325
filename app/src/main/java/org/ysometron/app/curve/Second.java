package org.ysometron.app.curve;

/** What a second extension of a file was read by. */
public enum Second {
    /** Nothing is taken of it. */
    NONE("not used"),
    OTHER_FACE("an extensometer on the other face: the mean of both counts"),
    CROSSHEAD("the crosshead's travel: a record of its own beside the first");

    private final String words;

    Second(String words) {
        this.words = words;
    }

    /** In words. */
    public String words() {
        return words;
    }
}
