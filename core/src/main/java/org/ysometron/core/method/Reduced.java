package org.ysometron.core.method;

import java.util.List;
import java.util.OptionalDouble;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/**
 * One characteristic of one specimen.
 *
 * @param characteristic which
 * @param made what the test's end makes of the figure
 * @param value in the characteristic's unit; of an interval its lower end; empty where {@code made} is nothing
 * @param upper upper end of an interval; empty for all else
 * @param shown the figure whatever its end makes of it; for showing one that counts for nothing, never for a mean
 * @param reason why it is a bound or nothing; empty for a value
 * @param notes what a reader must know
 * @param working the steps
 */
public record Reduced(
        Characteristic characteristic,
        Made made,
        OptionalDouble value,
        OptionalDouble upper,
        OptionalDouble shown,
        String reason,
        List<String> notes,
        Working working) {

    /** Copies the notes. */
    public Reduced {
        notes = List.copyOf(notes);
    }

    /** What an end makes of a figure. */
    public enum Made {
        /** A value; enters means. */
        VALUE("value", "a value"),
        /** A lower bound. */
        AT_LEAST("at-least", "a lower bound"),
        /** An upper bound. */
        AT_MOST("at-most", "an upper bound"),
        /** Above one figure and not above another: a step was held, the next was not. */
        BETWEEN("between", "an interval"),
        /** Nothing that could be used. */
        NOTHING("nothing", "not counted");

        private final String key;
        private final String words;

        Made(String key, String words) {
            this.key = key;
            this.words = words;
        }

        /** What it is, in words. */
        public String words() {
            return words;
        }

        /** Its key in files. */
        public String key() {
            return key;
        }
    }

    /** The same, counting for nothing. */
    Reduced without(String because) {
        OptionalDouble none = OptionalDouble.empty();
        return new Reduced(
                characteristic,
                Made.NOTHING,
                none,
                none,
                shown,
                because,
                notes,
                working.then(Step.note("not counted", because)));
    }
}
