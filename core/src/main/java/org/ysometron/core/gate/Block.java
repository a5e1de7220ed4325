package org.ysometron.core.gate;

/**
 * One reason why a lot may not be released.
 *
 * @param kind what sort of reason
 * @param what the reason in a sentence
 * @param lifter the right that can lift it
 * @param how what has to be done to lift it
 * @param subject key of the one thing that it is about, so that a word given for it covers nothing else; empty where no
 *     word can lift it
 */
public record Block(Kind kind, String what, Right lifter, String how, String subject) {

    /** A block that only work lifts, not a word. */
    public Block(Kind kind, String what, Right lifter, String how) {
        this(kind, what, lifter, how, "");
    }

    /** Whether a word of judgement, with a reason and by somebody who did not enter the evidence, can lift it. */
    public boolean isLiftedByWord() {
        return !subject.isEmpty();
    }

    /** The sorts of reason, the one to be dealt with first foremost. */
    public enum Kind {
        PUBLICATION_CONFLICT("publications that differ"),
        NOTHING_CLAIMED("a product that publishes no claim"),
        PRODUCT_WITHDRAWN("a lot of a withdrawn product"),
        PAST_SHELF_LIFE("a lot past the day that it keeps until"),
        NO_SAMPLE("material that nobody drew from the lot"),
        OTHER_BLEND("another formulation or colour masterbatch"),
        SIZE_GATE("a size outside its gate"),
        CALIBRATION("readings by an instrument that nobody can vouch for"),
        LATE_ENTRY("an entry made after results were known"),
        MATERIAL_STATE("the state of the material"),
        TAKEN_OUT("evidence changed after its result was known"),
        READING_OWED("a reading still to be fetched"),
        ODD_RESULT("a result far from the others of its set"),
        SURPRISE("something in the results that chance does not explain"),
        ENDINGS("tests that ended in a way that does not count"),
        INTAKE_CLAIM("a claim on the material that intake has not settled"),
        TEST_MISSING("a missing test"),
        PLAN_LINE("a planned test not done"),
        CLAIM_CONTRADICTED("a contradicted claim"),
        OTHER_SETUP("a set that contradicts beside one that does not"),
        CLAIM_OPEN("an open claim"),
        NOT_COMPARABLE("evidence under other terms"),
        SIGNAL_UNANSWERED("an unanswered signal"),
        SAME_PERSON("the account that measured");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The sort in words: "a size outside its gate". */
        public String words() {
            return words;
        }

        /** Whether a word about it names an assignable cause beside its reason. */
        public boolean needsCause() {
            return this == TAKEN_OUT || this == ENDINGS || this == OTHER_SETUP;
        }
    }
}
