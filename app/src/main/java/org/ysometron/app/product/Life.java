package org.ysometron.app.product;

/** Where a product stands in its life. */
public enum Life {
    IN_TRIAL("in trial"),
    ON_SALE("on sale"),
    WITHDRAWN("withdrawn");

    private final String words;

    Life(String words) {
        this.words = words;
    }

    /** The state in words. */
    public String words() {
        return words;
    }
}
