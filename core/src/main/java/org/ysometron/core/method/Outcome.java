package org.ysometron.core.method;

/** How a tension test of one specimen ended, and what that makes of its reading. */
public enum Outcome {
    BROKE_IN_GAUGE("broke in gauge", Result.Kind.MEASURED, ""),
    BROKE_AT_GRIP(
            "broke at grip",
            Result.Kind.EXCLUDED,
            "the grip, not the material, set the load (ISO 527-1 asks for a replacement)"),
    SLIPPED("slipped", Result.Kind.EXCLUDED, "the specimen left the grips before it broke"),
    DID_NOT_BREAK("did not break", Result.Kind.AT_LEAST, "the specimen carried the load: a lower bound"),
    OVER_CAPACITY("over capacity", Result.Kind.AT_LEAST, "the gauge ended before the specimen: a lower bound");

    private final String words;
    private final Result.Kind kind;
    private final String reason;

    Outcome(String words, Result.Kind kind, String reason) {
        this.words = words;
        this.kind = kind;
        this.reason = reason;
    }

    /** The outcome in the field's words. */
    public String words() {
        return words;
    }

    /** Whether the reading is a value, a bound, or kept but left out. */
    public Result.Kind kind() {
        return kind;
    }

    /** Why it is not a plain value; empty for one that is. */
    public String reason() {
        return reason;
    }
}
