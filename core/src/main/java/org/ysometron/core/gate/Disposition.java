package org.ysometron.core.gate;

/** What was decided about a lot. */
public enum Disposition {
    RELEASE("release", "released"),
    HOLD("hold", "held"),
    REJECT("reject", "rejected");

    private final String words;
    private final String done;

    Disposition(String words, String done) {
        this.words = words;
        this.done = done;
    }

    /** The order: "release". */
    public String words() {
        return words;
    }

    /** The state of the lot afterwards: "released". */
    public String done() {
        return done;
    }

    /** Whether the lot is finished with; a held lot still waits for another decision. */
    public boolean isFinal() {
        return this != HOLD;
    }
}
