package org.ysometron.core.claim;

/** State of the specimen when tested. */
public enum Conditioning {
    DRY("dry as printed"),
    CONDITIONED("conditioned 23 °C/50 % RH");

    private final String words;

    Conditioning(String words) {
        this.words = words;
    }

    /** The state in the field's words. */
    public String words() {
        return words;
    }
}
