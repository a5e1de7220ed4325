package org.ysometron.instruments.wire;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Messages as lines of text: a word, fields as key=value between blanks, and a checksum behind a star. */
public final class Wire {

    /** Longest line that is read. */
    public static final int LONGEST = 400;

    /** Digits that a display can have. */
    private static final int MOST_DIGITS = 18;

    private Wire() {}

    /** A line that cannot be read: cut, changed on its way, or of another protocol. */
    public static final class Garbled extends Exception {

        private static final long serialVersionUID = 1L;

        Garbled(String message) {
            super(message);
        }
    }

    /** The line of a message, without its end. */
    public static String text(Message message) {
        String body = body(message);
        return body + " *" + sum(body);
    }

    private static String body(Message message) {
        if (message instanceof Message.Hello hello) {
            return "hello protocol=" + hello.protocol() + " serial=" + hello.serial() + " kind=" + hello.kind()
                    + " unit=" + hello.unit() + value(" capacity=", hello.capacity()) + " epoch=" + hello.epoch()
                    + " next=" + hello.next();
        }
        if (message instanceof Message.Reading reading) {
            return "reading serial=" + reading.serial() + " seq=" + reading.seq()
                    + reading.value()
                            .map(value -> " value=" + value.toPlainString())
                            .orElse("") + " unit=" + reading.unit() + " state="
                    + reading.state().key() + " at=" + reading.at();
        }
        if (message instanceof Message.Point point) {
            return "point serial=" + point.serial() + " seq=" + point.seq() + " stream=" + point.stream() + " time="
                    + point.time() + " load=" + point.load() + value(" second=", point.second()) + " unit="
                    + point.unit() + " way=" + point.way()
                    + " way-unit=" + point.wayUnit() + " state=" + point.state().key();
        }
        if (message instanceof Message.Ended ended) {
            return "ended serial=" + ended.serial() + " seq=" + ended.seq() + " stream=" + ended.stream() + " points="
                    + ended.points();
        }
        if (message instanceof Message.Status status) {
            return "status serial=" + status.serial() + " state="
                    + status.state().key() + " unit=" + status.unit();
        }
        if (message instanceof Message.From from) {
            return "from epoch=" + (from.epoch().isEmpty() ? "-" : from.epoch()) + " seq=" + from.seq();
        }
        Message.Ack ack = (Message.Ack) message;
        return "ack epoch=" + ack.epoch() + " seq=" + ack.seq();
    }

    private static String value(String key, OptionalDouble value) {
        return value.isPresent() ? key + value.getAsDouble() : "";
    }

    /** XOR of the bytes before it, as two hexadecimal digits. */
    private static String sum(String body) {
        int sum = 0;
        for (byte one : body.getBytes(StandardCharsets.UTF_8)) {
            sum ^= one & 0xFF;
        }
        return String.format(Locale.ROOT, "%02X", sum);
    }

    /**
     * The message of a line.
     *
     * @throws Garbled where its checksum is not that of its text, a field is missing, or a number is none
     */
    public static Message read(String line) throws Garbled {
        int star = line.lastIndexOf(" *");
        if (line.length() > LONGEST || star < 0 || !line.substring(star + 2).equals(sum(line.substring(0, star)))) {
            throw new Garbled("the line was changed on its way: " + shortened(line));
        }
        String[] parts = line.substring(0, star).split(" ");
        Fields fields = new Fields(parts, line);
        try {
            return switch (parts[0]) {
                case "hello" ->
                    new Message.Hello(
                            (int) fields.whole("protocol"),
                            fields.word("serial"),
                            fields.word("kind"),
                            fields.word("unit"),
                            fields.optional("capacity"),
                            fields.word("epoch"),
                            fields.whole("next"));
                case "reading" ->
                    new Message.Reading(
                            fields.word("serial"),
                            fields.whole("seq"),
                            fields.shown("value"),
                            fields.word("unit"),
                            fields.state(),
                            fields.whole("at"));
                case "point" ->
                    new Message.Point(
                            fields.word("serial"),
                            fields.whole("seq"),
                            fields.whole("stream"),
                            fields.number("time"),
                            fields.number("load"),
                            fields.optional("second"),
                            fields.word("unit"),
                            fields.number("way"),
                            fields.word("way-unit"),
                            fields.state());
                case "ended" ->
                    new Message.Ended(
                            fields.word("serial"), fields.whole("seq"), fields.whole("stream"), fields.whole("points"));
                case "status" -> new Message.Status(fields.word("serial"), fields.state(), fields.word("unit"));
                case "from" ->
                    new Message.From(fields.word("epoch").equals("-") ? "" : fields.word("epoch"), fields.whole("seq"));
                case "ack" -> new Message.Ack(fields.word("epoch"), fields.whole("seq"));
                default -> throw new Garbled("'" + shortened(parts[0]) + "' is no word of this protocol");
            };
        } catch (NumberFormatException none) {
            throw new Garbled("a number is none: " + shortened(line));
        }
    }

    /**
     * A number as a display shows it, with all of its digits.
     *
     * @throws NumberFormatException for what is none, or has more digits than any display: 1e300000 would be written out at full length
     */
    public static BigDecimal shown(String text) {
        BigDecimal shown = new BigDecimal(text);
        if (Math.abs(shown.scale()) > MOST_DIGITS || shown.precision() > MOST_DIGITS) {
            throw new NumberFormatException(text);
        }
        return shown;
    }

    private static String shortened(String line) {
        return line.length() > 80 ? line.substring(0, 80) + "…" : line;
    }

    private static final class Fields {

        private final Map<String, String> byKey = new HashMap<>();
        private final String line;

        Fields(String[] parts, String line) {
            this.line = line;
            Arrays.stream(parts).skip(1).forEach(part -> {
                int equals = part.indexOf('=');
                if (equals > 0) {
                    byKey.put(part.substring(0, equals), part.substring(equals + 1));
                }
            });
        }

        String word(String key) throws Garbled {
            String word = byKey.get(key);
            if (word == null || word.isEmpty()) {
                throw new Garbled("'" + key + "' is missing: " + shortened(line));
            }
            return word;
        }

        long whole(String key) throws Garbled {
            long whole = Long.parseLong(word(key));
            if (whole < 0) {
                throw new Garbled("'" + key + "' is below zero: " + shortened(line));
            }
            return whole;
        }

        double number(String key) throws Garbled {
            double number = Double.parseDouble(word(key));
            if (!Double.isFinite(number)) {
                throw new Garbled("'" + key + "' is no number: " + shortened(line));
            }
            return number;
        }

        OptionalDouble optional(String key) throws Garbled {
            return byKey.containsKey(key) ? OptionalDouble.of(number(key)) : OptionalDouble.empty();
        }

        Optional<BigDecimal> shown(String key) throws Garbled {
            if (!byKey.containsKey(key)) {
                return Optional.empty();
            }
            return Optional.of(Wire.shown(word(key)));
        }

        Message.State state() throws Garbled {
            String key = word("state");
            return Message.State.of(key).orElseThrow(() -> new Garbled("'" + key + "' is no state"));
        }
    }
}
