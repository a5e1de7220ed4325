package org.ysometron.core.claim;

/** What is tested: the material, or a printed part with its usual walls and infill. */
public enum Basis {
    SOLID("solid"),
    AS_PRINTED("as printed"),
    /** The filament or resin itself, no specimen printed of it. */
    AS_SUPPLIED("as supplied");

    private final String words;

    Basis(String words) {
        this.words = words;
    }

    /** The basis in the field's words. */
    public String words() {
        return words;
    }
}
