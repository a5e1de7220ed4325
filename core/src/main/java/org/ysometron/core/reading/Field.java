package org.ysometron.core.reading;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.rubric.Rubric;

/**
 * One field of a sheet.
 *
 * @param key by which formulas and files call it
 * @param words by which people call it
 * @param kind what may stand in it
 * @param dimension of a number; a ratio for what has no unit
 * @param places how many readings of it are wanted, at least 1; fewer are taken and marked
 * @param role whether it is a size measured before, or read in the test
 * @param optional whether a result can be had without it
 * @param choices the words that a choice may be
 * @param rubric the scale of a grade; null for all else
 */
public record Field(
        String key,
        String words,
        Kind kind,
        Dimension dimension,
        int places,
        Role role,
        boolean optional,
        List<String> choices,
        @Nullable Rubric rubric) {

    /** What may stand in a field. */
    public enum Kind {
        /** A number above zero with its unit; a temperature may be any. */
        NUMBER,
        /** A number that may be zero: an angle, a deflection, a length that is left. */
        FROM_ZERO,
        /** A number of either sign, zero among them. */
        SIGNED,
        /** A grade of a scale, from its worst to its best; each place is another grader's. */
        GRADE,
        /** The same of one step after another of one thing. */
        STEP_GRADE,
        /** A whole number from zero on. */
        COUNT,
        /** One of a few words. */
        CHOICE,
        /** Whatever somebody saw, in their words. */
        TEXT,
        /** A record of load by way: taken from a file or an instrument, never typed. */
        TRACE
    }

    /** When a field is read. */
    public enum Role {
        /** Before the test, of the specimen itself. */
        SIZE,
        /** In the test. */
        TEST,
        /** Never read of a specimen: what was signed as the master that it is compared with. */
        MASTER,
        /** Seen beside it: no figure is made of it, but one may not count for it. */
        NOTED,
        /** A record, and what is found on it alone: never typed. */
        RECORDED
    }

    /** Checks that a choice has its words and that there is a place to read. */
    public Field {
        choices = List.copyOf(choices);
        if (!key.matches("[a-z][a-z0-9-]*") || words.isBlank() || places < 1 || places > 20) {
            throw new IllegalArgumentException("a field needs a key in small letters, words, and 1 to 20 places");
        }
        if ((kind == Kind.CHOICE) != !choices.isEmpty()) {
            throw new IllegalArgumentException("'" + key + "': a choice has its words, and nothing else has any");
        }
        if ((kind == Kind.GRADE || kind == Kind.STEP_GRADE) != (rubric != null)) {
            throw new IllegalArgumentException("'" + key + "': a grade has its scale, and nothing else has any");
        }
        if (kind == Kind.TRACE && role != Role.RECORDED) {
            throw new IllegalArgumentException("'" + key + "': a trace is recorded, and not typed");
        }
        if (role == Role.RECORDED && !optional) {
            throw new IllegalArgumentException(
                    "'" + key + "': what is recorded is optional; a test may be typed instead");
        }
    }

    /** A field without a scale. */
    public Field(
            String key,
            String words,
            Kind kind,
            Dimension dimension,
            int places,
            Role role,
            boolean optional,
            List<String> choices) {
        this(key, words, kind, dimension, places, role, optional, choices, null);
    }

    /** What a reading at a place is called: width 2, or the words alone where there is one place. */
    public String label(int place) {
        if (kind == Kind.GRADE) {
            return place == 1 ? words : words + ", by grader " + place;
        }
        return places == 1 ? words : words + " " + place;
    }

    /** Symbol of the unit meant when none is typed; empty where there is none. */
    public String unit() {
        return kind == Kind.CHOICE || kind == Kind.TEXT || kind == Kind.TRACE ? "" : dimension.workingUnit();
    }

    /** Whether numbers with a unit stand in it. */
    public boolean isQuantity() {
        return kind == Kind.NUMBER || kind == Kind.FROM_ZERO || kind == Kind.SIGNED;
    }
}
