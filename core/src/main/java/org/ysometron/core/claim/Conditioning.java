package org.ysometron.core.claim;

import java.util.List;

/** State of the specimen when tested. */
public enum Conditioning {
    DRY("dry as printed"),
    CONDITIONED("conditioned 23 °C/50 % RH"),
    /** For what is measured on the material itself. */
    NONE("");

    private final String words;

    Conditioning(String words) {
        this.words = words;
    }

    /** The states a printed specimen can be in. */
    public static List<Conditioning> ofSpecimens() {
        return List.of(DRY, CONDITIONED);
    }

    /** The state in the field's words. */
    public String words() {
        return words;
    }
}
