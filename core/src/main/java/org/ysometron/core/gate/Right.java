package org.ysometron.core.gate;

/** What an account may do. Separate on purpose: no single one of them takes a lot from readings to release. */
public enum Right {
    /** Enter lots, specimens and readings, and correct them. */
    ENTRY("entry"),
    /** Judge: answer signals, sign baselines. */
    JUDGEMENT("judgement"),
    /** Decide about a lot. */
    RELEASE("release"),
    /** Manage accounts and products. */
    ADMINISTRATION("administration");

    private final String words;

    Right(String words) {
        this.words = words;
    }

    /** The right as a word. */
    public String words() {
        return words;
    }
}
