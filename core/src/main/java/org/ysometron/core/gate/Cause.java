package org.ysometron.core.gate;

/**
 * Assignable causes: what may take a result out of a figure, or answer one that contradicts. Each holds without knowing the
 * value; "too low" is none (common practice, no source).
 */
public enum Cause {
    MISREAD("display misread or mistyped"),
    WRONG_SPECIMEN("wrong specimen, or labels swapped"),
    SEEN_DEFECT("defect of the specimen seen or shown"),
    SLIPPED("slipped in the grips"),
    AT_GRIP("broke at the grip"),
    HANDLING("mishandled: dropped, bent, loaded before"),
    EQUIPMENT("fault of an instrument or a fixture"),
    PRINTED_WRONGLY("printed, cured or conditioned otherwise than planned"),
    MATERIAL_STATE("material wet or out of its climate"),
    METHOD("method not followed"),
    ANALYSIS("a point of a record found in the wrong place");

    private final String words;

    Cause(String words) {
        this.words = words;
    }

    /** The cause in words. */
    public String words() {
        return words;
    }
}
