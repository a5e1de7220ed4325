package org.ysometron.core.claim;

/** What the evidence says of a claim. */
public enum Verdict {
    SUPPORTED("supported"),
    OPEN("open"),
    CONTRADICTED("contradicted"),
    NOT_COMPARABLE("not comparable"),
    NOT_TESTED("not tested");

    private final String words;

    Verdict(String words) {
        this.words = words;
    }

    /** The verdict in the field's words. */
    public String words() {
        return words;
    }
}
