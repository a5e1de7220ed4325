package org.ysometron.app.drift;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How a series stands, as it is kept from one look to the next.
 *
 * @param attention what it asks for, of itself
 * @param words its state
 * @param means of its newest lots, in order
 * @param signals places among these at which the charts say something
 * @param centre of its limits; null without any
 * @param lower limit for the newest lot
 * @param upper limit for the newest lot
 * @param least claimed edge below; null without one
 * @param most claimed edge above; null without one
 * @param lots how many it has
 * @param left lots until a claimed edge; null where it slides to none
 */
record Glance(
        Attention attention,
        String words,
        List<Double> means,
        List<Integer> signals,
        @Nullable Double centre,
        @Nullable Double lower,
        @Nullable Double upper,
        @Nullable Double least,
        @Nullable Double most,
        int lots,
        @Nullable Double left) {

    /** Changes when what is kept changes its meaning: what was kept before is then worked out anew. */
    static final int FORMAT = 3;

    /** What a series asks for; what asks most comes first. */
    enum Attention {
        ASKS("needs an answer"),
        BEYOND("beyond its claim"),
        SLIDES("slides to its claim"),
        CHANGED("changed since its limits"),
        STREAMS("in two streams"),
        UNWATCHED("no limits yet"),
        QUIET("as it was"),
        FEW("too few lots");

        private final String words;

        Attention(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
