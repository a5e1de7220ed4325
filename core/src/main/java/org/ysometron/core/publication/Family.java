package org.ysometron.core.publication;

/** What sort of material a product is; decides what its publications must say. */
public enum Family {
    FILAMENT("filament"),
    RESIN("resin");

    private final String words;

    Family(String words) {
        this.words = words;
    }

    /** The family in a word. */
    public String words() {
        return words;
    }
}
