package org.ysometron.core.gate;

/** What was decided about a lot. */
public enum Disposition {
    RELEASE("release", "released", "The lot may be shipped. Its record is closed."),
    CONCESSION(
            "release under concession",
            "released under concession",
            "Ships only within the scope, amount and time stated, once a second person has signed. Its record is closed."),
    HOLD("hold", "held", "Stays here and can be decided again."),
    RETEST(
            "retest",
            "to be tested again",
            "New specimens of the set named are made and tested. Both sets stay on record; which one counts is fixed now."),
    REWORK(
            "rework",
            "in rework",
            "The material is worked on. What was tested before stays on record and no longer counts, unless only labels change."),
    REJECT("reject", "rejected", "The lot is not shipped. Its record is closed.");

    private final String words;
    private final String done;
    private final String next;

    Disposition(String words, String done, String next) {
        this.words = words;
        this.done = done;
        this.next = next;
    }

    /** The order: "release". */
    public String words() {
        return words;
    }

    /** The state of the lot afterwards: "released". */
    public String done() {
        return done;
    }

    /** What follows from it, in words. */
    public String next() {
        return next;
    }

    /** Whether the lot leaves by it. */
    public boolean ships() {
        return this == RELEASE || this == CONCESSION;
    }

    /** Whether the lot is finished with; otherwise it waits for another decision. */
    public boolean isFinal() {
        return ships() || this == REJECT;
    }
}
