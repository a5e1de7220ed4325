package org.ysometron.instruments.wire;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/** One line between an instrument and whoever listens to it. */
public sealed interface Message {

    /** What an instrument sends that must arrive, each under a number of its own, rising by one. */
    sealed interface Numbered extends Message {

        /** Serial number of the instrument. */
        String serial();

        /** Number of the line in its epoch, from 1. */
        long seq();
    }

    /**
     * The first line of an instrument after somebody has come.
     *
     * @param protocol of this text; 1
     * @param serial number of the instrument
     * @param kind what it is, in small letters with dashes
     * @param unit that its display is set to now
     * @param capacity where its range ends, in its unit; empty where it has none
     * @param epoch name of its numbering: another one where it lost its memory and counts from 1 again
     * @param next number of the line that it will send next
     */
    record Hello(
            int protocol, String serial, String kind, String unit, OptionalDouble capacity, String epoch, long next)
            implements Message {}

    /**
     * One value: a press, a peak that was held, a weight that has settled.
     *
     * @param value in its unit, with the digits that the display has; empty where it shows that it is over its range
     * @param at milliseconds since 1970 by the instrument's clock
     */
    record Reading(String serial, long seq, Optional<BigDecimal> value, String unit, State state, long at)
            implements Numbered {}

    /**
     * One point of a stream.
     *
     * @param stream number of the test that it belongs to
     * @param time seconds since the stream began
     * @param load in {@code unit}
     * @param second what it reads beside the load, in {@code unit}: a gauge of two axes has two; empty for most
     * @param way in {@code wayUnit}
     */
    record Point(
            String serial,
            long seq,
            long stream,
            double time,
            double load,
            OptionalDouble second,
            String unit,
            double way,
            String wayUnit,
            State state)
            implements Numbered {}

    /**
     * The end of a stream.
     *
     * @param points that it had
     */
    record Ended(String serial, long seq, long stream, long points) implements Numbered {}

    /** Something about the instrument itself, to be seen and not to be counted. */
    record Status(String serial, State state, String unit) implements Message {}

    /** Asks for what comes after a number; empty epoch and 0 from who knows nothing. */
    record From(String epoch, long seq) implements Message {}

    /** Everything up to this number is kept: the instrument may forget it. */
    record Ack(String epoch, long seq) implements Message {}

    /** How a reading was shown. */
    enum State {
        OK("ok"),
        /** The display shows that its range has ended. */
        OVER("over"),
        /** It had not settled. */
        UNSTABLE("unstable"),
        /** The battery is nearly empty. */
        LOW_BATTERY("low-battery");

        private final String key;

        State(String key) {
            this.key = key;
        }

        /** The state of a word of a line; empty for what is none. */
        public static Optional<State> of(String key) {
            return Arrays.stream(values())
                    .filter(state -> state.key.equals(key))
                    .findFirst();
        }

        /** As it stands in a line. */
        public String key() {
            return key;
        }
    }

    /** The number of a line that has one. */
    static OptionalLong number(Message message) {
        return message instanceof Numbered numbered ? OptionalLong.of(numbered.seq()) : OptionalLong.empty();
    }
}
