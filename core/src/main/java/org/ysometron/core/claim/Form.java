package org.ysometron.core.claim;

/** The form in which something is promised. */
public enum Form {
    /** No less than an edge. */
    AT_LEAST("at least"),
    /** No more than an edge. */
    AT_MOST("at most"),
    /** Inside two edges. */
    BETWEEN("between"),
    /** About a value, within a tolerance that we stand behind. */
    TYPICAL("typical"),
    /** Reached by some, promised for none: shown, never verified as a minimum. */
    UP_TO("up to"),
    /** Better than another product by at least a share. */
    BETTER_THAN("better than"),
    /** A setting or words: stated, nothing to verify. */
    STATED("stated");

    private final String words;

    Form(String words) {
        this.words = words;
    }

    /** The form in words. */
    public String words() {
        return words;
    }

    /** Whether evidence can bear it out. */
    public boolean isVerifiable() {
        return this != UP_TO && this != STATED;
    }
}
